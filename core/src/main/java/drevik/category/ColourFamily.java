package drevik.category;

import java.util.Arrays;
import java.util.Optional;

/**
 * The twelve families that colours are assigned by, each with the two letters that stand beside its
 * colour, so that hue is never the only sign. Hues are the interface's business.
 */
public enum ColourFamily {
  DRUMS("drums", "Dr"),
  PERCUSSION("percussion", "Pe"),
  BASS("bass", "Ba"),
  GUITAR("guitar", "Gt"),
  KEYS("keys", "Ke"),
  SYNTH("synth", "Sy"),
  STRINGS("strings", "St"),
  BRASS("brass", "Br"),
  WINDS("winds", "Wi"),
  VOCALS("vocals", "Vo"),
  SPEECH("speech", "Sp"),
  EFFECTS("effects", "Fx"),
  NEUTRAL("neutral", "··");

  private final String id;
  private final String mark;

  ColourFamily(String id, String mark) {
    this.id = id;
    this.mark = mark;
  }

  public String mark() {
    return mark;
  }

  public static Optional<ColourFamily> byId(String id) {
    return Arrays.stream(values()).filter(family -> family.id.equals(id)).findFirst();
  }

  /** The family of a category; neutral for what has no sound of its own. */
  public static ColourFamily ofCategory(String category) {
    return switch (CategoryTree.topOf(category)) {
      case "drums" -> DRUMS;
      case "percussion" -> PERCUSSION;
      case "bass" -> BASS;
      case "guitar" -> GUITAR;
      case "keys" -> KEYS;
      case "synth" -> SYNTH;
      case "strings", "orchestra", "score" -> STRINGS;
      case "brass" -> BRASS;
      case "winds" -> WINDS;
      case "vocals" -> VOCALS;
      case "dialogue", "narration", "interview", "natural" -> SPEECH;
      case "fx", "foley", "effects", "ambience" -> EFFECTS;
      default -> NEUTRAL;
    };
  }

  @Override
  public String toString() {
    return id;
  }
}
