package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.audio.Speaker;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LfeLowPassTest {
  private static final int RATE = 48_000;
  private static final LfeLowPass TYPE = new LfeLowPass();

  private static Settings settings(double hertz) {
    return new Settings(TYPE.parameters(), Map.of("frequency", hertz));
  }

  private static float[][] filtered(Layout layout, double corner, double hertz) {
    float[][] audio = new float[layout.channels()][RATE];
    for (float[] channel : audio) {
      for (int i = 0; i < RATE; i++) {
        channel[i] = (float) (0.5 * Math.sin(2 * Math.PI * hertz * i / RATE));
      }
    }
    TYPE.create(settings(corner), new ProcessorType.Surroundings(RATE, layout, 120))
        .process(audio, null, RATE);
    return audio;
  }

  private static double levelDb(float[] audio) {
    double power = 0;
    for (int i = RATE / 2; i < RATE; i++) {
      power += audio[i] * audio[i];
    }
    return 10 * Math.log10(power / (RATE / 2) / 0.125);
  }

  @ParameterizedTest
  @CsvSource({"120, 30, 0", "120, 120, -3.01", "80, 160, -24.1", "120, 960, -72.2"})
  void highsOfTheLfeFall(double corner, double hertz, double db) {
    float[][] audio = filtered(Layout.SURROUND_5_1, corner, hertz);
    int lfe = Layout.SURROUND_5_1.speakers().indexOf(Speaker.LFE);
    assertThat(levelDb(audio[lfe])).isCloseTo(db, within(0.2));
  }

  @Test
  void allOtherSpeakersPassBitByBit() {
    for (Layout layout : Layout.values()) {
      float[][] audio = filtered(layout, 80, 4_000);
      for (int channel = 0; channel < layout.channels(); channel++) {
        boolean lfe = layout.speakers().get(channel) == Speaker.LFE;
        assertThat(levelDb(audio[channel]) < -60).as("%s %s", layout, channel).isEqualTo(lfe);
        if (!lfe) {
          assertThat(audio[channel][17])
              .isEqualTo((float) (0.5 * Math.sin(2 * Math.PI * 4_000.0 * 17 / RATE)));
        }
      }
    }
  }

  @Test
  void itIsDrawnAsItSoundsAndRingsOnlyWhereThereIsAnLfe() {
    var five = new ProcessorType.Surroundings(RATE, Layout.SURROUND_5_1, 120);
    var stereo = new ProcessorType.Surroundings(RATE, Layout.STEREO, 120);
    assertThat(TYPE.picture(settings(120), five).handles()).hasSize(1);
    assertThat(TYPE.picture(settings(120), stereo).handles()).isEmpty();
    assertThat(TYPE.tail(settings(120), five)).isPositive();
    assertThat(TYPE.tail(settings(120), stereo)).isZero();
  }
}
