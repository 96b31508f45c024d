package drevik.dsp;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Feedback delay network of sixteen lines (J.-M. Jot, A. Chaigne, “Digital delay networks for
 * designing artificial reverberators”, AES 90th Convention, 1991): lossless Hadamard feedback, and
 * in each line a first-order shelf that gives the decay times of lows and of highs. Lengths are
 * spread geometrically and made mutually prime, as S. J. Schlecht and E. A. P. Habets recommend
 * (“On lossless feedback delay networks”, IEEE TSP 65/6, 2017).
 *
 * <p>In front of the lines each channel is spread in time by all-pass filters (M. R. Schroeder,
 * “Natural sounding artificial reverberation”, JAES 10/3, 1962), and early reflections fill the
 * time until the shortest line is heard. Every channel is heard by every line, and every line in
 * every channel; the LFE takes no part. All times are seconds and all corners Hz, so that it sounds
 * alike at every rate.
 */
public final class Reverberation implements ProcessorType {
  private static final int LINES = 16;

  /** Metres a second. */
  private static final double SPEED_OF_SOUND = 343;

  /** Longest line by shortest. */
  private static final double SPREAD = 2.5;

  /** Seconds between the shortest and the longest line at least: a small room would ring. */
  private static final double LEAST_SPREAD = 0.075;

  /** What “highs” means, Hz; and where the shelf between lows and highs turns. */
  private static final double HIGHS = 8_000;

  private static final double TURNS = 3_000;

  /** Seconds. */
  private static final double[] DIFFUSERS = {0.00113, 0.00271, 0.00397, 0.00641};

  private static final float DIFFUSION = 0.65f;
  private static final int REFLECTIONS = 8;

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

  /** Mutually prime line lengths in frames. */
  static int[] lineLengths(double sizeMetres, int sampleRate) {
    double shortest = sizeMetres / SPEED_OF_SOUND;
    double longest = Math.max(SPREAD * shortest, shortest + LEAST_SPREAD);
    int[] lengths = new int[LINES];
    int last = 0;
    for (int i = 0; i < LINES; i++) {
      double seconds = shortest * Math.pow(longest / shortest, i / (LINES - 1.0));
      last = nextPrime(Math.max((int) Math.round(seconds * sampleRate), last + 1));
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

  /**
   * The decay of lows and of highs by 60 dB. Lows take the time that is set; a small room cannot
   * take highs away as fast as is set, and so they take what its lines give them.
   */
  @Override
  public Picture picture(Settings settings, Surroundings surroundings) {
    double from = settings.get("pre-delay") / 1000;
    double lows = settings.get("decay");
    int rate = surroundings.sampleRate();
    int[] lengths = lineLengths(settings.get("size"), rate);
    double highs = decayOfHighs(lengths, lows, lows * settings.get("decay-high") / 100, rate);
    double level = 20 * Math.log10(Math.max(1e-3, settings.get("wet") / 100));
    return Picture.overTime(
        from + lows,
        List.of(decay("lows", from, lows, level), decay("highs", from, highs, level)),
        false);
  }

  private static double turn(int rate) {
    return Math.tan(Math.PI * Math.min(TURNS, 0.15 * rate) / rate);
  }

  /** The square of how far beyond the turn of the shelf the highs lie. */
  private static double beyond(int rate) {
    double highs = Math.min(HIGHS, 0.4 * rate);
    return Math.pow(Math.tan(Math.PI * highs / rate) / turn(rate), 2);
  }

  /**
   * The gain of a line at low frequencies, and that which its shelf goes towards: −60 dB after the
   * decay time, so that each pass through d frames loses 60·d / (fs·T) dB.
   */
  private static double[] shelf(int length, double decay, double decayHigh, int rate) {
    double low = Math.pow(10, -3.0 * length / (rate * decay));
    double wanted = Math.pow(10, -3.0 * length / (rate * decayHigh));
    // (low + high·s/turn) / (1 + s/turn) has the wanted magnitude at the frequency of highs.
    double ratio = beyond(rate);
    double high = Math.sqrt(Math.max(0, (wanted * wanted * (1 + ratio) - low * low) / ratio));
    return new double[] {low, high};
  }

  /**
   * Seconds for 60 dB at the frequency of highs. Each line of d frames gives all lines alike what
   * it lets through, g² of the energy: of a decay by e^(−r) a frame, the mean of g²·e^(r·d) is 1.
   */
  private static double decayOfHighs(int[] lengths, double decay, double decayHigh, int rate) {
    double ratio = beyond(rate);
    double slow = 0;
    double fast = 1;
    for (int step = 0; step < 60; step++) {
      double tried = (slow + fast) / 2;
      double mean = 0;
      for (int length : lengths) {
        double[] shelf = shelf(length, decay, decayHigh, rate);
        double power = (shelf[0] * shelf[0] + shelf[1] * shelf[1] * ratio) / (1 + ratio);
        mean += power * Math.exp(tried * length) / lengths.length;
      }
      if (mean < 1) {
        slow = tried;
      } else {
        fast = tried;
      }
    }
    return 6 * Math.log(10) / (slow * rate);
  }

  private static Picture.Trace decay(String label, double from, double seconds, double level) {
    return new Picture.Trace(
        label,
        List.of(new Picture.Point(from, level), new Picture.Point(from + seconds, level - 60)));
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  @Override
  public long tail(Settings settings, Surroundings surroundings) {
    if (settings.get("wet") == 0) {
      return 0;
    }
    int rate = surroundings.sampleRate();
    int longest = lineLengths(settings.get("size"), rate)[LINES - 1];
    // A tenth of a second for what spreads in time before the lines.
    double before = settings.get("pre-delay") / 1000 + 0.1;
    return longest + (long) Math.ceil(rate * (before + settings.get("decay") * TAIL_DB / 60));
  }

  /** A delay of one channel that is read at several places. */
  private static final class Taps {
    private final double[] ring;
    private int at;

    Taps(int longest, int stretch) {
      ring = new double[longest + stretch];
    }

    void write(double[] in, int count) {
      at = writeLine(in, ring, at, count);
    }

    /** Adds what was written {@code delay} frames before each of the last {@code count}. */
    void addTo(double[] out, int delay, double gain, int count) {
      int from = Math.floorMod(at - count - delay, ring.length);
      int first = Math.min(count, ring.length - from);
      for (int i = 0; i < first; i++) {
        out[i] += gain * ring[from + i];
      }
      for (int i = first; i < count; i++) {
        out[i] += gain * ring[i - first];
      }
    }

    void read(double[] out, int delay, int count) {
      readLine(ring, Math.floorMod(at - count - delay, ring.length), out, count);
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

  /** An all-pass filter: what goes in comes out spread in time, no frequency louder than before. */
  private static final class Diffuser {
    private final float[] line;
    private int at;

    Diffuser(double seconds, int sampleRate) {
      line = new float[nextPrime((int) Math.round(seconds * sampleRate))];
    }

    void process(float[] x, int count) {
      // From one end of the line to the other: no frame hears what the same loop wrote.
      for (int from = 0; from < count; ) {
        int run = Math.min(count - from, line.length - at);
        for (int i = 0; i < run; i++) {
          float late = line[at + i];
          float in = x[from + i] + DIFFUSION * late;
          line[at + i] = Denormals.drown(in);
          x[from + i] = late - DIFFUSION * in;
        }
        from += run;
        at = at + run == line.length ? 0 : at + run;
      }
    }
  }

  /**
   * Works through a stretch of frames that is no longer than the shortest line, so that no line
   * hears what the same stretch wrote: every step is then a plain loop over the stretch.
   */
  private static final class Running implements Processor {
    private static final int LONGEST_STRETCH = 256;
    private static final double ORTHONORMAL = Math.sqrt(1.0 / LINES);
    private static final int[] INPUT_SIGNS = {
      1, 1, -1, 1, 1, -1, 1, -1, -1, 1, 1, 1, -1, -1, 1, -1
    };

    /** The channels that take part. */
    private final int[] heard;

    private final int stretch;
    private final double[][] lines = new double[LINES][];
    private final int[] at = new int[LINES];

    /** Each line's shelf: y = now·x + before·x₋₁ + pole·y₋₁, in transposed form. */
    private final double[] now = new double[LINES];

    private final double[] before = new double[LINES];
    private final double[] pole = new double[LINES];
    private final double[] state = new double[LINES];
    private final double[][] damped = new double[LINES][LONGEST_STRETCH];
    private final double[][] mixed = new double[LINES][LONGEST_STRETCH];
    private final double[][] input;
    private final float[] spread = new float[LONGEST_STRETCH];
    private final float[] wetBlock = new float[LONGEST_STRETCH];
    private final double[] sum = new double[LONGEST_STRETCH];
    private final int preDelay;
    private final Taps[] preDelays;
    private final Taps[] early;
    private final int[][] reflectionAt;
    private final double reflectionGain;
    private final double outputGain;
    private final Diffuser[][] diffusers;
    private final BiquadCascade[] lowCut;
    private final float wet;

    Running(Settings settings, Surroundings surroundings) {
      int rate = surroundings.sampleRate();
      heard = Surroundings.withoutLfe(surroundings.layout());
      int channels = heard.length;
      double size = settings.get("size");
      int[] lengths = lineLengths(size, rate);
      stretch = Math.min(LONGEST_STRETCH, lengths[0]);
      double decay = settings.get("decay");
      setLines(lengths, decay, decay * settings.get("decay-high") / 100, rate);

      preDelay = (int) Math.round(settings.get("pre-delay") * rate / 1000);
      preDelays = new Taps[channels];
      early = new Taps[channels];
      diffusers = new Diffuser[channels][DIFFUSERS.length];
      lowCut = new BiquadCascade[channels];
      input = new double[channels][LONGEST_STRETCH];
      reflectionAt = new int[channels][REFLECTIONS];
      Biquad cut = Biquad.highPass(settings.get("low-cut"), Biquad.BUTTERWORTH, rate);
      for (int i = 0; i < channels; i++) {
        preDelays[i] = new Taps(preDelay, LONGEST_STRETCH);
        early[i] = new Taps(lengths[0], LONGEST_STRETCH);
        lowCut[i] = new BiquadCascade(List.of(cut));
        for (int k = 0; k < DIFFUSERS.length; k++) {
          // No two channels alike.
          diffusers[i][k] = new Diffuser(DIFFUSERS[k] * (1 + 0.083 * i), rate);
        }
        for (int k = 0; k < REFLECTIONS; k++) {
          double place = (k + 0.3 + 0.4 * ((5 * k + 3 * i) % 7) / 6) / REFLECTIONS;
          reflectionAt[i][k] = (int) (place * place * lengths[0]);
        }
      }
      // As much a second as lines of the plain spread would give; and before the lines are heard,
      // as much as they give when they are.
      double mean = Arrays.stream(lengths).average().orElseThrow();
      double plain = size / SPEED_OF_SOUND * rate * (SPREAD - 1) / Math.log(SPREAD);
      outputGain = Math.sqrt(mean / plain);
      reflectionGain = Math.sqrt(lengths[0] / plain / REFLECTIONS);
      wet = (float) (settings.get("wet") / 100);
    }

    private void setLines(int[] lengths, double decay, double decayHigh, int rate) {
      double turn = turn(rate);
      for (int i = 0; i < LINES; i++) {
        lines[i] = new double[lengths[i]];
        double[] shelf = shelf(lengths[i], decay, decayHigh, rate);
        now[i] = (shelf[0] * turn + shelf[1]) / (turn + 1);
        before[i] = (shelf[0] * turn - shelf[1]) / (turn + 1);
        pole[i] = (1 - turn) / (1 + turn);
      }
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      for (int from = 0; from < frames; from += stretch) {
        int count = Math.min(stretch, frames - from);
        for (int i = 0; i < heard.length; i++) {
          takeIn(i, audio[heard[i]], from, count);
        }
        for (int line = 0; line < LINES; line++) {
          readLine(lines[line], at[line], mixed[line], count);
        }
        for (int line = 0; line < LINES; line += 4) {
          damp(line, count);
        }
        hadamard(damped, mixed, count);
        for (int line = 0; line < LINES; line++) {
          feedBack(line, count);
          at[line] = writeLine(mixed[line], lines[line], at[line], count);
        }
        for (int i = 0; i < heard.length; i++) {
          giveOut(i, audio[heard[i]], from, count);
        }
        for (int channel = 0; channel < audio.length && heard.length < audio.length; channel++) {
          if (Arrays.binarySearch(heard, channel) < 0) {
            for (int i = from; i < from + count; i++) {
              audio[channel][i] *= 1 - wet;
            }
          }
        }
      }
    }

    private void takeIn(int channel, float[] audio, int from, int count) {
      System.arraycopy(audio, from, spread, 0, count);
      for (Diffuser diffuser : diffusers[channel]) {
        diffuser.process(spread, count);
      }
      double[] in = input[channel];
      for (int i = 0; i < count; i++) {
        in[i] = spread[i];
      }
      preDelays[channel].write(in, count);
      preDelays[channel].read(in, preDelay, count);
      early[channel].write(in, count);
    }

    /** Four lines' shelves together: while one waits for itself, the others are computed. */
    private void damp(int line, int count) {
      double[] x0 = mixed[line], x1 = mixed[line + 1], x2 = mixed[line + 2], x3 = mixed[line + 3];
      double[] y0 = damped[line], y1 = damped[line + 1];
      double[] y2 = damped[line + 2], y3 = damped[line + 3];
      double n0 = now[line], n1 = now[line + 1], n2 = now[line + 2], n3 = now[line + 3];
      double b0 = before[line], b1 = before[line + 1], b2 = before[line + 2], b3 = before[line + 3];
      double p0 = pole[line], p1 = pole[line + 1], p2 = pole[line + 2], p3 = pole[line + 3];
      double s0 = state[line], s1 = state[line + 1], s2 = state[line + 2], s3 = state[line + 3];
      for (int i = 0; i < count; i++) {
        double z0 = Math.fma(n0, x0[i], s0);
        double z1 = Math.fma(n1, x1[i], s1);
        double z2 = Math.fma(n2, x2[i], s2);
        double z3 = Math.fma(n3, x3[i], s3);
        s0 = Math.fma(p0, z0, b0 * x0[i]);
        s1 = Math.fma(p1, z1, b1 * x1[i]);
        s2 = Math.fma(p2, z2, b2 * x2[i]);
        s3 = Math.fma(p3, z3, b3 * x3[i]);
        y0[i] = z0;
        y1[i] = z1;
        y2[i] = z2;
        y3[i] = z3;
      }
      state[line] = Denormals.flush(s0);
      state[line + 1] = Denormals.flush(s1);
      state[line + 2] = Denormals.flush(s2);
      state[line + 3] = Denormals.flush(s3);
    }

    /** What the line gets: what all lines gave, and all channels, none louder than another. */
    private void feedBack(int line, int count) {
      double[] into = mixed[line];
      double[] first = input[0];
      double gain = inputGain(0, line);
      for (int i = 0; i < count; i++) {
        into[i] = Denormals.drown(into[i] * ORTHONORMAL + gain * first[i]);
      }
      for (int channel = 1; channel < input.length; channel++) {
        add(input[channel], inputGain(channel, line), into, count);
      }
    }

    private static double inputGain(int channel, int line) {
      return ORTHONORMAL * INPUT_SIGNS[line] * sign(LINES - 1 - channel, line);
    }

    private void giveOut(int channel, float[] audio, int from, int count) {
      Arrays.fill(sum, 0, count, 0);
      for (int line = 0; line < LINES; line += 4) {
        addFour(channel, line, count);
      }
      for (int k = 0; k < REFLECTIONS; k++) {
        double gain = reflectionGain * ((k * 5 + channel & 2) == 0 ? 1 : -1);
        Taps heardFrom = early[(channel + k) % early.length];
        heardFrom.addTo(sum, reflectionAt[channel][k], gain, count);
      }
      for (int i = 0; i < count; i++) {
        wetBlock[i] = (float) sum[i];
      }
      lowCut[channel].process(wetBlock, count);
      for (int i = 0; i < count; i++) {
        audio[from + i] = (1 - wet) * audio[from + i] + wet * wetBlock[i];
      }
    }

    private void addFour(int channel, int line, int count) {
      double[] a = damped[line], b = damped[line + 1], c = damped[line + 2], d = damped[line + 3];
      double gainA = outputGain * sign(channel + 1, line);
      double gainB = outputGain * sign(channel + 1, line + 1);
      double gainC = outputGain * sign(channel + 1, line + 2);
      double gainD = outputGain * sign(channel + 1, line + 3);
      for (int i = 0; i < count; i++) {
        sum[i] = sum[i] + gainA * a[i] + gainB * b[i] + gainC * c[i] + gainD * d[i];
      }
    }

    private static void add(double[] in, double gain, double[] out, int count) {
      for (int i = 0; i < count; i++) {
        out[i] += gain * in[i];
      }
    }

    /** Rows of a Hadamard matrix: no two alike. */
    private static int sign(int row, int line) {
      return (Integer.bitCount(row & line) & 1) == 0 ? 1 : -1;
    }

    /** Walsh–Hadamard transform across the lines, frame by frame. */
    private static void hadamard(double[][] from, double[][] into, int count) {
      for (int line = 0; line < LINES; line += 4) {
        butterflies(from, into, line, 1, count);
      }
      for (int line = 0; line < LINES / 4; line++) {
        butterflies(into, into, line, LINES / 4, count);
      }
    }

    /** Two steps at once for four lines, so that each is read and written once. */
    private static void butterflies(
        double[][] from, double[][] into, int line, int apart, int count) {
      double[] a = from[line], b = from[line + apart];
      double[] c = from[line + 2 * apart], d = from[line + 3 * apart];
      double[] intoA = into[line], intoB = into[line + apart];
      double[] intoC = into[line + 2 * apart], intoD = into[line + 3 * apart];
      for (int i = 0; i < count; i++) {
        double sum = a[i] + b[i];
        double difference = a[i] - b[i];
        double laterSum = c[i] + d[i];
        double laterDifference = c[i] - d[i];
        intoA[i] = sum + laterSum;
        intoB[i] = difference + laterDifference;
        intoC[i] = sum - laterSum;
        intoD[i] = difference - laterDifference;
      }
    }
  }
}
