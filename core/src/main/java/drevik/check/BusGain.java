package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.field.ChannelField;
import drevik.route.ControlGains;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Buses and masters that add gain. */
final class BusGain implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    Map<String, Double> controlDb = ControlGains.of(survey.mix);
    survey
        .active()
        .filter(c -> c.kind() == ChannelKind.BUS || c.kind() == ChannelKind.MASTER)
        .filter(c -> !survey.parallels.contains(c.id()))
        .forEach(bus -> busGain(survey, bus, controlDb.getOrDefault(bus.id(), 0.0)));
  }

  private static void busGain(Survey survey, Channel bus, double controlDb) {
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
