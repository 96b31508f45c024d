package drevik.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.mix.Refused;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypedSettingTest {
  private static Parameter parameter(String processor, String id) {
    return Processors.byId(processor).orElseThrow().parameters().stream()
        .filter(one -> one.id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    "equaliser, low-cut, 80, 80",
    "equaliser, low-cut, 1.2k, 1200",
    "equaliser, low-cut, 1.2 kHz, 1200",
    "equaliser, low-cut, off, 0",
    "equaliser, low-cut, 0, 0",
    "equaliser, low-cut-slope, 24, 24",
    "equaliser, low-cut-slope, 12 dB/oct, 12",
    "equaliser, bell-1-gain, −3.5 dB, -3.5",
    "equaliser, bell-1-q, '0,7', 0.7",
    "compressor, ratio, 4:1, 4",
    "compressor, attack, 0.03 s, 30",
    "compressor, attack, 30ms, 30",
    "tempo-delay, beats, 1/8 dotted, 0.75",
    "tempo-delay, beats, 3, 3",
    "reverberation, decay, 2.4 s, 2.4",
    "reverberation, decay, 800 ms, 0.8",
    "reverberation, pre-delay, 1/32, 62.5",
    "reverberation, pre-delay, 1/32t, 41.6666666667",
    "tempo-delay, beats, 120 ms, 0.24",
    "tempo-delay, beats, '0,3 s', 0.6",
    "tempo-delay, beats, 3/16, 0.75",
    "tempo-delay, beats, 1/4d, 1.5",
    "tempo-delay, beats, 1/32 triplet, 0.0833333333",
    "compressor, release, 1/4., 750",
  })
  void isUnderstoodWithItsUnitsAndNames(String processor, String id, String text, double value) {
    assertThat(TypedSetting.of(parameter(processor, id), text, 120)).isCloseTo(value, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "equaliser, low-cut, 5, '20 to 2000 Hz, or off; 5 is not'",
    "equaliser, low-cut, 3k, 3000 is not",
    "equaliser, low-cut-slope, 18, 12 dB/oct or 24 dB/oct; 18 is not",
    "equaliser, bell-1-gain, 30, −24 to 24 dB; 30 is not",
    "equaliser, bell-1-gain, off, is no bell 1 gain",
    "equaliser, bell-1-gain, NaN, is no bell 1 gain",
    "equaliser, bell-1-gain, 3 or so, is no bell 1 gain",
    "compressor, ratio, '', is no ratio",
    "tempo-delay, beats, 1/8 swung, 'a note such as 1/8 dotted'",
    "tempo-delay, beats, 30 s, 60 is not",
    "equaliser, low-cut, 1/8, is not a frequency",
  })
  void isRefusedInWordsWithTheRange(String processor, String id, String text, String words) {
    assertThatThrownBy(
            () -> TypedSetting.of(parameter(processor, id), text == null ? "" : text, 120))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(words);
  }

  @Test
  void everyStandardAndEveryChoiceIsWithinItsRange() {
    List<Parameter> all =
        Processors.all().stream().map(ProcessorType::parameters).flatMap(List::stream).toList();
    for (Parameter one : all) {
      assertThat(one.standard()).as(one.id()).isBetween(one.least(), one.most());
      for (Parameter.Choice choice : one.choices()) {
        assertThat(TypedSetting.of(one, choice.label(), 120)).isEqualTo(choice.value());
        assertThat(choice.value()).isBetween(one.least(), one.most());
      }
      assertThat(one.scale() == Parameter.Scale.LINEAR || one.smallest() > 0).isTrue();
    }
  }
}
