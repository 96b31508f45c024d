package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.dsp.ProcessorType.Surroundings;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is drawn is what is heard. */
class PictureTest {
  private static final int IMPULSE = 1 << 16;

  private final Random random = new Random(16);

  private static Settings settings(ProcessorType type, Map<String, Double> given) {
    return new Settings(type.parameters(), given);
  }

  private static float[] through(
      ProcessorType type, Settings settings, Surroundings surroundings, float[] sound) {
    Processor processor = type.create(settings, surroundings);
    float[][] block = {sound.clone()};
    processor.process(block, null, sound.length);
    return block[0];
  }

  /** Gain at a frequency, of a response to an impulse, dB. */
  private static double gainDb(float[] response, double frequency, int rate) {
    double re = 0;
    double im = 0;
    for (int i = 0; i < response.length; i++) {
      double w = 2 * Math.PI * frequency * i / rate;
      re += response[i] * Math.cos(w);
      im += response[i] * Math.sin(w);
    }
    return 10 * Math.log10(re * re + im * im);
  }

  @ParameterizedTest
  @ValueSource(ints = {44_100, 48_000, 96_000, 192_000})
  void theResponseIsWhatAnImpulseMeasures(int rate) {
    Equaliser equaliser = new Equaliser();
    Surroundings mono = new Surroundings(rate, Layout.MONO, 120);
    Map<String, Double> given = new HashMap<>();
    for (Parameter one : equaliser.parameters()) {
      double along = random.nextDouble();
      given.put(
          one.id(),
          one.scale() == Parameter.Scale.LOGARITHMIC
              ? Math.max(60, one.smallest())
                  * Math.pow(one.most() / Math.max(60, one.smallest()), along)
              : one.least() + along * (one.most() - one.least()) / 2);
    }
    for (int bell = 1; bell <= 3; bell++) {
      given.put("bell-" + bell + "-q", 0.5 + 3 * random.nextDouble());
    }
    Settings settings = settings(equaliser, given);
    float[] impulse = new float[IMPULSE];
    impulse[0] = 1;
    float[] response = through(equaliser, settings, mono, impulse);
    Picture picture = equaliser.picture(settings, mono);
    List<Picture.Point> points = picture.lines().get(0).points();
    assertThat(points.get(0).x()).isEqualTo(20);
    for (int i = 0; i < points.size(); i += 4) {
      double measured = gainDb(response, points.get(i).x(), rate);
      if (measured > -60) {
        assertThat(points.get(i).y())
            .as("%.0f Hz of %s", points.get(i).x(), given)
            .isCloseTo(measured, within(0.1));
      }
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {-50, -24, -18, -12, -3})
  void theTransferOfACompressorIsWhereALevelSettles(double inDb) {
    Compressor compressor = new Compressor();
    Surroundings mono = new Surroundings(48_000, Layout.MONO, 120);
    Settings settings =
        settings(compressor, Map.of("threshold", -20.0, "ratio", 4.0, "knee", 8.0, "make-up", 3.0));
    float[] steady = new float[96_000];
    java.util.Arrays.fill(steady, (float) Math.pow(10, inDb / 20));
    float[] out = through(compressor, settings, mono, steady);
    double settled = 20 * Math.log10(out[out.length - 1]);
    assertThat(at(compressor.picture(settings, mono), inDb)).isCloseTo(settled, within(0.1));
  }

  @ParameterizedTest
  @ValueSource(doubles = {-30, -10, -2})
  void theTransferOfALimiterIsWhereALevelSettles(double inDb) {
    Limiter limiter = new Limiter();
    Surroundings mono = new Surroundings(48_000, Layout.MONO, 120);
    Settings settings = settings(limiter, Map.of("drive", 6.0, "ceiling", -2.0));
    float[] steady = new float[96_000];
    java.util.Arrays.fill(steady, (float) Math.pow(10, inDb / 20));
    float[] out = through(limiter, settings, mono, steady);
    double settled = 20 * Math.log10(out[out.length - 1]);
    assertThat(at(limiter.picture(settings, mono), inDb)).isCloseTo(settled, within(0.1));
  }

  /** Between the two points that stand beside it. */
  private static double at(Picture picture, double x) {
    List<Picture.Point> points = picture.lines().get(0).points();
    int i = 1;
    while (points.get(i).x() < x) {
      i++;
    }
    Picture.Point a = points.get(i - 1);
    Picture.Point b = points.get(i);
    return a.y() + (b.y() - a.y()) * (x - a.x()) / (b.x() - a.x());
  }

  @Test
  void echoesStandWhereTheyAreHeard() {
    TempoDelay delay = new TempoDelay();
    Surroundings mono = new Surroundings(48_000, Layout.MONO, 96);
    Settings settings = settings(delay, Map.of("beats", 0.75, "feedback", 50.0));
    float[] impulse = new float[2 * 48_000];
    impulse[0] = 1;
    float[] response = through(delay, settings, mono, impulse);
    Picture picture = delay.picture(settings, mono);
    assertThat(picture.stems()).isTrue();
    List<Picture.Point> echoes = picture.lines().get(0).points();
    for (Picture.Point echo : echoes.subList(0, 3)) {
      int from = (int) (echo.x() * 48_000);
      double before = 0;
      double after = 0;
      for (int i = 0; i < 480; i++) {
        before = Math.max(before, Math.abs(response[from - 1 - i]));
        after = Math.max(after, Math.abs(response[from + i]));
      }
      assertThat(after).isGreaterThan(20 * before);
      double energy = 0;
      for (int i = from; i < from + 12_000; i++) {
        energy += response[i] * response[i];
      }
      assertThat(echo.y())
          .as("all frequencies alike")
          .isCloseTo(10 * Math.log10(energy), within(0.1));
    }
    assertThat(echoes.get(0).y()).as("the usual cuts take some of it").isLessThan(-5);
    assertThat(echoes.get(1).y() - echoes.get(0).y()).isLessThan(-6.02);
  }

  @Test
  void aDecayFallsBySixtyDecibelsInTheTimeThatIsSet() {
    Reverberation reverberation = new Reverberation();
    Settings settings =
        settings(reverberation, Map.of("decay", 2.0, "decay-high", 50.0, "pre-delay", 100.0));
    Picture picture = reverberation.picture(settings, new Surroundings(48_000, Layout.STEREO, 120));
    assertThat(picture.lines()).extracting(Picture.Trace::label).containsExactly("lows", "highs");
    assertThat(picture.lines().get(0).points().get(1)).isEqualTo(new Picture.Point(2.1, -60));
    assertThat(picture.lines().get(1).points().get(1).x()).isCloseTo(1.1, within(1e-6));
  }

  @Test
  void handlesStandWhereTheSettingsPutThem() {
    Surroundings mono = new Surroundings(48_000, Layout.MONO, 120);
    for (ProcessorType type : Processors.all()) {
      Settings usual = settings(type, Map.of("low-cut", 80.0));
      for (Picture.Handle handle : type.picture(usual, mono).handles()) {
        assertThat(handle.xParameter() != null || handle.yParameter() != null).isTrue();
        if (handle.xParameter() != null) {
          assertThat(handle.x()).isEqualTo(usual.get(handle.xParameter()));
        }
        if (handle.yParameter() != null) {
          assertThat(handle.y()).isEqualTo(usual.get(handle.yParameter()));
        }
      }
    }
    assertThat(new Equaliser().picture(settings(new Equaliser(), Map.of()), mono).handles())
        .extracting(Picture.Handle::label)
        .containsExactly("low-shelf", "bell-1", "bell-2", "bell-3", "high-shelf");
  }

  @Test
  void filtersOfAChainAreDrawnTogetherWhereThereAreTwo() {
    Equaliser equaliser = new Equaliser();
    Surroundings mono = new Surroundings(48_000, Layout.MONO, 120);
    Settings bell = settings(equaliser, Map.of("bell-1-frequency", 1000.0, "bell-1-gain", 6.0));
    ChainPictures.Standing one = new ChainPictures.Standing("a", equaliser, true, bell);
    ChainPictures.Standing off = new ChainPictures.Standing("b", equaliser, false, bell);
    ChainPictures.Standing two = new ChainPictures.Standing("c", equaliser, true, bell);
    assertThat(ChainPictures.of(List.of(one, off), mono).together()).isNull();
    Picture together = ChainPictures.of(List.of(one, off, two), mono).together();
    assertThat(together).isNotNull();
    assertThat(at(together, 1000)).isCloseTo(12, within(0.05));
  }
}
