package drevik.demo;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.FineTruePeak;
import drevik.audio.Layout;
import drevik.dsp.Limiter;
import drevik.dsp.Processor;
import drevik.dsp.ProcessorType.Surroundings;
import drevik.dsp.Settings;
import drevik.meter.PeakMeter;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Limiter and meter on music, against a measure that has nothing of theirs. */
class ProgrammeTest {
  private static final int RATE = 48_000;
  private static final int FROM = 20 * RATE;
  private static final int FRAMES = 3 * RATE;

  private static final float[] SONG = new float[FRAMES];
  private static final float[] DRUMS = new float[FRAMES];

  @BeforeAll
  static void sum() {
    for (Track track : Weathervane.tracks()) {
      if (track.sampleRate() == RATE) {
        String name = track.fileName().toLowerCase();
        boolean drum = name.matches(".*(kick|kik|sn|oh|tom|hat|hh).*");
        for (float[] channel : track.audio()) {
          for (int i = 0; i < FRAMES; i++) {
            SONG[i] += 0.3f * channel[FROM + i];
            DRUMS[i] += drum ? 0.6f * channel[FROM + i] : 0;
          }
        }
      }
    }
  }

  @Test
  void theCeilingHoldsOnTheSongAndOnItsDrums() {
    double[][] settings = {{0, 80, 2}, {12, 5, 0.5}, {12, 80, 2}, {24, 5, 5}};
    for (float[] programme : new float[][] {SONG, DRUMS}) {
      for (double[] set : settings) {
        Limiter type = new Limiter();
        Processor limiter =
            type.create(
                new Settings(
                    type.parameters(),
                    Map.of("drive", set[0], "release", set[1], "look-ahead", set[2])),
                new Surroundings(RATE, Layout.MONO, 120));
        float[][] audio = {java.util.Arrays.copyOf(programme, FRAMES + limiter.latency() + 500)};
        limiter.process(audio, null, audio[0].length);
        assertThat(FineTruePeak.of(audio[0]))
            .as("drive %.0f, release %.0f, look-ahead %.1f", set[0], set[1], set[2])
            .isBetween(-1.2, -0.95);
      }
    }
  }

  @Test
  void theMeterReadsWhatIsThere() {
    for (float[] programme : new float[][] {SONG, DRUMS}) {
      PeakMeter meter = new PeakMeter(1);
      meter.add(new float[][] {programme}, 0, FRAMES);
      assertThat(meter.truePeakDbtp() - FineTruePeak.of(programme)).isBetween(-0.06, 0.06);
    }
  }
}
