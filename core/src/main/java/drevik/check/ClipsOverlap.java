package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ClipField;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** Two clips that sound on one seat at the same time. */
final class ClipsOverlap implements LineCheckRule {
  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> overlap(survey, channel));
  }

  private static void overlap(Survey survey, Channel channel) {
    List<Clip> clips =
        channel.clips().stream().sorted(Comparator.comparingLong(Clip::startFrame)).toList();
    for (int i = 1; i < clips.size(); i++) {
      Clip first = clips.get(i - 1);
      Clip second = clips.get(i);
      // Where one fades out while the other fades in, that is meant.
      long together = Math.min(first.endFrame(), second.endFrame()) - second.startFrame();
      if (together <= 0 || (first.fadeOut() >= together && second.fadeIn() >= together)) {
        continue;
      }
      long keeps = second.startFrame() - first.startFrame();
      survey.report(
          Rule.CLIPS_OVERLAP,
          Severity.DOUBTFUL,
          List.of(channel.id()),
          String.format(
              Locale.ROOT,
              "“%s” and “%s” sound together on “%s” for %.1f s.",
              first.audio().name(),
              second.audio().name(),
              channel.name(),
              together / (double) survey.mix.sampleRate()),
          keeps <= first.fadeIn()
              ? null
              : ChangeMix.channel(
                  channel.id(),
                  Changes.ofMember(
                      ChannelField.ALL,
                      ChannelField.CLIPS,
                      first.id(),
                      Changes.of(ClipField.ALL, ClipField.SOURCE_OUT, first.sourceIn() + keeps)
                          .and(ClipField.FADE_OUT, new Change.To<>(0)))));
    }
  }
}
