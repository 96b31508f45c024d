package drevik.check;

import drevik.check.Finding.Severity;
import drevik.mix.Channel;
import drevik.mix.Output;
import java.util.List;

/** Outputs that tap nothing, or what is stowed. */
final class OutputTap implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.mix.outputs().forEach(output -> tapped(survey, output));
  }

  private static void tapped(Survey survey, Output output) {
    Channel channel = survey.channels.get(output.channel());
    if (channel == null) {
      survey.report(
          Rule.POINTS_NOWHERE,
          Severity.WRONG,
          List.of(output.id()),
          "Output “" + output.name() + "” taps a channel that is not in this Mix.",
          new drevik.edit.RemoveOutputs(List.of(output.id())));
    } else if (channel.stowed()) {
      survey.report(
          Rule.DESTINATION_STOWED,
          Severity.WRONG,
          List.of(output.id(), channel.id()),
          "Output “" + output.name() + "” taps “" + channel.name() + "”, which is stowed.",
          new drevik.edit.StowChannels(List.of(channel.id()), false),
          new drevik.edit.RemoveOutputs(List.of(output.id())));
    }
  }
}
