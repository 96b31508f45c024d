package drevik.edit;

import drevik.audio.Decibels;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.util.List;
import java.util.Locale;

/**
 * Turns a file up or down where it is taken: at the fader of its channel, or at the trim if it is
 * taken before the fader.
 *
 * @param output its id
 * @param db by how much
 */
public record TurnOutput(String output, double db) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Output file = file(mix);
    Channel at = ChannelsById.one(mix, file.channel());
    if (file.tap() == Tap.POST_FADER && at.faderDb() <= Decibels.SILENCE) {
      throw Refused.about(at.id(), "The fader of “" + at.name() + "” is at −∞; open it first.");
    }
    return Soundness.require(
        mix,
        ChannelsById.change(
            mix,
            List.of(at.id()),
            channel ->
                file.tap() == Tap.POST_FADER
                    ? channel.withFaderDb(rounded(channel.faderDb() + db))
                    : channel.withTrimDb(rounded(channel.trimDb() + db))));
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
    List<String> others =
        before.outputs().stream()
            .filter(one -> !one.id().equals(output) && one.channel().equals(file.channel()))
            .map(one -> "“" + one.name() + "”")
            .toList();
    String by = String.format(Locale.ROOT, "%.2f dB", Math.abs(db));
    return "turn "
        + ChannelsById.names(before, List.of(file.channel()))
        + (db < 0 ? " down by " : " up by ")
        + by
        + (others.isEmpty() ? "" : ", and with it " + String.join(", ", others));
  }
}
