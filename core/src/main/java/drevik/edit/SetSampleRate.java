package drevik.edit;

import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;
import java.util.Locale;

/**
 * Sets the sample rate of a Mix that holds no audio; start, end and markers stay at their seconds.
 *
 * @param sampleRate Hz
 */
public record SetSampleRate(int sampleRate) implements Edit {
  /** Rates that a Mix can be at, Hz. */
  public static final List<Integer> RATES =
      List.of(44_100, 48_000, 88_200, 96_000, 176_400, 192_000);

  /** True if the Mix may take that rate: it holds no audio that would be in its way. */
  public static boolean isOpenTo(Mix mix, int sampleRate) {
    return RATES.contains(sampleRate)
        && mix.channels().stream().allMatch(channel -> channel.clips().isEmpty());
  }

  @Override
  public Mix changed(Mix mix) {
    if (!RATES.contains(sampleRate)) {
      throw new Refused(
          "A Mix is at one of the rates " + RATES + " Hz, and not at " + sampleRate + " Hz.");
    }
    mix.channels().stream()
        .filter(channel -> !channel.clips().isEmpty())
        .findFirst()
        .ifPresent(
            channel -> {
              throw new Refused(
                  String.format(
                      Locale.ROOT,
                      "“%s” holds audio at %,d Hz; free the seats before the rate is changed.",
                      channel.name(),
                      mix.sampleRate()));
            });
    Long end = mix.endFrame();
    return mix.withSampleRate(sampleRate)
        .withStartFrame(scaled(mix.startFrame(), mix))
        .withEndFrame(end == null ? null : (Long) scaled(end, mix))
        .withMarkers(
            mix.markers().stream()
                .map(m -> new Marker(m.id(), m.name(), scaled(m.startFrame(), mix)))
                .toList());
  }

  private long scaled(long frame, Mix mix) {
    return Math.round((double) frame * sampleRate / mix.sampleRate());
  }

  @Override
  public String says(Mix before) {
    return String.format(Locale.ROOT, "set the sample rate to %,d Hz", sampleRate);
  }
}
