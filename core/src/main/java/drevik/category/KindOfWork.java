package drevik.category;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a delivery as a whole is of. A word such as “FX” or “SD” means one thing among dialogue and
 * foley, and another among drums.
 */
public enum KindOfWork {
  /** Dialogue, foley, backgrounds. */
  PICTURE,
  /** Instruments and voices that sing. */
  MUSIC,
  /** An orchestra, in which a bass drum or cymbals are percussion, and horns are French horns. */
  ORCHESTRA,
  /** Hosts and guests before an audience: a show, a congress, a service. */
  EVENT,
  /** One name alone, or a little of both. */
  UNTOLD;

  /** A film may come with its songs, but no song with foley: this share is enough. */
  private static final double SHARE_OF_PICTURE = 0.5;

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

  private static final Set<String> HOSTS =
      words(
          "host,moderator,moderatorin,moderation,presenter,mc,emcee,speaker,preacher,pastor,"
              + "lectern,podium,panel,keynote,conduttore,conduttrice,presentatore,presentatrice,"
              + "presentateur,animateur,animatrice,presentador,presentadora,"
              + "apresentador,apresentadora,rednerpult,redner,guest,gast,ansage,orateur");

  private static final Set<String> AUDIENCE =
      words(
          "audience,aud,crowd,publikum,publico,pubblico,public,plateia,publik,publiek,zuschauer,"
              + "house,spectateurs");


  /** A show has its band, and a concert somebody who announces. */
  private static final double SHARE_AT_EVENTS = 0.25;

  private static final double SHARE_OF_ORCHESTRA = 0.5;
  /** Where main microphones were set up, what is added may be more. */
  private static final double SHARE_WITH_MAINS = 0.4;

  private static final int FEWEST_MAINS = 2;
  private static final double SHARE_OF_WIND_BAND = 0.6;
  private static final int SMALLEST_WIND_BAND = 12;
  private static final int FEWEST = 3;

  private static final Set<String> OF_PICTURE =
      Set.of(
          "dialogue", "narration", "interview", "natural", "foley", "effects", "ambience", "score");

  /**
   * @param names of a whole delivery
   * @param sortings of each by itself
   */
  static KindOfWork of(List<String> names, List<Sorting> sortings) {
    int departments = 0;
    int picture = 0;
    int mainMicrophones = 0;
    Map<String, Integer> music = new HashMap<>();
    for (int i = 0; i < names.size(); i++) {
      String family = CategoryTree.topOf(sortings.get(i).category());
      boolean department = Departments.isOfPicture(names.get(i));
      departments += department ? 1 : 0;
      if (department || OF_PICTURE.contains(family)) {
        picture++;
      } else if (NameSorter.MUSICAL.contains(family)) {
        music.merge(family, 1, Integer::sum);
      } else if (family.equals("orchestra")) {
        mainMicrophones++;
      }
    }
    int played = music.values().stream().mapToInt(Integer::intValue).sum();
    if (departments < FEWEST
        && picture >= FEWEST
        && picture > SHARE_AT_EVENTS * played
        && isSaid(HOSTS, names)
        && isSaid(AUDIENCE, names)) {
      return EVENT;
    }
    if (picture >= FEWEST && picture > SHARE_OF_PICTURE * played) {
      return PICTURE;
    }
    if (played < FEWEST || departments > 0 || picture >= played) {
      return UNTOLD;
    }
    double share = mainMicrophones < FEWEST_MAINS ? SHARE_OF_ORCHESTRA : SHARE_WITH_MAINS;
    return isOrchestra(music, played, share) ? ORCHESTRA : MUSIC;
  }

  private static boolean isSaid(Set<String> words, List<String> names) {
    return names.stream().flatMap(name -> NameTokens.of(name).stream()).anyMatch(words::contains);
  }

  /**
   * A big band has no strings, and a band with strings has more of everything else.
   *
   * @param share of all that is played, from which strings and wind are an orchestra
   */
  private static boolean isOrchestra(Map<String, Integer> music, int played, double share) {
    int strings = music.getOrDefault("strings", 0);
    int blown = music.getOrDefault("brass", 0) + music.getOrDefault("winds", 0);
    boolean windBand = blown >= SHARE_OF_WIND_BAND * played && played >= SMALLEST_WIND_BAND;
    return windBand
        || strings >= FEWEST
            && blown >= FEWEST
            && strings + blown >= share * played;
  }

  /** What is called the same in both is another thing in each. */
  String meaning(String category) {
    if (isMusic()) {
      return IN_MUSIC.getOrDefault(
          category, IN_MUSIC.getOrDefault(CategoryTree.topOf(category), category));
    }
    if (this == EVENT) {
      return AT_EVENTS.getOrDefault(category, category);
    }
    return this == PICTURE && category.equals("fx") ? "effects/design" : category;
  }

  private static Set<String> words(String words) {
    return Set.of(words.split(","));
  }

  private boolean isMusic() {
    return this == MUSIC || this == ORCHESTRA;
  }

  /** The kind whose words hold as well where this one has none of its own. */
  Optional<KindOfWork> within() {
    return switch (this) {
      case ORCHESTRA -> Optional.of(MUSIC);
      case EVENT -> Optional.of(PICTURE);
      default -> Optional.empty();
    };
  }

  /** True where a wider kind's word replaces the usual one; an event has a band as well. */
  boolean replacesUsual() {
    return this != EVENT;
  }
}
