package drevik.mix;

import java.util.List;

/** Lists of documents: never null, never changed. */
public final class Lists {
  private Lists() {}

  public static <T> List<T> copy(List<T> list) {
    return list == null ? List.of() : List.copyOf(list);
  }
}
