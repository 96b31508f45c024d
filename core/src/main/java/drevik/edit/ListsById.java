package drevik.edit;

import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** What edits of outputs, stem sets and controls share: lists whose members have ids. */
final class ListsById {
  private ListsById() {}

  /** The list with {@code one} in the place of the member of its id, or at the end. */
  static <T> List<T> with(List<T> list, T one, Function<T, String> id) {
    List<T> changed = new ArrayList<>(list);
    for (int i = 0; i < changed.size(); i++) {
      if (id.apply(changed.get(i)).equals(id.apply(one))) {
        changed.set(i, one);
        return changed;
      }
    }
    changed.add(one);
    return changed;
  }

  static <T> void requireAll(
      List<T> list, List<String> wanted, Function<T, String> id, String what) {
    Set<String> ids = list.stream().map(id).collect(Collectors.toSet());
    for (String one : wanted) {
      if (!ids.contains(one)) {
        throw new Refused(
            "This Mix has no " + what + " “" + one + "”; it may have been removed meanwhile.");
      }
    }
    if (wanted.isEmpty()) {
      throw new Refused("No " + what + " is picked; pick at least one.");
    }
  }

  static String count(int number, String what) {
    return number + " " + what + (number == 1 ? "" : "s");
  }
}
