package drevik.outline;

import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Slot;
import drevik.mix.field.Field.Target;
import drevik.mix.field.References;
import drevik.naming.ChannelName;
import drevik.naming.FreshNames;
import drevik.outline.Outline.Placed;
import drevik.outline.Outline.Reading;
import drevik.outline.WrittenOutline.WrittenMark;
import drevik.reassign.Actor;
import drevik.reassign.Following;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Reads one outline, told from the Mix that it was written of. */
final class OutlineReader {
  private final Mix mix;
  private final ReadNames names;
  private final OutlineText text;
  private final WrittenOutline written;
  private final List<OutlineFault> faults;
  private final FreshNames fresh;
  private final Map<Integer, Integer> firstEntries = new HashMap<>();

  OutlineReader(Mix mix, String text, ReadNames names) {
    this.mix = mix;
    this.names = names;
    this.text = OutlineText.of(text);
    this.written = WrittenOutline.of(mix, names);
    this.faults = new ArrayList<>(this.text.faults());
    this.fresh = new FreshNames(mix);
  }

  Reading read() {
    if (!faults.isEmpty()) {
      return failed(List.of());
    }
    List<Entry> entries = entries();
    refuseDoubles(entries);
    Map<String, Channel> channels = channels(entries);
    NamedEntries named = new NamedEntries(entries, faults);
    TieReading ties = new TieReading(channels, named, new FreshIds(mix), faults);
    Map<String, Channel> tied = new LinkedHashMap<>();
    entries.forEach(entry -> tied.put(entry.id(), ties.tied(entry)));
    Mix after = mix.withChannels(inOrder(entries, tied));
    after = new ControlReading(mix, fresh).controlled(after, text.lines(), entries, faults);
    after = new OutputReading(tied, names, fresh, faults).printed(after, entries);
    after = mapped(after, entries, new ChannelReading(names, faults));
    after = withoutGone(after, tied.keySet());
    requireNoLoop(after, entries);
    Reading reading = new Reading(mix, followed(after), List.of(), placed(entries));
    if (faults.isEmpty()) {
      requireSound(reading, entries);
    }
    return faults.isEmpty() ? reading : failed(entries);
  }

  private Reading failed(List<Entry> entries) {
    faults.sort(Comparator.comparingInt(OutlineFault::line).thenComparingInt(OutlineFault::from));
    return new Reading(mix, mix, faults.stream().distinct().toList(), placed(entries));
  }

  /**
   * What the text does not say follows the category map; under what a line stands, it says. A line
   * that stands under nothing says nothing of where it goes.
   */
  private Mix followed(Mix read) {
    Map<String, Channel> said = read.channelsById();
    Map<String, Set<Slot>> held = new LinkedHashMap<>();
    Slot output = Slot.OUTPUT;
    Mix after =
        Following.after(mix, read, Actor.HAND)
            .mapChannels(
                channel -> {
                  String wanted = Lookup.in(said, channel.id()).output();
                  if (wanted == null || wanted.equals(channel.output())) {
                    return channel;
                  }
                  held.put(channel.id(), Set.of(output));
                  return channel.withOutput(wanted);
                });
    return held.isEmpty() ? after : Following.pinned(after, held);
  }

  private static List<Placed> placed(List<Entry> entries) {
    Map<Integer, List<String>> lines = new LinkedHashMap<>();
    for (Entry entry : entries) {
      lines.computeIfAbsent(entry.line().number(), n -> new ArrayList<>()).add(entry.id());
    }
    return lines.entrySet().stream().map(e -> new Placed(e.getKey(), e.getValue())).toList();
  }

  /** Lines as channels, each with the one that it was. */
  private List<Entry> entries() {
    List<WrittenOutline.Line> before = List.copyOf(written.lines().values());
    Map<String, Channel> channels = mix.channelsById();
    List<Entry> unnamed = new ArrayList<>();
    Set<Integer> above = text.lines().stream().map(OutlineLine::parent).collect(Collectors.toSet());
    for (int i = 0; i < text.lines().size(); i++) {
      OutlineLine line = text.lines().get(i);
      if (!line.control()) {
        firstEntries.put(i, unnamed.size());
        int parent = firstEntries.getOrDefault(line.parent(), -1);
        for (String name : line.names()) {
          unnamed.add(new Entry(line, name, parent, above.contains(i), "", null, null));
        }
      }
    }
    int[] matched = LineMatching.of(nodes(before), nodesOf(unnamed));
    List<Entry> entries = new ArrayList<>();
    for (int i = 0; i < unnamed.size(); i++) {
      Entry entry = unnamed.get(i);
      WrittenOutline.@Nullable Line was = matched[i] < 0 ? null : before.get(matched[i]);
      entries.add(
          new Entry(
              entry.line(),
              entry.name(),
              entry.parent(),
              entry.hasLinesUnder(),
              was == null ? fresh.id(entry.name()) : was.id(),
              was == null ? null : Lookup.in(channels, was.id()),
              was));
    }
    return entries;
  }

  private static List<LineMatching.Node> nodes(List<WrittenOutline.Line> lines) {
    List<LineMatching.Node> nodes = new ArrayList<>();
    List<Integer> open = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      WrittenOutline.Line line = lines.get(i);
      open.subList(line.depth(), open.size()).clear();
      int parent = open.isEmpty() ? -1 : open.get(open.size() - 1);
      boolean under = i + 1 < lines.size() && lines.get(i + 1).depth() > line.depth();
      nodes.add(new LineMatching.Node(line.name(), parent, under));
      open.add(i);
    }
    return nodes;
  }

  private static List<LineMatching.Node> nodesOf(List<Entry> entries) {
    return entries.stream()
        .map(one -> new LineMatching.Node(one.name(), one.parent(), one.hasLinesUnder()))
        .toList();
  }

  /** Two of one name that were there before are a finding; a second one that is new is a slip. */
  private void refuseDoubles(List<Entry> entries) {
    Map<String, Entry> seen = new HashMap<>();
    for (Entry entry : entries) {
      Entry other = seen.putIfAbsent(entry.name(), entry);
      boolean isNew = entry.was() == null || entry.isRenamed();
      if (other != null && (isNew || other.was() == null || other.isRenamed())) {
        faults.add(
            (isNew ? entry : other)
                .fault(
                    "“"
                        + entry.name()
                        + "” stands in line "
                        + (isNew ? other : entry).line().number()
                        + " too; give one of them another name."));
      }
    }
  }

  private Map<String, Channel> channels(List<Entry> entries) {
    ChannelReading reading = new ChannelReading(names, faults);
    Map<String, Channel> channels = new LinkedHashMap<>();
    for (Entry entry : entries) {
      Channel parent = entry.parent() < 0 ? null : channels.get(entries.get(entry.parent()).id());
      channels.put(entry.id(), reading.of(entry, parent));
    }
    return channels;
  }

  private List<Channel> inOrder(List<Entry> entries, Map<String, Channel> channels) {
    List<String> before = List.copyOf(written.lines().keySet());
    return LineOrder.of(mix.channels().stream().map(Channel::id).toList(), before, entries).stream()
        .map(id -> Lookup.in(channels, id))
        .toList();
  }

  private Mix withoutGone(Mix after, Set<String> left) {
    Set<String> gone = new HashSet<>(written.lines().keySet());
    gone.removeAll(left);
    return References.without(after, Target.CHANNEL, gone);
  }

  /** What the marks of lines, and the names of new buses, say of the category map. */
  private Mix mapped(Mix after, List<Entry> entries, ChannelReading reading) {
    CategoryMap map = after.categoryMap();
    for (Entry entry : entries) {
      List<String> now =
          entry.marks(Sign.TAKES).stream()
              .filter(mark -> reading.isCategory(entry, mark))
              .map(Mark::word)
              .toList();
      List<String> before = entry.oldMarks(Sign.TAKES).stream().map(WrittenMark::of).toList();
      for (String category : before) {
        if (!now.contains(category)) {
          map = map.sending(category, null);
        }
      }
      for (String category : now) {
        if (!before.contains(category)) {
          map = map.sending(category, entry.id());
        }
      }
    }
    Map<String, List<String>> own = OwnCategories.of(after);
    for (Entry entry : entries) {
      boolean takes = entry.was() == null && !ChannelName.saysParallel(entry.name());
      List<String> categories = takes ? own.getOrDefault(entry.id(), List.of()) : List.of();
      for (String category : categories) {
        if (!map.hasDestination(category)) {
          map = map.sending(category, entry.id());
        }
      }
    }
    return after.withCategoryMap(map);
  }

  /** Indentation cannot close a loop; a send or a key can, and is told where it stands. */
  private void requireNoLoop(Mix after, List<Entry> entries) {
    SignalGraph.of(after)
        .loop()
        .ifPresent(
            loop -> {
              Map<String, Channel> channels = after.channelsById();
              String says =
                  "This closes a loop: "
                      + loop.stream()
                          .map(id -> Lookup.in(channels, id).name())
                          .collect(Collectors.joining(" → "))
                      + ". Send it somewhere that does not lead back.";
              faults.add(closing(loop, entries, says));
            });
  }

  private OutlineFault closing(List<String> loop, List<Entry> entries, String says) {
    Map<String, Entry> byId = new HashMap<>();
    entries.forEach(entry -> byId.put(entry.id(), entry));
    for (int i = 0; i + 1 < loop.size(); i++) {
      Entry from = Lookup.in(byId, loop.get(i));
      Entry to = Lookup.in(byId, loop.get(i + 1));
      for (Mark mark : from.marks(Sign.SEND)) {
        if (mark.refs().stream().anyMatch(ref -> ref.name().equals(to.name()))) {
          return from.fault(mark, says);
        }
      }
      for (Mark mark : to.marks(Sign.KEY)) {
        if (mark.word().equals(from.name())) {
          return to.fault(mark, says);
        }
      }
    }
    return Lookup.in(byId, loop.get(0)).fault(says);
  }

  /** The same looks as at every edit, so that what is previewed can be made. */
  private void requireSound(Reading reading, List<Entry> entries) {
    try {
      if (!reading.changes().isEmpty()) {
        reading.edit().applyTo(mix);
      }
    } catch (Refused e) {
      faults.add(
          entries.stream()
              .filter(entry -> Objects.equals(entry.id(), e.subject()))
              .findFirst()
              .map(entry -> entry.fault(e.getMessage()))
              .orElseGet(() -> new OutlineFault(0, 0, 0, e.getMessage())));
    }
  }
}
