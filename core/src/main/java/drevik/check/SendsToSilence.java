package drevik.check;

import drevik.audio.Decibels;
import drevik.check.Finding.Severity;
import drevik.edit.RemoveSend;
import drevik.edit.SetChannels;
import drevik.edit.StowChannels;
import drevik.mix.Channel;
import drevik.mix.field.ChannelField;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Open sends into what is stowed or muted. */
final class SendsToSilence implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    sendsToSilence(survey);
  }

  private static void sendsToSilence(Survey survey) {
    Map<String, List<String>> into = new LinkedHashMap<>();
    survey
        .active()
        .forEach(
            channel ->
                channel.sends().stream()
                    .filter(send -> send.on() && Decibels.toGain(send.levelDb()) > 0)
                    .flatMap(send -> send.destinations().stream())
                    .distinct()
                    .filter(survey::isSilent)
                    .forEach(
                        to -> into.computeIfAbsent(to, k -> new ArrayList<>()).add(channel.id())));
    into.forEach(
        (id, from) -> {
          Channel to = survey.channel(id);
          survey.report(
              Rule.SEND_TO_SILENCE,
              to.stowed() ? Severity.WRONG : Severity.DOUBTFUL,
              survey.chiefFirst(from, id),
              survey.names(from)
                  + (from.size() == 1 ? " has an open send to “" : " have open sends to “")
                  + to.name()
                  + "”, which is "
                  + (to.stowed() ? "stowed." : "muted."),
              to.stowed()
                  ? new StowChannels(List.of(id), false)
                  : SetChannels.of(List.of(id), ChannelField.MUTE, false),
              new RemoveSend(from, id));
        });
  }
}
