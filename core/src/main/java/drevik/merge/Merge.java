package drevik.merge;

import drevik.merge.Clash.Cause;
import drevik.mix.Mix;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.FiguresChange;
import drevik.mix.field.ListChange;
import drevik.mix.field.ListField;
import drevik.mix.field.MixField;
import drevik.reassign.Actor;
import drevik.reassign.Following;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What two people made of one Mix, as one Mix: by id and field, lists by id too. Where both say
 * something of one field, or what comes of both is not sound, ours stays and it is told.
 *
 * <p>{@code of(base, x, base)} is x, {@code of(base, base, y)} is y, and changes of different
 * fields never clash unless what comes out is not sound.
 *
 * @param mix sound, if ours and theirs were
 * @param clashes what theirs wanted and did not get
 */
public record Merge(Mix mix, List<Clash> clashes) {
  public Merge {
    clashes = List.copyOf(clashes);
  }

  /**
   * Brings two Mixes together that were made from one.
   *
   * @param base what both began with
   * @param from what theirs is called, so that it can be told where a value came from; or null
   */
  public static Merge of(Mix base, Mix ours, Mix theirs, @Nullable String from) {
    Changes<Mix> ourChanges = Changes.between(MixField.ALL, base, ours);
    Changes<Mix> theirChanges = Changes.between(MixField.ALL, base, theirs);
    if (theirChanges.isEmpty() || ourChanges.isEmpty()) {
      return new Merge(ourChanges.isEmpty() ? theirs : ours, List.of());
    }
    Apart apart = new Apart();
    Changes<Mix> wanted = apart.fields(MixField.ALL, List.of(), ourChanges, theirChanges);
    Piecemeal piecemeal = new Piecemeal(ours);
    piecemeal.take(wanted);
    apart.clashes.addAll(piecemeal.refused());
    // Followed once, when all is there: a value and what holds it belong together.
    Mix merged = Following.after(ours, piecemeal.mix(), Actor.merging(from));
    return new Merge(merged, apart.clashes);
  }

  /** Finds what theirs changes and ours does not. */
  private static final class Apart {
    private final List<Clash> clashes = new ArrayList<>();

    <T> Changes<T> fields(Fields<T> fields, List<String> at, Changes<T> ours, Changes<T> theirs) {
      Changes<T> left = Changes.none(fields);
      for (Field<T, ?> field : theirs.all().keySet()) {
        left = field(field, with(at, field.id()), ours, theirs, left);
      }
      return left;
    }

    @SuppressWarnings("unchecked") // changes stand behind the field that they are of
    private <T, V> Changes<T> field(
        Field<T, V> field, List<String> at, Changes<T> ours, Changes<T> theirs, Changes<T> left) {
      Change<V> their = theirs.of(field).orElseThrow();
      Change<V> our = ours.of(field).orElse(null);
      if (our == null) {
        return left.and(field, their);
      }
      if (our instanceof FiguresChange mine && their instanceof FiguresChange other) {
        FiguresChange figures = figures(at, mine, other);
        return figures.figures().isEmpty() ? left : left.with(field, figures);
      }
      if (our instanceof ListChange<?> mine && their instanceof ListChange<?> other) {
        ListChange<?> list =
            list(
                (ListField<T, Object>) field,
                at,
                (ListChange<Object>) mine,
                (ListChange<Object>) other);
        return list.isNothing() ? left : left.with(field, list);
      }
      if (!our.equals(their)) {
        clash(Cause.BOTH_CHANGED, at, valueOf(our), valueOf(their));
      }
      return left;
    }

    private FiguresChange figures(List<String> at, FiguresChange ours, FiguresChange theirs) {
      Map<String, @Nullable Double> left = new HashMap<>();
      theirs
          .figures()
          .forEach(
              (name, figure) -> {
                if (!ours.figures().containsKey(name)) {
                  left.put(name, figure);
                } else if (!Objects.equals(ours.figures().get(name), figure)) {
                  clash(Cause.BOTH_CHANGED, with(at, name), ours.figures().get(name), figure);
                }
              });
      return new FiguresChange(left);
    }

    private <E> ListChange<E> list(
        ListField<?, E> field, List<String> at, ListChange<E> ours, ListChange<E> theirs) {
      List<ListChange.Added<E>> added = new ArrayList<>();
      Map<String, E> ourAdded =
          ours.added().stream()
              .collect(Collectors.toMap(one -> field.idOf(one.item()), one -> one.item()));
      for (ListChange.Added<E> one : theirs.added()) {
        E mine = ourAdded.get(field.idOf(one.item()));
        if (mine == null) {
          added.add(one);
        } else if (!mine.equals(one.item())) {
          clash(Cause.BOTH_ADDED, with(at, field.idOf(one.item())), mine, one.item());
        }
      }
      Set<String> gone = Set.copyOf(ours.removed());
      List<String> removed = new ArrayList<>();
      for (String id : theirs.removed()) {
        if (ours.changed().containsKey(id)) {
          clash(Cause.CHANGED_AND_REMOVED, with(at, id), ours.changed().get(id), null);
        } else if (!gone.contains(id)) {
          removed.add(id);
        }
      }
      Map<String, Changes<E>> changed = new LinkedHashMap<>();
      theirs
          .changed()
          .forEach(
              (id, changes) -> {
                Changes<E> mine = ours.changed().get(id);
                Changes<E> left =
                    mine == null ? changes : fields(changes.fields(), with(at, id), mine, changes);
                if (gone.contains(id)) {
                  clash(Cause.CHANGED_AND_REMOVED, with(at, id), null, changes);
                } else if (!left.isEmpty()) {
                  changed.put(id, left);
                }
              });
      boolean bothOrder = !ours.order().isEmpty() && !theirs.order().isEmpty();
      if (bothOrder && !isSameOrder(ours.order(), theirs.order())) {
        clash(Cause.BOTH_ORDERED, at, ours.order(), theirs.order());
      }
      return new ListChange<>(
          field, added, removed, changed, bothOrder ? List.of() : theirs.order());
    }

    /** Of those that are there by both. */
    private static boolean isSameOrder(List<String> one, List<String> other) {
      Set<String> inOne = Set.copyOf(one);
      Set<String> inOther = Set.copyOf(other);
      return one.stream()
          .filter(inOther::contains)
          .toList()
          .equals(other.stream().filter(inOne::contains).toList());
    }

    private void clash(
        Cause cause, List<String> at, @Nullable Object ours, @Nullable Object theirs) {
      clashes.add(new Clash(cause, at, ours, theirs, null));
    }

    private static @Nullable Object valueOf(Change<?> change) {
      return change instanceof Change.To<?> to ? to.value() : change;
    }
  }

  private static List<String> with(List<String> at, String step) {
    List<String> way = new ArrayList<>(at);
    way.add(step);
    return way;
  }
}
