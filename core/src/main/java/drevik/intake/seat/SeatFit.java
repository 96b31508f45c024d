package drevik.intake.seat;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.CleanNames;
import drevik.intake.measure.StereoPairs;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How well a file fits a free seat: by category, layout, the words of both names, and person. */
record SeatFit(DeliveredFile file, Channel seat, double score) {
  private static final Set<String> OF_PICTURE =
      Set.of("dialogue", "interview", "foley", "effects", "ambience", "score");

  private static final Pattern WORD = Pattern.compile("\\p{Lu}?\\p{Ll}+|\\p{Lu}+(?!\\p{Ll})|\\d+");

  /**
   * All that fit, the best first; of equal ones that which is heard first.
   *
   * @param clean what files are called without what all of them share: a reel's number is no seat's
   */
  static List<SeatFit> all(List<DeliveredFile> files, List<Channel> seats, CleanNames clean) {
    List<SeatFit> fits = new ArrayList<>();
    for (DeliveredFile file : files) {
      Set<String> words = words(clean.of(file.title()));
      for (Channel seat : seats) {
        double score = of(file, words, seat);
        if (score > 0) {
          fits.add(new SeatFit(file, seat, score));
        }
      }
    }
    fits.sort((a, b) -> Double.compare(b.score(), a.score()));
    return fits;
  }

  /** Why the file stands on that seat, for people. */
  String because() {
    String free = "a free seat for " + seat.category();
    if (seat.category().equals(file.category())) {
      return free;
    }
    if (CategoryTree.isWithin(file.category(), seat.category())) {
      return free + ", which covers " + file.category();
    }
    return OF_PICTURE.contains(CategoryTree.topOf(file.category()))
        ? free + ", a part of " + file.category()
        : free + ", whose name it shares";
  }

  /** 0 where the file has no business on that seat. */
  private static double of(DeliveredFile file, Set<String> words, Channel seat) {
    String wanted = seat.category();
    String got = file.category();
    if (!seat.awaitsAudio() || !CategoryTree.related(wanted, got)) {
      return 0;
    }
    boolean monoSide = file.layout() == Layout.MONO && StereoPairs.panOf(file.name()) != 0;
    if (monoSide && seat.layout() != Layout.MONO) {
      return 0;
    }
    double score = wanted.equals(got) ? 10 : 6;
    score += seat.layout() == file.layout() ? 2 : 0;
    Set<String> seatWords = words(seat.name());
    Set<String> shared = new HashSet<>(words);
    shared.retainAll(seatWords);
    // A file that is known by its family alone is not any of the family's instruments; in work for
    // picture the parts of a family say how it was made, and any of them takes it.
    boolean familyAlone = !CategoryTree.isWithin(got, wanted);
    boolean ofPicture = OF_PICTURE.contains(CategoryTree.topOf(got));
    if (familyAlone && shared.isEmpty() && !ofPicture && seat.kind() != ChannelKind.REFERENCE) {
      return 0;
    }
    if (familyAlone && ofPicture) {
      // The first of the parts is the usual one.
      return (shared.isEmpty() ? 3 : 5)
          + 0.5 * shared.size()
          - 0.01 * CategoryTree.orderOf(wanted)
          - (seat.stowed() ? 0.5 : 0);
    }
    score += 1.5 * shared.size() - 0.1 * seatWords.size();
    if (seat.person() != null) {
      Set<String> person = words(seat.person());
      person.retainAll(words);
      // A seat of somebody's own is for them, and only then for others.
      score += person.isEmpty() ? -1 : 4;
    }
    return score - (seat.stowed() ? 0.5 : 0);
  }

  private static Set<String> words(String name) {
    Set<String> words = new LinkedHashSet<>();
    Matcher matcher = WORD.matcher(name);
    while (matcher.find()) {
      String word = matcher.group().toLowerCase(Locale.ROOT).replaceFirst("^0+(?=\\d)", "");
      words.add(
          switch (word) {
            case "btm", "bot" -> "bottom";
            case "lo" -> "low";
            case "hi" -> "high";
            case "l" -> "left";
            case "r" -> "right";
            default -> word;
          });
    }
    return words;
  }
}
