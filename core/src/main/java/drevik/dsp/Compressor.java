package drevik.dsp;

import java.util.List;

/**
 * Feed-forward compressor, log domain, soft knee, smooth decoupled peak detector. Formulas 4, 7 and
 * 17 of Giannoulis, Massberg, Reiss, “Digital Dynamic Range Compressor Design” (JAES 60/6, 2012).
 * All channels are turned down together, by the loudest; a key replaces them as what is listened
 * to.
 */
public final class Compressor implements ProcessorType {
  private static final double FLOOR_DB = -120;

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
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings.sampleRate());
  }

  private static final class Running implements Processor {
    private final double threshold;
    private final double ratio;
    private final double knee;
    private final double attack;
    private final double release;
    private final double makeUpDb;
    private double held;
    private double smoothed;

    Running(Settings settings, int sampleRate) {
      threshold = settings.get("threshold");
      ratio = settings.get("ratio");
      knee = settings.get("knee");
      attack = Math.exp(-1000 / (settings.get("attack") * sampleRate));
      release = Math.exp(-1000 / (settings.get("release") * sampleRate));
      makeUpDb = settings.get("make-up");
    }

    @Override
    public void process(float[][] audio, float[][] key, int frames) {
      float[][] listen = key == null ? audio : key;
      for (int i = 0; i < frames; i++) {
        float peak = 0;
        for (float[] channel : listen) {
          peak = Math.max(peak, Math.abs(channel[i]));
        }
        double levelDb = peak > 1e-6f ? 20 * Math.log10(peak) : FLOOR_DB;
        double over = levelDb - curve(levelDb, threshold, ratio, knee);
        // Formula 17: the peak is held and released first, then smoothed by the attack.
        held = Denormals.flush(Math.max(over, release * held + (1 - release) * over));
        smoothed = Denormals.flush(attack * smoothed + (1 - attack) * held);
        float gain = (float) Math.pow(10, (makeUpDb - smoothed) / 20);
        for (float[] channel : audio) {
          channel[i] *= gain;
        }
      }
    }
  }
}
