package drevik.dsp;

import drevik.audio.Layout;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * Feed-forward compressor, log domain, soft knee, smooth decoupled peak detector. Formulas 4, 7 and
 * 17 of Giannoulis, Massberg, Reiss, “Digital Dynamic Range Compressor Design” (JAES 60/6, 2012).
 * All channels are turned down together, by the loudest; a key replaces them as what is listened
 * to. The LFE is turned down with the others and not listened to.
 *
 * <p>Times are those of the detector: after them 63 % of the way is gone. As the attack smooths
 * what the release has let go, coming back takes about attack and release together: after an attack
 * of 500 ms a release of 5 ms takes some 505 ms, and at usual settings it is about a tenth longer
 * than what is set.
 */
public final class Compressor implements ProcessorType {
  private static final double NEPERS_PER_DB = Math.log(10) / 20;

  @Override
  public String id() {
    return "compressor";
  }

  @Override
  public String label() {
    return "Compressor";
  }

  @Override
  public boolean listensToKey() {
    return true;
  }

  @Override
  public List<Parameter> parameters() {
    return List.of(
        new Parameter("threshold", "Threshold", "dBFS", -60, 0, -18),
        new Parameter("ratio", "Ratio", ":1", 1, 50, 3),
        new Parameter("knee", "Knee", "dB", 0, 24, 6),
        new Parameter("attack", "Attack", "ms", 0.05, 500, 10),
        new Parameter("release", "Release", "ms", 5, 5_000, 120),
        new Parameter("make-up", "Make-up", "dB", -24, 24, 0));
  }

  /** Static curve: output level in dB for an input level in dB (formula 4). */
  public static double curve(double inputDb, double threshold, double ratio, double knee) {
    double over = inputDb - threshold;
    if (2 * over < -knee) {
      return inputDb;
    }
    if (knee > 0 && 2 * Math.abs(over) <= knee) {
      double into = over + knee / 2;
      return inputDb + (1 / ratio - 1) * into * into / (2 * knee);
    }
    return threshold + over / ratio;
  }

  @Override
  public Picture picture(Settings settings, Surroundings surroundings) {
    double threshold = settings.get("threshold");
    DoubleUnaryOperator out =
        in ->
            settings.get("make-up")
                + curve(in, threshold, settings.get("ratio"), settings.get("knee"));
    return Picture.transfer(out)
        .holding(
            List.of(
                new Picture.Handle(
                    "threshold", "threshold", null, threshold, out.applyAsDouble(threshold))));
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  private static final class Running implements Processor {
    private final double threshold;
    private final double ratio;
    private final double knee;
    private final double attack;
    private final double release;
    private final double makeUpDb;

    /** The channels of what it listens to. */
    private final int[] listened;

    /** Magnitude below which the curve leaves everything as it is. */
    private final double kneeBegins;

    private double held;
    private double smoothed;

    Running(Settings settings, Surroundings surroundings) {
      int sampleRate = surroundings.sampleRate();
      Layout key = surroundings.key();
      listened = Surroundings.withoutLfe(key != null ? key : surroundings.layout());
      threshold = settings.get("threshold");
      ratio = settings.get("ratio");
      knee = settings.get("knee");
      attack = Math.exp(-1000 / (settings.get("attack") * sampleRate));
      release = Math.exp(-1000 / (settings.get("release") * sampleRate));
      makeUpDb = settings.get("make-up");
      kneeBegins = Math.exp((threshold - knee / 2) * NEPERS_PER_DB);
    }

    /** By how many dB a magnitude is to be turned down. */
    private double reduction(float peak) {
      double levelDb = Math.log(peak) / NEPERS_PER_DB;
      return levelDb - curve(levelDb, threshold, ratio, knee);
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      float[][] listen = key == null ? audio : key;
      for (int i = 0; i < frames; i++) {
        float peak = 0;
        for (int channel : listened) {
          peak = Math.max(peak, Math.abs(listen[channel][i]));
        }
        double over = peak > kneeBegins ? reduction(peak) : 0;
        // Formula 17: the peak is held and released first, then smoothed by the attack.
        held = Denormals.flush(Math.max(over, release * held + (1 - release) * over));
        smoothed = Denormals.flush(attack * smoothed + (1 - attack) * held);
        float gain = (float) Math.exp((makeUpDb - smoothed) * NEPERS_PER_DB);
        for (float[] channel : audio) {
          channel[i] *= gain;
        }
      }
    }
  }
}
