package drevik.merge;

import drevik.ledger.FieldText;
import drevik.ledger.Members;
import drevik.ledger.Names;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.Field;
import drevik.mix.field.FiguresChange;
import drevik.mix.field.FiguresField;
import drevik.mix.field.ListChange;
import drevik.mix.field.ListField;
import drevik.mix.field.MixField;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What is different in one Mix from an earlier state of it, in words. Things are the same thing if
 * they have the same id. Every field of everything is compared, so that two Mixes that differ
 * anywhere have a difference that says so. Time in proportion to the size of both.
 */
public final class Differences {
  private final Names before;
  private final Names after;
  private final List<String> words = new ArrayList<>();

  private Differences(Names before, Names after) {
    this.before = before;
    this.after = after;
  }

  /** At least one line for each difference; empty if there is none. */
  public static List<String> between(Mix before, Mix after) {
    Differences differences = new Differences(Names.of(before), Names.of(after));
    differences.tell("", before, after, Changes.between(MixField.ALL, before, after));
    return List.copyOf(differences.words);
  }

  private <T> void tell(String whose, T before, T after, Changes<T> changes) {
    changes.all().keySet().forEach(field -> tell(whose, field, before, after, changes));
  }

  @SuppressWarnings("unchecked") // a change stands behind a field of its own kind
  private <T, V> void tell(String whose, Field<T, V> field, T before, T after, Changes<T> all) {
    Change<V> change = all.of(field).orElseThrow();
    if (change instanceof ListChange<?> list) {
      tellList(whose, (ListField<T, ?>) field, before, after, list);
    } else if (change instanceof FiguresChange figures) {
      Map<String, Double> old = ((FiguresField<T>) field).get(before);
      figures
          .figures()
          .forEach((name, now) -> say(whose + name, figure(old.get(name)), figure(now)));
    } else {
      say(
          whose + field.label().toLowerCase(Locale.ROOT),
          FieldText.withUnit(field, field.get(before), this.before),
          FieldText.withUnit(field, field.get(after), this.after));
    }
  }

  private static String figure(@Nullable Double value) {
    return value == null ? "" : FieldText.plain(value, 3);
  }

  private void say(String what, String before, String after) {
    words.add(
        before.equals(after)
            ? what + ": " + shown(after, "") + ", by less than is shown"
            : what + ": " + shown(before, after) + " → " + shown(after, before));
  }

  private static String shown(String text, String other) {
    if (text.isEmpty()) {
      return other.equals("yes") ? "no" : "none";
    }
    return text;
  }

  @SuppressWarnings("unchecked") // the change stands behind the field that it is of
  private <T, E> void tellList(
      String whose, ListField<T, E> field, T before, T after, ListChange<?> change) {
    ListChange<E> list = (ListChange<E>) change;
    Map<String, E> old = field.byId(field.get(before));
    Map<String, E> now = field.byId(field.get(after));
    Members<E> names = new Members<>(field);
    for (String id : list.removed()) {
      words.add(whose + "removed: " + names.of(Lookup.in(old, id), this.before));
    }
    for (ListChange.Added<E> one : list.added()) {
      words.add(whose + "added: " + names.of(one.item(), this.after));
    }
    list.changed()
        .forEach(
            (id, changes) ->
                tell(
                    whose + names.whose(Lookup.in(now, id), this.after) + ", ",
                    Lookup.in(old, id),
                    Lookup.in(now, id),
                    changes));
    if (!list.order().isEmpty()) {
      words.add(whose + "the order of " + names.all());
    }
  }
}
