package drevik.check;

import drevik.check.Finding.Severity;
import drevik.dsp.Processors;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.field.InsertField;
import java.util.List;

/** Processors that do not run here, and let everything pass as it is. */
final class StandsIn implements LineCheckRule {
  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> standIns(survey, channel));
  }

  private static void standIns(Survey survey, Channel channel) {
    for (Insert insert : channel.chain()) {
      if (insert.on() && Processors.byId(insert.processor()).isEmpty()) {
        survey.report(
            Rule.STAND_IN,
            Severity.DOUBTFUL,
            List.of(channel.id()),
            "“"
                + insert.processor()
                + "” on “"
                + channel.name()
                + "” does not run here: what passes it is printed as it comes.",
            ChangeMix.insert(channel.id(), insert.id(), InsertField.ON, false));
      }
    }
  }
}
