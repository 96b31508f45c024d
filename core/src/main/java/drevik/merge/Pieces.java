package drevik.merge;

import drevik.mix.Mix;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.Field;
import drevik.mix.field.ListChange;
import drevik.mix.field.ListField;
import drevik.mix.field.MixField;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Changes of a Mix in the smallest pieces that can be taken or left: a field of a thing, a thing
 * that is added or goes, an order. What is added comes first, and what goes last, so that what
 * points at something has it.
 */
final class Pieces {
  /**
   * One of them.
   *
   * @param at the way to it, by ids and fields
   * @param value what it brings; null where something goes
   */
  record Piece(List<String> at, Changes<Mix> changes, @Nullable Object value) {}

  private final List<Piece> added = new ArrayList<>();
  private final List<Piece> changed = new ArrayList<>();
  private final List<Piece> removed = new ArrayList<>();

  private Pieces() {}

  static List<Piece> of(Changes<Mix> changes) {
    Pieces pieces = new Pieces();
    changes.all().forEach(pieces::field);
    List<Piece> all = new ArrayList<>(pieces.added);
    all.addAll(pieces.changed);
    all.addAll(pieces.removed);
    return all;
  }

  @SuppressWarnings("unchecked") // the change stands behind the field that it is of
  private void field(Field<Mix, ?> field, Change<?> change) {
    if (change instanceof ListChange<?> list) {
      list((ListField<Mix, Object>) field, (ListChange<Object>) list);
    } else {
      Object value = change instanceof Change.To<?> to ? to.value() : change;
      changed.add(
          new Piece(List.of(field.id()), Changes.none(MixField.ALL).with(field, change), value));
    }
  }

  private <E> void list(ListField<Mix, E> list, ListChange<E> change) {
    for (ListChange.Added<E> one : change.added()) {
      String id = list.idOf(one.item());
      added.add(
          piece(
              list,
              id,
              new ListChange<>(list, List.of(one), List.of(), Map.of(), List.of()),
              one.item()));
    }
    change.changed().forEach((id, changes) -> member(list, id, changes));
    if (!change.order().isEmpty()) {
      ListChange<E> order = new ListChange<>(list, List.of(), List.of(), Map.of(), change.order());
      changed.add(
          new Piece(
              List.of(list.id()), Changes.none(MixField.ALL).with(list, order), change.order()));
    }
    for (String id : change.removed()) {
      removed.add(
          piece(
              list, id, new ListChange<>(list, List.of(), List.of(id), Map.of(), List.of()), null));
    }
  }

  private <E> void member(ListField<Mix, E> list, String id, Changes<E> changes) {
    changes
        .all()
        .forEach(
            (field, change) -> {
              Changes<E> one = Changes.none(changes.fields()).with(field, change);
              Object value = change instanceof Change.To<?> to ? to.value() : change;
              changed.add(
                  new Piece(
                      List.of(list.id(), id, field.id()),
                      Changes.ofMember(MixField.ALL, list, id, one),
                      value));
            });
  }

  private static <E> Piece piece(
      ListField<Mix, E> list, String id, ListChange<E> change, @Nullable Object value) {
    return new Piece(List.of(list.id(), id), Changes.none(MixField.ALL).with(list, change), value);
  }
}
