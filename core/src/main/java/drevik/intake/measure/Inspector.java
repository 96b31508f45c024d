package drevik.intake.measure;

import drevik.audio.AudioException;
import drevik.audio.Container;
import drevik.audio.Decoder;
import drevik.audio.SampleFormat;
import drevik.audio.WavHeader;
import drevik.audio.WavReader;
import drevik.meter.LoudnessMeter;
import drevik.meter.PeakMeter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Reads a file once and measures it. Memory does not grow with its length, but for ten numbers a
 * second of loudness and two hundred bytes a second of level.
 */
public final class Inspector {
  public static final int OVERVIEW_STEPS = 600;

  /** Places of clipping that are remembered. */
  public static final int MOST_RUNS = 100;

  private static final int MOST_STRETCHES = 1000;
  private static final int BLOCK = 8192;
  private static final float SILENT_BELOW = 3.2e-5f; // −90 dBFS
  private static final float SOUND_ABOVE = 1e-3f; // −60 dBFS
  private static final float FULL_SCALE = 0.9999f;
  private static final int CLIP_RUN = 3;

  private final WavHeader header;
  private final PeakMeter peaks;
  private final LoudnessMeter loudness;
  private final ChannelScan[] channels;
  private final @Nullable SideScan sides;
  private final Envelope envelope = new Envelope();
  private final float[] overview = new float[OVERVIEW_STEPS];
  private final List<Stretch> clippedRuns = new ArrayList<>();
  private final int hopFrames;
  private float hopPeak;
  private float largest;
  private long clipped;
  private long firstSound = -1;
  private long lastSound = -1;

  private Inspector(WavHeader header) {
    this.header = header;
    this.peaks = new PeakMeter(header.channels());
    this.loudness = new LoudnessMeter(header.sampleRate(), header.layout());
    this.channels = new ChannelScan[header.channels()];
    for (int i = 0; i < channels.length; i++) {
      channels[i] = new ChannelScan(header.format());
    }
    this.sides = header.channels() == 2 ? new SideScan() : null;
    this.hopFrames = Math.max(1, header.sampleRate() / Envelope.HOPS_PER_SECOND);
  }

  /**
   * Measures a file; one that is no WAVE is decoded beside first.
   *
   * @throws AudioException if it is no readable audio file, saying what is wrong with it
   */
  public static Inspection inspect(Path file) {
    Container container = Container.of(file);
    if (container == Container.WAVE) {
      return ofWave(file);
    }
    try {
      Path decoded = Files.createTempFile("drevik-decoded", ".wav");
      try {
        String encoding = Decoder.toWave(file, decoded);
        return ofWave(decoded).decodedFrom(container.toString(), encoding);
      } finally {
        Files.deleteIfExists(decoded);
      }
    } catch (IOException e) {
      throw AudioException.of(file, "cannot be decoded: " + e, e);
    }
  }

  private static Inspection ofWave(Path file) {
    try (WavReader reader = WavReader.open(file)) {
      WavHeader header = reader.header();
      Inspector inspector = new Inspector(header);
      float[][] block = new float[header.channels()][BLOCK];
      for (long at = 0; at < header.frames(); at += BLOCK) {
        int frames = reader.read(at, block, 0, BLOCK);
        inspector.add(block, at, frames);
      }
      return inspector.result(reader);
    } catch (IOException e) {
      throw AudioException.of(file, "cannot be read: " + e.getMessage(), e);
    }
  }

  private void add(float[][] block, long at, int frames) {
    peaks.add(block, 0, frames);
    loudness.add(block, 0, frames);
    overview(block, at, frames);
    if (sides != null) {
      sides.add(block[0], block[1], frames);
    }
    for (int from = 0; from < frames; ) {
      long hopEnd = ((at + from) / hopFrames + 1) * hopFrames;
      int to = (int) Math.min(frames, hopEnd - at);
      for (int i = 0; i < channels.length; i++) {
        float peak = channels[i].add(block[i], from, to);
        hopPeak = Math.max(hopPeak, peak);
        sound(block[i], peak, at, from, to);
        clipping(channels[i], block[i], peak, at, from, to);
      }
      if (at + to == hopEnd) {
        endHop();
      }
      from = to;
    }
  }

  private void endHop() {
    double power = 0;
    for (ChannelScan channel : channels) {
      power = Math.max(power, channel.endHop() / hopFrames);
    }
    envelope.add(hopPeak, power);
    largest = Math.max(largest, hopPeak);
    hopPeak = 0;
  }

  private void sound(float[] x, float peak, long at, int from, int to) {
    if (peak <= SOUND_ABOVE) {
      return;
    }
    if (firstSound < 0 || at + from < firstSound) {
      int i = from;
      while (Math.abs(x[i]) <= SOUND_ABOVE) {
        i++;
      }
      firstSound = firstSound < 0 ? at + i : Math.min(firstSound, at + i);
    }
    int i = to - 1;
    while (Math.abs(x[i]) <= SOUND_ABOVE) {
      i--;
    }
    lastSound = Math.max(lastSound, at + i);
  }

  private void clipping(ChannelScan channel, float[] x, float peak, long at, int from, int to) {
    int run = channel.clipRun;
    if (peak < FULL_SCALE) {
      endRun(run, at + from);
      channel.clipRun = 0;
      return;
    }
    for (int i = from; i < to; i++) {
      if (Math.abs(x[i]) >= FULL_SCALE) {
        run++;
      } else {
        endRun(run, at + i);
        run = 0;
      }
    }
    channel.clipRun = run;
  }

  private void endRun(int run, long end) {
    if (run >= CLIP_RUN) {
      clipped += run;
      if (clippedRuns.size() < MOST_RUNS) {
        clippedRuns.add(new Stretch(end - run, end));
      }
    }
  }

  private void overview(float[][] block, long at, int frames) {
    int i = 0;
    while (i < frames) {
      int step = (int) ((at + i) * OVERVIEW_STEPS / header.frames());
      long nextStep = ((step + 1) * header.frames() + OVERVIEW_STEPS - 1) / OVERVIEW_STEPS;
      int end = (int) Math.min(frames, nextStep - at);
      for (float[] x : block) {
        overview[step] = Math.max(overview[step], PeakMeter.magnitude(x, i, end));
      }
      i = end;
    }
  }

  private Inspection result(WavReader reader) {
    for (ChannelScan channel : channels) {
      endRun(channel.clipRun, header.frames());
    }
    if (header.frames() % hopFrames != 0) {
      endHop();
    }
    boolean silent = largest < SILENT_BELOW;
    double offset = 0;
    int used = 0;
    for (ChannelScan channel : channels) {
      double mean = header.frames() == 0 ? 0 : channel.sum / header.frames();
      offset = Math.abs(mean) > Math.abs(offset) ? mean : offset;
      used = Math.max(used, channel.usedBits());
    }
    List<Integer> steps = new ArrayList<>(OVERVIEW_STEPS);
    for (float magnitude : overview) {
      steps.add(Math.min(255, Math.round(magnitude * 255)));
    }
    double rate = header.sampleRate();
    Sides found = sides == null ? null : sides.result(SILENT_BELOW);
    return new Inspection(
        header,
        header.container(),
        header.format().encoding(),
        reader.notes(),
        finite(peaks.samplePeakDbfs()),
        finite(peaks.truePeakDbtp()),
        finite(loudness.integratedLufs()),
        silent ? null : Double.valueOf(loudness.rangeLu()),
        offset,
        clipped,
        clippedRuns,
        used,
        reader.unusableSamples(),
        found,
        found != null && !silent && found.same(),
        silent,
        firstSound < 0 ? null : firstSound / rate,
        lastSound < 0 ? null : lastSound / rate,
        soundOf(silent),
        steps);
  }

  private Sound soundOf(boolean silent) {
    if (silent) {
      return new Sound(null, 0, 0, 0, null, null, List.of(), null);
    }
    double energy = 0;
    double slope = 0;
    for (ChannelScan channel : channels) {
      energy += channel.energy;
      slope += channel.slope;
    }
    // Of a sine, Σ(x[n] − x[n−1])² ⁄ Σx² = 4 sin²(π f ⁄ rate).
    double ratio = Math.min(1, Math.sqrt(slope / energy) / 2);
    double brightness = Math.asin(ratio) / Math.PI * header.sampleRate();
    List<Stretch> activity = new ArrayList<>();
    for (int[] hops : envelope.activity()) {
      long to = Math.min(header.frames(), (long) hops[1] * hopFrames);
      Stretch stretch = new Stretch((long) hops[0] * hopFrames, to);
      if (activity.size() < MOST_STRETCHES) {
        activity.add(stretch);
      } else {
        // The last one takes in all that follow: nothing that sounds is outside.
        Stretch last = activity.remove(MOST_STRETCHES - 1);
        activity.add(new Stretch(last.from(), to));
      }
    }
    int[] onsets = envelope.onsets();
    long active = Math.min(header.frames(), (long) envelope.activeHops() * hopFrames);
    double activeSeconds = (double) active / header.sampleRate();
    return new Sound(
        brightness,
        activeSeconds == 0 ? 0 : onsets.length / activeSeconds,
        (double) active / header.frames(),
        envelope.sustainedShare(),
        finite(envelope.noiseFloorDbfs()),
        finite(envelope.pulseBpm(onsets)),
        activity,
        envelope.levels().text());
  }

  private static @Nullable Double finite(double value) {
    return Double.isFinite(value) ? value : null;
  }

  /** Sums over one channel. Flat loops with several sums at once, so that none waits for itself. */
  private static final class ChannelScan {
    private final int bits;
    private final boolean mayBeOffGrid;
    private final float grid;
    private double sum;
    private double energy;
    private double slope;
    private double hopEnergy;
    private float before;
    private int setBits;
    private boolean offGrid;
    private int clipRun;

    ChannelScan(SampleFormat format) {
      bits = format.bits();
      // A file of 32 or 64 bits may hold samples of 24, and more than 24 do not fit a float.
      mayBeOffGrid = bits > 24;
      grid = (float) (1L << (Math.min(24, bits) - 1));
    }

    /** Largest magnitude of {@code x[from…to − 1]}. */
    float add(float[] x, int from, int to) {
      double a = 0, b = 0, c = 0, d = 0;
      double s = 0, t = 0, u = 0, v = 0;
      double total = 0, more = 0;
      float last = before;
      int i = from;
      for (; i + 4 <= to; i += 4) {
        double x0 = x[i], x1 = x[i + 1], x2 = x[i + 2], x3 = x[i + 3];
        double d0 = x0 - last, d1 = x1 - x0, d2 = x2 - x1, d3 = x3 - x2;
        last = x[i + 3];
        total += x0 + x1;
        more += x2 + x3;
        a = Math.fma(x0, x0, a);
        b = Math.fma(x1, x1, b);
        c = Math.fma(x2, x2, c);
        d = Math.fma(x3, x3, d);
        s = Math.fma(d0, d0, s);
        t = Math.fma(d1, d1, t);
        u = Math.fma(d2, d2, u);
        v = Math.fma(d3, d3, v);
      }
      for (; i < to; i++) {
        double rise = x[i] - last;
        last = x[i];
        total += x[i];
        a = Math.fma(x[i], (double) x[i], a);
        s = Math.fma(rise, rise, s);
      }
      before = last;
      sum += total + more;
      hopEnergy += (a + b) + (c + d);
      slope += (s + t) + (u + v);
      bits(x, from, to);
      return PeakMeter.magnitude(x, from, to);
    }

    private void bits(float[] x, int from, int to) {
      if (offGrid) {
        return;
      }
      int set = 0;
      for (int i = from; i < to; i++) {
        set |= (int) (x[i] * grid);
      }
      setBits |= set;
      if (mayBeOffGrid) {
        for (int i = from; i < to; i++) {
          float scaled = x[i] * grid;
          offGrid |= scaled != (int) scaled;
        }
      }
    }

    int usedBits() {
      if (offGrid) {
        return bits;
      }
      int most = Math.min(24, bits);
      int unused = Integer.numberOfTrailingZeros(setBits);
      return setBits == 0 ? 0 : most - unused;
    }

    double endHop() {
      double hop = hopEnergy;
      energy += hop;
      hopEnergy = 0;
      return hop;
    }
  }

  /** Sums over the two sides of a stereo file. */
  private static final class SideScan {
    private double leftEnergy;
    private double rightEnergy;
    private double product;
    private float difference;
    private float largestLeft;
    private float largestRight;

    void add(float[] left, float[] right, int frames) {
      double a = 0, b = 0, c = 0, d = 0, e = 0, f = 0;
      float apart = 0;
      int i = 0;
      for (; i + 2 <= frames; i += 2) {
        double l0 = left[i], r0 = right[i], l1 = left[i + 1], r1 = right[i + 1];
        a = Math.fma(l0, l0, a);
        b = Math.fma(r0, r0, b);
        c = Math.fma(l0, r0, c);
        d = Math.fma(l1, l1, d);
        e = Math.fma(r1, r1, e);
        f = Math.fma(l1, r1, f);
      }
      for (; i < frames; i++) {
        a = Math.fma(left[i], (double) left[i], a);
        b = Math.fma(right[i], (double) right[i], b);
        c = Math.fma(left[i], (double) right[i], c);
      }
      for (int k = 0; k < frames; k++) {
        apart = Math.max(apart, Math.abs(left[k] - right[k]));
      }
      leftEnergy += a + d;
      rightEnergy += b + e;
      product += c + f;
      difference = Math.max(difference, apart);
      largestLeft = Math.max(largestLeft, PeakMeter.magnitude(left, 0, frames));
      largestRight = Math.max(largestRight, PeakMeter.magnitude(right, 0, frames));
    }

    Sides result(float silentBelow) {
      boolean leftDead = largestLeft < silentBelow;
      boolean rightDead = largestRight < silentBelow;
      boolean both = !leftDead && !rightDead;
      return new Sides(
          both ? product / Math.sqrt(leftEnergy * rightEnergy) : null,
          difference == 0 ? null : 20 * Math.log10(difference),
          both ? 10 * Math.log10(rightEnergy / leftEnergy) : null,
          leftDead == rightDead ? null : leftDead ? "left" : "right");
    }
  }
}
