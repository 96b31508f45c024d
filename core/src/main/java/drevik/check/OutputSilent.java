package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.RemoveOutputs;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.field.ChannelField;
import drevik.mix.field.OutputField;
import java.util.List;

/** Files in which nothing would be heard: no seat with audio arrives there as the faders stand. */
final class OutputSilent implements LineCheckRule {
  @Override
  public void check(Survey survey) {
    List<Channel> playing = survey.active().filter(channel -> !channel.clips().isEmpty()).toList();
    // What waits for its audio is no fault.
    if (survey.mix.kind() == MixKind.TEMPLATE || playing.isEmpty()) {
      return;
    }
    for (Output output : survey.mix.outputs()) {
      Channel tapped = survey.channels.get(output.channel());
      // What is said already by another rule, and what may be so, is not said here.
      if (tapped != null
          && !tapped.stowed()
          && !output.mayBeSilent()
          && playing.stream().noneMatch(seat -> survey.now.reaches(seat.id(), output.id()))) {
        report(survey, output, tapped, playing);
      }
    }
  }

  private static void report(Survey survey, Output output, Channel tapped, List<Channel> playing) {
    boolean wired = playing.stream().anyMatch(seat -> survey.wired.reaches(seat.id(), output.id()));
    survey.report(
        Rule.OUTPUT_SILENT,
        Severity.WRONG,
        List.of(output.id(), tapped.id()),
        "“"
            + output.name()
            + "” would be silent: "
            + (tapped.mute()
                ? "“" + tapped.name() + "” is muted."
                : wired
                    ? "what leads to it is closed, muted or at −∞ dB."
                    : "no seat that holds audio leads to it."),
        tapped.mute() ? SetChannels.of(List.of(tapped.id()), ChannelField.MUTE, false) : null,
        ChangeMix.output(output.id(), OutputField.MAY_BE_SILENT, true),
        new RemoveOutputs(List.of(output.id())));
  }
}
