package drevik.intake.measure;

import drevik.audio.Layout;
import drevik.audio.StereoJoin.Halves;
import drevik.category.CategoryTree;
import drevik.category.FileName;
import drevik.mix.Channel;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Finds pairs of mono files that are the two halves of one stereo file: “Choir.L” and “Choir.R”,
 * “Room mid” and “Room side”.
 */
public final class StereoPairs {
  /** A mono file as it is asked about. */
  public record Half(String id, String name, String category, long frames, int sampleRate) {}

  /** Two halves. */
  public record Pair(String first, String second, Halves halves) {}

  private enum Side {
    LEFT(Halves.LEFT_RIGHT, "l left links gauche izq sx esq"),
    RIGHT(Halves.LEFT_RIGHT, "r right rechts droite der dx dir"),
    MID(Halves.MID_SIDE, "m mid mitte"),
    SIDE(Halves.MID_SIDE, "s side seite");

    final Halves halves;

    @SuppressWarnings("ImmutableEnumChecker") // made by List.of
    final List<String> words;

    Side(Halves halves, String words) {
      this.halves = halves;
      this.words = List.of(words.split(" "));
    }

    Side other() {
      return switch (this) {
        case LEFT -> RIGHT;
        case RIGHT -> LEFT;
        case MID -> SIDE;
        case SIDE -> MID;
      };
    }

    static Optional<Side> of(String word) {
      String small = word.toLowerCase(Locale.ROOT);
      for (Side side : values()) {
        if (side.words.contains(small)) {
          return Optional.of(side);
        }
      }
      return Optional.empty();
    }
  }

  /** The source, what stands before the side, and the side as the last word. */
  private static final Pattern SIDED = Pattern.compile("^(.*[^ ._\\-(])([ ._\\-(]+)(\\p{L}+)\\)?$");

  private static final Pattern NUMBERING = Pattern.compile("^\\d{1,3}[ _.\\-]+");

  /** Left and right of these are more often two performances than one stereo recording. */
  private static final List<String> DOUBLED =
      List.of("guitar", "vocals", "unknown", "fx", "click", "dialogue", "foley", "interview");

  /** Editors round lengths; two takes differ by more. */
  private static final double LENGTHS_AGREE = 0.01;

  private StereoPairs() {}

  private record Sided(Half half, String source, Side side, boolean dotted) {
    boolean meansStereo() {
      return dotted
          || side.halves == Halves.MID_SIDE
          || !DOUBLED.contains(CategoryTree.topOf(half.category()));
    }
  }

  /**
   * Pairs in the order of their first files; those for whose halves the Mix has two free seats of
   * their own stay apart. Names are read as they are first; those that find no other half so are
   * read without what stands behind their sides and is each file's own before them, as a date and a
   * running number.
   *
   * @param files mono files only
   */
  public static List<Pair> among(List<Half> files, Mix mix) {
    List<Pair> pairs = new ArrayList<>(among(files, CleanNames::withoutEnding, mix));
    Set<String> paired = new HashSet<>();
    pairs.forEach(pair -> paired.addAll(List.of(pair.first(), pair.second())));
    List<Half> left = files.stream().filter(file -> !paired.contains(file.id())).toList();
    CleanNames clean = CleanNames.of(files.stream().map(Half::name).toList());
    pairs.addAll(among(left, clean::of, mix));
    Map<String, Integer> order = new HashMap<>();
    files.forEach(file -> order.put(file.id(), order.size()));
    pairs.sort(Comparator.comparing(pair -> order.get(pair.first())));
    return pairs;
  }

  private static List<Pair> among(List<Half> files, UnaryOperator<String> read, Mix mix) {
    Map<String, List<Sided>> sources = new LinkedHashMap<>();
    for (Half file : files) {
      sided(file, read.apply(file.name()))
          .filter(Sided::meansStereo)
          .ifPresent(one -> sources.computeIfAbsent(one.source, key -> new ArrayList<>()).add(one));
    }
    List<Pair> pairs = new ArrayList<>();
    for (List<Sided> halves : sources.values()) {
      if (halves.size() != 2) {
        continue;
      }
      boolean inOrder = halves.get(0).side.compareTo(halves.get(1).side) < 0;
      Sided first = halves.get(inOrder ? 0 : 1);
      Sided second = halves.get(inOrder ? 1 : 0);
      if (first.side != second.side
          && first.side.other() == second.side
          && agree(first.half, second.half)
          && !haveSeats(first, second, mix)) {
        pairs.add(new Pair(first.half.id(), second.half.id(), first.side.halves));
      }
    }
    return pairs;
  }

  private static Optional<Sided> sided(Half half, String read) {
    Matcher matcher = SIDED.matcher(FileName.baseOf(read));
    if (!matcher.matches()) {
      return Optional.empty();
    }
    String source = NUMBERING.matcher(matcher.group(1)).replaceFirst("");
    String key = (FileName.folderOf(half.name()) + source).toLowerCase(Locale.ROOT);
    return Side.of(matcher.group(3))
        .map(side -> new Sided(half, key + side.halves, side, matcher.group(2).endsWith(".")));
  }

  private static boolean agree(Half one, Half other) {
    double longer = Math.max(one.frames(), other.frames());
    return one.sampleRate() == other.sampleRate()
        && Math.abs(one.frames() - other.frames()) <= LENGTHS_AGREE * longer
        && CategoryTree.topOf(one.category()).equals(CategoryTree.topOf(other.category()));
  }

  private static boolean haveSeats(Sided first, Sided second, Mix mix) {
    return hasSeat(first, mix) && hasSeat(second, mix);
  }

  private static boolean hasSeat(Sided half, Mix mix) {
    return mix.channels().stream()
        .filter(c -> c.layout() == Layout.MONO && c.awaitsAudio())
        .filter(c -> CategoryTree.related(c.category(), half.half.category()))
        .anyMatch(c -> sideOf(c).equals(Optional.of(half.side)));
  }

  private static Optional<Side> sideOf(Channel seat) {
    Matcher matcher = SIDED.matcher(seat.name());
    return matcher.matches() ? Side.of(matcher.group(3)) : Optional.empty();
  }

  /**
   * The side that the name of a mono file or seat ends with, but for what an export adds: −1 left,
   * 1 right, 0 none.
   */
  public static int panOf(String name) {
    Matcher matcher = SIDED.matcher(CleanNames.of(List.of(name)).of(name));
    Optional<Side> side = matcher.matches() ? Side.of(matcher.group(3)) : Optional.empty();
    return side.map(s -> s == Side.LEFT ? -1 : s == Side.RIGHT ? 1 : 0).orElse(0);
  }
}
