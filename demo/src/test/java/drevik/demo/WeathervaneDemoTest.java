package drevik.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.WavReader;
import drevik.deliver.FileNames;
import drevik.deliver.NamePattern;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.route.SignalGraph;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo delivery has what a real one has, its faults included. */
class WeathervaneDemoTest {
  @TempDir static Path folder;

  private static final Map<String, Inspection> FOUND = new HashMap<>();

  @BeforeAll
  static void write() throws IOException {
    for (Path file : Demo.WEATHERVANE.writeDelivery(folder)) {
      FOUND.put(file.getFileName().toString(), Inspector.inspect(file));
    }
  }

  @Test
  void thirtySixFilesOfTheSameSong() {
    assertThat(FOUND).hasSize(36);
    assertThat(FOUND.values())
        .allSatisfy(
            found ->
                assertThat(found.header().seconds()).isCloseTo(Weathervane.SECONDS, within(0.01)));
  }

  @Test
  void thePlantedFaultsAreThereAndNoOthers() {
    assertThat(named(found -> found.dualMono())).containsExactly("Harmonium_st.wav");
    assertThat(named(found -> found.silent())).containsExactly("Audio 23_01.wav");
    assertThat(named(found -> found.clippedSamples() > 0)).containsExactly("Flghn.wav");
    assertThat(named(found -> found.header().sampleRate() == 44_100))
        .containsExactly("Nyl gtr 2 44k.wav");
  }

  private static List<String> named(java.util.function.Predicate<Inspection> what) {
    return FOUND.entrySet().stream()
        .filter(entry -> what.test(entry.getValue()))
        .map(Map.Entry::getKey)
        .toList();
  }

  @Test
  void theSnaresTwoSidesWorkAgainstEachOther() throws IOException {
    float[] top = read("03 Snr Top.wav");
    float[] bottom = read("04 Snr Btm.wav");
    double product = 0;
    double topEnergy = 0;
    double bottomEnergy = 0;
    for (int i = 0; i < top.length; i++) {
      product += top[i] * bottom[i];
      topEnergy += top[i] * top[i];
      bottomEnergy += bottom[i] * bottom[i];
    }
    assertThat(product / Math.sqrt(topEnergy * bottomEnergy)).isLessThan(-0.5);
  }

  private static float[] read(String name) throws IOException {
    try (WavReader reader = WavReader.open(folder.resolve(name))) {
      float[][] audio = new float[1][(int) reader.header().frames()];
      reader.read(0, audio, 0, audio[0].length);
      return audio[0];
    }
  }

  @Test
  void theTemplateIsSoundAndItsStemsHoldEveryGroup() {
    Mix template = Demo.WEATHERVANE.template();
    assertThat(SignalGraph.of(template).fault()).isEmpty();
    FileNames.requireSound(template, new NamePattern.Occasion(1, LocalDate.EPOCH));
    assertThat(template.channels()).allMatch(channel -> channel.clips().isEmpty());
    List<String> tapped =
        template.outputs().stream()
            .filter(output -> template.stemSets().get(0).stems().contains(output.id()))
            .map(Output::channel)
            .toList();
    List<String> intoMix =
        template.channels().stream()
            .filter(channel -> "mix".equals(channel.output()))
            .map(channel -> channel.id())
            .toList();
    assertThat(tapped).containsExactlyInAnyOrderElementsOf(intoMix);
    assertThat(template.channels())
        .filteredOn(channel -> channel.kind() == ChannelKind.RETURN)
        .hasSize(3)
        .allMatch(channel -> channel.output().equals("returns"));
  }
}
