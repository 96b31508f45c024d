package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Slot;
import drevik.reassign.Following;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Another edit, but for some of what it would change: that stays, and is pinned where the category
 * map says otherwise.
 */
public record LeaveOut(Edit of, List<LeftLine> left) implements Edit {
  /**
   * What stays as it is.
   *
   * @param channel an id
   * @param slot of the channel, see {@link Slot}; null for all of it
   */
  public record LeftLine(String channel, @Nullable String slot) {}

  @Override
  public Mix changed(Mix mix) {
    Map<String, Set<Slot>> slots = new LinkedHashMap<>();
    Set<String> whole = new LinkedHashSet<>();
    for (LeftLine line : left) {
      Set<Slot> some = slots.computeIfAbsent(line.channel(), id -> new LinkedHashSet<>());
      if (line.slot() == null) {
        whole.add(line.channel());
      } else {
        some.add(PinSlots.known(line.slot()));
      }
    }
    whole.forEach(id -> slots.put(id, Set.of()));
    return Soundness.require(mix, Following.holding(mix, of.applyTo(mix), slots));
  }

  /** What the edit inside has carried along is not carried along again. */
  @Override
  public Mix applyTo(Mix mix) {
    return changed(mix);
  }

  @Override
  public String says(Mix before) {
    return of.says(before);
  }
}
