package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.FollowMap;
import drevik.edit.PinSlots;
import drevik.mix.Channel;
import drevik.mix.Slot;
import drevik.mix.field.Slots;
import drevik.reassign.Following;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Channels that are otherwise than the category map says, though nobody made an exception of them:
 * documents from elsewhere may have such. Those that depart in the same things are told together.
 */
final class DepartsFromMap implements LineCheckRule {
  private static final int NAMED = 3;

  @Override
  public void check(Survey survey) {
    if (!survey.map.isUsed()) {
      return;
    }
    Map<String, Set<Slot>> departures = Following.departures(survey.mix);
    Map<List<String>, List<Channel>> together = new LinkedHashMap<>();
    for (Channel channel : survey.mix.channels()) {
      List<String> slots =
          departures.getOrDefault(channel.id(), Set.of()).stream()
              .filter(slot -> !slot.equals(Slot.COLOUR) || channel.colour() != null)
              .map(Slot::id)
              .toList();
      if (!slots.isEmpty()) {
        together.computeIfAbsent(slots, one -> new ArrayList<>()).add(channel);
      }
    }
    together.forEach((slots, channels) -> departs(survey, slots, channels));
  }

  private static void departs(Survey survey, List<String> slots, List<Channel> channels) {
    List<String> ids = channels.stream().map(Channel::id).toList();
    survey.report(
        Rule.DEPARTS_FROM_MAP,
        Severity.NOTE,
        ids,
        named(channels)
            + (channels.size() == 1 ? " departs" : " depart")
            + " from the category map ("
            + labels(slots)
            + "), and nobody pinned it.",
        new FollowMap(ids, false),
        new PinSlots(ids, slots));
  }

  private static String named(List<Channel> channels) {
    String first =
        channels.stream()
            .limit(NAMED)
            .map(channel -> "“" + channel.name() + "”")
            .collect(Collectors.joining(", "));
    return channels.size() > NAMED ? first + " and " + (channels.size() - NAMED) + " more" : first;
  }

  private static String labels(List<String> slots) {
    return slots.stream()
        .flatMap(id -> Slots.byId(id).stream())
        .map(slot -> Slots.labelOf(slot).toLowerCase(Locale.ROOT))
        .distinct()
        .collect(Collectors.joining(", "));
  }
}
