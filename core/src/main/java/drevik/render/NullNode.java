package drevik.render;

import drevik.audio.WavWriter;
import drevik.dsp.DelayLine;
import drevik.mix.StemSet;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Takes the stems of a set away from their mix, sample by sample as they are in the files, and
 * keeps what is left and where.
 *
 * <p>Two limits hold: no sample may be further off than rounding and dither of all files at their
 * worst, and no window may have more power than they have together. The second is far below the
 * first where there are many stems: a soft part that is missing shows there.
 */
final class NullNode {
  /** What the engine's own sums may leave, linear: −120 dBFS. */
  private static final double OF_SUMS = 1e-6;

  /** Power over a window: long enough that chance moves it little, short enough for a soft word. */
  private static final int WINDOW = 4_800;

  /** By how much the power of noise in a window may exceed its mean by chance, 3 dB. */
  private static final double CHANCE = 2;

  private final StemSet set;
  private final List<Part> parts = new ArrayList<>();
  private final double[] left;
  private final float[] late;
  private final int sampleRate;
  private double limit = OF_SUMS;
  private double ditherPower;

  /** What rounding without dither may leave at every sample, linear. */
  private double undithered = OF_SUMS;

  private double[] inWindow = new double[0];
  private int windowFilled;
  private double power;
  private long skip;
  private long remaining;
  private long at;
  private double residual;
  private long residualAt;

  /** A file, brought into step with the latest. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Part(float[][] written, DelayLine[] delays, double sign) {}

  /**
   * @param skip frames before the latest of the files begins
   * @param frames of each file
   */
  NullNode(StemSet set, int sampleRate, int blockSize, long skip, long frames) {
    this.set = set;
    this.sampleRate = sampleRate;
    this.left = new double[blockSize];
    this.late = new float[blockSize];
    this.skip = skip;
    this.remaining = frames;
  }

  /**
   * @param sign −1 for the mix, 1 for a stem
   * @param delay frames by which the file is earlier than the latest
   */
  void add(OutputNode node, double sign, int delay) {
    DelayLine[] delays = new DelayLine[delay > 0 ? node.written.length : 0];
    Arrays.setAll(delays, channel -> new DelayLine(delay));
    parts.add(new Part(node.written, delays, sign));
    double error = WavWriter.largestError(node.output.format(), node.output.dither());
    double power = WavWriter.ditherPower(node.output.format(), node.output.dither());
    limit += error;
    ditherPower += power;
    undithered += power > 0 ? 0 : error;
    inWindow = new double[node.written.length];
  }

  void process(int frames) {
    int offset = (int) Math.min(skip, frames);
    skip -= offset;
    int count = (int) Math.min(remaining, frames - offset);
    for (int channel = 0; channel < parts.get(0).written().length; channel++) {
      Arrays.fill(left, 0, frames, 0);
      for (int i = 0; i < parts.size(); i++) {
        Part part = parts.get(i);
        float[] in = part.written()[channel];
        if (part.delays().length > 0) {
          part.delays()[channel].process(in, late, frames);
          in = late;
        }
        double sign = part.sign();
        for (int k = 0; k < frames; k++) {
          left[k] += sign * in[k];
        }
      }
      for (int k = offset; k < offset + count; k++) {
        if (Math.abs(left[k]) > residual) {
          residual = Math.abs(left[k]);
          residualAt = at + k - offset;
        }
      }
      double sum = 0;
      for (int k = offset; k < offset + count; k++) {
        sum += left[k] * left[k];
      }
      inWindow[channel] += sum;
    }
    windowFilled += Math.max(0, count);
    if (windowFilled >= WINDOW) {
      closeWindow();
    }
    remaining -= Math.max(0, count);
    at += Math.max(0, count);
  }

  private void closeWindow() {
    for (int channel = 0; channel < inWindow.length; channel++) {
      power = Math.max(power, inWindow[channel] / windowFilled);
      inWindow[channel] = 0;
    }
    windowFilled = 0;
  }

  PrintReport.NullTest report() {
    // What is left of the last window is too short to tell noise from sound, unless it is all.
    if (windowFilled >= WINDOW / 2) {
      closeWindow();
    }
    double powerLimit = CHANCE * ditherPower + undithered * undithered;
    Double residualDbfs = PrintReport.finiteOrNull(20 * Math.log10(residual));
    return new PrintReport.NullTest(
        set.id(),
        set.name(),
        residualDbfs,
        20 * Math.log10(limit),
        PrintReport.finiteOrNull(10 * Math.log10(power)),
        10 * Math.log10(powerLimit),
        residual == 0 ? null : (double) residualAt / sampleRate,
        residual <= limit && power <= powerLimit,
        null);
  }
}
