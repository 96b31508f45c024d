package drevik.category;

import java.util.List;

/**
 * Where a name was sorted to.
 *
 * @param category a path of the tree; {@code unknown} where nothing says enough
 * @param confidence 0 to 1
 * @param because reasons in plain words, the weightiest first
 */
public record Sorting(String category, double confidence, List<String> because) {
  /** Certainty below which more than the name is asked, and a person should look. */
  public static final double SURE = 0.7;

  public Sorting {
    because = List.copyOf(because);
  }
}
