package drevik.preview;

import drevik.check.CheckChange;
import drevik.check.Finding;
import drevik.check.LineCheck;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.route.Coverage;
import drevik.route.Coverage.Cell;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What an edit would do to a Mix.
 *
 * @param after the Mix then
 * @param lines every changed thing of every channel that is there before and after
 * @param held pins that hold back what the map now says
 * @param moves the same changes of destinations, many channels at once
 * @param added ids of channels that come
 * @param removed ids of channels that go
 */
public record EditPreview(
    Mix after,
    List<FieldLine> lines,
    List<HeldLine> held,
    List<Move> moves,
    List<String> added,
    List<String> removed) {

  /**
   * What an edit would do.
   *
   * @throws drevik.mix.Refused if the edit cannot be made
   */
  public static EditPreview of(Mix before, Edit edit) {
    return between(before, edit.applyTo(before));
  }

  /** What is different in one Mix from another. */
  public static EditPreview between(Mix before, Mix after) {
    ChannelLines lines = new ChannelLines(before, after);
    Map<String, Channel> was = before.channelsById();
    Map<String, Channel> is = after.channelsById();
    List<FieldLine> changed = new ArrayList<>();
    List<HeldLine> held = new ArrayList<>();
    Map<Move, List<String>> moves = new LinkedHashMap<>();
    Map<String, Integer> places = places(before, is.keySet());
    Map<String, Integer> placesThen = places(after, was.keySet());
    for (Channel channel : after.channels()) {
      Channel then = was.get(channel.id());
      if (then == null) {
        continue;
      }
      changed.addAll(lines.of(then, channel));
      int place = Lookup.in(places, channel.id());
      int placeThen = Lookup.in(placesThen, channel.id());
      if (place != placeThen) {
        changed.add(order(channel, place, placeThen));
      }
      held.addAll(lines.heldBack(then, channel));
      if (!Objects.equals(then.output(), channel.output())) {
        moves
            .computeIfAbsent(
                new Move(then.output(), channel.output(), List.of()), move -> new ArrayList<>())
            .add(channel.id());
      }
    }
    return new EditPreview(
        after,
        List.copyOf(changed),
        List.copyOf(held),
        moves.entrySet().stream()
            .map(one -> new Move(one.getKey().from(), one.getKey().to(), one.getValue()))
            .toList(),
        is.keySet().stream().filter(id -> !was.containsKey(id)).toList(),
        was.keySet().stream().filter(id -> !is.containsKey(id)).toList());
  }

  /** Places from 1, of channels that are there before and after. */
  private static Map<String, Integer> places(Mix mix, Set<String> there) {
    Map<String, Integer> places = new HashMap<>();
    mix.channels().stream()
        .map(Channel::id)
        .filter(there::contains)
        .forEach(id -> places.put(id, places.size() + 1));
    return places;
  }

  private static FieldLine order(Channel channel, int from, int to) {
    return new FieldLine(
        channel.id(),
        channel.name(),
        "order",
        null,
        "Order",
        from,
        to,
        String.valueOf(from),
        String.valueOf(to),
        "put in order");
  }

  /**
   * Findings that come and go.
   *
   * @param before what is found now
   */
  public CheckChange findings(List<Finding> before) {
    return CheckChange.between(before, LineCheck.of(after));
  }

  /** Cells of the coverage that change. */
  public List<CoverageLine> coverage(Mix before) {
    Map<List<String>, Cell> was = cells(before);
    Map<List<String>, Cell> is = cells(after);
    Set<List<String>> all = new LinkedHashSet<>(was.keySet());
    all.addAll(is.keySet());
    List<CoverageLine> lines = new ArrayList<>();
    for (List<String> place : all) {
      Cell then = was.get(place);
      Cell now = is.get(place);
      CoverageLine line =
          new CoverageLine(
              place.get(0),
              place.get(1),
              then == null ? null : then.gainDb(),
              now == null ? null : now.gainDb(),
              then == null ? 0 : then.count(),
              now == null ? 0 : now.count());
      if (line.pathsBefore() != line.pathsAfter() || !Objects.equals(line.before(), line.after())) {
        lines.add(line);
      }
    }
    return lines;
  }

  private static Map<List<String>, Cell> cells(Mix mix) {
    return Coverage.of(mix).cells().stream()
        .collect(
            Collectors.toMap(
                cell -> List.of(cell.channel(), cell.output()),
                Function.identity(),
                (a, b) -> a,
                LinkedHashMap::new));
  }
}
