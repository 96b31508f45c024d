package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.SendChannelsTo;
import drevik.edit.StowChannels;
import drevik.mix.Channel;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Channels that are sent to what is stowed. */
final class DestinationStowed implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    destinationStowed(survey);
  }

  private static void destinationStowed(Survey survey) {
    Map<String, List<String>> into = new LinkedHashMap<>();
    survey
        .active()
        .filter(c -> c.output() != null && survey.isStowed(c.output()))
        .forEach(c -> into.computeIfAbsent(c.output(), k -> new ArrayList<>()).add(c.id()));
    into.forEach(
        (id, from) -> {
          Channel to = survey.channel(id);
          survey.report(
              Rule.DESTINATION_STOWED,
              Severity.WRONG,
              survey.chiefFirst(from, id),
              survey.names(from)
                  + (from.size() == 1 ? " is" : " are")
                  + " sent to “"
                  + to.name()
                  + "”, which is stowed.",
              new StowChannels(List.of(id), false),
              to.output() == null ? null : new SendChannelsTo(from, to.output()),
              new StowChannels(from, true));
        });
  }
}
