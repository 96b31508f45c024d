package drevik.outline;

import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.field.Field.Target;
import drevik.mix.field.References;
import drevik.naming.FreshNames;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Control groups: who is in them is said on the lines of members. One that is mentioned nowhere is
 * gone; one that has all members of one that is gone is that one under a new name.
 */
final class ControlReading {
  /** A control as it is mentioned: its name, and which of that name. */
  private record Mention(String name, int ordinal) {}

  private final Mix base;
  private final FreshNames fresh;
  private final Map<Mention, String> known = new HashMap<>();

  /** Mentioned → ids of members, in the order of the text. */
  private final Map<Mention, Set<String>> members = new LinkedHashMap<>();

  private final Set<Mention> dips = new HashSet<>();
  private final Set<Mention> declared = new HashSet<>();

  ControlReading(Mix base, FreshNames fresh) {
    this.base = base;
    this.fresh = fresh;
    Map<String, Integer> seen = new HashMap<>();
    for (Control control : base.controls()) {
      known.put(
          new Mention(control.name(), seen.merge(control.name(), 1, Integer::sum)), control.id());
    }
  }

  private static Mention mention(String name, int ordinal) {
    return new Mention(name, Math.max(1, ordinal));
  }

  /** The Mix with the controls that lines and entries mention. */
  Mix controlled(Mix mix, List<OutlineLine> lines, List<Entry> entries, List<OutlineFault> faults) {
    for (OutlineLine line : lines) {
      if (line.control()) {
        declare(line, faults);
      }
    }
    for (Entry entry : entries) {
      for (Mark mark : entry.marks(Sign.CONTROL)) {
        membersOf(mark).add(entry.id());
      }
    }
    Map<Mention, String> ids = new LinkedHashMap<>();
    members.keySet().forEach(one -> ids.put(one, idOf(one)));
    for (OutlineLine line : lines) {
      if (line.control()) {
        String own = ids.getOrDefault(mention(line.names().get(0), line.ordinal()), "");
        line.marks().stream()
            .filter(mark -> mark.sign() == Sign.CONTROL)
            .forEach(mark -> membersOf(mark).add(own));
      }
    }
    // Those that only control lines mention are known since the last step.
    members.keySet().forEach(one -> ids.computeIfAbsent(one, this::idOf));
    return with(mix, ids);
  }

  private Set<String> membersOf(Mark mark) {
    Mark.Ref ref = mark.refs().get(0);
    return members.computeIfAbsent(
        mention(ref.name(), ref.ordinal()), one -> new LinkedHashSet<>());
  }

  private void declare(OutlineLine line, List<OutlineFault> faults) {
    if (line.names().size() > 1) {
      faults.add(
          new OutlineFault(
              line.number(), line.from(), line.to(), "A control stands on a line of its own."));
    }
    Mention control = mention(line.names().get(0), line.ordinal());
    if (!declared.add(control)) {
      faults.add(
          new OutlineFault(
              line.number(),
              line.from(),
              line.to(),
              "The control “" + control.name() + "” has a line already; write one."));
    }
    members.computeIfAbsent(control, one -> new LinkedHashSet<>());
    for (Mark mark : line.marks()) {
      if (mark.sign() == Sign.WORD && mark.word().equals(MarkTexts.DIP)) {
        dips.add(control);
      } else if (mark.sign() != Sign.CONTROL) {
        faults.add(
            new OutlineFault(
                line.number(),
                mark.from(),
                mark.to(),
                "Behind a control stand :dip and other controls that it is under; take this out."));
      }
    }
  }

  private String idOf(Mention mention) {
    String id = known.get(mention);
    return id == null ? fresh.id(mention.name()) : id;
  }

  private Mix with(Mix mix, Map<Mention, String> ids) {
    Map<String, Mention> mentioned = new LinkedHashMap<>();
    ids.forEach((mention, id) -> mentioned.put(id, mention));
    renamed(ids, mentioned);
    List<Control> controls = new ArrayList<>();
    Set<String> gone = new HashSet<>();
    for (Control control : base.controls()) {
      Mention mention = mentioned.remove(control.id());
      if (mention == null) {
        gone.add(control.id());
      } else {
        controls.add(
            control
                .with()
                .name(mention.name())
                .members(inOrder(control.members(), membersOf(mention)))
                .dip(dips.contains(mention))
                .build());
      }
    }
    mentioned.forEach(
        (id, mention) ->
            controls.add(
                new Control(
                    id,
                    mention.name(),
                    0,
                    List.copyOf(membersOf(mention)),
                    dips.contains(mention))));
    return References.without(mix.withControls(controls), Target.CONTROL, gone);
  }

  private Set<String> membersOf(Mention mention) {
    return members.getOrDefault(mention, Set.of());
  }

  /** New names of controls that are not mentioned any more, though their members are. */
  private void renamed(Map<Mention, String> ids, Map<String, Mention> mentioned) {
    for (Control control : base.controls()) {
      if (mentioned.containsKey(control.id()) || control.members().isEmpty()) {
        continue;
      }
      ids.entrySet().stream()
          .filter(one -> !known.containsKey(one.getKey()))
          .filter(one -> membersOf(one.getKey()).equals(Set.copyOf(control.members())))
          .filter(one -> mentioned.containsKey(one.getValue()))
          .findFirst()
          .ifPresent(
              one -> {
                mentioned.remove(one.getValue());
                mentioned.put(control.id(), one.getKey());
              });
    }
  }

  /** Those that stay keep their order. */
  private static List<String> inOrder(List<String> before, Set<String> now) {
    List<String> members = new ArrayList<>(before);
    members.removeIf(member -> !now.contains(member));
    now.stream().filter(member -> !before.contains(member)).forEach(members::add);
    return members;
  }
}
