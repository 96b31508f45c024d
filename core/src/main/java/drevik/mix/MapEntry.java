package drevik.mix;

import drevik.audio.Layout;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * One entry of a category map: of which channels it speaks, and what it says of them. What it does
 * not say (null, or an empty list) a less specific entry decides.
 *
 * @param id known by this across revisions; an entry that asks for a category alone has the
 *     category's path
 * @param category a path of the tree; what is below it is meant too
 * @param person asked for; null for anybody
 * @param layout asked for; null for any
 * @param words all of which the name must have, apart by blanks; null for any name
 * @param position of the microphone, a word of the name; null for any
 * @param deliveredBy whom its files came from; null for anybody
 * @param destination a channel's id
 * @param group a channel's id
 * @param colour a colour family's id
 * @param order place among those that go to the same bus; low comes first
 * @param wantedLayout of a seat that waits for audio
 * @param trimDb dB before the chain
 * @param guideLufs how loud what is seated here begins, LUFS integrated
 * @param chain starting chain
 * @param sends each for itself; those of a less specific entry to other places stay
 * @param controls ids of controls that it is a member of
 * @param stem an output's id: it goes where that stem is taken, if no destination is said
 */
@RecordBuilder
public record MapEntry(
    String id,
    String category,
    @Nullable String person,
    @Nullable Layout layout,
    @Nullable String words,
    @Nullable String position,
    @Nullable String deliveredBy,
    @Nullable String destination,
    @Nullable String group,
    @Nullable String colour,
    @Nullable Integer order,
    @Nullable Layout wantedLayout,
    @Nullable Double trimDb,
    @Nullable Double guideLufs,
    List<Insert> chain,
    List<MapSend> sends,
    List<String> controls,
    @Nullable String stem)
    implements MapEntryBuilder.With {

  public MapEntry {
    chain = Lists.copy(chain);
    sends = Lists.copy(sends);
    controls = Lists.copy(controls);
  }

  /** One that speaks of a category and says nothing yet. */
  public static MapEntry of(String category) {
    return new MapEntry(
        category, category, null, null, null, null, null, null, null, null, null, null, null, null,
        List.of(), List.of(), List.of(), null);
  }

  /** True if it speaks of a category and asks for nothing more. */
  public boolean asksForCategoryAlone() {
    return conditions() == 0;
  }

  /** True if it speaks of the same channels as another. */
  public boolean asksAs(MapEntry other) {
    return category.equals(other.category)
        && Objects.equals(person, other.person)
        && layout == other.layout
        && Objects.equals(words, other.words)
        && Objects.equals(position, other.position)
        && Objects.equals(deliveredBy, other.deliveredBy);
  }

  /** How much more than a category it asks for. */
  public int conditions() {
    return (person == null ? 0 : 1)
        + (layout == null ? 0 : 1)
        + (words == null ? 0 : 1)
        + (position == null ? 0 : 1)
        + (deliveredBy == null ? 0 : 1);
  }

  /** True if it says nothing, so that it need not be there. */
  public boolean saysNothing() {
    return destination == null
        && group == null
        && colour == null
        && order == null
        && wantedLayout == null
        && trimDb == null
        && guideLufs == null
        && chain.isEmpty()
        && sends.isEmpty()
        && controls.isEmpty()
        && stem == null;
  }
}
