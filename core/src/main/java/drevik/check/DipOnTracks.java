package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import java.util.List;
import java.util.Objects;

/** Dips that ride tracks and not buses. */
final class DipOnTracks implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.mix.controls().stream().filter(Control::dip).forEach(dip -> dipOnTracks(survey, dip));
  }

  private static void dipOnTracks(Survey survey, Control control) {
    List<String> seats =
        control.members().stream()
            .map(survey.channels::get)
            .filter(Objects::nonNull)
            .filter(channel -> channel.kind() == ChannelKind.SEAT)
            .map(Channel::id)
            .toList();
    if (!seats.isEmpty()) {
      survey.report(
          Rule.DIP_ON_TRACKS,
          Severity.DOUBTFUL,
          seats,
          "The dip “" + control.name() + "” rides " + survey.names(seats) + " and not a bus.",
          ChangeMix.withoutMembers(control.id(), seats));
    }
  }
}
