package drevik.outline;

import drevik.mix.Channel;
import drevik.outline.Mark.Ref;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Finds what a name in a mark stands for: a line of that name, now or before it was renamed. */
final class NamedEntries {
  private final Map<String, List<Entry>> byName = new HashMap<>();
  private final Map<String, List<Entry>> folded = new HashMap<>();
  private final Map<String, List<Entry>> renamed = new HashMap<>();
  private final List<OutlineFault> faults;

  NamedEntries(List<Entry> entries, List<OutlineFault> faults) {
    this.faults = faults;
    for (Entry entry : entries) {
      add(byName, entry.name(), entry);
      add(folded, fold(entry.name()), entry);
      Channel was = entry.was();
      if (was != null && entry.isRenamed()) {
        add(renamed, was.name(), entry);
      }
    }
  }

  private static void add(Map<String, List<Entry>> map, String name, Entry entry) {
    map.computeIfAbsent(name, key -> new ArrayList<>()).add(entry);
  }

  private static String fold(String name) {
    return name.toLowerCase(Locale.ROOT);
  }

  /** Empty, with a fault at its place, if nothing or several are called so. */
  Optional<Entry> of(Entry from, Ref ref) {
    List<Entry> found = byName.getOrDefault(ref.name(), List.of());
    if (found.isEmpty()) {
      found = renamed.getOrDefault(ref.name(), List.of());
    }
    if (found.isEmpty()) {
      found = folded.getOrDefault(fold(ref.name()), List.of());
    }
    if (found.isEmpty()) {
      if (!ref.name().isEmpty()) {
        faults.add(
            from.fault(ref, "There is no line “" + ref.name() + "”; write one, or another name."));
      }
      return Optional.empty();
    }
    if (ref.ordinal() > found.size()) {
      faults.add(
          from.fault(
              ref,
              "There are "
                  + found.size()
                  + " lines “"
                  + ref.name()
                  + "”, and no number "
                  + ref.ordinal()
                  + "."));
      return Optional.empty();
    }
    if (ref.ordinal() == 0 && found.size() > 1) {
      faults.add(
          from.fault(
              ref,
              "There are "
                  + found.size()
                  + " lines “"
                  + ref.name()
                  + "”; write which is meant, such as “"
                  + ref.name()
                  + " ~1”."));
      return Optional.empty();
    }
    return Optional.of(found.get(Math.max(0, ref.ordinal() - 1)));
  }
}
