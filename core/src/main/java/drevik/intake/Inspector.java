package drevik.intake;

import drevik.audio.AudioException;
import drevik.audio.WavHeader;
import drevik.audio.WavReader;
import drevik.meter.LoudnessMeter;
import drevik.meter.PeakMeter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Reads a file once and measures it. Memory does not grow with its length. */
public final class Inspector {
  public static final int OVERVIEW_STEPS = 600;

  private static final int BLOCK = 8192;
  private static final float SILENT_BELOW = 3.2e-5f; // −90 dBFS
  private static final float SOUND_ABOVE = 1e-3f; // −60 dBFS
  private static final float FULL_SCALE = 0.9999f;
  private static final int CLIP_RUN = 3;

  private final WavHeader header;
  private final PeakMeter peaks;
  private final LoudnessMeter loudness;
  private final double[] sums;
  private final int[] runs;
  private final float[] overview = new float[OVERVIEW_STEPS];
  private float largestSideDifference;
  private float largest;
  private long clipped;
  private long firstSound = -1;
  private long lastSound = -1;

  private Inspector(WavHeader header) {
    this.header = header;
    this.peaks = new PeakMeter(header.sampleRate(), header.channels());
    this.loudness = new LoudnessMeter(header.sampleRate(), header.layout());
    this.sums = new double[header.channels()];
    this.runs = new int[header.channels()];
  }

  /**
   * Measures a file.
   *
   * @throws AudioException if it is no readable WAVE file, saying what is wrong with it
   */
  public static Inspection inspect(Path file) {
    try (WavReader reader = WavReader.open(file)) {
      WavHeader header = reader.header();
      Inspector inspector = new Inspector(header);
      float[][] block = new float[header.channels()][BLOCK];
      for (long at = 0; at < header.frames(); at += BLOCK) {
        int frames = reader.read(at, block, 0, BLOCK);
        inspector.add(block, at, frames);
      }
      return inspector.result();
    } catch (IOException e) {
      throw new AudioException("“" + file.getFileName() + "” cannot be read: " + e.getMessage(), e);
    }
  }

  private void add(float[][] block, long at, int frames) {
    peaks.add(block, 0, frames);
    loudness.add(block, 0, frames);
    for (int channel = 0; channel < sums.length; channel++) {
      scan(block[channel], channel, at, frames);
    }
    if (header.channels() == 2) {
      for (int i = 0; i < frames; i++) {
        largestSideDifference =
            Math.max(largestSideDifference, Math.abs(block[0][i] - block[1][i]));
      }
    }
  }

  private void scan(float[] x, int channel, long at, int frames) {
    double sum = sums[channel];
    int run = runs[channel];
    for (int i = 0; i < frames; i++) {
      float magnitude = Math.abs(x[i]);
      sum += x[i];
      if (magnitude > SOUND_ABOVE) {
        firstSound = firstSound < 0 || at + i < firstSound ? at + i : firstSound;
        lastSound = Math.max(lastSound, at + i);
      }
      if (magnitude >= FULL_SCALE) {
        run++;
        clipped += run == CLIP_RUN ? CLIP_RUN : run > CLIP_RUN ? 1 : 0;
      } else {
        run = 0;
      }
    }
    overview(x, at, frames);
    sums[channel] = sum;
    runs[channel] = run;
  }

  private void overview(float[] x, long at, int frames) {
    int i = 0;
    while (i < frames) {
      int step = (int) ((at + i) * OVERVIEW_STEPS / header.frames());
      long nextStep = ((step + 1) * header.frames() + OVERVIEW_STEPS - 1) / OVERVIEW_STEPS;
      int end = (int) Math.min(frames, nextStep - at);
      float most = overview[step];
      for (; i < end; i++) {
        most = Math.max(most, Math.abs(x[i]));
      }
      overview[step] = most;
      largest = Math.max(largest, most);
    }
  }

  private Inspection result() {
    boolean silent = largest < SILENT_BELOW;
    double offset = 0;
    for (double sum : sums) {
      double mean = header.frames() == 0 ? 0 : sum / header.frames();
      offset = Math.abs(mean) > Math.abs(offset) ? mean : offset;
    }
    List<Integer> steps = new ArrayList<>(OVERVIEW_STEPS);
    for (float magnitude : overview) {
      steps.add(Math.min(255, Math.round(magnitude * 255)));
    }
    double rate = header.sampleRate();
    return new Inspection(
        header,
        finite(peaks.samplePeakDbfs()),
        finite(peaks.truePeakDbtp()),
        finite(loudness.integratedLufs()),
        silent ? null : Double.valueOf(loudness.rangeLu()),
        offset,
        clipped,
        header.channels() == 2 && !silent && largestSideDifference < SILENT_BELOW,
        silent,
        firstSound < 0 ? null : firstSound / rate,
        lastSound < 0 ? null : lastSound / rate,
        steps);
  }

  private static Double finite(double value) {
    return Double.isFinite(value) ? value : null;
  }
}
