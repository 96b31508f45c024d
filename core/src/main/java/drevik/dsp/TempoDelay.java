package drevik.dsp;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An echo in step with the tempo: {@code beats·60/tempo} seconds, repeated through a low and a high
 * cut (Butterworth, 12 dB per octave) so that each repeat is thinner than the one before.
 */
public final class TempoDelay implements ProcessorType {
  private static final int MOST_DRAWN = 64;
  private static final double SOFTEST_DRAWN = 1e-3;
  private static final int BANDS = 512;

  /** A beat is a quarter note; a dotted one is half as long again, three triplets are as two. */
  private static final List<Parameter.Choice> NOTES =
      List.of(
          new Parameter.Choice(0.25, "1/16"),
          new Parameter.Choice(1 / 3.0, "1/8 triplet"),
          new Parameter.Choice(0.375, "1/16 dotted"),
          new Parameter.Choice(0.5, "1/8"),
          new Parameter.Choice(2 / 3.0, "1/4 triplet"),
          new Parameter.Choice(0.75, "1/8 dotted"),
          new Parameter.Choice(1, "1/4"),
          new Parameter.Choice(1.5, "1/4 dotted"),
          new Parameter.Choice(2, "1/2"),
          new Parameter.Choice(4, "1/1"));

  @Override
  public String id() {
    return "tempo-delay";
  }

  @Override
  public String label() {
    return "Tempo delay";
  }

  @Override
  public List<Parameter> parameters() {
    return List.of(
        new Parameter("beats", "Length", "beats", 1 / 64.0, 16, 0.5).naming(NOTES),
        new Parameter("feedback", "Feedback", "%", 0, 95, 30),
        new Parameter("low-cut", "Low cut", "Hz", 20, 2_000, 150),
        new Parameter("high-cut", "High cut", "Hz", 500, 20_000, 6_000),
        new Parameter("wet", "Wet", "%", 0, 100, 100));
  }

  /** Frames between two repeats. */
  public static int frames(double beats, double tempo, int sampleRate) {
    return (int) Math.max(1, Math.round(beats * 60 / tempo * sampleRate));
  }

  /**
   * Each repeat where it comes, as loud as what holds all frequencies alike (white noise) is in it:
   * the feedback and the cuts leave less of it each time.
   */
  @Override
  public Picture picture(Settings settings, Surroundings surroundings) {
    double feedback = settings.get("feedback") / 100;
    int rate = surroundings.sampleRate();
    int between = frames(settings.get("beats"), surroundings.tempo(), rate);
    double seconds = (double) between / rate;
    double[] passed = powers(cuts(settings, rate), rate);
    double[] left = passed.clone();
    List<Picture.Point> echoes = new ArrayList<>();
    double gain = settings.get("wet") / 100;
    double level = gain * rms(left);
    while (echoes.size() < MOST_DRAWN && level > SOFTEST_DRAWN) {
      echoes.add(new Picture.Point((echoes.size() + 1) * seconds, 20 * Math.log10(level)));
      gain *= feedback;
      for (int i = 0; i < left.length; i++) {
        left[i] *= passed[i];
      }
      level = gain * rms(left);
    }
    double last = (echoes.size() + 1) * seconds;
    return Picture.overTime(last, List.of(new Picture.Trace("", echoes)), true);
  }

  private static List<Biquad> cuts(Settings settings, int rate) {
    return List.of(
        Biquad.highPass(settings.get("low-cut"), Biquad.BUTTERWORTH, rate),
        Biquad.lowPass(settings.get("high-cut"), Biquad.BUTTERWORTH, rate));
  }

  /** How much power of each of many even bands up to the Nyquist frequency passes filters. */
  private static double[] powers(List<Biquad> filters, int rate) {
    double[] powers = new double[BANDS];
    for (int i = 0; i < BANDS; i++) {
      double frequency = (i + 0.5) * rate / 2 / BANDS;
      double db = filters.stream().mapToDouble(f -> f.responseDb(frequency, rate)).sum();
      powers[i] = Math.pow(10, db / 10);
    }
    return powers;
  }

  private static double rms(double[] powers) {
    return Math.sqrt(Arrays.stream(powers).average().orElseThrow());
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  /** Each repeat is weaker by the feedback; that the cuts take more is left out. */
  @Override
  public long tail(Settings settings, Surroundings surroundings) {
    if (settings.get("wet") == 0) {
      return 0;
    }
    double feedback = settings.get("feedback") / 100;
    double repeats = feedback == 0 ? 1 : 1 + Math.ceil(TAIL_DB / (-20 * Math.log10(feedback)));
    return ((long) repeats)
        * frames(settings.get("beats"), surroundings.tempo(), surroundings.sampleRate());
  }

  /** Works through a stretch that is no longer than the line, so that no echo is read too early. */
  private static final class Running implements Processor {
    private static final int LONGEST_STRETCH = 1_024;

    private final DelayLine[] lines;
    private final BiquadCascade[] cuts;
    private final float[] echo;
    private final float[] block;
    private final float feedback;
    private final float wet;

    Running(Settings settings, Surroundings surroundings) {
      int rate = surroundings.sampleRate();
      int channels = surroundings.channels();
      int length = frames(settings.get("beats"), surroundings.tempo(), rate);
      lines = new DelayLine[channels];
      echo = new float[Math.min(LONGEST_STRETCH, length)];
      block = new float[echo.length];
      cuts = new BiquadCascade[channels];
      List<Biquad> sections = cuts(settings, rate);
      for (int i = 0; i < channels; i++) {
        lines[i] = new DelayLine(length);
        cuts[i] = new BiquadCascade(sections);
      }
      feedback = (float) (settings.get("feedback") / 100);
      wet = (float) (settings.get("wet") / 100);
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      for (int from = 0; from < frames; from += echo.length) {
        int count = Math.min(echo.length, frames - from);
        for (int channel = 0; channel < lines.length; channel++) {
          repeat(channel, audio[channel], from, count);
        }
      }
    }

    private void repeat(int channel, float[] x, int from, int count) {
      lines[channel].readOldest(echo, 0, count);
      cuts[channel].process(echo, count);
      System.arraycopy(x, from, block, 0, count);
      for (int i = 0; i < count; i++) {
        float dry = block[i];
        float repeated = echo[i];
        block[i] = (1 - wet) * dry + wet * repeated;
        echo[i] = dry + feedback * repeated;
      }
      System.arraycopy(block, 0, x, from, count);
      lines[channel].write(echo, 0, count);
    }
  }
}
