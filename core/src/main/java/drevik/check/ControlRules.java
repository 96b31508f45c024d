package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.field.ChannelField;
import drevik.route.ControlGains;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;

/** What controls do to their members, and faders to what passes them. */
final class ControlRules {
  private ControlRules() {}

  static void check(Surveyed survey) {
    for (Control control : survey.mix.controls()) {
      if (control.dip()) {
        survey.mix.outputs().forEach(output -> dipOnUndipped(survey, control, output));
        dipOnTracks(survey, control);
      }
    }
    Map<String, Double> controlDb = ControlGains.of(survey.mix);
    survey
        .active()
        .filter(c -> c.kind() == ChannelKind.BUS || c.kind() == ChannelKind.MASTER)
        .filter(c -> !survey.parallels.contains(c.id()))
        .forEach(bus -> busGain(survey, bus, controlDb.getOrDefault(bus.id(), 0.0)));
  }

  private static void dipOnUndipped(Surveyed survey, Control control, Output output) {
    if (output.kind() != OutputKind.UNDIPPED_STEM) {
      return;
    }
    List<String> members =
        control.members().stream()
            .filter(member -> survey.wired.isDipped(member, output.id()))
            .toList();
    if (members.isEmpty()) {
      return;
    }
    List<String> where = new ArrayList<>(List.of(output.id()));
    where.addAll(members);
    survey.report(
        Rule.DIP_ON_UNDIPPED,
        Severity.WRONG,
        where,
        "Output “"
            + output.name()
            + "” is to be undipped, and the dip “"
            + control.name()
            + "” rides "
            + survey.names(members)
            + " on the way to it.",
        without(control, members));
  }

  private static void dipOnTracks(Surveyed survey, Control control) {
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
          without(control, seats));
    }
  }

  private static Edit without(Control control, List<String> members) {
    return ChangeMix.withoutMembers(control.id(), members);
  }

  private static void busGain(Surveyed survey, Channel bus, double controlDb) {
    double gain = bus.trimDb() + bus.faderDb() + controlDb;
    if (gain <= 0) {
      return;
    }
    List<String> it = List.of(bus.id());
    survey.report(
        Rule.BUS_GAIN,
        Severity.DOUBTFUL,
        it,
        String.format(Locale.ROOT, "The %s “%s” adds %.1f dB.", bus.kind(), bus.name(), gain),
        bus.faderDb() > 0 ? SetChannels.of(it, ChannelField.FADER, 0.0) : null,
        bus.trimDb() > 0 ? SetChannels.of(it, ChannelField.TRIM, 0.0) : null);
  }
}
