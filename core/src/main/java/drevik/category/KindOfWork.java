package drevik.category;

import java.util.Map;
import java.util.Optional;

/**
 * What a delivery as a whole is of. A word such as “FX” or “SD” means one thing among dialogue and
 * foley, and another among drums.
 */
public enum KindOfWork {
  /** Dialogue, foley, backgrounds. */
  PICTURE,
  /** Instruments and voices that sing. */
  MUSIC,
  /** Music that is programmed, in which a lead is a synthesiser and “OH” an open hat. */
  DANCE,
  /** An orchestra, in which a bass drum or cymbals are percussion, and horns are French horns. */
  ORCHESTRA,
  /** Hosts and guests before an audience: a show, a congress, a service. */
  EVENT,
  /** One name alone, or a little of both. */
  UNTOLD;

  /** A crowd is the audience, and a door slams because the song wants it. */
  private static final Map<String, String> IN_MUSIC =
      Map.of(
          "effects", "fx",
          "foley", "fx",
          "dialogue/crowd", "ambience",
          "dialogue/futz", "vocals",
          "dialogue/adr", "vocals/double");

  /** Who wears a microphone there plays no scene. */
  private static final Map<String, String> AT_EVENTS =
      Map.of("dialogue/crowd", "ambience", "dialogue/production", "dialogue", "fx", "effects");

  /** What is called the same in several is another thing in each. */
  String meaning(String category) {
    return switch (this) {
      case MUSIC, DANCE, ORCHESTRA ->
          IN_MUSIC.getOrDefault(
              category, IN_MUSIC.getOrDefault(CategoryTree.topOf(category), category));
      case EVENT -> AT_EVENTS.getOrDefault(category, category);
      case PICTURE -> category.equals("fx") ? "effects/design" : category;
      case UNTOLD -> category;
    };
  }

  /** True for songs, in which what is heard in a scene is an effect. */
  boolean hasSongs() {
    return this == MUSIC || this == DANCE;
  }

  /** The kind whose words hold as well where this one has none of its own. */
  Optional<KindOfWork> within() {
    return switch (this) {
      case DANCE, ORCHESTRA -> Optional.of(MUSIC);
      case EVENT -> Optional.of(PICTURE);
      default -> Optional.empty();
    };
  }

  /** True where a wider kind's word replaces the usual one; an event has a band as well. */
  boolean replacesUsual() {
    return this != EVENT;
  }
}
