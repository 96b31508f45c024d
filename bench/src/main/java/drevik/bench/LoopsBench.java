package drevik.bench;

import drevik.audio.Layout;
import drevik.dsp.Processor;
import drevik.dsp.ProcessorType;
import drevik.dsp.ProcessorType.Surroundings;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.meter.LoudnessMeter;
import drevik.meter.PeakMeter;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/**
 * The loops over samples that a print consists of, each alone: microseconds a block of {@value
 * #BLOCK} stereo frames at 48 kHz (21 ms), compiled as a print compiles them. A loop that is not
 * turned into vectors any more shows here as several times its neighbours; in a whole print it is
 * lost in the noise of the machine.
 */
public class LoopsBench {
  private static final int BLOCK = 1_024;
  private static final int RATE = 48_000;
  private static final Map<String, Double> THREE_SECTIONS =
      Map.of("low-cut", 80.0, "bell-1-gain", -3.0, "bell-2-gain", 2.0);

  /** Noise at −12 dBFS with a crest now and then, so that dynamics have something to do. */
  @State(Scope.Thread)
  public static class Sound {
    private final float[][] kept = new float[2][BLOCK];
    final float[][] audio = new float[2][BLOCK];

    public Sound() {
      Random random = new Random(1);
      for (float[] channel : kept) {
        for (int i = 0; i < BLOCK; i++) {
          channel[i] = (random.nextFloat() - 0.5f) * (i % 300 == 0 ? 1.9f : 0.5f);
        }
      }
    }

    /** What processors have made of it is made good: fed back, it would grow or die away. */
    void restore() {
      for (int channel = 0; channel < audio.length; channel++) {
        System.arraycopy(kept[channel], 0, audio[channel], 0, BLOCK);
      }
    }
  }

  /** One of each kind: an equaliser of three sections, all else as it comes. */
  @State(Scope.Thread)
  public static class Running {
    @Param({"equaliser", "compressor", "limiter", "reverberation", "tempo-delay"})
    String kind = "";

    private Processor processor = (audio, key, frames) -> {};

    @Setup
    public void create() {
      ProcessorType type = Processors.byId(kind).orElseThrow();
      processor =
          type.create(
              new Settings(type.parameters(), kind.equals("equaliser") ? THREE_SECTIONS : Map.of()),
              new Surroundings(RATE, Layout.STEREO, 120));
    }
  }

  /** A processor in a chain. */
  @Benchmark
  @BenchmarkMode(Mode.AverageTime)
  @OutputTimeUnit(TimeUnit.MICROSECONDS)
  public float[][] processor(Running running, Sound sound) {
    sound.restore();
    running.processor.process(sound.audio, null, BLOCK);
    return sound.audio;
  }

  /** Peaks at and between the samples of a file. */
  @Benchmark
  @BenchmarkMode(Mode.AverageTime)
  @OutputTimeUnit(TimeUnit.MICROSECONDS)
  public PeakMeter peaks(Metering metering, Sound sound) {
    sound.restore();
    metering.peaks.add(sound.audio, 0, BLOCK);
    return metering.peaks;
  }

  /** Loudness of a file. */
  @Benchmark
  @BenchmarkMode(Mode.AverageTime)
  @OutputTimeUnit(TimeUnit.MICROSECONDS)
  public LoudnessMeter loudness(Metering metering, Sound sound) {
    sound.restore();
    metering.loudness.add(sound.audio, 0, BLOCK);
    return metering.loudness;
  }

  /** Meters of one file. */
  @State(Scope.Thread)
  public static class Metering {
    final PeakMeter peaks = new PeakMeter(2);
    final LoudnessMeter loudness = new LoudnessMeter(RATE, Layout.STEREO);
  }

  static void run() throws RunnerException {
    new Runner(
            new OptionsBuilder()
                .include(LoopsBench.class.getName())
                .forks(1)
                .jvmArgs("-XX:+IgnoreUnrecognizedVMOptions", "-XX:MaxVectorSize=32")
                .jvmArgsAppend("-XX:FreqInlineSize=60", "-XX:LoopUnrollLimit=30")
                .warmupIterations(Size.of(3, 1))
                .warmupTime(TimeValue.milliseconds(Size.of(1_000, 50)))
                .measurementIterations(Size.of(5, 1))
                .measurementTime(TimeValue.milliseconds(Size.of(1_000, 50)))
                .build())
        .run();
  }
}
