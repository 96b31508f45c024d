package drevik.intake.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The level of a file in hops of 10 ms, kept in one byte each (half a decibel), and what can be
 * told from it: noise floor, activity, onsets, a pulse. Six hours take four megabytes.
 */
final class Envelope {
  static final int HOPS_PER_SECOND = 100;

  private static final int STEPS_PER_DB = 2;
  static final int LOWEST_DB = -127;
  private static final double QUIETEST_PART = 0.05;
  private static final int LEAST_RANGE_DB = 15;
  private static final int GAP_HOPS = 2 * HOPS_PER_SECOND;
  private static final int RISE_DB = 9;
  private static final int PAUSE_AFTER_ONSET = 6;
  private static final int RELEASE_DB = 10;

  /** Noise in a pause may come nearer to what opens than to what a sound dies away to. */
  private static final int INAUDIBLE_RELEASE_DB = 6;

  private static final int SUSTAINED_DB = 20;
  private static final int INAUDIBLE_DBFS = -60;
  private static final int INAUDIBLE_BELOW_PEAK_DB = 50;

  private byte[] peaks = new byte[4096];
  private byte[] powers = new byte[4096];
  private int hops;

  /**
   * Takes the next hop.
   *
   * @param peak largest magnitude of any channel
   * @param power mean square of the loudest channel
   */
  void add(float peak, double power) {
    if (hops == peaks.length) {
      peaks = Arrays.copyOf(peaks, 2 * hops);
      powers = Arrays.copyOf(powers, 2 * hops);
    }
    peaks[hops] = step(20 * Math.log10(peak));
    powers[hops] = step(10 * Math.log10(power));
    hops++;
  }

  private static byte step(double db) {
    double above = Math.max(0, Math.min(255, (db - LOWEST_DB) * STEPS_PER_DB));
    return (byte) Math.round(above);
  }

  static double db(byte step) {
    return (step & 0xFF) / (double) STEPS_PER_DB + LOWEST_DB;
  }

  /** RMS of the quietest twentieth of all hops that are no digital silence, dBFS, or NaN. */
  double noiseFloorDbfs() {
    int[] counts = new int[256];
    int heard = 0;
    int loudest = 0;
    for (int i = 0; i < hops; i++) {
      int step = powers[i] & 0xFF;
      if (step > 0) {
        counts[step]++;
        heard++;
        loudest = Math.max(loudest, step);
      }
    }
    int wanted = (int) (heard * QUIETEST_PART);
    int step = 0;
    for (int seen = 0; step < 255 && seen <= wanted; ) {
      seen += counts[++step];
    }
    boolean pauses = heard > 0 && loudest - step >= LEAST_RANGE_DB * STEPS_PER_DB;
    return pauses ? db((byte) step) : Double.NaN;
  }

  /**
   * The level from which on a hop is sound: above the noise, but never so high that a quiet passage
   * which looks like noise would count as a pause.
   */
  private double threshold() {
    double floor = noiseFloorDbfs();
    return Double.isNaN(floor) ? -70 : Math.max(-72, Math.min(-60, floor + 12));
  }

  /**
   * Stretches in which there is anything to be heard, in hops, gaps of less than two seconds
   * closed. What is outside lies {@value #INAUDIBLE_BELOW_PEAK_DB} dB below the file's own peak and
   * below {@value #INAUDIBLE_DBFS} dBFS: noise counts as sound here, since a pause in it is heard.
   */
  List<int[]> activity() {
    int loudest = 0;
    for (int i = 0; i < hops; i++) {
      loudest = Math.max(loudest, peaks[i] & 0xFF);
    }
    return above(
        Math.min(INAUDIBLE_DBFS, db((byte) loudest) - INAUDIBLE_BELOW_PEAK_DB),
        INAUDIBLE_RELEASE_DB);
  }

  /** The peaks in coarser steps, the loudest hop of each. */
  Levels levels() {
    int each = HOPS_PER_SECOND / Levels.PER_SECOND;
    byte[] steps = new byte[(hops + each - 1) / each];
    for (int i = 0; i < hops; i++) {
      if ((peaks[i] & 0xFF) > (steps[i / each] & 0xFF)) {
        steps[i / each] = peaks[i];
      }
    }
    return Levels.of(steps);
  }

  /** How many hops hold more than noise, gaps of less than two seconds closed. */
  int activeHops() {
    return above(threshold(), RELEASE_DB).stream().mapToInt(found -> found[1] - found[0]).sum();
  }

  private List<int[]> above(double on, int releaseDb) {
    List<int[]> found = new ArrayList<>();
    int[] open = null;
    for (int i = 0; i < hops; i++) {
      double level = db(peaks[i]);
      boolean sounds = level > on || (open != null && open[1] == i && level > on - releaseDb);
      if (!sounds) {
        continue;
      }
      if (open != null && i - open[1] < GAP_HOPS) {
        open[1] = i + 1;
      } else {
        open = new int[] {i, i + 1};
        found.add(open);
      }
    }
    return found;
  }

  /**
   * How much of the sound is nearly as loud as its loudest moment: the share of hops within {@value
   * #SUSTAINED_DB} dB of the peak among those above the noise. What is struck dies away at once,
   * what is bowed, blown or sung stays.
   */
  double sustainedShare() {
    double on = threshold();
    int loudest = 0;
    for (int i = 0; i < hops; i++) {
      loudest = Math.max(loudest, peaks[i] & 0xFF);
    }
    double near = db((byte) loudest) - SUSTAINED_DB;
    int heard = 0;
    int sustained = 0;
    for (int i = 0; i < hops; i++) {
      double level = db(peaks[i]);
      heard += level > on ? 1 : 0;
      sustained += level > Math.max(on, near) ? 1 : 0;
    }
    return heard == 0 ? 0 : (double) sustained / heard;
  }

  /** Hops at which the level suddenly rises. */
  int[] onsets() {
    double on = threshold() + RELEASE_DB;
    int[] found = new int[Math.max(1, hops / PAUSE_AFTER_ONSET + 1)];
    int count = 0;
    int last = -PAUSE_AFTER_ONSET;
    for (int i = 0; i < hops; i++) {
      double level = db(peaks[i]);
      if (level < on || i - last < PAUSE_AFTER_ONSET) {
        continue;
      }
      int before = 0;
      for (int j = Math.max(0, i - 4); j < i - 1; j++) {
        before = Math.max(before, peaks[j] & 0xFF);
      }
      if (level - db((byte) before) >= RISE_DB) {
        found[count++] = i;
        last = i;
      }
    }
    return Arrays.copyOf(found, count);
  }

  /**
   * Beats a minute if nine in ten onsets follow the one before at the same distance or a small
   * multiple of it, to within 15 ms, through most of the file; else NaN.
   */
  double pulseBpm(int[] onsets) {
    if (onsets.length < 8 || onsets[onsets.length - 1] - onsets[0] < hops * 0.6) {
      return Double.NaN;
    }
    int[] gaps = new int[onsets.length - 1];
    for (int i = 0; i < gaps.length; i++) {
      gaps[i] = onsets[i + 1] - onsets[i];
    }
    int[] sorted = gaps.clone();
    Arrays.sort(sorted);
    double beat = sorted[sorted.length / 2];
    int regular = 0;
    double beats = 0;
    double frames = 0;
    for (int gap : gaps) {
      long times = Math.round(gap / beat);
      if (times >= 1 && times <= 4 && Math.abs(gap - times * beat) <= 1.5 * times) {
        regular++;
        beats += times;
        frames += gap;
      }
    }
    return regular < 0.9 * gaps.length ? Double.NaN : 60.0 * HOPS_PER_SECOND * beats / frames;
  }

  int hops() {
    return hops;
  }
}
