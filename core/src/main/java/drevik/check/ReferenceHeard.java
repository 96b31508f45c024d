package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.SendChannelsTo;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import java.util.List;

/** References in a deliverable. */
final class ReferenceHeard implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    references(survey);
  }

  private static void references(Survey survey) {
    for (Channel reference : survey.mix.channels()) {
      if (reference.kind() != ChannelKind.REFERENCE || reference.stowed()) {
        continue;
      }
      for (Output output : survey.mix.outputs()) {
        if (survey.wired.reaches(reference.id(), output.id()) && hearsSeats(survey, output)) {
          survey.report(
              Rule.REFERENCE_HEARD,
              Severity.WRONG,
              List.of(reference.id(), output.id()),
              "The reference “" + reference.name() + "” is in output “" + output.name() + "”.",
              new SendChannelsTo(List.of(reference.id()), null));
        }
      }
    }
  }

  private static boolean hearsSeats(Survey survey, Output output) {
    return survey
        .active()
        .anyMatch(c -> c.kind() == ChannelKind.SEAT && survey.wired.reaches(c.id(), output.id()));
  }
}
