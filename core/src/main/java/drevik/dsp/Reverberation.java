package drevik.dsp;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

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

  /**
   * Works through a stretch of frames that is no longer than the shortest line, so that no line
   * hears what the same stretch wrote: every step is then a plain loop over the stretch.
   */
  private static final class Running implements Processor {
    private static final int LONGEST_STRETCH = 256;
    private static final double[] INPUT_SIGN = {1, 1, -1, 1, 1, -1, 1, -1};
    private static final double OUTPUT_GAIN = 0.5;
    private static final double ORTHONORMAL = Math.sqrt(1.0 / LINES);

    private final int channels;
    private final int stretch;
    private final double[][] lines = new double[LINES][];
    private final int[] at = new int[LINES];
    private final double[] gain = new double[LINES];
    private final double[] pole = new double[LINES];
    private final double[] state = new double[LINES];
    private final double[][] damped = new double[LINES][LONGEST_STRETCH];
    private final double[][] mixed = new double[LINES][LONGEST_STRETCH];
    private final double[][] input;
    private final float[][] preDelay;
    private final OnePole[] lowCut;
    private final double wet;
    private int preAt;

    Running(Settings settings, Surroundings surroundings) {
      int rate = surroundings.sampleRate();
      channels = surroundings.channels();
      int[] lengths = lineLengths(settings.get("size"), rate);
      stretch = Math.min(LONGEST_STRETCH, lengths[0]);
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
      input = new double[channels][LONGEST_STRETCH];
      lowCut = new OnePole[channels];
      for (int i = 0; i < channels; i++) {
        lowCut[i] = OnePole.lowPass(settings.get("low-cut"), rate);
      }
      wet = settings.get("wet") / 100;
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      for (int from = 0; from < frames; from += stretch) {
        int count = Math.min(stretch, frames - from);
        takeIn(audio, from, count);
        for (int line = 0; line < LINES; line++) {
          readLine(lines[line], at[line], mixed[line], count);
        }
        damp(0, count);
        damp(LINES / 2, count);
        for (int line = 0; line < LINES; line++) {
          System.arraycopy(damped[line], 0, mixed[line], 0, count);
        }
        hadamard(mixed, count);
        for (int line = 0; line < LINES; line++) {
          feedBack(mixed[line], input[line % channels], INPUT_SIGN[line], count);
          at[line] = writeLine(mixed[line], lines[line], at[line], count);
        }
        for (int channel = 0; channel < channels; channel++) {
          giveOut(channel, audio[channel], from, count);
        }
      }
    }

    private void takeIn(float[][] audio, int from, int count) {
      int length = preDelay[0].length;
      int start = preAt;
      for (int channel = 0; channel < channels; channel++) {
        float[] pre = preDelay[channel];
        double[] in = input[channel];
        preAt = start;
        for (int i = 0; i < count; i++) {
          pre[preAt] = audio[channel][from + i];
          preAt = preAt + 1 == length ? 0 : preAt + 1;
          in[i] = pre[preAt];
        }
      }
    }

    private static void readLine(double[] line, int at, double[] into, int count) {
      int first = Math.min(count, line.length - at);
      System.arraycopy(line, at, into, 0, first);
      System.arraycopy(line, 0, into, first, count - first);
    }

    /** Returns where the next stretch begins. */
    private static int writeLine(double[] from, double[] line, int at, int count) {
      int first = Math.min(count, line.length - at);
      System.arraycopy(from, 0, line, at, first);
      System.arraycopy(from, first, line, 0, count - first);
      return (at + count) % line.length;
    }

    /**
     * Four lines' one-pole filters together: while one waits for itself, the others are computed.
     */
    private void damp(int line, int count) {
      double[] x0 = mixed[line], x1 = mixed[line + 1], x2 = mixed[line + 2], x3 = mixed[line + 3];
      double[] y0 = damped[line], y1 = damped[line + 1];
      double[] y2 = damped[line + 2], y3 = damped[line + 3];
      double g0 = gain[line], g1 = gain[line + 1], g2 = gain[line + 2], g3 = gain[line + 3];
      double p0 = pole[line], p1 = pole[line + 1], p2 = pole[line + 2], p3 = pole[line + 3];
      double s0 = state[line], s1 = state[line + 1], s2 = state[line + 2], s3 = state[line + 3];
      for (int i = 0; i < count; i++) {
        s0 = Math.fma(p0, s0, g0 * x0[i]);
        s1 = Math.fma(p1, s1, g1 * x1[i]);
        s2 = Math.fma(p2, s2, g2 * x2[i]);
        s3 = Math.fma(p3, s3, g3 * x3[i]);
        y0[i] = s0;
        y1[i] = s1;
        y2[i] = s2;
        y3[i] = s3;
      }
      state[line] = Denormals.flush(s0);
      state[line + 1] = Denormals.flush(s1);
      state[line + 2] = Denormals.flush(s2);
      state[line + 3] = Denormals.flush(s3);
    }

    private static void feedBack(double[] mixed, double[] input, double sign, int count) {
      for (int i = 0; i < count; i++) {
        mixed[i] = Denormals.drown(ORTHONORMAL * mixed[i] + sign * input[i]);
      }
    }

    private void giveOut(int channel, float[] audio, int from, int count) {
      double[] out = mixed[0];
      Arrays.fill(out, 0, count, 0);
      for (int line = 0; line < LINES; line++) {
        add(damped[line], OUTPUT_GAIN * sign(channel, line), out, count);
      }
      OnePole low = lowCut[channel];
      double dry = 1 - wet;
      for (int i = 0; i < count; i++) {
        double reverberated = out[i] - low.next(out[i]);
        audio[from + i] = (float) (dry * audio[from + i] + wet * reverberated);
      }
    }

    private static void add(double[] in, double gain, double[] out, int count) {
      for (int i = 0; i < count; i++) {
        out[i] += gain * in[i];
      }
    }

    /** Rows of a Hadamard matrix: every output channel hears all lines, no two alike. */
    private static int sign(int channel, int line) {
      return (Integer.bitCount((channel + 1) & line) & 1) == 0 ? 1 : -1;
    }

    /** Walsh–Hadamard transform across the lines, frame by frame, in place. */
    private static void hadamard(double[][] v, int count) {
      for (int half = 1; half < LINES; half *= 2) {
        for (int i = 0; i < LINES; i += 2 * half) {
          for (int j = i; j < i + half; j++) {
            butterfly(v[j], v[j + half], count);
          }
        }
      }
    }

    private static void butterfly(double[] a, double[] b, int count) {
      for (int i = 0; i < count; i++) {
        double first = a[i];
        double second = b[i];
        a[i] = first + second;
        b[i] = first - second;
      }
    }
  }
}
