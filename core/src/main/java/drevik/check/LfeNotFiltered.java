package drevik.check;

import drevik.check.Finding.Severity;
import drevik.dsp.LfeLowPass;
import drevik.edit.AddProcessors;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Send;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What is sent into an LFE in full: neither there nor further on a low-pass takes its highs away.
 */
final class LfeNotFiltered implements LineCheckRule {
  @Override
  public void check(Survey survey) {
    Map<String, Set<String>> senders = new LinkedHashMap<>();
    survey
        .active()
        .forEach(
            channel ->
                intoLfes(survey, channel)
                    .filter(to -> !isFiltered(survey, to))
                    .forEach(
                        to ->
                            senders
                                .computeIfAbsent(to.id(), id -> new LinkedHashSet<>())
                                .add(channel.id())));
    senders.forEach((to, from) -> report(survey, survey.channel(to), List.copyOf(from)));
  }

  /** The channels into whose LFE one is sent. */
  private static Stream<Channel> intoLfes(Survey survey, Channel channel) {
    Stream<String> own =
        channel.lfeDb() == null ? Stream.empty() : Stream.ofNullable(channel.output());
    Stream<String> sent =
        channel.sends().stream()
            .filter(send -> send.on() && send.lfeDb() != null)
            .map(Send::destinations)
            .flatMap(List::stream);
    return Stream.concat(own, sent)
        .filter(id -> survey.channels.containsKey(id) && !survey.isStowed(id))
        .map(survey::channel)
        .filter(to -> to.layout().hasLfe());
  }

  /** There, or in whatever it leads to as long as that has an LFE. */
  private static boolean isFiltered(Survey survey, Channel bus) {
    for (@Nullable Channel at = bus; at != null && at.layout().hasLfe(); ) {
      if (at.chain().stream().anyMatch(LfeNotFiltered::filters)) {
        return true;
      }
      at = at.output() == null ? null : survey.channels.get(at.output());
    }
    return false;
  }

  private static boolean filters(Insert insert) {
    return insert.on() && insert.processor().equals(LfeLowPass.ID);
  }

  private static void report(Survey survey, Channel bus, List<String> from) {
    survey.report(
        Rule.LFE_NOT_FILTERED,
        Severity.DOUBTFUL,
        survey.chiefFirst(from, bus.id()),
        survey.names(from)
            + (from.size() == 1 ? " goes" : " go")
            + " into the LFE of “"
            + bus.name()
            + "” in full, with all that is above 120 Hz.",
        new AddProcessors(
            List.of(bus.id()),
            List.of(new Insert("lfe", LfeLowPass.ID, true, false, Map.of(), null))));
  }
}
