package drevik.edit;

import drevik.audio.Decibels;
import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Turns a file up or down where it is taken: at the fader of its channel, or at the trim if it is
 * taken before the fader. What a limiter holds is turned up by the limiter's drive: behind it, the
 * peaks would go over the ceiling by as much.
 *
 * @param output its id
 * @param db by how much
 */
public record TurnOutput(String output, double db) implements Edit {
  private static final String LIMITER = "limiter";
  private static final String DRIVE = "drive";

  @Override
  public Mix changed(Mix mix) {
    Output file = file(mix);
    Channel at = ChannelsById.one(mix, file.channel());
    if (file.tap() == Tap.POST_FADER && at.faderDb() <= Decibels.SILENCE) {
      throw Refused.about(at.id(), "The fader of “" + at.name() + "” is at −∞; open it first.");
    }
    Insert limiter = limiter(at, file.tap()).orElse(null);
    return Soundness.require(
        mix,
        ChannelsById.change(
            mix,
            List.of(at.id()),
            channel ->
                limiter != null
                    ? driven(channel, limiter)
                    : file.tap() == Tap.POST_FADER
                        ? channel.withFaderDb(rounded(channel.faderDb() + db))
                        : channel.withTrimDb(rounded(channel.trimDb() + db))));
  }

  /** What holds the peaks of a file that is to be louder: the last one before its tap. */
  private Optional<Insert> limiter(Channel at, Tap tap) {
    return db <= 0
        ? Optional.empty()
        : at.chain().stream()
            .filter(insert -> insert.on() && insert.processor().equals(LIMITER))
            .filter(insert -> isHeard(insert, tap))
            .reduce((earlier, later) -> later);
  }

  private static boolean isHeard(Insert insert, Tap tap) {
    return tap == Tap.POST_FADER || (tap == Tap.PRE_FADER && !insert.postFader());
  }

  private Channel driven(Channel at, Insert limiter) {
    ProcessorType type = Processors.byId(LIMITER).orElseThrow();
    double drive = new Settings(type.parameters(), limiter.settings()).get(DRIVE) + db;
    double most =
        type.parameters().stream()
            .filter(parameter -> parameter.id().equals(DRIVE))
            .mapToDouble(Parameter::most)
            .findFirst()
            .orElseThrow();
    if (drive > most) {
      throw Refused.about(
          at.id(),
          String.format(
              Locale.ROOT,
              "The limiter of “%s” would be driven by %.1f dB, and %.0f dB is the most. Turn up"
                  + " what is sent to it.",
              at.name(),
              drive,
              most));
    }
    Map<String, Double> settings = new HashMap<>(limiter.settings());
    settings.put(DRIVE, rounded(drive));
    return at.withChain(
        at.chain().stream()
            .map(
                insert -> insert.id().equals(limiter.id()) ? insert.withSettings(settings) : insert)
            .toList());
  }

  private static double rounded(double db) {
    return Math.round(db * 100) / 100.0;
  }

  private Output file(Mix mix) {
    return mix.outputs().stream()
        .filter(one -> one.id().equals(output))
        .findFirst()
        .orElseThrow(() -> new Refused("This Mix has no output “" + output + "” any more."));
  }

  @Override
  public String says(Mix before) {
    Output file = file(before);
    Optional<Insert> limiter = limiter(ChannelsById.one(before, file.channel()), file.tap());
    List<String> others =
        before.outputs().stream()
            .filter(one -> !one.id().equals(output) && one.channel().equals(file.channel()))
            .filter(one -> follows(one.tap(), file.tap(), limiter))
            .map(one -> "“" + one.name() + "”")
            .toList();
    String channel = ChannelsById.names(before, List.of(file.channel()));
    String by = String.format(Locale.ROOT, "%.2f dB", Math.abs(db));
    return (limiter.isPresent()
            ? "drive the limiter of " + channel + " by " + by + " more"
            : "turn " + channel + (db < 0 ? " down by " : " up by ") + by)
        + (others.isEmpty() ? "" : ", and with it " + String.join(", ", others));
  }

  /** True if a file that is taken at another tap of the same channel is turned too. */
  private static boolean follows(Tap other, Tap turned, Optional<Insert> limiter) {
    return limiter
        .map(insert -> isHeard(insert, other))
        .orElse(turned != Tap.POST_FADER || other == Tap.POST_FADER);
  }
}
