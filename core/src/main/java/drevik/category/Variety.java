package drevik.category;

import java.util.List;

/**
 * Whether names tell many different things. What stands in front of all of them is then a song's
 * name, a producer's or a reel's, even where a word of it is an instrument; of eight guitars it is
 * what they are.
 */
public final class Variety {
  private Variety() {}

  /**
   * Whether names tell enough, of enough families.
   *
   * @param share how many of the names must be told for sure, 0 to 1
   * @param families of how many families of the category tree these must be
   */
  public static boolean isIn(List<String> names, double share, int families) {
    List<Sorting> sure =
        names.stream()
            .map(NameSorter::sort)
            .filter(one -> one.confidence() >= Sorting.SURE)
            .toList();
    return sure.size() >= share * names.size()
        && sure.stream().map(one -> CategoryTree.topOf(one.category())).distinct().count()
            >= families;
  }
}
