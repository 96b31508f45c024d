package drevik.check;

import drevik.check.Finding.Severity;
import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.field.Changes;
import drevik.mix.field.FiguresChange;
import drevik.mix.field.InsertField;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Returns through which the dry sound comes back. */
final class ReturnNotWet implements LineCheckRule {
  private static final String WET = "wet";
  private static final double FULLY = 100;

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> returnNotWet(survey, channel));
  }

  private static void returnNotWet(Survey survey, Channel channel) {
    if (channel.kind() != ChannelKind.RETURN) {
      return;
    }
    for (Insert insert : channel.chain()) {
      Optional<Parameter> wet = wetOf(insert);
      if (!insert.on() || wet.isEmpty()) {
        continue;
      }
      double value = insert.settings().getOrDefault(WET, wet.get().standard());
      if (value < FULLY) {
        survey.report(
            Rule.RETURN_NOT_WET,
            Severity.WRONG,
            List.of(channel.id()),
            String.format(
                Locale.ROOT,
                "The %s of return “%s” is %.0f %% wet.",
                insert.processor(),
                channel.name(),
                value),
            ChangeMix.insert(
                channel.id(),
                insert.id(),
                Changes.none(InsertField.ALL)
                    .and(InsertField.SETTINGS, new FiguresChange(Map.of(WET, FULLY)))));
      }
    }
  }

  private static Optional<Parameter> wetOf(Insert insert) {
    return Processors.byId(insert.processor()).map(ProcessorType::parameters).stream()
        .flatMap(List::stream)
        .filter(parameter -> parameter.id().equals(WET))
        .findFirst();
  }
}
