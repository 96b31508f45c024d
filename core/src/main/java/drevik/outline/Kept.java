package drevik.outline;

import drevik.outline.WrittenOutline.WrittenMark;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.function.BiPredicate;
import org.jspecify.annotations.Nullable;

/**
 * Which mark of an edited line is which mark of the line before: the same text is the same mark;
 * then what is about the same thing; then what is left, in its order.
 */
final class Kept {
  private final IdentityHashMap<Mark, WrittenMark> kept = new IdentityHashMap<>();
  private final List<WrittenMark> left;

  private Kept(List<WrittenMark> before) {
    this.left = new ArrayList<>(before);
  }

  static Kept of(List<WrittenMark> before, List<Mark> now, BiPredicate<WrittenMark, Mark> about) {
    Kept marks = new Kept(before);
    marks.match(now, (was, is) -> was.text().equals(is.text()));
    marks.match(now, about);
    return marks;
  }

  /** What is left of both belongs together in its order. */
  Kept andTheRest(List<Mark> now) {
    match(now, (was, is) -> true);
    return this;
  }

  private void match(List<Mark> now, BiPredicate<WrittenMark, Mark> same) {
    for (Mark mark : now) {
      Iterator<WrittenMark> before = left.iterator();
      while (!kept.containsKey(mark) && before.hasNext()) {
        WrittenMark was = before.next();
        if (same.test(was, mark)) {
          kept.put(mark, was);
          before.remove();
        }
      }
    }
  }

  /** What a mark was before; null for a new one. */
  @Nullable WrittenMark before(Mark mark) {
    return kept.get(mark);
  }

  boolean isUnchanged(Mark mark) {
    WrittenMark was = kept.get(mark);
    return was != null && was.text().equals(mark.text());
  }

  /** Marks that are gone. */
  List<WrittenMark> gone() {
    return List.copyOf(left);
  }
}
