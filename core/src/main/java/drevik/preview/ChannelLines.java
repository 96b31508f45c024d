package drevik.preview;

import drevik.ledger.FieldText;
import drevik.ledger.Names;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ClipField;
import drevik.mix.field.Field;
import drevik.mix.field.Slots;
import drevik.reassign.Answer;
import drevik.reassign.MapAnswers;
import drevik.reassign.SlotValues;
import drevik.reassign.SlotValues.Sent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What is different in channels, thing by thing, with the reason. */
final class ChannelLines {
  private static final String NONE = "none";

  /** What the map keeps for itself, and what is told send by send. */
  private static final Set<Field<Channel, ?>> APART =
      Set.of(ChannelField.FALLBACKS, ChannelField.TAKEN, ChannelField.PINS, ChannelField.SENDS);

  private final MapAnswers was;
  private final MapAnswers is;
  private final Names before;
  private final Names after;
  private final Map<String, Set<String>> controlsBefore;
  private final Map<String, Set<String>> controlsAfter;
  private final List<Control> controls;

  ChannelLines(Mix before, Mix after) {
    this.was = MapAnswers.of(before);
    this.is = MapAnswers.of(after);
    this.before = Names.of(before);
    this.after = Names.of(after);
    this.controlsBefore = controlsOf(before);
    this.controlsAfter = controlsOf(after);
    this.controls = after.controls();
  }

  /** Channel → controls that it is a member of. */
  private static Map<String, Set<String>> controlsOf(Mix mix) {
    Map<String, Set<String>> of = new HashMap<>();
    for (Control control : mix.controls()) {
      for (String member : control.members()) {
        of.computeIfAbsent(member, id -> new LinkedHashSet<>()).add(control.id());
      }
    }
    return of;
  }

  @SuppressWarnings("ReferenceEquality") // the same object is unchanged
  List<FieldLine> of(Channel then, Channel now) {
    List<FieldLine> lines = new ArrayList<>();
    Set<String> in = controlsBefore.getOrDefault(now.id(), Set.of());
    Set<String> is = controlsAfter.getOrDefault(now.id(), Set.of());
    if (then == now && in.equals(is)) {
      return lines;
    }
    Map<Slot, Answer> answers = this.is.answers(now);
    ChannelField.ALL.all().stream()
        .filter(field -> !APART.contains(field))
        .forEach(field -> field(then, now, field, answers, lines));
    sends(then, now, answers, lines);
    for (Control control : controls) {
      boolean member = is.contains(control.id());
      if (member != in.contains(control.id())) {
        Slot slot = Slot.control(control.id());
        lines.add(
            line(
                now,
                slot,
                member ? null : control.id(),
                member ? control.id() : null,
                member ? NONE : control.name(),
                member ? control.name() : NONE,
                why(now, slot, answers)));
      }
    }
    pins(then, now, lines);
    return lines;
  }

  private <V> void field(
      Channel then,
      Channel now,
      Field<Channel, V> field,
      Map<Slot, Answer> answers,
      List<FieldLine> lines) {
    V from = field.get(then);
    V to = field.get(now);
    if (Objects.equals(from, to)) {
      return;
    }
    if (field == ChannelField.CLIPS && sameAudio(then).equals(sameAudio(now))) {
      clips(then, now, lines);
      return;
    }
    Slot slot = Slots.byId(field.id()).orElse(null);
    lines.add(
        new FieldLine(
            now.id(),
            now.name(),
            field.id(),
            slot == null ? null : slot.id(),
            field.label(),
            from,
            to,
            or(FieldText.withUnit(field, from, before)),
            or(FieldText.withUnit(field, to, after)),
            slot == null ? "by this act" : why(now, slot, answers)));
  }

  private static List<List<Object>> sameAudio(Channel channel) {
    return channel.clips().stream().<List<Object>>map(c -> List.of(c.id(), c.audio())).toList();
  }

  /** Clips that are the same are told by what changed of them. */
  private void clips(Channel then, Channel now, List<FieldLine> lines) {
    for (int i = 0; i < now.clips().size(); i++) {
      Clip from = then.clips().get(i);
      Clip to = now.clips().get(i);
      for (Field<Clip, ?> field : ClipField.ALL.all()) {
        clip(now, from, to, field, lines);
      }
    }
  }

  private <V> void clip(
      Channel channel, Clip from, Clip to, Field<Clip, V> field, List<FieldLine> lines) {
    V was = field.get(from);
    V is = field.get(to);
    if (!Objects.equals(was, is)) {
      lines.add(
          new FieldLine(
              channel.id(),
              channel.name(),
              ChannelField.CLIPS.id(),
              null,
              "Clip’s " + field.label().toLowerCase(Locale.ROOT),
              was,
              is,
              or(FieldText.withUnit(field, was, before)),
              or(FieldText.withUnit(field, is, after)),
              "by this act"));
    }
  }

  private static String or(String text) {
    return text.isEmpty() ? NONE : text;
  }

  private void sends(Channel then, Channel now, Map<Slot, Answer> answers, List<FieldLine> lines) {
    Map<Slot, Send> old = bySlot(then);
    Map<Slot, Send> all = new LinkedHashMap<>(old);
    all.putAll(bySlot(now));
    Map<Slot, Send> there = bySlot(now);
    for (Slot slot : all.keySet()) {
      Send from = old.get(slot);
      Send to = there.get(slot);
      if (!Objects.equals(from, to)) {
        lines.add(
            line(
                now, slot, from, to, send(from, before), send(to, after), why(now, slot, answers)));
      }
    }
  }

  private static Map<Slot, Send> bySlot(Channel channel) {
    Map<Slot, Send> sends = new LinkedHashMap<>();
    channel.sends().forEach(send -> sends.putIfAbsent(Slot.send(send.destinations()), send));
    return sends;
  }

  private static String send(@Nullable Send send, Names names) {
    return send == null
        ? NONE
        : to(send.destinations(), names)
            + ", "
            + sent(new Sent(send.tap(), send.levelDb(), send.on()));
  }

  private static String to(List<String> destinations, Names names) {
    return destinations.stream().map(names::of).collect(Collectors.joining(" + "));
  }

  private static String sent(Sent sent) {
    return sent.tap() + " " + FieldText.decibels(sent.levelDb()) + (sent.on() ? "" : ", off");
  }

  private static void pins(Channel then, Channel now, List<FieldLine> lines) {
    for (Pin pin : now.pins()) {
      Optional<Slot> slot = Slots.byId(pin.id());
      if (slot.isPresent() && !then.isPinned(slot.get())) {
        lines.add(pin(now, slot.get(), null, pin.id()));
      }
    }
    for (Pin pin : then.pins()) {
      Optional<Slot> slot = Slots.byId(pin.id());
      if (slot.isPresent() && !now.isPinned(slot.get())) {
        lines.add(pin(now, slot.get(), pin.id(), null));
      }
    }
  }

  private static FieldLine pin(Channel now, Slot slot, @Nullable String from, @Nullable String to) {
    String label = Slots.labelOf(slot).toLowerCase(Locale.ROOT);
    return new FieldLine(
        now.id(),
        now.name(),
        "pins",
        null,
        "Pins",
        from,
        to,
        from == null ? NONE : label,
        to == null ? NONE : label,
        to == null ? "unpinned" : "it departs from the category map");
  }

  private static FieldLine line(
      Channel now,
      Slot slot,
      @Nullable Object from,
      @Nullable Object to,
      String before,
      String after,
      String why) {
    return new FieldLine(
        now.id(),
        now.name(),
        slot.field(),
        slot.id(),
        Slots.labelOf(slot),
        from,
        to,
        before,
        after,
        why);
  }

  private static String why(Channel now, Slot slot, Map<Slot, Answer> answers) {
    if (now.isPinned(slot)) {
      return "pinned by hand";
    }
    Answer answer = answers.get(slot);
    return answer == null ? "by this act, or as it was before the map spoke" : answer.words();
  }

  /** Pins on what the map now says otherwise than it did. */
  List<HeldLine> heldBack(Channel then, Channel now) {
    if (now.pins().isEmpty()) {
      return List.of();
    }
    List<HeldLine> held = new ArrayList<>();
    Map<Slot, Answer> old = was.answers(then);
    Map<Slot, Answer> answers = is.answers(now);
    for (Pin pin : now.pins()) {
      Slot slot = Slots.byId(pin.id()).orElse(null);
      Answer answer = answers.get(slot);
      Answer before = old.get(slot);
      if (slot == null
          || answer == null
          || !then.isPinned(slot)
          || (before != null && Objects.equals(before.value(), answer.value()))) {
        continue;
      }
      held.add(
          new HeldLine(
              now.id(),
              now.name(),
              slot.id(),
              Slots.labelOf(slot),
              words(slot, SlotValues.of(now, slot, controlsAfter)),
              words(slot, answer.value()),
              pin.by()));
    }
    return held;
  }

  /** A value as {@link SlotValues} has it, in words. */
  String words(Slot slot, @Nullable Object value) {
    if (value == null) {
      return NONE;
    }
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      return Boolean.TRUE.equals(value) ? "a member" : "no member";
    }
    if (value instanceof Sent sent) {
      return sent(sent);
    }
    return or(field == ChannelField.CHAIN ? chain((List<?>) value) : text(field, value));
  }

  @SuppressWarnings("unchecked") // the value is one of the field
  private <V> String text(Field<Channel, V> field, Object value) {
    return FieldText.withUnit(field, (V) value, after);
  }

  private static String chain(List<?> chain) {
    return chain.stream()
        .map(insert -> ((Insert) insert).processor())
        .collect(Collectors.joining(", "));
  }
}
