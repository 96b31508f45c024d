package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.field.MixField;
import java.util.List;
import java.util.Locale;

/** Audio before the start or behind the end. */
final class ClipOutside implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> clipOutside(survey, channel));
  }

  private static void clipOutside(Survey survey, Channel channel) {
    // Without a set end nothing stands behind it.
    Long set = survey.mix.endFrame();
    long end = set == null ? Long.MAX_VALUE : set;
    for (Clip clip : channel.clips()) {
      boolean before = clip.endFrame() <= survey.mix.startFrame();
      boolean behind = clip.endFrame() > end;
      if (before || behind) {
        double seconds =
            (before
                    ? survey.mix.startFrame() - clip.startFrame()
                    : clip.endFrame() - Math.max(end, clip.startFrame()))
                / (double) survey.mix.sampleRate();
        survey.report(
            Rule.CLIP_OUTSIDE,
            Severity.DOUBTFUL,
            List.of(channel.id()),
            String.format(
                Locale.ROOT,
                "%.1f s of “%s” on “%s” stand %s.",
                seconds,
                clip.audio().name(),
                channel.name(),
                before ? "before the start" : "behind the end"),
            behind ? ChangeMix.of(MixField.END, clip.endFrame()) : null);
        return;
      }
    }
  }
}
