package drevik.outline;

import drevik.mix.Channel;
import drevik.outline.Mark.Ref;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A channel that a line stands for.
 *
 * @param parent index of the entry that it is sent to, or −1
 * @param hasLinesUnder others are sent to it
 * @param id of the channel, which it keeps if there was one
 * @param was the channel as it is in the Mix; null for a new one
 * @param wasLine how that one is written; null for a new one
 */
record Entry(
    OutlineLine line,
    String name,
    int parent,
    boolean hasLinesUnder,
    String id,
    @Nullable Channel was,
    WrittenOutline.@Nullable Line wasLine) {

  List<Mark> marks(Sign sign) {
    return line.marks().stream().filter(mark -> mark.sign() == sign).toList();
  }

  List<WrittenOutline.WrittenMark> oldMarks(Sign sign) {
    return wasLine == null ? List.of() : wasLine.marks(sign);
  }

  boolean isRenamed() {
    return was != null && !was.name().equals(name);
  }

  OutlineFault fault(String says) {
    return new OutlineFault(line.number(), line.from(), line.to(), says);
  }

  OutlineFault fault(Mark mark, String says) {
    return new OutlineFault(line.number(), mark.from(), mark.to(), says);
  }

  OutlineFault fault(Ref ref, String says) {
    return new OutlineFault(line.number(), ref.from(), ref.to(), says);
  }
}
