package drevik.meter;

import drevik.audio.Layout;
import drevik.dsp.Biquad;
import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * Loudness after ITU-R BS.1770-5, annex 1, and EBU Tech 3342: integrated (400 ms blocks, 75 %
 * overlap, gates at −70 LUFS and −10 LU), range (3 s windows every 100 ms, gates at −70 LUFS and
 * −20 LU).
 *
 * <p>A mono file is measured as one channel. Memory grows by ten numbers a second. Results do not
 * depend on how the audio is cut into blocks.
 */
public final class LoudnessMeter {
  private static final double OFFSET = -0.691;
  private static final double ABSOLUTE_GATE = -70;
  private static final int STEPS_PER_BLOCK = 4;
  private static final int STEPS_PER_SHORT_TERM = 30;

  private final Biquad shelf;
  private final Biquad highPass;
  private final double[] weights;
  private final int[] heard;
  private final double[][] state;
  private final double[] sums;
  private final int stepFrames;
  private int inStep;
  private double[] steps = new double[256];
  private int stepCount;

  /**
   * @param sampleRate Hz
   * @param layout decides each channel's weight
   */
  public LoudnessMeter(int sampleRate, Layout layout) {
    shelf = KWeighting.shelf(sampleRate);
    highPass = KWeighting.highPass(sampleRate);
    weights = layout.speakers().stream().mapToDouble(s -> s.loudnessWeight()).toArray();
    heard = IntStream.range(0, weights.length).filter(c -> weights[c] > 0).toArray();
    state = new double[weights.length][4];
    sums = new double[weights.length];
    stepFrames = sampleRate / 10;
  }

  /** Takes {@code frames} frames of {@code audio[channel][offset…]}. */
  public void add(float[][] audio, int offset, int frames) {
    int done = 0;
    while (done < frames) {
      int count = Math.min(frames - done, stepFrames - inStep);
      for (int i = 0; i < heard.length; i += 2) {
        int first = heard[i];
        if (i + 1 < heard.length) {
          filterPair(audio, first, heard[i + 1], offset + done, count);
        } else {
          filter(audio[first], offset + done, count, first);
        }
      }
      done += count;
      inStep += count;
      if (inStep == stepFrames) {
        endStep();
      }
    }
  }

  private void endStep() {
    double energy = 0;
    for (int channel = 0; channel < weights.length; channel++) {
      energy += weights[channel] * sums[channel];
      sums[channel] = 0;
    }
    if (stepCount == steps.length) {
      steps = Arrays.copyOf(steps, 2 * stepCount);
    }
    steps[stepCount++] = energy / stepFrames;
    inStep = 0;
  }

  /** Both sections in one loop, with the square added on the way: nothing is written back. */
  private void filter(float[] x, int offset, int count, int channel) {
    double b0 = shelf.b0(), b1 = shelf.b1(), b2 = shelf.b2(), a1 = shelf.a1(), a2 = shelf.a2();
    double c1 = highPass.a1(), c2 = highPass.a2();
    double[] s = state[channel];
    double s1 = s[0], s2 = s[1], t1 = s[2], t2 = s[3];
    double total = sums[channel];
    for (int i = offset; i < offset + count; i++) {
      double in = x[i];
      double y = Math.fma(b0, in, s1);
      s1 = Math.fma(-a1, y, Math.fma(b1, in, s2));
      s2 = Math.fma(-a2, y, b2 * in);
      double z = y + t1;
      t1 = Math.fma(-c1, z, Math.fma(-2, y, t2));
      t2 = Math.fma(-c2, z, y);
      total = Math.fma(z, z, total);
    }
    keep(s, s1, s2, t1, t2);
    sums[channel] = total;
  }

  /** Two channels at once: while one waits for its own last sample, the other is computed. */
  private void filterPair(float[][] audio, int first, int second, int offset, int count) {
    double b0 = shelf.b0(), b1 = shelf.b1(), b2 = shelf.b2(), a1 = shelf.a1(), a2 = shelf.a2();
    double c1 = highPass.a1(), c2 = highPass.a2();
    float[] xl = audio[first], xr = audio[second];
    double[] l = state[first], r = state[second];
    double l1 = l[0], l2 = l[1], m1 = l[2], m2 = l[3];
    double r1 = r[0], r2 = r[1], q1 = r[2], q2 = r[3];
    double totalLeft = sums[first], totalRight = sums[second];
    for (int i = offset; i < offset + count; i++) {
      double left = xl[i];
      double right = xr[i];
      double yl = Math.fma(b0, left, l1);
      double yr = Math.fma(b0, right, r1);
      l1 = Math.fma(-a1, yl, Math.fma(b1, left, l2));
      r1 = Math.fma(-a1, yr, Math.fma(b1, right, r2));
      l2 = Math.fma(-a2, yl, b2 * left);
      r2 = Math.fma(-a2, yr, b2 * right);
      double zl = yl + m1;
      double zr = yr + q1;
      m1 = Math.fma(-c1, zl, Math.fma(-2, yl, m2));
      q1 = Math.fma(-c1, zr, Math.fma(-2, yr, q2));
      m2 = Math.fma(-c2, zl, yl);
      q2 = Math.fma(-c2, zr, yr);
      totalLeft = Math.fma(zl, zl, totalLeft);
      totalRight = Math.fma(zr, zr, totalRight);
    }
    keep(l, l1, l2, m1, m2);
    keep(r, r1, r2, q1, q2);
    sums[first] = totalLeft;
    sums[second] = totalRight;
  }

  /** Silence keeps exact zeros here; only a decayed tail gets this small (see Denormals in dsp). */
  private static void keep(double[] state, double s1, double s2, double t1, double t2) {
    state[0] = Math.abs(s1) < 1e-200 ? 0 : s1;
    state[1] = Math.abs(s2) < 1e-200 ? 0 : s2;
    state[2] = Math.abs(t1) < 1e-200 ? 0 : t1;
    state[3] = Math.abs(t2) < 1e-200 ? 0 : t2;
  }

  /** LUFS over everything so far; negative infinity if nothing passes the gate. */
  public double integratedLufs() {
    double[] blocks = windows(STEPS_PER_BLOCK);
    double absolute = meanAbove(blocks, powerOf(ABSOLUTE_GATE));
    if (absolute == 0) {
      return Double.NEGATIVE_INFINITY;
    }
    double relative = Math.max(powerOf(ABSOLUTE_GATE), absolute / 10);
    return loudnessOf(meanAbove(blocks, relative));
  }

  /** Loudness range in LU (EBU Tech 3342, clause 3); 0 for less than 3 s or for silence. */
  public double rangeLu() {
    double[] shortTerm = windows(STEPS_PER_SHORT_TERM);
    double gate =
        Math.max(powerOf(ABSOLUTE_GATE), meanAbove(shortTerm, powerOf(ABSOLUTE_GATE)) / 100);
    double[] kept = Arrays.stream(shortTerm).filter(power -> power > gate).sorted().toArray();
    if (kept.length < 2) {
      return 0;
    }
    double low = kept[(int) Math.round((kept.length - 1) * 0.10)];
    double high = kept[(int) Math.round((kept.length - 1) * 0.95)];
    return loudnessOf(high) - loudnessOf(low);
  }

  /** Loudest 400 ms in LUFS. */
  public double maxMomentaryLufs() {
    return loudnessOf(Arrays.stream(windows(STEPS_PER_BLOCK)).max().orElse(0));
  }

  /** Loudest 3 s in LUFS. */
  public double maxShortTermLufs() {
    return loudnessOf(Arrays.stream(windows(STEPS_PER_SHORT_TERM)).max().orElse(0));
  }

  private double[] windows(int length) {
    double[] means = new double[Math.max(0, stepCount - length + 1)];
    for (int i = 0; i < means.length; i++) {
      double sum = 0;
      for (int j = i; j < i + length; j++) {
        sum += steps[j];
      }
      means[i] = sum / length;
    }
    return means;
  }

  private static double meanAbove(double[] powers, double gate) {
    return Arrays.stream(powers).filter(power -> power > gate).average().orElse(0);
  }

  private static double powerOf(double lufs) {
    return Math.pow(10, (lufs - OFFSET) / 10);
  }

  private static double loudnessOf(double power) {
    return OFFSET + 10 * Math.log10(power);
  }
}
