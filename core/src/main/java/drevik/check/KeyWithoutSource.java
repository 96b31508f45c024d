package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.field.Changes;
import drevik.mix.field.InsertField;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Keys that listen to silence. */
final class KeyWithoutSource implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> keyWithoutSource(survey, channel));
  }

  private static void keyWithoutSource(Survey survey, Channel channel) {
    for (Insert insert : channel.chain()) {
      if (insert.key() != null && !survey.isFed(insert.key().source())) {
        Channel source = survey.channel(insert.key().source());
        Edit wake =
            source.stowed() ? new drevik.edit.StowChannels(List.of(source.id()), false) : null;
        survey.report(
            Rule.KEY_WITHOUT_SOURCE,
            Severity.WRONG,
            List.of(channel.id(), source.id()),
            "The "
                + insert.processor()
                + " on “"
                + channel.name()
                + "” listens to “"
                + source.name()
                + (source.stowed() ? "”, which is stowed." : "”, where nothing arrives."),
            wake,
            ChangeMix.insert(channel.id(), insert.id(), InsertField.KEY, null));
      }
    }
  }

  /** Processors of a channel that listen to a source listen to themselves. */
  static Edit withoutKeys(Channel channel, String source) {
    Map<String, Changes<Insert>> keyed = new LinkedHashMap<>();
    channel.chain().stream()
        .filter(insert -> insert.key() != null && insert.key().source().equals(source))
        .forEach(
            insert -> keyed.put(insert.id(), Changes.of(InsertField.ALL, InsertField.KEY, null)));
    return ChangeMix.inserts(channel.id(), keyed);
  }
}
