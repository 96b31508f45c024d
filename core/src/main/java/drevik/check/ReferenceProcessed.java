package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.SendChannelsTo;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import java.util.ArrayList;
import java.util.List;

/** References that pass a chain. */
final class ReferenceProcessed implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey
        .active()
        .filter(channel -> channel.kind() == ChannelKind.REFERENCE)
        .forEach(reference -> processedReference(survey, reference));
  }

  private static void processedReference(Survey survey, Channel reference) {
    List<String> along = new ArrayList<>();
    for (Channel at = reference;
        at != null && along.size() <= survey.channels.size();
        at = survey.channels.get(at.output())) {
      along.add(at.id());
      if (Survey.isProcessed(at)) {
        survey.report(
            Rule.REFERENCE_PROCESSED,
            Severity.WRONG,
            List.of(reference.id(), at.id()),
            "The reference “" + reference.name() + "” passes the chain of “" + at.name() + "”.",
            at.id().equals(reference.id())
                ? Mends.switchedOff(at)
                : new SendChannelsTo(List.of(reference.id()), null));
        return;
      }
    }
  }
}
