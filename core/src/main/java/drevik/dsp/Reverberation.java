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

  /** An all-pass filter: what goes in comes out spread in time, no frequency louder than before. */
  private static final class Diffuser {
    private final DelayLine line;

    Diffuser(double seconds, int sampleRate) {
      line = new DelayLine(nextPrime((int) Math.round(seconds * sampleRate)));
    }

    /**
     * @param late room for as many frames
     */
    void process(float[] x, float[] late, int count) {
      // No more than the line holds at once: no frame hears what the same loop wrote.
      for (int from = 0; from < count; from += line.length()) {
        int run = Math.min(count - from, line.length());
        line.readOldest(late, from, run);
        spread(x, late, from, from + run);
        line.write(late, from, run);
      }
    }

    private static void spread(float[] x, float[] late, int from, int to) {
      for (int i = from; i < to; i++) {
        float in = x[i] + DIFFUSION * late[i];
        x[i] = late[i] - DIFFUSION * in;
        late[i] = Denormals.drown(in);
      }
    }
  }

  /**
   * Works through a stretch of frames that is no longer than the shortest line, so that no line
   * hears what the same stretch wrote. Every step is then a plain loop over few arrays from their
   * beginning, which the compiler turns into vectors; it does not where arrays are many, or begin
   * anywhere.
   */
  private static final class Running implements Processor {
    private static final int LONGEST_STRETCH = 256;
    private static final float ORTHONORMAL = (float) Math.sqrt(1.0 / LINES);
    private static final int[] INPUT_SIGNS = {
      1, 1, -1, 1, 1, -1, 1, -1, -1, 1, 1, 1, -1, -1, 1, -1
    };

    /** The channels that take part. */
    private final int[] heard;

    private final int stretch;
    private final DelayLine[] lines = new DelayLine[LINES];

    /** Each line's shelf: s₊₁ = pole·s + x, y = now·x + then·s. */
    private final float[] now = new float[LINES];

    private final float[] then = new float[LINES];

    /** It is where all shelves turn. */
    private final float pole;

    private final float[] state = new float[LINES];
    private final float[][] mixed = new float[LINES][LONGEST_STRETCH];
    private final float[][] states = new float[4][LONGEST_STRETCH];
    private final float[][] input;
    private final float[] wetStretch = new float[LONGEST_STRETCH];
    private final float[] late = new float[LONGEST_STRETCH];
    private final int preDelay;
    private final DelayLine[] preDelays;
    private final DelayLine[] early;
    private final int[][] reflectionAt;
    private final float reflectionGain;
    private final float outputGain;
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
      double turn = turn(rate);
      double kept = (1 - turn) / (1 + turn);
      pole = (float) kept;
      for (int i = 0; i < LINES; i++) {
        lines[i] = new DelayLine(lengths[i]);
        double[] shelf = shelf(lengths[i], decay, decay * settings.get("decay-high") / 100, rate);
        double first = (shelf[0] * turn + shelf[1]) / (turn + 1);
        double second = (shelf[0] * turn - shelf[1]) / (turn + 1);
        now[i] = (float) first;
        then[i] = (float) (second + kept * first);
      }

      preDelay = (int) Math.round(settings.get("pre-delay") * rate / 1000);
      preDelays = new DelayLine[channels];
      early = new DelayLine[channels];
      diffusers = new Diffuser[channels][DIFFUSERS.length];
      lowCut = new BiquadCascade[channels];
      input = new float[channels][LONGEST_STRETCH];
      reflectionAt = new int[channels][REFLECTIONS];
      Biquad cut = Biquad.highPass(settings.get("low-cut"), Biquad.BUTTERWORTH, rate);
      for (int i = 0; i < channels; i++) {
        preDelays[i] = new DelayLine(preDelay + LONGEST_STRETCH);
        early[i] = new DelayLine(lengths[0] + LONGEST_STRETCH);
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
      outputGain = (float) Math.sqrt(mean / plain);
      reflectionGain = (float) Math.sqrt(lengths[0] / plain / REFLECTIONS);
      wet = (float) (settings.get("wet") / 100);
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      for (int from = 0; from < frames; from += stretch) {
        int count = Math.min(stretch, frames - from);
        for (int i = 0; i < heard.length; i++) {
          takeIn(i, audio[heard[i]], from, count);
        }
        for (int line = 0; line < LINES; line++) {
          lines[line].readOldest(mixed[line], 0, count);
        }
        for (int line = 0; line < LINES; line += 4) {
          damp(line, count);
        }
        hadamard(count);
        for (int i = 0; i < heard.length; i++) {
          giveOut(i, audio[heard[i]], from, count);
        }
        for (int line = 0; line < LINES; line++) {
          feedBack(line, count);
          lines[line].write(mixed[line], 0, count);
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
      float[] in = input[channel];
      System.arraycopy(audio, from, in, 0, count);
      for (Diffuser diffuser : diffusers[channel]) {
        diffuser.process(in, late, count);
      }
      preDelays[channel].write(in, 0, count);
      preDelays[channel].read(in, preDelay, count);
      early[channel].write(in, 0, count);
    }

    /** Four lines' shelves together: while one waits for itself, the others are computed. */
    private void damp(int line, int count) {
      float[] x0 = mixed[line], x1 = mixed[line + 1], x2 = mixed[line + 2], x3 = mixed[line + 3];
      float[] y0 = states[0], y1 = states[1], y2 = states[2], y3 = states[3];
      float p = pole;
      float s0 = state[line], s1 = state[line + 1], s2 = state[line + 2], s3 = state[line + 3];
      for (int i = 0; i < count; i++) {
        y0[i] = s0;
        y1[i] = s1;
        y2[i] = s2;
        y3[i] = s3;
        s0 = Math.fma(p, s0, x0[i]);
        s1 = Math.fma(p, s1, x1[i]);
        s2 = Math.fma(p, s2, x2[i]);
        s3 = Math.fma(p, s3, x3[i]);
      }
      state[line] = Denormals.drown(s0);
      state[line + 1] = Denormals.drown(s1);
      state[line + 2] = Denormals.drown(s2);
      state[line + 3] = Denormals.drown(s3);
      for (int i = 0; i < 4; i++) {
        blend(mixed[line + i], now[line + i], states[i], then[line + i], count);
      }
    }

    /** What the line gets: what all lines gave, and all channels, none louder than another. */
    private void feedBack(int line, int count) {
      blend(mixed[line], ORTHONORMAL, input[0], inputGain(0, line), count);
      for (int channel = 1; channel < input.length; channel++) {
        add(input[channel], inputGain(channel, line), mixed[line], count);
      }
    }

    private static float inputGain(int channel, int line) {
      return ORTHONORMAL * INPUT_SIGNS[line] * sign(LINES - 1 - channel, line);
    }

    /** What a channel gives is a row of what all lines gave; no two alike. */
    private void giveOut(int channel, float[] audio, int from, int count) {
      scale(mixed[(channel + 1) % LINES], outputGain, wetStretch, count);
      for (int k = 0; k < REFLECTIONS; k++) {
        float gain = reflectionGain * ((k * 5 + channel & 2) == 0 ? 1 : -1);
        early[(channel + k) % early.length].read(late, reflectionAt[channel][k], count);
        add(late, gain, wetStretch, count);
      }
      lowCut[channel].process(wetStretch, count);
      System.arraycopy(audio, from, late, 0, count);
      blend(late, 1 - wet, wetStretch, wet, count);
      System.arraycopy(late, 0, audio, from, count);
    }

    private static void scale(float[] in, float gain, float[] out, int count) {
      for (int i = 0; i < count; i++) {
        out[i] = gain * in[i];
      }
    }

    private static void add(float[] in, float gain, float[] out, int count) {
      for (int i = 0; i < count; i++) {
        out[i] += gain * in[i];
      }
    }

    private static void blend(float[] x, float gain, float[] y, float gainOfY, int count) {
      for (int i = 0; i < count; i++) {
        x[i] = Denormals.drown(gain * x[i] + gainOfY * y[i]);
      }
    }

    /** Rows of a Hadamard matrix: no two alike. */
    private static int sign(int row, int line) {
      return (Integer.bitCount(row & line) & 1) == 0 ? 1 : -1;
    }

    /** Walsh–Hadamard transform across the lines, frame by frame. */
    private void hadamard(int count) {
      for (int apart = 1; apart < LINES; apart *= 2) {
        for (int line = 0; line < LINES; line++) {
          if ((line & apart) == 0) {
            butterfly(mixed[line], mixed[line + apart], count);
          }
        }
      }
    }

    private static void butterfly(float[] a, float[] b, int count) {
      for (int i = 0; i < count; i++) {
        float first = a[i];
        float second = b[i];
        a[i] = first + second;
        b[i] = first - second;
      }
    }
  }
}
