package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.RemoveChannels;
import drevik.edit.StowChannels;
import drevik.mix.Channel;
import drevik.mix.MixKind;
import java.util.List;

/** Buses, returns and masters that nothing is sent to. */
final class NothingArrives implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    // What waits in a template is no fault.
    if (survey.mix.kind() != MixKind.TEMPLATE) {
      survey.active().forEach(channel -> nothingArrives(survey, channel));
    }
  }

  private static void nothingArrives(Survey survey, Channel channel) {
    if (!channel.kind().holdsClips() && !survey.isFed(channel.id())) {
      survey.report(
          Rule.NOTHING_ARRIVES,
          Severity.DOUBTFUL,
          List.of(channel.id()),
          "Nothing is sent to “" + channel.name() + "”.",
          new StowChannels(List.of(channel.id()), true),
          new RemoveChannels(List.of(channel.id())));
    }
  }
}
