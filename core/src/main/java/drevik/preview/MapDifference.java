package drevik.preview;

import drevik.category.CategoryTree;
import drevik.ledger.FieldText;
import drevik.ledger.MapText;
import drevik.ledger.Names;
import drevik.mix.CategoryMap;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.field.Field;
import drevik.mix.field.MapEntryField;
import drevik.reassign.Answer;
import drevik.shelf.NamedMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * One thing that two category maps do not say alike.
 *
 * @param asks what is asked for beside the category, in words; empty for nothing
 * @param one what the first says; empty if nothing
 * @param other what the second says; empty if nothing
 */
public record MapDifference(
    String category, String asks, String field, String label, String one, String other) {
  private static final Names NAMES = Names.ofNames();

  /**
   * All that is different, in the order of the tree.
   *
   * @throws drevik.mix.Refused if one of them is no sound map
   */
  public static List<MapDifference> between(NamedMap one, NamedMap other) {
    List<MapEntry> asked = new ArrayList<>(new CategoryMap(one.cleaned().entries()).entries());
    other.cleaned().entries().stream()
        .filter(entry -> asked.stream().noneMatch(entry::asksAs))
        .forEach(asked::add);
    asked.sort(
        Comparator.comparingInt((MapEntry entry) -> CategoryTree.orderOf(entry.category()))
            .thenComparing(MapEntry::conditions));
    List<MapDifference> differences = new ArrayList<>();
    for (MapEntry entry : asked) {
      for (Field<MapEntry, ?> field : MapText.SAID) {
        difference(entry, field, said(one, entry), said(other, entry)).ifPresent(differences::add);
      }
    }
    return differences;
  }

  private static MapEntry said(NamedMap map, MapEntry asked) {
    return map.entries().stream()
        .filter(entry -> entry.asksAs(asked))
        .findFirst()
        .orElseGet(() -> MapEntry.of(asked.category()));
  }

  private static List<Insert> withoutIds(MapEntry entry) {
    return entry.chain().stream().map(insert -> insert.withId("")).toList();
  }

  private static Optional<MapDifference> difference(
      MapEntry asked, Field<MapEntry, ?> field, MapEntry one, MapEntry other) {
    boolean same =
        field == MapEntryField.CHAIN
            ? withoutIds(one).equals(withoutIds(other))
            : Objects.equals(field.get(one), field.get(other));
    if (same) {
      return Optional.empty();
    }
    String first = MapText.of(field, one, NAMES);
    String second = MapText.of(field, other, NAMES);
    return Optional.of(
        new MapDifference(
            asked.category(),
            Answer.asksBeside(asked),
            field.id(),
            field.label() + FieldText.unitOf(field),
            first,
            first.equals(second) ? second + ", set otherwise" : second));
  }
}
