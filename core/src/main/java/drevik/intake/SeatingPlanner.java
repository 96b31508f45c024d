package drevik.intake;

import drevik.audio.Layout;
import drevik.category.CategoryMap;
import drevik.category.CategoryTree;
import drevik.edit.SeatDelivery;
import drevik.intake.SeatingPlan.Act;
import drevik.intake.SeatingPlan.Place;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Plans which delivered file goes to which seat: free seats of the same category first, the one
 * whose name and layout fit best; else a new seat like its neighbours, sent where the category map
 * says. Seats that nothing came for are stowed.
 */
public final class SeatingPlanner {
  private static final Pattern SIDE = Pattern.compile("(?i).*[ _.\\-]([LR])$");
  private static final Pattern NUMBERING = Pattern.compile("^\\d{1,3}[ _.\\-]+");
  private static final Pattern WORD = Pattern.compile("\\p{Lu}?\\p{Ll}+|\\p{Lu}+(?!\\p{Ll})|\\d+");

  private final Mix mix;
  private final Set<String> taken = new HashSet<>();

  private SeatingPlanner(Mix mix) {
    this.mix = mix;
  }

  public static SeatingPlan plan(Mix mix, List<DeliveredFile> files) {
    return new SeatingPlanner(mix).plan(files);
  }

  private SeatingPlan plan(List<DeliveredFile> files) {
    List<DeliveredFile> inOrder = new ArrayList<>(files);
    inOrder.sort(Comparator.comparingInt(file -> CategoryTree.orderOf(file.category())));
    Map<String, Place> places = new HashMap<>();
    // The best fits first, so that “snare top” is not taken by the snare that happens to come
    // first.
    List<DeliveredFile> open = new ArrayList<>();
    for (DeliveredFile file : inOrder) {
      Optional<Channel> before = seatOf(file.replaces());
      String leftOut = reasonToLeaveOut(file);
      if (leftOut == null && before.isPresent()) {
        places.put(file.id(), replace(file, before.get()));
      } else if (leftOut != null) {
        places.put(file.id(), new Place(file.id(), Act.LEFT_OUT, null, null, leftOut, null));
      } else {
        open.add(file);
      }
    }
    seatBestFits(open, places);
    for (DeliveredFile file : open) {
      places.put(file.id(), addSeat(file));
    }
    List<SeatingPlan.Stowed> stow =
        mix.channels().stream()
            .filter(c -> c.kind() == ChannelKind.SEAT && c.awaitsAudio() && !c.stowed())
            .filter(c -> !taken.contains(c.id()))
            .map(c -> new SeatingPlan.Stowed(c.id(), c.name()))
            .toList();
    return new SeatingPlan(files.stream().map(f -> places.get(f.id())).toList(), stow);
  }

  /** The seat that plays a file of an earlier delivery. */
  private Optional<Channel> seatOf(@Nullable String earlier) {
    return earlier == null
        ? Optional.empty()
        : mix.channels().stream()
            .filter(
                c ->
                    c.clips().stream()
                        .anyMatch(clip -> clip.id().equals(DeliveredFile.clipOf(earlier))))
            .findFirst();
  }

  /** The new version stands where the old one stood, as loud as that. */
  private static Place replace(DeliveredFile file, Channel seat) {
    Clip old =
        seat.clips().stream()
            .filter(c -> c.id().equals(DeliveredFile.clipOf(String.valueOf(file.replaces()))))
            .findFirst()
            .orElseThrow();
    long in = Math.min(old.sourceIn(), file.frames());
    long out = old.sourceIn() == 0 ? file.frames() : Math.min(old.sourceOut(), file.frames());
    Clip clip =
        new Clip(
            DeliveredFile.clipOf(file.id()),
            file.audio(),
            old.startFrame(),
            in,
            Math.max(in, out),
            old.gainDb(),
            old.keep());
    return new Place(
        file.id(),
        Act.REPLACES,
        seat.name(),
        seat.output(),
        "a new version of “" + old.audio().name() + "”" + polarity(file, seat),
        new SeatDelivery.Seating(seat, null, clip, old.id()));
  }

  /** The seat stays as it is; whether that is still right is for a person to hear. */
  private static String polarity(DeliveredFile file, Channel seat) {
    if (file.flip() == seat.invertPolarity()) {
      return "";
    }
    return file.flip()
        ? "; it is upside down, and its seat does not turn it: listen"
        : "; its seat turns the polarity, which this version may not need: listen";
  }

  private String reasonToLeaveOut(DeliveredFile file) {
    if (seatOf(file.known()).isPresent()) {
      return "the same as what “" + seatOf(file.known()).get().name() + "” plays already";
    }
    if (file.silent()) {
      return "silent all through";
    }
    if (file.category().equals(CategoryTree.UNKNOWN)) {
      return "give it a category first";
    }
    if (CategoryTree.isWithin(file.category(), "print")) {
      return "already a print; its parts are mixed instead";
    }
    return null;
  }

  private record Fit(DeliveredFile file, Channel seat, double score) {}

  private void seatBestFits(List<DeliveredFile> open, Map<String, Place> places) {
    List<Fit> fits = new ArrayList<>();
    for (DeliveredFile file : open) {
      for (Channel seat : mix.channels()) {
        double score = fit(file, seat);
        if (score > 0) {
          fits.add(new Fit(file, seat, score));
        }
      }
    }
    fits.sort(Comparator.comparingDouble(Fit::score).reversed());
    for (Fit fit : fits) {
      if (places.containsKey(fit.file.id()) || taken.contains(fit.seat.id())) {
        continue;
      }
      taken.add(fit.seat.id());
      places.put(fit.file.id(), take(fit.file, fit.seat));
    }
    open.removeIf(file -> places.containsKey(file.id()));
  }

  /** How well a file fits a free seat; 0 where it does not. */
  private static double fit(DeliveredFile file, Channel seat) {
    if (!seat.awaitsAudio()) {
      return 0;
    }
    String wanted = seat.category();
    String got = file.category();
    double score;
    if (wanted.equals(got)) {
      score = 10;
    } else if (CategoryTree.isWithin(got, wanted) || CategoryTree.isWithin(wanted, got)) {
      score = 6;
    } else {
      return 0;
    }
    boolean monoSide = file.layout() == Layout.MONO && sideOf(file.name()).isPresent();
    if (monoSide && seat.layout() != Layout.MONO) {
      return 0;
    }
    score += seat.layout() == file.layout() ? 2 : 0;
    Set<String> words = words(file.name());
    Set<String> seatWords = words(seat.name());
    Set<String> shared = new HashSet<>(words);
    shared.retainAll(seatWords);
    return score + 1.5 * shared.size() - 0.1 * seatWords.size() - (seat.stowed() ? 0.5 : 0);
  }

  private Place take(DeliveredFile file, Channel seat) {
    Clip clip = SeatingPlan.wholeFile(file);
    boolean reference = seat.kind() == ChannelKind.REFERENCE;
    String because =
        reference
            ? "kept beside the mix, to compare"
            : seat.category().equals(file.category())
                ? "a free seat for " + file.category()
                : "a free seat for " + seat.category() + ", which covers " + file.category();
    return new Place(
        file.id(),
        reference ? Act.REFERENCE : Act.TAKES,
        seat.name(),
        seat.output(),
        because,
        new SeatDelivery.Seating(turned(seat.withStowed(false), file), null, clip, null));
  }

  private static Channel turned(Channel seat, DeliveredFile file) {
    return file.flip() ? seat.withInvertPolarity(!seat.invertPolarity()) : seat;
  }

  private Place addSeat(DeliveredFile file) {
    Optional<CategoryMap.Answer> mapped = mix.categoryMap().destinationOf(file.category());
    Optional<Channel> neighbour = neighbour(file.category());
    String destination =
        mapped.map(CategoryMap.Answer::value).orElse(neighbour.map(Channel::output).orElse(null));
    boolean special =
        CategoryTree.isWithin(file.category(), "reference")
            || CategoryTree.isWithin(file.category(), "click");
    if (destination == null || special) {
      String why =
          special
              ? "no free channel for " + file.category() + " in this Mix"
              : "the category map has no destination for " + file.category();
      return new Place(file.id(), Act.LEFT_OUT, null, null, why, null);
    }
    String name = cleanName(file.name());
    Channel seat =
        neighbour
            .map(c -> c.withClips(List.of()).withStowed(false).withMute(false))
            .orElseGet(
                () -> Channel.of("", ChannelKind.SEAT, name, file.layout(), file.category()));
    Channel added =
        seat.with()
            .id("seat-" + file.id())
            .name(name)
            .layout(file.layout())
            .category(file.category())
            .output(destination)
            .pan(sideOf(file.name()).map(side -> side.equals("L") ? -1.0 : 1.0).orElse(0.0))
            .person(null)
            .comment("")
            .build();
    String after = neighbour.map(Channel::id).orElse(null);
    String because =
        mapped
            .map(answer -> "from the category map: " + answer.saidBy())
            .orElse("like “" + neighbour.map(Channel::name).orElse("") + "”");
    return new Place(
        file.id(),
        Act.ADDS,
        name,
        destination,
        "no free seat left; " + because,
        new SeatDelivery.Seating(turned(added, file), after, SeatingPlan.wholeFile(file), null));
  }

  /** The last seat of the same category, or of the same family. */
  private Optional<Channel> neighbour(String category) {
    List<Channel> seats =
        mix.channels().stream().filter(c -> c.kind() == ChannelKind.SEAT).toList();
    Optional<Channel> same =
        seats.stream().filter(c -> c.category().equals(category)).reduce((a, b) -> b);
    return same.isPresent()
        ? same
        : seats.stream()
            .filter(c -> CategoryTree.topOf(c.category()).equals(CategoryTree.topOf(category)))
            .reduce((a, b) -> b);
  }

  private static Optional<String> sideOf(String name) {
    Matcher matcher = SIDE.matcher(withoutEnding(name));
    return matcher.matches()
        ? Optional.of(matcher.group(1).toUpperCase(Locale.ROOT))
        : Optional.empty();
  }

  private static String withoutEnding(String name) {
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  /** The file's name without folder, ending and leading number. */
  static String cleanName(String name) {
    String file = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
    String plain =
        NUMBERING.matcher(withoutEnding(file)).replaceFirst("").replace('_', ' ').strip();
    return plain.isEmpty() ? withoutEnding(file) : plain;
  }

  private static Set<String> words(String name) {
    Set<String> words = new LinkedHashSet<>();
    Matcher matcher = WORD.matcher(cleanName(name));
    while (matcher.find()) {
      String word = matcher.group().toLowerCase(Locale.ROOT);
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
