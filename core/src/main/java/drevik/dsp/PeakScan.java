package drevik.dsp;

import java.util.Arrays;
import java.util.List;

/**
 * Finds how large audio gets at and between its samples (ITU-R BS.1770-5, annex 2), a channel and a
 * block at a time.
 *
 * <p>Interpolating is by far the dearest part, so it is done only where it could exceed what the
 * caller asks for; the result is the same. What lies between two samples differs from the line
 * between them by no more than their neighbourhood bends: with h the interpolator, whose taps sum
 * to 1, and b the second differences from sample to sample,
 *
 * <pre>
 *   |y| ≤ near·max(|x[n]|, |x[n+1]|) + far·√(Σ b²) + farther·√(Σ b²)
 * </pre>
 *
 * where near is |1 − m| + |m| with m the place of the point as h has it (its first moment, hardly
 * beyond 0 or 1), far the norm of the running sums of the running sums of h from either end up to
 * the gap, as far as they belong to the {@value #NEIGHBOURS} samples around, and farther that of
 * the rest, with the second differences of each (summation by parts twice, then Cauchy and
 * Schwarz). Music bends little from sample to sample, and hardly a gap is left to interpolate.
 */
public final class PeakScan {
  private static final int STRETCH = 8;

  /** Stretches that are asked about together first. */
  private static final int TOGETHER = 8;

  /**
   * A band-limited signal that looks no larger than 1 at points a quarter of a sample apart is
   * nowhere larger than this: 1/cos(π/8), as its steepest fall is that of a sine at the Nyquist
   * frequency (Bernstein).
   */
  private static final double BETWEEN_QUARTERS = 1.0824;

  /**
   * Between points h apart, something rises above them by no more than h²/8 times its largest
   * second derivative. That is the second difference over h², or up to 1.8 times as much, where a
   * sine at the Nyquist frequency is looked at over three quarters of a sample at their worst.
   */
  private static final double BEND = 0.25;

  /** Far more than the rounding of an interpolated sample and of its bound together. */
  private static final double ROUNDING = 1.0001;

  /** Samples around a gap, on either side, that count as near in the bound. */
  private static final int NEIGHBOURS = 12;

  /** What is looked through; all windows have the same middle. */
  private final Window[] windows;

  /** Samples of a channel that are kept from block to block. */
  private final int history;

  /** Place of the sample before the gap in the widest window. */
  private final int middle;

  /** Stretches over which a widest window that begins in the first of them can reach. */
  private final int reach;

  /** The stretches, counted from the same one, that the samples beside its gaps lie in. */
  private final int firstGap;

  private final int lastGap;

  /** The same for all near samples. */
  private final int firstNear;

  private final int lastNear;
  private final double near;
  private final double far;
  private final double farther;
  private float[] audio = new float[0];
  private float[] peaks = new float[0];
  private float[] bends = new float[0];

  /** How much all stretches before one bend, together. */
  private double[] bentBefore = new double[0];

  private int frames;
  private float samplePeak;

  /** What stands at a sample and a quarter, a half, three quarters behind it. */
  private final float[] quarters = new float[4];

  /**
   * Coefficients by phase, the quarters first.
   *
   * @param offset of its first sample in the widest window
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Window(float[][] phases, int quarters, int offset) {}

  /**
   * @param seenThrough one or several; a peak is what any of them sees
   */
  public PeakScan(List<Oversampler> seenThrough) {
    int taps = seenThrough.stream().mapToInt(Oversampler::taps).max().orElseThrow();
    windows =
        seenThrough.stream()
            .map(one -> new Window(one.phases(), one.quarters(), (taps - one.taps()) / 2))
            .toArray(Window[]::new);
    history = taps - 1;
    middle = taps / 2 - 1;
    reach = (STRETCH + taps - 2) / STRETCH + 1;
    firstGap = middle / STRETCH;
    lastGap = (middle + STRETCH) / STRETCH;
    firstNear = Math.max(0, middle + 1 - NEIGHBOURS) / STRETCH;
    lastNear = (middle + NEIGHBOURS + STRETCH) / STRETCH;
    double largestNear = 1;
    double largestFar = 0;
    double largestFarther = 0;
    for (Window window : windows) {
      for (float[] phase : window.phases()) {
        int half = phase.length / 2;
        double left = 0;
        double right = 0;
        double leftTwice = 0;
        double rightTwice = 0;
        double squares = 0;
        double squaresFarther = 0;
        for (int k = 0; k < half - 1; k++) {
          left += phase[k];
          right += phase[phase.length - 1 - k];
          leftTwice += left;
          rightTwice += right;
          // The bend at the sample k + 1 of the window, and its mirror image.
          double both = leftTwice * leftTwice + rightTwice * rightTwice;
          if (half - k <= NEIGHBOURS) {
            squares += both;
          } else {
            squaresFarther += both;
          }
        }
        double place = 0;
        for (int k = 0; k < phase.length; k++) {
          place += (k - half + 1.0) * phase[k];
        }
        largestNear = Math.max(largestNear, Math.abs(1 - place) + Math.abs(place));
        largestFar = Math.max(largestFar, Math.sqrt(squares));
        largestFarther = Math.max(largestFarther, Math.sqrt(squaresFarther));
      }
    }
    near = largestNear * ROUNDING;
    far = largestFar * ROUNDING;
    farther = largestFarther * ROUNDING;
  }

  /** Samples of a channel that are kept from block to block. */
  public int history() {
    return history;
  }

  /** Frames by which what is found for a frame lies before it. */
  public int delay() {
    return middle + 1;
  }

  /**
   * Takes the next frames of a channel, {@code channel[offset…offset + frames)}.
   *
   * @param tail the channel's own {@link #history} last samples; brought up to date
   */
  public void take(float[] tail, float[] channel, int offset, int frames) {
    this.frames = frames;
    int length = frames + history;
    int stretches = (length + STRETCH - 1) / STRETCH;
    if (peaks.length < stretches + reach + TOGETHER) {
      audio = new float[stretches * STRETCH + 2];
      peaks = new float[stretches + reach + TOGETHER];
      bends = new float[stretches + reach + TOGETHER];
      bentBefore = new double[stretches + reach + TOGETHER + 1];
    }
    System.arraycopy(tail, 0, audio, 0, history);
    System.arraycopy(channel, offset, audio, history, frames);
    System.arraycopy(audio, frames, tail, 0, history);
    // What follows the last sample stands still.
    Arrays.fill(audio, length, stretches * STRETCH + 2, audio[length - 1]);
    survey(stretches);
  }

  /** Each stretch's largest magnitude, and how much it bends behind each of its samples. */
  private void survey(int stretches) {
    int largest = 0;
    for (int stretch = 0; stretch < stretches; stretch++) {
      int at = stretch * STRETCH;
      float bent = 0;
      int most = 0;
      // Four at a time, so that no sum waits for the one before it at every sample.
      for (int i = at; i < at + STRETCH; i += 4) {
        float a = audio[i], b = audio[i + 1], c = audio[i + 2], d = audio[i + 3];
        float ab = b - a, bc = c - b, cd = d - c, de = audio[i + 4] - d;
        float ef = audio[i + 5] - audio[i + 4];
        float abc = bc - ab, bcd = cd - bc, cde = de - cd, def = ef - de;
        bent += (abc * abc + bcd * bcd) + (cde * cde + def * def);
        int firstTwo = Math.max(bits(a), bits(b));
        int lastTwo = Math.max(bits(c), bits(d));
        most = Math.max(most, Math.max(firstTwo, lastTwo));
      }
      bends[stretch] = bent;
      peaks[stretch] = Float.intBitsToFloat(most);
      largest = Math.max(largest, most);
    }
    int end = stretches + reach + TOGETHER;
    Arrays.fill(peaks, stretches, end, 0);
    Arrays.fill(bends, stretches, end, 0);
    for (int stretch = 0; stretch < end; stretch++) {
      bentBefore[stretch + 1] = bentBefore[stretch] + bends[stretch];
    }
    samplePeak = Float.intBitsToFloat(largest);
  }

  /** Largest magnitude of any sample of the block and of what was kept before it. */
  public float samplePeak() {
    return samplePeak;
  }

  /** The largest magnitude at or between the samples, if it is more than {@code atLeast}. */
  public double largest(double atLeast) {
    double most = Math.max(atLeast, samplePeak);
    int stretches = (frames + STRETCH - 1) / STRETCH;
    for (int stretch = 0; stretch < stretches; stretch++) {
      if (stretch % TOGETHER == 0 && rise(stretch, TOGETHER, most) < 0) {
        stretch += TOGETHER - 1;
        continue;
      }
      double rise = rise(stretch, 1, most);
      if (rise < 0) {
        continue;
      }
      int start = stretch * STRETCH;
      int end = Math.min(frames, start + STRETCH);
      for (int i = start; i < end; i++) {
        if (couldExceed(most, i, rise)) {
          most = Math.max(most, between(i, most));
        }
      }
    }
    return most;
  }

  /**
   * Raises {@code magnitudes[i]} to the magnitude of the sample {@link #delay} frames before frame
   * i, and to that of what lies between it and the next, where that is more than {@code ceiling}.
   */
  public void raise(float[] magnitudes, double ceiling) {
    for (int i = 0; i < frames; i++) {
      magnitudes[i] = Math.max(magnitudes[i], Math.abs(audio[i + middle]));
    }
    int stretches = (frames + STRETCH - 1) / STRETCH;
    for (int stretch = 0; stretch < stretches; stretch++) {
      if (stretch % TOGETHER == 0 && rise(stretch, TOGETHER, ceiling) < 0) {
        stretch += TOGETHER - 1;
        continue;
      }
      double rise = rise(stretch, 1, ceiling);
      if (rise < 0) {
        continue;
      }
      int start = stretch * STRETCH;
      int end = Math.min(frames, start + STRETCH);
      for (int i = start; i < end; i++) {
        if (couldExceed(ceiling, i, rise)) {
          magnitudes[i] = Math.max(magnitudes[i], between(i, ceiling));
        }
      }
    }
  }

  /**
   * How far any gap of some stretches can rise above its samples; negative if not above a limit.
   */
  private double rise(int stretch, int stretches, double limit) {
    int last = stretch + stretches - 1;
    float peak = 0;
    for (int k = stretch + firstGap; k <= last + lastGap; k++) {
      peak = Math.max(peak, peaks[k]);
    }
    double bentNear = bentBefore[last + lastNear + 1] - bentBefore[stretch + firstNear];
    double bent = bentBefore[last + reach] - bentBefore[stretch];
    double room = limit - near * peak;
    // (a + b)² ≤ 2·(a² + b²): most stretches need no root.
    double squares = far * far * bentNear + farther * farther * bent;
    if (room >= 0 && 2 * squares <= room * room) {
      return -1;
    }
    double rise = far * Math.sqrt(bentNear) + farther * Math.sqrt(bent);
    return rise <= room ? -1 : rise;
  }

  private boolean couldExceed(double limit, int i, double rise) {
    int nearer = Math.max(bits(audio[i + middle]), bits(audio[i + middle + 1]));
    // Asked so that what is no number is not passed over.
    return !(near * Float.intBitsToFloat(nearer) + rise <= limit);
  }

  /**
   * The largest magnitude between two samples, whose window begins at {@code at}, if it is more
   * than {@code limit}: where the quarters say that it cannot be, the other points are not looked
   * at.
   */
  private float between(int at, double limit) {
    float most = Math.max(Math.abs(audio[at + middle]), Math.abs(audio[at + middle + 1]));
    for (Window window : windows) {
      int place = at + window.offset();
      int given = 4 - window.quarters();
      quarters[0] = audio[at + middle];
      for (int k = 0; k < window.quarters(); k++) {
        quarters[k + given] = interpolated(window.phases()[k], place);
      }
      float seen = most;
      for (float quarter : quarters) {
        seen = Math.max(seen, Math.abs(quarter));
      }
      if (!(couldRiseTo(seen, audio[at + middle + 1]) <= limit)) {
        for (int phase = window.quarters(); phase < window.phases().length; phase++) {
          seen = Math.max(seen, Math.abs(interpolated(window.phases()[phase], place)));
        }
      }
      most = seen;
    }
    return most;
  }

  /** How large it can be between quarters of which none is larger than {@code seen}. */
  private double couldRiseTo(float seen, float next) {
    float bend =
        Math.max(
            Math.max(
                Math.abs(quarters[0] - 2 * quarters[1] + quarters[2]),
                Math.abs(quarters[1] - 2 * quarters[2] + quarters[3])),
            Math.abs(quarters[2] - 2 * quarters[3] + next));
    return Math.min(BETWEEN_QUARTERS * seen, seen + BEND * bend);
  }

  private float interpolated(float[] phase, int at) {
    // Four sums at once: one alone would wait for itself at every tap.
    float a = 0, b = 0, c = 0, d = 0;
    for (int k = 0; k < phase.length; k += 4) {
      a += phase[k] * audio[at + k];
      b += phase[k + 1] * audio[at + k + 1];
      c += phase[k + 2] * audio[at + k + 2];
      d += phase[k + 3] * audio[at + k + 3];
    }
    return (a + b) + (c + d);
  }

  /** A magnitude as a whole number: floats without their sign compare like those, only faster. */
  private static int bits(float x) {
    return Float.floatToRawIntBits(x) & 0x7FFF_FFFF;
  }
}
