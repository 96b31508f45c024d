package drevik.outline;

import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.ledger.TypedNumber;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Lookup;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.field.Field.Unit;
import drevik.outline.Mark.Option;
import drevik.outline.WrittenOutline.WrittenMark;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Sends and keys of a line. A send or key whose mark stands as before stays as it is. */
final class TieReading {
  /** What listens to a key where nothing in a chain does yet. */
  private static final String LISTENER = "compressor";

  private final Map<String, Channel> channels;
  private final NamedEntries named;
  private final FreshIds fresh;
  private final List<OutlineFault> faults;

  /**
   * @param channels by id, as they become
   */
  TieReading(
      Map<String, Channel> channels,
      NamedEntries named,
      FreshIds fresh,
      List<OutlineFault> faults) {
    this.channels = channels;
    this.named = named;
    this.fresh = fresh;
    this.faults = faults;
  }

  Channel tied(Entry entry) {
    Channel channel = Lookup.in(channels, entry.id());
    return channel.withSends(sends(entry, channel)).withChain(keyed(entry, channel));
  }

  private List<Send> sends(Entry entry, Channel channel) {
    List<Mark> marks = entry.marks(Sign.SEND);
    Map<String, Send> before = new LinkedHashMap<>();
    channel.sends().forEach(send -> before.put(send.id(), send));
    Map<Mark, List<String>> destinations = new LinkedHashMap<>();
    marks.forEach(mark -> destinations.put(mark, destinations(entry, mark)));
    Kept kept =
        Kept.of(
                entry.oldMarks(Sign.SEND),
                marks,
                (was, is) ->
                    Lookup.in(before, was.of()).destinations().equals(destinations.get(is)))
            .andTheRest(marks);
    List<Send> sends = new ArrayList<>();
    for (Mark mark : marks) {
      WrittenMark old = kept.before(mark);
      Send was = old == null ? null : Lookup.in(before, old.of());
      List<String> to = Lookup.in(destinations, mark);
      if (was != null && kept.isUnchanged(mark)) {
        sends.add(was);
      } else if (!to.isEmpty()) {
        sends.add(send(entry, mark, to, was));
      }
    }
    return sends;
  }

  private List<String> destinations(Entry entry, Mark mark) {
    List<String> ids = new ArrayList<>();
    for (Mark.Ref ref : mark.refs()) {
      Optional<Entry> to = named.of(entry, ref);
      to.ifPresent(
          one -> {
            Channel destination = Lookup.in(channels, one.id());
            if (destination.kind().holdsClips()) {
              faults.add(
                  entry.fault(
                      ref,
                      "“"
                          + destination.name()
                          + "” is a "
                          + destination.kind()
                          + ": it plays files, so nothing can be sent into it."));
            } else if (ids.contains(one.id())) {
              faults.add(entry.fault(ref, "A send reaches a channel once; take this one out."));
            } else {
              ids.add(one.id());
            }
          });
    }
    return ids;
  }

  private Send send(Entry entry, Mark mark, List<String> to, @Nullable Send was) {
    double level = MarkTexts.usualLevel(to.stream().map(id -> Lookup.in(channels, id)).toList());
    boolean on = true;
    for (Option option : mark.options()) {
      if (option.text().equals(MarkTexts.OFF)) {
        on = false;
      } else {
        level = level(entry, option);
      }
    }
    if (was == null) {
      return Send.of(fresh.of(entry.id(), to.get(0)), to, mark.tap(), level).withOn(on);
    }
    boolean sameLevel = MarkTexts.level(level).equals(MarkTexts.level(was.levelDb()));
    return was.with()
        .destinations(to)
        .tap(mark.tap())
        .levelDb(sameLevel ? was.levelDb() : level)
        .on(on)
        .build();
  }

  private double level(Entry entry, Option option) {
    try {
      return TypedNumber.of(Unit.DECIBELS, option.text());
    } catch (Refused e) {
      faults.add(
          new OutlineFault(entry.line().number(), option.from(), option.to(), e.getMessage()));
      return 0;
    }
  }

  private List<Insert> keyed(Entry entry, Channel channel) {
    List<Mark> marks = entry.marks(Sign.KEY);
    Kept kept = Kept.of(entry.oldMarks(Sign.KEY), marks, (was, is) -> false).andTheRest(marks);
    List<Insert> chain = new ArrayList<>(channel.chain());
    for (WrittenMark gone : kept.gone()) {
      chain.replaceAll(one -> one.id().equals(gone.of()) ? one.withKey(null) : one);
    }
    for (Mark mark : marks) {
      if (!mark.options().isEmpty()) {
        faults.add(entry.fault(mark, "A key has no level; take out what stands behind “@”."));
      }
      WrittenMark old = kept.before(mark);
      if (old != null && kept.isUnchanged(mark)) {
        continue;
      }
      named
          .of(entry, mark.refs().get(0))
          .map(source -> new Key(source.id(), mark.tap()))
          .ifPresent(key -> give(chain, key, old == null ? null : old.of(), channel.id()));
    }
    return chain;
  }

  /**
   * To the processor that had one; else to the first that listens and has none; else to a new one.
   */
  private void give(List<Insert> chain, Key key, @Nullable String to, String channel) {
    for (int i = 0; i < chain.size(); i++) {
      Insert insert = chain.get(i);
      if (to == null ? insert.key() == null && listens(insert) : insert.id().equals(to)) {
        chain.set(i, insert.withKey(key));
        return;
      }
    }
    chain.add(new Insert(fresh.of(channel, LISTENER), LISTENER, true, false, Map.of(), key));
  }

  private static boolean listens(Insert insert) {
    return Processors.byId(insert.processor()).filter(ProcessorType::listensToKey).isPresent();
  }
}
