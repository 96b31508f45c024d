package drevik.intake.measure;

import drevik.category.CategoryTree;
import drevik.category.FileName;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Finds files that are microphones of one source, by their names: the same words but for the
 * position, such as “Snr Top” and “Snr Btm”, “KIK IN” and “KIK OUT”, “UprBass DI” and “Upr Bass
 * mic”.
 */
public final class MicrophonePairs {
  /** A file as it is asked about. */
  public record Named(String id, String name, String category) {}

  /**
   * Two files that belong together.
   *
   * @param spaced the second hears the same from some way off, among other things, as overheads do
   */
  public record Pair(String first, String second, boolean spaced) {}

  private enum Position {
    TOP,
    BOTTOM,
    IN,
    OUT,
    DI,
    MIC,
    LEFT,
    RIGHT;

    /** The position that is heard together with this one. */
    Position other() {
      return switch (this) {
        case TOP -> BOTTOM;
        case BOTTOM -> TOP;
        case IN -> OUT;
        case OUT -> IN;
        case DI -> MIC;
        case MIC -> DI;
        case LEFT -> RIGHT;
        case RIGHT -> LEFT;
      };
    }

    boolean isFirst() {
      return compareTo(other()) < 0;
    }
  }

  private static final Map<String, Position> POSITIONS = new LinkedHashMap<>();

  static {
    name(Position.TOP, "top up oben dessus arriba sopra over");
    name(Position.BOTTOM, "bottom btm bot under dn down unten dessous abajo sotto");
    name(Position.IN, "in inside innen dentro int");
    name(Position.OUT, "out outside aussen fora ext");
    name(Position.DI, "di line");
    name(Position.MIC, "mic amp cab ampli mikro mike");
    name(Position.LEFT, "l left links gauche izq sx");
    name(Position.RIGHT, "r right rechts droite der dx");
  }

  private static final Pattern ENDING = Pattern.compile("\\.[A-Za-z0-9]{2,4}$");
  private static final Pattern NUMBERING = Pattern.compile("^\\d{1,3}(?=[ _.\\-])");
  private static final Pattern WORD =
      Pattern.compile("\\p{Lu}{2,}(?!\\p{Ll})|\\p{Lu}?\\p{Ll}+|\\p{Lu}|\\d+");

  private MicrophonePairs() {}

  private static void name(Position position, String words) {
    for (String word : words.split(" ", 0)) {
      POSITIONS.put(word, position);
    }
  }

  private record Place(Named file, String source, Position position) {}

  /** Pairs in the order of their first files. A file is the second of one pair at most. */
  public static List<Pair> among(List<Named> files) {
    Map<String, List<Place>> sources = new LinkedHashMap<>();
    for (Named file : files) {
      placeOf(file)
          .ifPresent(p -> sources.computeIfAbsent(p.source(), key -> new ArrayList<>()).add(p));
    }
    List<Pair> pairs = new ArrayList<>();
    for (List<Place> places : sources.values()) {
      for (Place first : places) {
        if (!first.position.isFirst() || isDoubleTracked(first)) {
          continue;
        }
        List<Place> others =
            places.stream().filter(p -> p.position == first.position.other()).toList();
        boolean alone = places.stream().filter(p -> p.position == first.position).count() == 1;
        if (alone && others.size() == 1) {
          pairs.add(new Pair(first.file.id(), others.get(0).file.id(), false));
        }
      }
    }
    overheads(files, pairs);
    return pairs;
  }

  /** Overheads hear the snare as well; the right one is compared with the left already. */
  private static void overheads(List<Named> files, List<Pair> pairs) {
    Optional<Named> snare =
        files.stream()
            .filter(file -> file.category().equals("drums/snare"))
            .filter(file -> pairs.stream().noneMatch(p -> p.second().equals(file.id())))
            .findFirst();
    for (Named file : files) {
      boolean open = pairs.stream().noneMatch(pair -> pair.second().equals(file.id()));
      if (open && file.category().equals("drums/overhead") && snare.isPresent()) {
        pairs.add(new Pair(snare.get().id(), file.id(), true));
      }
    }
  }

  /** Left and right of guitars and voices are two performances, which need not agree. */
  private static boolean isDoubleTracked(Place place) {
    String top = CategoryTree.topOf(place.file.category());
    return place.position == Position.LEFT
        && List.of("guitar", "vocals", "unknown", "fx", "click", "dialogue").contains(top);
  }

  private static Optional<Place> placeOf(Named file) {
    String plain = ENDING.matcher(FileName.baseOf(file.name())).replaceFirst("");
    plain = Normalizer.normalize(plain, Normalizer.Form.NFKD).replaceAll("\\p{M}+", "");
    plain = NUMBERING.matcher(plain).replaceFirst("");
    Position position = null;
    List<String> rest = new ArrayList<>();
    for (String word : WORD.matcher(plain).results().map(r -> r.group()).toList()) {
      String small = word.toLowerCase(Locale.ROOT);
      Position found = POSITIONS.get(small);
      // The last position is the microphone's; one before it belongs to the source.
      if (found != null) {
        position = found;
      } else {
        rest.add(small);
      }
    }
    if (position == null || rest.isEmpty()) {
      return Optional.empty();
    }
    String folder = FileName.folderOf(file.name());
    String source =
        folder + "|" + CategoryTree.topOf(file.category()) + "|" + String.join("", rest);
    return Optional.of(new Place(file, source, position));
  }
}
