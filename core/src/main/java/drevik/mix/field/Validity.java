package drevik.mix.field;

import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Limits;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Specification;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What every Mix must be, whoever wrote it: nothing missing, no id twice, no figure that no fader
 * has. Edits keep it so; a file from elsewhere is looked at once, when it is read. How far a figure
 * goes and how long a text may be, each field says of itself; what stands here are the rules that
 * are about more than one field.
 */
public final class Validity {
  private static final String THE_MIX = "the Mix";

  /** Their ids are looked at over the whole Mix; where they stand apart from one they have none. */
  private static final Set<Class<?>> OVER_ALL =
      Set.of(Channel.class, Control.class, Send.class, Insert.class, Clip.class);

  /** What was valid before and is looked at no more. */
  private final Set<Object> known;

  private Validity(Set<Object> known) {
    this.known = known;
  }

  /**
   * Refuses a Mix that no edit could have made.
   *
   * @throws Refused naming what is wrong and where
   */
  public static void require(Mix mix) {
    require(null, mix);
  }

  /**
   * The same for a Mix that was made from one that is valid: what is the same object is not looked
   * at again, but for its id.
   */
  public static void require(@Nullable Mix before, Mix mix) {
    Set<Object> known = Collections.newSetFromMap(new IdentityHashMap<>());
    if (before != null) {
      for (List<?> things :
          List.of(
              before.channels(),
              before.controls(),
              before.outputs(),
              before.stemSets(),
              before.markers(),
              before.specifications())) {
        known.addAll(things);
      }
      before.channels().forEach(channel -> known.addAll(channel.chain()));
      known.addAll(before.categoryMap().entries());
    }
    Validity validity = new Validity(known);
    validity.look(MixField.ALL, mix, () -> THE_MIX);
    name(mix.name(), () -> "The Mix");
    if (mix.startFrame() < 0 || (mix.endFrame() != null && mix.endFrame() < mix.startFrame())) {
      throw new Refused("The end of the Mix must stand behind its start; correct one of them.");
    }
    Set<String> ids = new HashSet<>();
    Set<String> within = new HashSet<>();
    for (Channel channel : mix.channels()) {
      ids(channel, ids, within);
    }
    mix.controls()
        .forEach(
            control -> {
              id(control.id(), () -> "A control", ids);
              name(control.name(), () -> "Control “" + control.id() + "”");
            });
    mix.specifications().forEach(one -> name(one.name(), () -> "Specification “" + one.id() + "”"));
    mix.markers().forEach(marker -> name(marker.name(), () -> "Section “" + marker.id() + "”"));
    Set<String> specifications =
        mix.specifications().stream().map(Specification::id).collect(Collectors.toSet());
    for (Output output : mix.outputs()) {
      name(output.name(), () -> "Output “" + output.id() + "”");
      if (output.specification() != null && !specifications.contains(output.specification())) {
        throw new Refused(
            "Output “"
                + output.name()
                + "” names a specification that is not in this Mix; add it, or name another.");
      }
    }
    mix.categoryMap().entries().stream()
        .filter(entry -> !known.contains(entry))
        .forEach(Validity::entry);
  }

  /**
   * The same for a chain apart from any channel.
   *
   * @param whose as it stands in a sentence
   * @throws Refused with the first thing that is wrong
   */
  public static void requireChain(List<Insert> chain, String whose) {
    Validity validity = new Validity(Set.of());
    validity.members(InsertField.ALL, chain, "Chain", () -> whose);
    chain.forEach(insert -> insert(insert, () -> whose));
  }

  /**
   * The same for the entries of a category map apart from any Mix.
   *
   * @throws Refused with the first thing that is wrong
   */
  public static void requireEntries(List<MapEntry> entries) {
    Validity validity = new Validity(Set.of());
    validity.every(MixField.CATEGORY_MAP, entries, () -> "the category map");
    entries.forEach(Validity::entry);
  }

  /** Everything that fields say of themselves, in a thing and in all that stands in its lists. */
  private <T> void look(Fields<T> fields, T thing, Supplier<String> whose) {
    for (Field<T, ?> field : fields.all()) {
      look(fields, field, thing, whose);
    }
  }

  private <T> void look(Fields<T> fields, Field<T, ?> field, T thing, Supplier<String> whose) {
    Object value = field.get(thing);
    if (value == null) {
      if (!fields.isNullable(field)) {
        throw new Refused(said(field.label(), whose) + " is missing; " + mend(field));
      }
    } else if (!field.choices().isEmpty() && !field.choices().contains(value)) {
      throw new Refused(said(field.label(), whose) + " is " + value + "; " + mend(field));
    } else if (value instanceof String text) {
      length(field, text.length(), "characters", whose);
    } else if (value instanceof Number figure) {
      range(field, figure.doubleValue(), whose);
    } else if (field instanceof ListField<?, ?> list && value instanceof List<?> members) {
      list(list, members, whose);
    }
  }

  @SuppressWarnings("unchecked") // the members are those of the field
  private <E> void list(ListField<?, E> field, List<?> members, Supplier<String> whose) {
    every(field, (List<E>) members, whose);
  }

  private <E> void every(ListField<?, E> field, List<E> members, Supplier<String> whose) {
    length(field, members.size(), "members", whose);
    if (members.isEmpty() && field.isNeeded()) {
      throw new Refused(said(field.label(), whose) + " is empty; name one at least, or remove it.");
    }
    field.items().ifPresent(items -> members(items, members, field.label(), whose));
    if (field.items().isPresent() && !OVER_ALL.contains(field.itemType())) {
      once(field, members, whose);
    }
  }

  private <E> void members(
      Fields<E> items, Collection<E> members, String label, Supplier<String> whose) {
    for (E member : members) {
      if (known.contains(member)) {
        continue;
      }
      if (member instanceof Channel channel) {
        told(channel, () -> called(items, member, label, whose));
      } else {
        look(items, member, () -> called(items, member, label, whose));
      }
    }
  }

  /** {@code channel “Kick”}, {@code “Sends” of channel “Kick”}: what a sentence calls a member. */
  private static <E> String called(
      Fields<E> items, E member, String label, Supplier<String> whose) {
    Field<E, ?> first = items.all().get(0);
    String name = first.get(member) instanceof String text ? text : null;
    String of = whose.get();
    String what = name == null ? "“" + label + "”" : label + " “" + name + "”";
    return of.equals(THE_MIX) ? what : what + " of " + of;
  }

  /** No id twice in a list, and none empty: what is in a list is found by it. */
  private static <E> void once(ListField<?, E> field, List<E> members, Supplier<String> whose) {
    Set<String> ids = new HashSet<>();
    for (E member : members) {
      String id = field.idOf(member);
      if (id != null && ids.contains(id)) {
        throw new Refused(
            said(field.label(), whose) + " has “" + id + "” twice; ids are given once, keep one.");
      }
      id(id, () -> said(field.label(), whose), ids);
    }
  }

  private static void length(Field<?, ?> field, int length, String of, Supplier<String> whose) {
    if (length > field.longest()) {
      throw new Refused(
          "%s may have %d %s at most; this has %d."
              .formatted(said(field.label(), whose), field.longest(), of, length));
    }
  }

  private static void range(Field<?, ?> field, double value, Supplier<String> whose) {
    field
        .range()
        .filter(range -> !range.holds(value))
        .ifPresent(range -> refuse(said(field.label(), whose), value, range));
  }

  private static void refuse(String what, double value, Range range) {
    throw new Refused(what + " is " + Range.figure(value) + "; give " + range + ".");
  }

  private static String said(String label, Supplier<String> whose) {
    return "“" + label + "” of " + whose.get();
  }

  /** How to mend what is missing: the choices, where there are some. */
  private static String mend(Field<?, ?> field) {
    List<?> choices = field.choices();
    if (choices.isEmpty() && field instanceof ValueField<?, ?> value && value.type().isEnum()) {
      choices = List.of(value.type().getEnumConstants());
    }
    return choices.isEmpty()
        ? "say what it is."
        : "give one of "
            + choices.stream().map(Object::toString).collect(Collectors.joining(", "))
            + ".";
  }

  /**
   * Ids that are given once all over a Mix.
   *
   * @param ids of channels and controls
   * @param within of sends, inserts and clips
   */
  private static void ids(Channel channel, Set<String> ids, Set<String> within) {
    id(channel.id(), () -> "A channel", ids);
    Supplier<String> of = () -> " of “" + channel.name() + "”";
    for (Send send : channel.sends()) {
      id(send.id(), () -> "A send" + of.get(), within);
    }
    for (Insert insert : channel.chain()) {
      id(insert.id(), () -> "An insert" + of.get(), within);
    }
    for (Clip clip : channel.clips()) {
      id(clip.id(), () -> "A clip" + of.get(), within);
    }
  }

  private static void id(@Nullable String id, Supplier<String> what, Set<String> ids) {
    if (id == null) {
      throw new Refused(what.get() + " has no id.");
    }
    if (id.isBlank() || id.length() > Limits.NAME) {
      throw new Refused(what.get() + " has an id that is empty or longer than 200 characters.");
    }
    if (!ids.add(id)) {
      throw new Refused(
          what.get() + " has the id “" + id + "”, which is taken; ids are given once, change it.");
    }
  }

  private static void name(@Nullable String name, Supplier<String> whose) {
    if (name == null || name.isBlank()) {
      throw new Refused(whose.get() + " needs a name of 1 to 200 characters.");
    }
    if (name.chars().anyMatch(Character::isISOControl)) {
      throw new Refused(whose.get() + " has a control character in its name; take it out.");
    }
  }

  /** What is wrong with a channel is told with its id, so that it is found where it is shown. */
  private void told(Channel channel, Supplier<String> whose) {
    try {
      look(ChannelField.ALL, channel, whose);
      channel(channel);
    } catch (Refused e) {
      throw channel.id() == null ? e : Refused.about(channel.id(), e.getMessage());
    }
  }

  private void channel(Channel channel) {
    name(channel.name(), () -> "Channel “" + channel.id() + "”");
    Supplier<String> whose = () -> "“" + channel.name() + "”";
    channel.chain().stream()
        .filter(insert -> !known.contains(insert))
        .forEach(insert -> insert(insert, whose));
    channel.pins().forEach(pin -> slot(pin.id(), "A pin", whose));
    channel.taken().forEach(taken -> slot(taken.id(), "What was taken over", whose));
    channel.fallbacks().forEach(fallback -> slot(fallback.id(), "A fallback", whose));
    if (channel.clips().stream().anyMatch(clip -> clip.audio().name() == null)) {
      throw new Refused("A clip of " + whose.get() + " names no file.");
    }
    if (!channel.clips().isEmpty() && !channel.kind().holdsClips()) {
      throw new Refused(whose.get() + " is a " + channel.kind() + " and cannot hold audio.");
    }
  }

  private static void slot(@Nullable String id, String what, Supplier<String> whose) {
    if (id == null || Slots.byId(id).isEmpty()) {
      throw new Refused(
          what
              + " of "
              + whose.get()
              + " is on “"
              + id
              + "”, which the category map does not decide; take it out.");
    }
  }

  private static void entry(MapEntry entry) {
    Supplier<String> whose = () -> "“" + entry.category() + "” in the category map";
    entry.chain().forEach(insert -> insert(insert, whose));
  }

  private static void insert(Insert insert, Supplier<String> whose) {
    Key key = insert.key();
    if (key != null && (key.source() == null || key.tap() == null)) {
      throw new Refused("A key of " + whose.get() + " does not say its source and its tap.");
    }
    settings(insert, whose);
  }

  /** A stand-in keeps whatever settings it has; of what runs here they are known. */
  private static void settings(Insert insert, Supplier<String> whose) {
    Optional<ProcessorType> type = Processors.byId(insert.processor());
    if (type.isEmpty()) {
      return;
    }
    Map<String, Parameter> known = new LinkedHashMap<>();
    type.get().parameters().forEach(parameter -> known.put(parameter.id(), parameter));
    Supplier<String> where = () -> type.get().label() + " of " + whose.get();
    for (Map.Entry<String, Double> setting : insert.settings().entrySet()) {
      Parameter parameter = known.get(setting.getKey());
      if (parameter == null) {
        throw new Refused(
            where.get()
                + ": there is no setting “"
                + setting.getKey()
                + "”; there are "
                + String.join(", ", known.keySet())
                + ".");
      }
      if (setting.getValue() == null) {
        throw new Refused(where.get() + ": the setting “" + parameter.id() + "” has no value.");
      }
      setting(setting.getValue(), parameter, () -> where.get() + ": " + parameter.label());
    }
  }

  /** What a processor would bring to the nearest that it knows is not what somebody asked for. */
  private static void setting(double value, Parameter parameter, Supplier<String> what) {
    if (parameter.onlyChoices()) {
      if (parameter.choices().stream().noneMatch(choice -> choice.value() == value)) {
        throw new Refused(
            what.get()
                + " is "
                + Range.figure(value)
                + "; give one of "
                + parameter.choices().stream()
                    .map(choice -> Range.figure(choice.value()) + " (" + choice.label() + ")")
                    .collect(Collectors.joining(", "))
                + ".");
      }
      return;
    }
    Range range = new Range(parameter.smallest(), parameter.most());
    boolean off = parameter.canBeOff() && value == parameter.least();
    if (!off && !range.holds(value)) {
      String least = Range.figure(parameter.least());
      refuse(what.get() + (parameter.canBeOff() ? " (off is " + least + ")" : ""), value, range);
    }
  }
}
