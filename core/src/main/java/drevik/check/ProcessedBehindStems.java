package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Output;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.mix.field.OutputField;
import java.util.List;
import java.util.Map;

/** Processors that the mix passes and its stems do not. */
final class ProcessedBehindStems implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    Map<String, Output> outputs = survey.outputs();
    for (StemSet set : survey.mix.stemSets()) {
      Output mix = outputs.get(set.mixOutput());
      List<Output> stems = set.stems().stream().map(outputs::get).filter(o -> o != null).toList();
      if (mix != null && stems.size() == set.stems().size()) {
        processedBehindStems(survey, set, mix, stems);
      }
    }
  }

  /** A processor that hears the sum and that no stem passes makes the mix differ from its stems. */
  private static void processedBehindStems(
      Survey survey, StemSet set, Output mix, List<Output> stems) {
    for (Channel channel : survey.mix.channels()) {
      if (channel.stowed()
          || channel.kind() == ChannelKind.SEAT
          || channel.kind() == ChannelKind.RETURN
          || !survey.wired.reaches(channel.id(), mix.id())
          || !isProcessedAt(channel, mix)
          || stems.stream().anyMatch(stem -> survey.wired.reaches(channel.id(), stem.id()))) {
        continue;
      }
      boolean tapIt = channel.id().equals(mix.channel()) && mix.tap() != Tap.PRE_CHAIN;
      survey.report(
          Rule.STEMS_DIFFER,
          Severity.WRONG,
          List.of(channel.id(), mix.id()),
          "The chain of “"
              + channel.name()
              + "” is in “"
              + mix.name()
              + "”, and the stems of “"
              + set.name()
              + "” are taken before it.",
          tapIt ? ChangeMix.output(mix.id(), OutputField.TAP, Tap.PRE_CHAIN) : null,
          Mends.switchedOff(channel));
    }
  }

  private static boolean isProcessedAt(Channel channel, Output mix) {
    boolean here = channel.id().equals(mix.channel());
    return channel.chain().stream()
        .filter(Insert::on)
        .anyMatch(
            insert ->
                !here
                    || mix.tap() == Tap.POST_FADER
                    || (mix.tap() == Tap.PRE_FADER && !insert.postFader()));
  }
}
