package drevik.dsp;

import java.util.List;

/**
 * Feedback delay network of eight lines (J.-M. Jot, A. Chaigne, “Digital delay networks for
 * designing artificial reverberators”, AES 90th Convention, 1991): lossless Hadamard feedback, and
 * in each line a one-pole filter whose gains at 0 Hz and at the Nyquist frequency give the two
 * decay times. Lengths are spread geometrically and made mutually prime, as S. J. Schlecht and E.
 * A. P. Habets recommend (“On lossless feedback delay networks”, IEEE TSP 65/6, 2017).
 */
public final class Reverberation implements ProcessorType {
  private static final int LINES = 8;

  @Override
  public String id() {
    return "reverberation";
  }

  @Override
  public String label() {
    return "Reverberation";
  }

  @Override
  public List<Parameter> parameters() {
    return List.of(
        new Parameter("decay", "Decay", "s", 0.1, 20, 1.6),
        new Parameter("decay-high", "Decay of highs", "%", 5, 100, 40),
        new Parameter("size", "Size", "m", 2, 60, 14),
        new Parameter("pre-delay", "Pre-delay", "ms", 0, 250, 15),
        new Parameter("low-cut", "Low cut", "Hz", 20, 1_000, 180),
        new Parameter("wet", "Wet", "%", 0, 100, 100));
  }

  /** Mutually prime line lengths in frames, from one to about two and a half times {@code size}. */
  static int[] lineLengths(double sizeMetres, int sampleRate) {
    int[] lengths = new int[LINES];
    double shortest = sizeMetres / 343 * sampleRate;
    int last = 0;
    for (int i = 0; i < LINES; i++) {
      int wanted = (int) Math.round(shortest * Math.pow(2.5, i / (LINES - 1.0)));
      last = nextPrime(Math.max(wanted, last + 1));
      lengths[i] = last;
    }
    return lengths;
  }

  private static int nextPrime(int from) {
    for (int n = Math.max(2, from); ; n++) {
      boolean prime = true;
      for (int d = 2; d * d <= n && prime; d++) {
        prime = n % d != 0;
      }
      if (prime) {
        return n;
      }
    }
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  private static final class Running implements Processor {
    private final int channels;
    private final double[][] lines = new double[LINES][];
    private final int[] at = new int[LINES];
    private final double[] gain = new double[LINES];
    private final double[] pole = new double[LINES];
    private final double[] damped = new double[LINES];
    private final double[] mixed = new double[LINES];
    private final float[][] preDelay;
    private final OnePole[] lowCut;
    private final double wet;
    private int preAt;

    Running(Settings settings, Surroundings surroundings) {
      int rate = surroundings.sampleRate();
      channels = surroundings.channels();
      int[] lengths = lineLengths(settings.get("size"), rate);
      double decay = settings.get("decay");
      double decayHigh = decay * settings.get("decay-high") / 100;
      for (int i = 0; i < LINES; i++) {
        lines[i] = new double[lengths[i]];
        // −60 dB after the decay time: each pass through d frames loses 60·d / (fs·T) dB.
        double low = Math.pow(10, -3.0 * lengths[i] / (rate * decay));
        double high = Math.pow(10, -3.0 * lengths[i] / (rate * decayHigh));
        pole[i] = (low - high) / (low + high);
        gain[i] = low * (1 - pole[i]);
      }
      int pre = (int) Math.round(settings.get("pre-delay") * rate / 1000);
      preDelay = new float[channels][pre + 1];
      lowCut = new OnePole[channels];
      for (int i = 0; i < channels; i++) {
        lowCut[i] = OnePole.lowPass(settings.get("low-cut"), rate);
      }
      wet = settings.get("wet") / 100;
    }

    @Override
    public void process(float[][] audio, float[][] key, int frames) {
      for (int i = 0; i < frames; i++) {
        int line = 0;
        for (; line < LINES; line++) {
          damped[line] =
              Denormals.flush(gain[line] * lines[line][at[line]] + pole[line] * damped[line]);
          mixed[line] = damped[line];
        }
        hadamard(mixed);
        for (line = 0; line < LINES; line++) {
          int channel = line % channels;
          double in = delayed(audio, channel, i);
          lines[line][at[line]] = mixed[line] + in * INPUT_SIGN[line];
          at[line] = at[line] + 1 == lines[line].length ? 0 : at[line] + 1;
        }
        preAt = preAt + 1 == preDelay[0].length ? 0 : preAt + 1;
        for (int channel = 0; channel < channels; channel++) {
          double out = 0;
          for (line = 0; line < LINES; line++) {
            out += sign(channel, line) * damped[line];
          }
          out *= OUTPUT_GAIN;
          out -= lowCut[channel].next(out);
          audio[channel][i] = (float) ((1 - wet) * audio[channel][i] + wet * out);
        }
      }
    }

    /** The input of a channel, written to the pre-delay once per frame by its first line. */
    private double delayed(float[][] audio, int channel, int i) {
      float[] pre = preDelay[channel];
      pre[preAt] = audio[channel][i];
      return pre[preAt + 1 == pre.length ? 0 : preAt + 1];
    }

    private static final double[] INPUT_SIGN = {1, 1, -1, 1, 1, -1, 1, -1};
    private static final double OUTPUT_GAIN = 0.5;

    /** Rows of a Hadamard matrix: every output channel hears all lines, no two alike. */
    private static int sign(int channel, int line) {
      return (Integer.bitCount((channel + 1) & line) & 1) == 0 ? 1 : -1;
    }

    /** Orthonormal Walsh–Hadamard transform of eight values in place. */
    private static void hadamard(double[] v) {
      for (int half = 1; half < LINES; half *= 2) {
        for (int i = 0; i < LINES; i += 2 * half) {
          for (int j = i; j < i + half; j++) {
            double a = v[j];
            double b = v[j + half];
            v[j] = a + b;
            v[j + half] = a - b;
          }
        }
      }
      for (int i = 0; i < LINES; i++) {
        v[i] *= 0.35355339059327373;
      }
    }
  }
}
