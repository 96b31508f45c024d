package drevik.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FileNamesTest {
  private static final NamePattern.Occasion OCCASION =
      new NamePattern.Occasion(12, LocalDate.of(2026, 3, 14));

  private static Mix named(String... patterns) {
    MixWords words = MixWords.mix().bus("mix", null);
    for (String pattern : patterns) {
      words.output("mix");
    }
    Mix mix = words.build().withName("Tide: slow");
    List<Output> outputs = new java.util.ArrayList<>();
    for (int i = 0; i < patterns.length; i++) {
      outputs.add(
          mix.outputs().get(i).withId("o" + i).withName("Full mix").withNamePattern(patterns[i]));
    }
    return mix.withOutputs(outputs);
  }

  private static String resolve(String pattern) {
    Mix mix = named(pattern);
    return NamePattern.resolve(mix, mix.outputs().get(0), OCCASION);
  }

  @ParameterizedTest
  @CsvSource({
    "{project} - {output}, Tide- slow - Full mix",
    "{output}_{layout}_{rate}, Full mix_stereo_48k",
    "{output} {revision} {date}, Full mix r12 2026-03-14",
    "Plain, Plain"
  })
  void tokensBecomeWhatTheyStandFor(String pattern, String name) {
    assertThat(resolve(pattern)).isEqualTo(name);
  }

  @Test
  void aRateThatIsNoWholeNumberOfKilohertzKeepsItsTenth() {
    Mix mix = named("{rate}").withSampleRate(44_100);
    assertThat(NamePattern.resolve(mix, mix.outputs().get(0), OCCASION)).isEqualTo("44.1k");
  }

  @ParameterizedTest
  @CsvSource({"{outptu}, {outptu}", "{output, {output", "{}, {}"})
  void aTokenThatMeansNothingIsNamed(String pattern, String token) {
    Mix mix = named(pattern);
    assertThat(NamePattern.fault(mix, mix.outputs().get(0))).contains("“" + token + "”", "{date}");
  }

  @ParameterizedTest
  @CsvSource({"a/b, character", "NUL, Windows", "'x.', dot", "'', empty", "' x', blank"})
  void fileNamesThatSystemsRefuseAreFound(String name, String says) {
    assertThat(FileNames.fault(name)).contains(says);
    assertThat(FileNames.fault("Drums stem")).isNull();
    assertThat(FileNames.fault("x".repeat(201))).contains("200");
    assertThat(FileNames.fault("音".repeat(100))).contains("240 bytes (it has 300)");
  }

  @Test
  void namesThatOneFileSystemTakesForTheSameAreAFault() {
    assertThat(FileNames.faults(named("Mix", "Stem"), OCCASION)).isEmpty();
    List<FileNames.Fault> faults = FileNames.faults(named("Mix", "MIX"), OCCASION);
    assertThat(faults).hasSize(1);
    assertThat(faults.get(0).outputs()).containsExactly("o0", "o1");
    assertThatThrownBy(() -> FileNames.requireSound(named("{output}", "Full mix"), OCCASION))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("would both write “Full mix.wav”");
  }
}
