package drevik.category;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What the names of a delivery are of, taken together. */
final class WholeDelivery {
  /** A film may come with its songs, but no song with foley: this share is enough. */
  private static final double SHARE_OF_PICTURE = 0.5;

  /** A show has its band, and a concert somebody who announces. */
  private static final double SHARE_AT_EVENTS = 0.25;

  private static final double SHARE_OF_ORCHESTRA = 0.5;

  /** Where main microphones were set up, what is added may be more. */
  private static final double SHARE_WITH_MAINS = 0.4;

  private static final int FEWEST_MAINS = 2;
  private static final double SHARE_OF_WIND_BAND = 0.6;
  private static final int SMALLEST_WIND_BAND = 12;
  private static final int FEWEST = 3;

  /** With more interviews it is a documentary. */
  private static final int MOST_AT_SHOWS = 4;

  private static final int FEWEST_SYNTHS = 3;

  /** Of what is played; a song for a singer has more. */
  private static final double MOST_VOICES = 0.3;

  private static final List<String> PLAYED_BY_HAND = List.of("guitar", "brass", "winds");
  private static final Set<String> TOMS = Set.of("tom", "toms", "floor", "rack");

  private static final List<String> OF_PICTURE =
      List.of(
          "dialogue", "narration", "interview", "natural", "foley", "effects", "ambience", "score");

  private static final List<String> SPOKEN = List.of("dialogue", "narration", "interview");

  private static final Set<String> AT_SHOWS_AS_WELL = Set.of("narration", "interview");

  private static final Set<String> HOSTS =
      words(
          "host,moderator,moderatorin,moderation,presenter,mc,emcee,speaker,preacher,pastor,"
              + "lectern,podium,panel,keynote,conduttore,conduttrice,presentatore,presentatrice,"
              + "presentateur,animateur,animatrice,presentador,presentadora,"
              + "apresentador,apresentadora,rednerpult,redner,guest,gast,ansage,orateur,"
              + "commentator,comentarista,commentateur,kommentator,telecronista,caster,reporter,"
              + "reportero,comic,comedian,opener,rf,pfarrer,pfarrerin,pastorin,prediger,kanzel,ambo,"
              + "altar,lektor,lektorin,pulpit,celebrant,officiant,pupitre,ceremonie,animateur,"
              + "laudator,laudatorin,atril,leggio,ponente,palestrante,relatore,predicador,"
              + "predicatore,sacerdote,pregador,dominee,spreker,chairman,toastmaster,contestant");

  private static final Set<String> AUDIENCE =
      words(
          "audience,aud,crowd,publikum,publico,pubblico,public,plateia,publik,publiek,zuschauer,"
              + "house,spectateurs,grada,gradas,tribune,tribuna,stands,kurve,curva,arena,"
              + "gemeinde,congregation,assemblee,fedeli,congregacao,gemeente,applaudissements");

  private final List<String> names;

  /** How many names say each family. */
  private final Map<String, Integer> families = new HashMap<>();

  /** How many begin with a department that no music has. */
  private final int departments;

  /** Of these, how many are of a scene: a show has interviews and somebody who is not seen. */
  private final int departmentsOfScenes;

  private WholeDelivery(List<String> names, List<Sorting> sortings) {
    this.names = names;
    int found = 0;
    int ofScenes = 0;
    for (int i = 0; i < names.size(); i++) {
      boolean department = Departments.isOfPicture(names.get(i));
      String family = CategoryTree.topOf(sortings.get(i).category());
      found += department ? 1 : 0;
      ofScenes += department && !AT_SHOWS_AS_WELL.contains(family) ? 1 : 0;
      // Whatever follows a department is a part of it.
      families.merge(department ? "dialogue" : family, 1, Integer::sum);
    }
    departments = found;
    departmentsOfScenes = ofScenes;
  }

  /**
   * @param names of a whole delivery
   * @param sortings of each by itself
   */
  static KindOfWork kindOf(List<String> names, List<Sorting> sortings) {
    return new WholeDelivery(names, sortings).kind();
  }

  private KindOfWork kind() {
    int picture = count(OF_PICTURE);
    int played = count(NameSorter.MUSICAL);
    int speaking = Math.max(picture, saying(HOSTS) + saying(AUDIENCE));
    if (speaking >= FEWEST && speaking > SHARE_AT_EVENTS * played && isEvent()) {
      return KindOfWork.EVENT;
    }
    if (picture >= FEWEST && picture > SHARE_OF_PICTURE * played) {
      return KindOfWork.PICTURE;
    }
    if (played < FEWEST || departments > 0 || picture >= played) {
      return KindOfWork.UNTOLD;
    }
    if (isOrchestra(played) || isWindBand(played)) {
      return KindOfWork.ORCHESTRA;
    }
    return isDance(played) ? KindOfWork.DANCE : KindOfWork.MUSIC;
  }

  /** Many synthesisers and few voices, and nobody set up toms. */
  private boolean isDance(int played) {
    int synths = count(List.of("synth"));
    return synths >= FEWEST_SYNTHS
        && synths > count(PLAYED_BY_HAND)
        && count(List.of("vocals")) <= MOST_VOICES * played
        && saying(TOMS) == 0;
  }

  private int count(Collection<String> some) {
    return some.stream().mapToInt(family -> families.getOrDefault(family, 0)).sum();
  }

  /** Somebody speaks before an audience, and nobody made footsteps for it. */
  private boolean isEvent() {
    return departmentsOfScenes < FEWEST
        && departments <= MOST_AT_SHOWS
        && saying(AUDIENCE) > 0
        && (saying(HOSTS) > 0 || isSpokenAlone());
  }

  private boolean isSpokenAlone() {
    return count(SPOKEN) >= FEWEST && departmentsOfScenes == 0 && count(List.of("foley")) == 0;
  }

  /** How many names have one of the words. */
  private int saying(Set<String> words) {
    return (int)
        names.stream()
            .filter(name -> NameTokens.of(name).stream().anyMatch(words::contains))
            .count();
  }

  /** A big band has no strings, and a band with strings has more of everything else. */
  private boolean isOrchestra(int played) {
    int strings = count(List.of("strings"));
    int blown = count(List.of("brass", "winds"));
    boolean mains = count(List.of("orchestra")) >= FEWEST_MAINS;
    double share = mains ? SHARE_WITH_MAINS : SHARE_OF_ORCHESTRA;
    return strings >= FEWEST && blown >= FEWEST && strings + blown >= share * played;
  }

  private boolean isWindBand(int played) {
    return played >= SMALLEST_WIND_BAND
        && count(List.of("brass", "winds")) >= SHARE_OF_WIND_BAND * played;
  }

  private static Set<String> words(String words) {
    return Set.copyOf(List.of(words.split(",")));
  }
}
