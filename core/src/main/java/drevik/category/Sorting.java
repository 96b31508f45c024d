package drevik.category;

import java.util.List;

/**
 * Where a name was sorted to.
 *
 * @param category a path of the tree; {@code unknown} where nothing says enough
 * @param confidence 0 to 1
 * @param source who has spoken
 * @param because reasons in plain words, the weightiest first; for people alone
 */
public record Sorting(String category, double confidence, Source source, List<String> because) {
  /** Who says where something belongs. */
  public enum Source {
    /** Its own name, by the words that the sorter knows today. */
    NAME,
    /** Its name, and its sound has made that surer or less sure. */
    NAME_WEIGHED,
    /** What the file calls itself inside. */
    INSIDE,
    /** Its sound. */
    SOUND,
    /** The other files of its delivery. */
    DELIVERY,
    /** What a person said of names like it. */
    LEARNED,
    /** A person. */
    PERSON
  }

  /** Certainty below which more than the name is asked, and a person should look. */
  public static final double SURE = 0.7;

  public Sorting {
    because = List.copyOf(because);
  }

  /** What a name says by itself. */
  static Sorting ofName(String category, double confidence, List<String> because) {
    return new Sorting(category, confidence, Source.NAME, because);
  }

  /** What a person says. */
  public static Sorting byHand(String category) {
    return new Sorting(category, 1, Source.PERSON, List.of("you said so"));
  }
}
