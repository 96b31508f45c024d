package drevik.check;

import drevik.check.Finding.Severity;
import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.StowChannels;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.FiguresChange;
import drevik.mix.field.InsertField;
import drevik.route.DryGain;
import drevik.route.SignalFeed;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Returns through which the dry sound comes back, by what their whole chain does to an impulse. */
final class ReturnNotWet implements LineCheckRule {
  private static final String WET = "wet";
  private static final double FULLY = 100;

  /** What is softer beside the path that the sound has already does no harm, dB. */
  private static final double HEARD_DB = -60;

  /** What a dense room may begin with, though it is fully wet, dB. */
  private static final double OF_ROOMS_DB = -20;

  @Override
  public void check(Survey survey) {
    survey
        .active()
        .filter(channel -> channel.kind() == ChannelKind.RETURN)
        .forEach(channel -> returnNotWet(survey, channel));
  }

  private static void returnNotWet(Survey survey, Channel channel) {
    if (channel.chain().isEmpty() && !isOpen(survey, channel)) {
      // It waits for its processor, and nothing is heard through it before.
      return;
    }
    double dry = DryGain.of(survey.mix, channel);
    if (dry < HEARD_DB || (dry < OF_ROOMS_DB && dry < wettest(survey, channel) + 1)) {
      return;
    }
    survey.report(
        Rule.RETURN_NOT_WET,
        Severity.WRONG,
        List.of(channel.id()),
        String.format(
                    Locale.ROOT,
                    "Return “%s” gives back what is sent to it at once, at %+.1f dB: ",
                    channel.name(),
                    dry)
                .replace('-', '−')
            + why(channel)
            + ".",
        wet(channel),
        new StowChannels(List.of(channel.id()), true));
  }

  private static boolean isOpen(Survey survey, Channel channel) {
    return survey
        .active()
        .flatMap(from -> SignalFeed.of(from).stream())
        .anyMatch(feed -> feed.to().equals(channel.id()) && feed.gain() > 0);
  }

  /** The same of the chain with all that runs fully wet. */
  private static double wettest(Survey survey, Channel channel) {
    return DryGain.of(
        survey.mix,
        channel.withChain(
            channel.chain().stream()
                .map(insert -> wetOf(insert).isEmpty() ? insert : fullyWet(insert))
                .toList()));
  }

  private static Insert fullyWet(Insert insert) {
    Map<String, Double> settings = new HashMap<>(insert.settings());
    settings.put(WET, FULLY);
    return insert.withSettings(settings);
  }

  private static String why(Channel channel) {
    if (channel.chain().isEmpty()) {
      return "its chain is empty";
    }
    return notFullyWet(channel).stream()
        .findFirst()
        .map(
            insert ->
                insert.on()
                    ? String.format(
                        Locale.ROOT,
                        "its %s is %.0f %% wet",
                        named(insert),
                        valueOf(insert, wetOf(insert).orElseThrow()))
                    : "its " + named(insert) + " is off")
        .orElse("nothing in its chain takes the dry sound away");
  }

  private static String named(Insert insert) {
    return Processors.nameOf(insert.processor());
  }

  /** All that could be wet is on and fully wet; null if nothing could. */
  private static @Nullable Edit wet(Channel channel) {
    List<Insert> dry = notFullyWet(channel);
    List<Edit> edits =
        dry.stream()
            .<Edit>map(
                insert ->
                    ChangeMix.insert(
                        channel.id(),
                        insert.id(),
                        Changes.none(InsertField.ALL)
                            .and(InsertField.ON, new Change.To<>(true))
                            .and(InsertField.SETTINGS, new FiguresChange(Map.of(WET, FULLY)))))
            .toList();
    return edits.isEmpty()
        ? null
        : new Together(
            edits,
            "switch the "
                + dry.stream().map(ReturnNotWet::named).collect(Collectors.joining(", "))
                + " of “"
                + channel.name()
                + "” on, at 100 % wet");
  }

  /** What could be fully wet, and is off or is not. */
  private static List<Insert> notFullyWet(Channel channel) {
    return channel.chain().stream()
        .filter(
            insert ->
                wetOf(insert)
                    .filter(wet -> !insert.on() || valueOf(insert, wet) < FULLY)
                    .isPresent())
        .toList();
  }

  private static double valueOf(Insert insert, Parameter wet) {
    return insert.settings().getOrDefault(WET, wet.standard());
  }

  private static Optional<Parameter> wetOf(Insert insert) {
    return Processors.byId(insert.processor()).map(ProcessorType::parameters).stream()
        .flatMap(List::stream)
        .filter(parameter -> parameter.id().equals(WET))
        .findFirst();
  }
}
