package drevik.category;

import java.util.Arrays;
import java.util.Optional;

/**
 * What a channel can be coloured as: one of the twelve families that colours are assigned by, each
 * with two letters beside its colour; one of twelve hues that stand for nothing, each with its
 * number, so that hue is never the only sign; or as the bus is that it leads to. Hues are the
 * interface's business.
 */
public enum Colour {
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
  NEUTRAL("neutral", "··"),
  HUE_1("hue 1", "1"),
  HUE_2("hue 2", "2"),
  HUE_3("hue 3", "3"),
  HUE_4("hue 4", "4"),
  HUE_5("hue 5", "5"),
  HUE_6("hue 6", "6"),
  HUE_7("hue 7", "7"),
  HUE_8("hue 8", "8"),
  HUE_9("hue 9", "9"),
  HUE_10("hue 10", "10"),
  HUE_11("hue 11", "11"),
  HUE_12("hue 12", "12"),
  AS_ITS_BUS("as its bus", "");

  private final String id;
  private final String mark;

  Colour(String id, String mark) {
    this.id = id;
    this.mark = mark;
  }

  public String mark() {
    return mark;
  }

  public static Optional<Colour> byId(String id) {
    return Arrays.stream(values()).filter(family -> family.id.equals(id)).findFirst();
  }

  /** The family of a category; neutral for what has no sound of its own. */
  public static Colour ofCategory(String category) {
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
