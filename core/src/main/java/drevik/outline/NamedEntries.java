package drevik.outline;

import drevik.mix.Channel;
import drevik.outline.Mark.Ref;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;

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
      add(folded, entry.name().toLowerCase(Locale.ROOT), entry);
      Channel was = entry.was();
      if (was != null && entry.isRenamed()) {
        add(renamed, was.name(), entry);
      }
    }
  }

  private static void add(Map<String, List<Entry>> map, String name, Entry entry) {
    map.computeIfAbsent(name, key -> new ArrayList<>()).add(entry);
  }

  /** Empty, with a fault at its place, if nothing or several are called so. */
  Optional<Entry> of(Entry from, Ref ref) {
    List<Entry> found = called(ref.name());
    String name = "“" + ref.name() + "”";
    if (found.isEmpty()) {
      return ref.name().isEmpty()
          ? Optional.empty()
          : wrong(from, ref, "There is no line " + name + "; write one, or another name.");
    }
    String several = "There are " + found.size() + " lines " + name;
    if (ref.ordinal() > found.size()) {
      return wrong(from, ref, several + ", and no number " + ref.ordinal() + ".");
    }
    if (ref.ordinal() == 0 && found.size() > 1) {
      return wrong(from, ref, several + "; write which is meant, such as “" + ref.name() + " ~1”.");
    }
    return Optional.of(found.get(Math.max(0, ref.ordinal() - 1)));
  }

  /** By its name; else by the one that it had; else whatever capitals were typed. */
  private List<Entry> called(String name) {
    return Stream.of(byName.get(name), renamed.get(name), folded.get(name.toLowerCase(Locale.ROOT)))
        .filter(Objects::nonNull)
        .findFirst()
        .orElse(List.of());
  }

  private Optional<Entry> wrong(Entry from, Ref ref, String says) {
    faults.add(from.fault(ref, says));
    return Optional.empty();
  }
}
