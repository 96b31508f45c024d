package drevik.dsp;

import java.util.List;

/**
 * True-peak limiter with look-ahead. The peak around every sample is found four times oversampled
 * ({@link Oversampler}); the gain that each peak needs is held for the look-ahead, released
 * smoothly, then averaged over the look-ahead, so that it has arrived before the peak does and
 * never steps. All channels share one gain.
 */
public final class Limiter implements ProcessorType {
  /** Covers what the interpolation of a finite filter may miss. */
  private static final double MARGIN_DB = 0.05;

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
        new Parameter("look-ahead", "Look-ahead", "ms", 0.5, 10, 2));
  }

  @Override
  public Processor create(Settings settings, Surroundings surroundings) {
    return new Running(settings, surroundings);
  }

  private static final class Running implements Processor {
    private static final int HALF = Oversampler.TAPS / 2;
    // The average runs in whole numbers, so that adding and taking away never drifts.
    private static final double QUANTA = 1L << 40;

    private final float[][] phases;
    private final int lookAhead;
    private final double ceiling;
    private final float drive;
    private final double release;
    private final float[][] history;
    private final float[][] delay;
    private final double[] minimum;
    private final long[] minimumAt;
    private final long[] averaged;
    private final int latency;
    private int minimumHead;
    private int minimumTail;
    private long time;
    private double lastPeak;
    private double released = 1;
    private long sum;

    Running(Settings settings, Surroundings surroundings) {
      int rate = surroundings.sampleRate();
      phases = Oversampler.phases(rate);
      lookAhead = (int) Math.max(1, Math.round(settings.get("look-ahead") * rate / 1000));
      ceiling = Math.pow(10, (settings.get("ceiling") - MARGIN_DB) / 20);
      drive = (float) Math.pow(10, settings.get("drive") / 20);
      release = Math.exp(-1000 / (settings.get("release") * rate));
      latency = lookAhead + HALF;
      history = new float[surroundings.channels()][Oversampler.TAPS];
      delay = new float[surroundings.channels()][latency];
      minimum = new double[lookAhead + 2];
      minimumAt = new long[lookAhead + 2];
      averaged = new long[lookAhead + 1];
      java.util.Arrays.fill(averaged, (long) QUANTA);
      sum = (long) QUANTA * averaged.length;
    }

    @Override
    public int latency() {
      return latency;
    }

    @Override
    public void process(float[][] audio, float[][] key, int frames) {
      for (int i = 0; i < frames; i++) {
        double peak = 0;
        for (int channel = 0; channel < audio.length; channel++) {
          audio[channel][i] *= drive;
          peak = Math.max(peak, push(history[channel], audio[channel][i]));
        }
        float gain = (float) gainFor(peak);
        int at = (int) (time % latency);
        for (int channel = 0; channel < audio.length; channel++) {
          float out = delay[channel][at];
          delay[channel][at] = audio[channel][i];
          audio[channel][i] = out * gain;
        }
        time++;
      }
    }

    /** Takes a sample in; gives the true peak around the sample HALF frames ago. */
    private double push(float[] x, float sample) {
      System.arraycopy(x, 1, x, 0, x.length - 1);
      x[x.length - 1] = sample;
      double peak = Math.abs(x[HALF - 1]);
      for (float[] phase : phases) {
        double sum = 0;
        for (int k = 0; k < x.length; k++) {
          sum += phase[k] * x[k];
        }
        peak = Math.max(peak, Math.abs(sum));
      }
      return peak;
    }

    private double gainFor(double peak) {
      // Peaks between samples belong to both neighbours.
      double around = Math.max(lastPeak, peak);
      lastPeak = peak;
      double needed = around > ceiling ? ceiling / around : 1;
      double held = slidingMinimum(needed);
      released = Math.min(held, 1 - release * (1 - released));
      int at = (int) (time % averaged.length);
      long now = (long) (released * QUANTA);
      sum += now - averaged[at];
      averaged[at] = now;
      return sum / QUANTA / averaged.length;
    }

    /** Smallest of the last lookAhead + 1 values, by a queue of falling candidates. */
    private double slidingMinimum(double value) {
      int size = minimum.length;
      while (minimumHead != minimumTail && minimumAt[minimumHead] < time - lookAhead) {
        minimumHead = (minimumHead + 1) % size;
      }
      while (minimumHead != minimumTail && minimum[(minimumTail + size - 1) % size] >= value) {
        minimumTail = (minimumTail + size - 1) % size;
      }
      minimum[minimumTail] = value;
      minimumAt[minimumTail] = time;
      minimumTail = (minimumTail + 1) % size;
      return minimum[minimumHead];
    }
  }
}
