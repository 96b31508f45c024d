package drevik.preview;

import drevik.category.CategoryTree;
import drevik.ledger.FieldText;
import drevik.ledger.MapText;
import drevik.ledger.Names;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Slot;
import drevik.mix.field.Field;
import drevik.mix.field.Slots;
import drevik.reassign.Answer;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The category map of a Mix as a table: a row for every category of the tree, and for every entry
 * that asks for more.
 */
public record MapTable(List<MapColumn> columns, List<MapRow> rows) {
  /** A field that an entry can say. */
  public record MapColumn(String id, String label) {}

  /**
   * What an entry says of one thing.
   *
   * @param own what it says itself; empty if nothing
   * @param inherited what holds where it says nothing; empty if nothing does
   * @param from the category that says what is inherited, or null
   */
  public record MapCell(String own, String inherited, @Nullable String from) {}

  /**
   * A category, or an entry of it that asks for more.
   *
   * @param id of the entry
   * @param asks what it asks for beside the category, in words; empty for the category itself
   * @param depth in the tree
   * @param channels how many seats it speaks of, those of its parts too
   * @param pins how many pins those have
   */
  public record MapRow(
      String id,
      String category,
      String asks,
      int depth,
      int channels,
      int pins,
      List<MapCell> cells) {}

  public static MapTable of(Mix mix) {
    CategoryMap map = mix.categoryMap();
    Names names = Names.of(mix);
    MapAnswers answers = MapAnswers.of(mix);
    Map<String, Integer> channels = new HashMap<>();
    Map<String, Integer> pins = new HashMap<>();
    for (Channel channel : mix.channels()) {
      if (MapAnswers.decidesOf(channel)) {
        count(channel, map, answers, channels, pins);
      }
    }
    List<MapRow> rows = new ArrayList<>();
    for (String category : CategoryTree.all()) {
      MapEntry own = map.ofCategory(category).orElseGet(() -> MapEntry.of(category));
      List<MapEntry> above =
          CategoryTree.parentOf(category).flatMap(map::ofCategory).map(List::of).orElse(List.of());
      rows.add(row(own, above, names, channels, pins));
      List<MapEntry> beside = new ArrayList<>(above);
      beside.add(0, own);
      map.entries().stream()
          .filter(entry -> entry.category().equals(category) && !entry.asksForCategoryAlone())
          .forEach(entry -> rows.add(row(entry, beside, names, channels, pins)));
    }
    return new MapTable(
        MapText.SAID.stream()
            .map(field -> new MapColumn(field.id(), field.label() + FieldText.unitOf(field)))
            .toList(),
        rows);
  }

  private static void count(
      Channel channel,
      CategoryMap map,
      MapAnswers answers,
      Map<String, Integer> channels,
      Map<String, Integer> pins) {
    List<String> of = new ArrayList<>();
    answers.entriesFor(Asked.of(channel)).stream()
        .filter(entry -> !entry.asksForCategoryAlone())
        .forEach(entry -> of.add(entry.id()));
    for (String at = channel.category(); at != null; at = CategoryTree.parentOf(at).orElse(null)) {
      of.add(map.ofCategory(at).map(MapEntry::id).orElse(at));
    }
    for (String id : of) {
      channels.merge(id, 1, Integer::sum);
      pins.merge(id, channel.pins().size(), Integer::sum);
    }
  }

  private static MapRow row(
      MapEntry entry,
      List<MapEntry> above,
      Names names,
      Map<String, Integer> channels,
      Map<String, Integer> pins) {
    return new MapRow(
        entry.id(),
        entry.category(),
        Answer.asksBeside(entry),
        CategoryTree.depthOf(entry.category()),
        channels.getOrDefault(entry.id(), 0),
        pins.getOrDefault(entry.id(), 0),
        MapText.SAID.stream().map(field -> cell(field, entry, above, names)).toList());
  }

  private static MapCell cell(
      Field<MapEntry, ?> field, MapEntry entry, List<MapEntry> above, Names names) {
    String own = MapText.of(field, entry, names);
    for (MapEntry parent : above) {
      String said = MapText.of(field, parent, names);
      if (!said.isEmpty()) {
        return new MapCell(own, said, parent.category());
      }
    }
    return new MapCell(own, "", null);
  }

  /**
   * Who decides one thing of one channel.
   *
   * @param slot see {@link Slot}
   * @param pinned a hand-made exception
   * @param says what the map says, in words
   * @param by the entry that says it, in words
   * @param pinnedBy the act that pinned it, if that is known
   * @param pinnedAt when, as ISO 8601 in UTC
   */
  public record Decision(
      String slot,
      String label,
      boolean pinned,
      @Nullable String says,
      @Nullable String by,
      @Nullable String pinnedBy,
      @Nullable String pinnedAt) {}

  /** What the map, or a pin, decides of a channel. */
  public static List<Decision> decisions(Mix mix, Channel channel) {
    ChannelLines words = new ChannelLines(mix, mix);
    Map<Slot, Answer> answers = MapAnswers.of(mix).answers(channel);
    List<Decision> decisions = new ArrayList<>();
    answers.forEach(
        (slot, answer) -> {
          Pin pin = pinOf(channel, slot);
          decisions.add(decision(slot, pin, words.words(slot, answer.value()), answer.words()));
        });
    for (Pin pin : channel.pins()) {
      Slots.byId(pin.id())
          .filter(slot -> !answers.containsKey(slot))
          .ifPresent(slot -> decisions.add(decision(slot, pin, null, null)));
    }
    return decisions;
  }

  private static @Nullable Pin pinOf(Channel channel, Slot slot) {
    return channel.pins().stream()
        .filter(pin -> pin.id().equals(slot.id()))
        .findFirst()
        .orElse(null);
  }

  private static Decision decision(
      Slot slot, @Nullable Pin pin, @Nullable String says, @Nullable String by) {
    return new Decision(
        slot.id(),
        Slots.labelOf(slot),
        pin != null,
        says,
        by,
        pin == null ? null : pin.by(),
        pin == null ? null : pin.at());
  }
}
