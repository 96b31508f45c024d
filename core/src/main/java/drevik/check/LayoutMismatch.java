package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.Output;
import drevik.mix.field.ChannelField;
import drevik.mix.field.OutputField;
import java.util.List;

/** Where channels are folded together, and no file has them in full. */
final class LayoutMismatch implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> layoutMismatch(survey, channel));
  }

  private static void layoutMismatch(Survey survey, Channel channel) {
    Channel to = survey.channels.get(channel.output());
    if (to != null && !to.stowed() && to.layout().channels() < channel.layout().channels()) {
      survey.report(
          Rule.LAYOUT_MISMATCH,
          Severity.DOUBTFUL,
          List.of(channel.id(), to.id()),
          "“"
              + channel.name()
              + "” is "
              + channel.layout()
              + " and is folded into “"
              + to.name()
              + "”, which is "
              + to.layout()
              + ".",
          SetChannels.of(List.of(to.id()), ChannelField.LAYOUT, channel.layout()),
          SetChannels.of(List.of(channel.id()), ChannelField.LAYOUT, to.layout()));
    }
    for (Output output : survey.mix.outputs()) {
      if (output.channel().equals(channel.id())
          && output.layout().channels() < channel.layout().channels()
          && isOnlyFile(survey, output)) {
        survey.report(
            Rule.LAYOUT_MISMATCH,
            Severity.NOTE,
            List.of(channel.id(), output.id()),
            "Output “"
                + output.name()
                + "” folds “"
                + channel.name()
                + "” from "
                + channel.layout()
                + " to "
                + output.layout()
                + ", and no other output has it in full.",
            ChangeMix.output(output.id(), OutputField.LAYOUT, channel.layout()));
      }
    }
  }

  /** A fold-down beside the full file is the trade's habit; alone it is worth a word. */
  private static boolean isOnlyFile(Survey survey, Output output) {
    return survey.mix.outputs().stream()
        .noneMatch(
            other ->
                other.channel().equals(output.channel())
                    && other.layout().channels() > output.layout().channels());
  }
}
