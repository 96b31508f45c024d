package drevik.category;

import java.util.List;
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
  /** One name alone, or a little of both. */
  UNTOLD;

  /** A film may come with its songs, but no song with foley: this share is enough. */
  private static final double SHARE_OF_PICTURE = 0.5;

  private static final int FEWEST = 3;

  private static final Set<String> OF_PICTURE =
      Set.of(
          "dialogue",
          "narration",
          "interview",
          "natural",
          "foley",
          "effects",
          "ambience",
          "score");

  /**
   * @param names of a whole delivery
   * @param sortings of each by itself
   */
  static KindOfWork of(List<String> names, List<Sorting> sortings) {
    int departments = 0;
    int picture = 0;
    int music = 0;
    for (int i = 0; i < names.size(); i++) {
      String family = CategoryTree.topOf(sortings.get(i).category());
      boolean sure = Departments.isOfPicture(names.get(i));
      departments += sure ? 1 : 0;
      if (sure || OF_PICTURE.contains(family)) {
        picture++;
      } else if (NameSorter.MUSICAL.contains(family)) {
        music++;
      }
    }
    if (picture >= FEWEST && picture > SHARE_OF_PICTURE * music) {
      return PICTURE;
    }
    return music >= FEWEST && departments == 0 && picture < music ? MUSIC : UNTOLD;
  }

  /** What is called the same in both is another thing in each. */
  String meaning(String category) {
    String family = CategoryTree.topOf(category);
    if (this == MUSIC && (family.equals("effects") || family.equals("foley"))) {
      return "fx";
    }
    return this == PICTURE && family.equals("fx") ? "effects/design" : category;
  }
}
