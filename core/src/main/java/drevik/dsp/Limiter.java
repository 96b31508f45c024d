package drevik.dsp;

import drevik.dsp.Parameter.Choice;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * True-peak limiter with look-ahead. The peak around every sample is found sixteen times
 * oversampled ({@link Oversampler}); the gain that each peak needs is held for the look-ahead,
 * released smoothly, then averaged over the look-ahead, so that it has arrived before the peak does
 * and never steps. All channels share one gain.
 *
 * <p>A gain that moves changes what lies between the samples too. So what comes out is looked at
 * again, and what still exceeds the ceiling is turned down in the same way by a second, quick pass;
 * what keeps below the ceiling passes both as it is.
 */
public final class Limiter implements ProcessorType {
  /** Covers what the points that are looked at may miss. */
  private static final double MARGIN_DB = 0.08;

  private static final double SECOND_LOOK_AHEAD_MS = 1;

  /**
   * Whoever plays or measures cuts near the Nyquist frequency in a way of its own; on sound that
   * goes up to there, the steepest of those that were tried stood this much above the ceiling, dB.
   */
  private static final double ANY_PLAYER_DB = 0.4;

  @Override
  public String id() {
    return "limiter";
  }

  @Override
  public String label() {
    return "True-peak limiter";
  }

  @Override
  public List<Parameter> parameters() {
    return List.of(
        new Parameter("ceiling", "Ceiling", "dBTP", -24, 0, -1),
        new Parameter("drive", "Drive", "dB", 0, 24, 0),
        new Parameter("release", "Release", "ms", 5, 2_000, 80),
        new Parameter("look-ahead", "Look-ahead", "ms", 0.5, 10, 2),
        Parameter.choice(
            "margin",
            "Below the ceiling",
            "dB",
            0,
            List.of(
                new Choice(0, "0 dB, for meters"),
                new Choice(ANY_PLAYER_DB, ANY_PLAYER_DB + " dB, for any player"))));
  }

  /** Where it holds the peaks, dBTP. */
  private static double held(Settings settings) {
    return settings.get("ceiling") - settings.get("margin");
  }

  @Override
  public Picture picture(Settings settings, Surroundings surroundings) {
    double held = held(settings);
    return Picture.transfer(in -> Math.min(in + settings.get("drive"), held))
        .holding(
            List.of(new Picture.Handle("ceiling", null, "ceiling", 0, settings.get("ceiling"))));
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  private static final class Running implements Processor {
    private final float drive;
    private final Pass first;
    private final Pass second;

    Running(Settings settings, Surroundings surroundings) {
      drive = (float) Math.pow(10, settings.get("drive") / 20);
      double lookAhead = settings.get("look-ahead");
      first = new Pass(settings, surroundings, lookAhead, Oversampler.OF_LIMITERS);
      second = new Pass(settings, surroundings, SECOND_LOOK_AHEAD_MS, Oversampler.AFTER_LIMITING);
    }

    @Override
    public int latency() {
      return first.latency + second.latency;
    }

    @Override
    public void process(float[][] audio, float @Nullable [][] key, int frames) {
      for (float[] channel : audio) {
        for (int i = 0; i < frames; i++) {
          channel[i] *= drive;
        }
      }
      first.process(audio, frames);
      second.process(audio, frames);
    }
  }

  /** Finds peaks and turns them down, once. */
  private static final class Pass {
    // The average runs in whole numbers, so that adding and taking away never drifts.
    private static final double QUANTA = 1L << 40;

    private final PeakScan scan;
    private final int lookAhead;
    private final double ceiling;
    private final double release;
    private final float[][] tail;
    private final DelayLine[] delay;
    private final double[] minimum;
    private final long[] minimumAt;
    private final long[] averaged;
    private final int latency;
    private final double averageOfSum;

    /** Of the block; then what they let through. */
    private float[] peaks = new float[0];

    private int averagedAt;
    private int minimumHead;
    private int minimumTail;
    private long time;
    private double lastPeak;
    private double released = 1;
    private long sum;

    Pass(
        Settings settings,
        Surroundings surroundings,
        double lookAheadMs,
        List<Oversampler> seenThrough) {
      scan = new PeakScan(seenThrough);
      int rate = surroundings.sampleRate();
      lookAhead = (int) Math.max(1, Math.round(lookAheadMs * rate / 1000));
      ceiling = Math.pow(10, (held(settings) - MARGIN_DB) / 20);
      release = Math.exp(-1000 / (settings.get("release") * rate));
      latency = lookAhead + scan.delay();
      tail = new float[surroundings.channels()][scan.history()];
      delay = new DelayLine[surroundings.channels()];
      Arrays.setAll(delay, channel -> new DelayLine(latency));
      minimum = new double[lookAhead + 2];
      minimumAt = new long[lookAhead + 2];
      averaged = new long[lookAhead + 1];
      Arrays.fill(averaged, (long) QUANTA);
      sum = ((long) QUANTA) * averaged.length;
      averageOfSum = 1 / (QUANTA * averaged.length);
    }

    void process(float[][] audio, int frames) {
      findPeaks(audio, frames);
      for (int i = 0; i < frames; i++) {
        peaks[i] = (float) gainFor(peaks[i]);
        time++;
      }
      for (int channel = 0; channel < audio.length; channel++) {
        delay[channel].process(audio[channel], audio[channel], frames);
        multiply(audio[channel], peaks, frames);
      }
    }

    private static void multiply(float[] x, float[] gains, int frames) {
      for (int i = 0; i < frames; i++) {
        x[i] *= gains[i];
      }
    }

    /** Only what exceeds the ceiling has to be known exactly; all else needs no gain. */
    private void findPeaks(float[][] audio, int frames) {
      if (peaks.length < frames) {
        peaks = new float[frames];
      }
      Arrays.fill(peaks, 0, frames, 0);
      for (int channel = 0; channel < audio.length; channel++) {
        scan.take(tail[channel], audio[channel], 0, frames);
        scan.raise(peaks, ceiling);
      }
    }

    private static int next(int at, int length) {
      return at + 1 == length ? 0 : at + 1;
    }

    private double gainFor(double peak) {
      // Peaks between samples belong to both neighbours.
      double around = Math.max(lastPeak, peak);
      lastPeak = peak;
      double needed = around > ceiling ? ceiling / around : 1;
      double held = slidingMinimum(needed);
      released = Math.min(held, 1 - release * (1 - released));
      long now = (long) (released * QUANTA);
      sum += now - averaged[averagedAt];
      averaged[averagedAt] = now;
      averagedAt = next(averagedAt, averaged.length);
      return sum * averageOfSum;
    }

    /** Smallest of the last lookAhead + 1 values, by a queue of falling candidates. */
    private double slidingMinimum(double value) {
      while (minimumHead != minimumTail && minimumAt[minimumHead] < time - lookAhead) {
        minimumHead = next(minimumHead, minimum.length);
      }
      while (minimumHead != minimumTail && minimum[previous(minimumTail)] >= value) {
        minimumTail = previous(minimumTail);
      }
      minimum[minimumTail] = value;
      minimumAt[minimumTail] = time;
      minimumTail = next(minimumTail, minimum.length);
      return minimum[minimumHead];
    }

    private int previous(int at) {
      return at == 0 ? minimum.length - 1 : at - 1;
    }
  }
}
