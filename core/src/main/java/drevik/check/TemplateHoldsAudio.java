package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.FreeSeats;
import drevik.edit.KeepClips;
import drevik.mix.Channel;
import drevik.mix.MixKind;
import java.util.List;

/** Audio in a template that is not kept on purpose. */
final class TemplateHoldsAudio implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.mix.channels().forEach(channel -> templateHoldsAudio(survey, channel));
  }

  private static void templateHoldsAudio(Survey survey, Channel channel) {
    if (survey.mix.kind() == MixKind.TEMPLATE
        && channel.clips().stream().anyMatch(clip -> !clip.keep())) {
      survey.report(
          Rule.TEMPLATE_HOLDS_AUDIO,
          Severity.WRONG,
          List.of(channel.id()),
          "“"
              + channel.name()
              + "” holds “"
              + channel.clips().get(0).audio().name()
              + "”, and a template holds no audio.",
          new FreeSeats(List.of(channel.id())),
          new KeepClips(List.of(channel.id()), true));
    }
  }
}
