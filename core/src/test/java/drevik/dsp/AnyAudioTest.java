package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every processor, in every layout, at every rate, set to the ends of all its ranges. */
class AnyAudioTest {
  private static final int FRAMES = 6_000;

  static Stream<Arguments> all() {
    return Processors.all().stream()
        .flatMap(
            type ->
                Stream.of(44_100, 48_000, 96_000, 192_000).map(rate -> Arguments.of(type, rate)));
  }

  private static Map<String, Double> settings(ProcessorType type, Random random) {
    Map<String, Double> settings = new HashMap<>();
    for (Parameter parameter : type.parameters()) {
      double part = List.of(0.0, 1.0, random.nextDouble()).get(random.nextInt(3));
      settings.put(
          parameter.id(), parameter.least() + part * (parameter.most() - parameter.least()));
    }
    return settings;
  }

  private static float[][] audio(Layout layout, Random random) {
    float[][] audio = new float[layout.channels()][FRAMES];
    for (float[] channel : audio) {
      for (int i = 0; i < FRAMES / 2; i++) {
        // Far beyond full scale, a lone impulse, next to nothing; then silence.
        channel[i] =
            switch (i / 500 % 3) {
              case 0 -> (float) (random.nextGaussian() * 40);
              case 1 -> i % 500 == 7 ? 1000 : 0;
              default -> (float) (random.nextGaussian() * 1e-38);
            };
      }
    }
    return audio;
  }

  @ParameterizedTest
  @MethodSource("all")
  void onlyNumbersComeOutAndTheSameForAnyBlocks(ProcessorType type, int rate) {
    for (Layout layout : Layout.values()) {
      Random random = new Random(layout.ordinal() + rate);
      Map<String, Double> settings = settings(type, random);
      float[][] whole = audio(layout, random);
      float[][] cut = Arrays.stream(whole).map(float[]::clone).toArray(float[][]::new);
      processor(type, settings, layout, rate).process(whole, null, FRAMES);
      Processor second = processor(type, settings, layout, rate);
      float[][] block = new float[cut.length][];
      for (int at = 0, size; at < FRAMES; at += size) {
        size = Math.min(FRAMES - at, 1 + random.nextInt(900));
        for (int channel = 0; channel < cut.length; channel++) {
          block[channel] = Arrays.copyOfRange(cut[channel], at, at + size);
        }
        second.process(block, null, size);
        for (int channel = 0; channel < cut.length; channel++) {
          System.arraycopy(block[channel], 0, cut[channel], at, size);
        }
      }
      String what = type.id() + " in " + layout + " " + settings;
      for (int channel = 0; channel < cut.length; channel++) {
        assertThat(Arrays.equals(cut[channel], whole[channel])).as(what).isTrue();
        for (float x : whole[channel]) {
          assertThat(Float.isFinite(x)).as(what).isTrue();
        }
      }
    }
  }

  private static Processor processor(
      ProcessorType type, Map<String, Double> settings, Layout layout, int rate) {
    return type.create(
        new Settings(type.parameters(), settings),
        new ProcessorType.Surroundings(rate, layout, 120));
  }

  @ParameterizedTest
  @MethodSource("all")
  void detectorsAndRoomsLeaveTheLfeOut(ProcessorType type, int rate) {
    Layout layout = Layout.SURROUND_5_1;
    float[][] loudLfe = new float[layout.channels()][FRAMES];
    Arrays.fill(loudLfe[3], 1f);
    float[] front = new float[FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      front[i] = (float) (0.001 * Math.sin(i * 0.05));
    }
    loudLfe[0] = front.clone();
    float[][] without = new float[layout.channels()][FRAMES];
    without[0] = front.clone();
    Map<String, Double> settings = Map.of("threshold", -30.0, "ratio", 10.0);
    processor(type, settings, layout, rate).process(loudLfe, null, FRAMES);
    processor(type, settings, layout, rate).process(without, null, FRAMES);
    // The limiter's ceiling is a matter of every channel, and all share its gain.
    assertThat(Arrays.equals(loudLfe[0], without[0]))
        .as(type.id())
        .isEqualTo(!(type instanceof Limiter));
  }

  @ParameterizedTest
  @MethodSource("longDelays")
  void theDelayIsAsLongAsTheTempoAsks(double beats, double tempo) {
    TempoDelay type = new TempoDelay();
    int rate = 8_000;
    int frames = TempoDelay.frames(beats, tempo, rate);
    assertThat(frames).isEqualTo((int) Math.round(beats * 60 / tempo * rate));
    float[][] x = new float[1][frames + 4_000];
    x[0][0] = 1;
    Processor delay =
        type.create(
            new Settings(type.parameters(), Map.of("beats", beats, "low-cut", 20.0)),
            new ProcessorType.Surroundings(rate, Layout.MONO, tempo));
    delay.process(x, null, x[0].length);
    int loudest = 0;
    for (int i = 0; i < x[0].length; i++) {
      loudest = Math.abs(x[0][i]) > Math.abs(x[0][loudest]) ? i : loudest;
    }
    assertThat(loudest).isBetween(frames, frames + 2);
  }

  static Stream<Arguments> longDelays() {
    return Stream.of(Arguments.of(16.0, 60.0), Arguments.of(16.0, 20.0), Arguments.of(0.75, 97.0));
  }
}
