package drevik.edit;

import drevik.category.CategoryTree;
import drevik.ledger.MapText;
import drevik.mix.CategoryMap;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Field;
import drevik.mix.field.MapEntryField;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Writes texts into the category map, as people type and paste them. Channels follow, pins apart.
 */
public record SayOfMap(List<MapWords> cells) implements Edit {
  private static final int MOST = 10_000;

  /**
   * One field of one entry.
   *
   * @param entry its id; a category's path makes an entry of that category where there is none
   * @param field of an entry of a category map
   * @param text see {@link MapText}; empty takes it back
   */
  public record MapWords(String entry, String field, String text) {}

  @Override
  public Mix changed(Mix mix) {
    if (cells.isEmpty() || cells.size() > MOST) {
      throw new Refused("Write 1 to " + MOST + " fields of the category map.");
    }
    Map<String, MapEntry> entries = new LinkedHashMap<>();
    mix.categoryMap().entries().forEach(entry -> entries.put(entry.id(), entry));
    for (MapWords cell : cells) {
      MapEntry entry = entries.get(cell.entry());
      if (entry == null && CategoryTree.has(cell.entry())) {
        entry = MapEntry.of(cell.entry());
      }
      if (entry == null) {
        throw Refused.about(
            cell.entry(),
            "The category map has no entry “" + cell.entry() + "”; it may be gone meanwhile.");
      }
      entries.put(entry.id(), typed(mix, entry, cell));
    }
    List<MapEntry> all = new ArrayList<>(entries.values());
    all.removeIf(entry -> entry.asksForCategoryAlone() && entry.saysNothing());
    return Soundness.require(mix, mix.withCategoryMap(new CategoryMap(all)));
  }

  private static MapEntry typed(Mix mix, MapEntry entry, MapWords cell) {
    try {
      return MapText.typed(mix, entry, field(cell), cell.text());
    } catch (Refused e) {
      throw Refused.about(entry.id(), entry.category() + ": " + e.getMessage());
    }
  }

  private static Field<MapEntry, ?> field(MapWords cell) {
    return MapEntryField.ALL
        .byId(cell.field())
        .filter(field -> field != MapEntryField.CATEGORY)
        .orElseThrow(
            () -> new Refused("The category map has no field “" + cell.field() + "” to write."));
  }

  @Override
  public String says(Mix before) {
    List<String> of = cells.stream().map(MapWords::entry).distinct().toList();
    List<String> fields =
        cells.stream().map(MapWords::field).distinct().map(SayOfMap::label).toList();
    String category =
        before.categoryMap().byId(of.get(0)).map(MapEntry::category).orElse(of.get(0));
    String what =
        fields.size() > 2 ? fields.size() + " things" : "“" + String.join("” and “", fields) + "”";
    return "write " + what + " of " + (of.size() == 1 ? category : of.size() + " categories");
  }

  private static String label(String field) {
    return MapEntryField.ALL
        .byId(field)
        .map(one -> one.label().toLowerCase(Locale.ROOT))
        .orElse(field);
  }
}
