package drevik.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.mix.Refused;
import drevik.mix.field.Field.Unit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypedNumberTest {
  @ParameterizedTest
  @CsvSource({
    "DECIBELS, '−3,5 dB', -3.5",
    "DECIBELS, +3, 3",
    "DECIBELS, .5, 0.5",
    "DECIBELS, off, -144",
    "DECIBELS, '−∞ dB', -144",
    "PAN, 28 left, -0.28",
    "PAN, L28, -0.28",
    "PAN, '  right ', 1",
    "PAN, centre, 0",
    "FRONT_BACK, 40 back, 0.4",
    "FRONT_BACK, 40 %, 0.4",
    "FRONT_BACK, back, 1",
    "FRONT_BACK, front, 0",
    "HEIGHT, 40 up, 0.4",
    "HEIGHT, U40, 0.4",
    "HEIGHT, 40, 0.4",
    "HEIGHT, top, 1",
    "HEIGHT, above, 1",
    "HEIGHT, level, 0",
    "FRAMES, 83.5 s, 83.5",
    "FRAMES, 1:23.5, 83.5",
    "HERTZ, 2.5 kHz, 2500",
    "HERTZ, 80 Hz, 80",
    "BEATS_PER_MINUTE, 96.5 bpm, 96.5",
    "LUFS, -23 LUFS, -23",
    "LOUDNESS_UNITS, 0.5, 0.5",
    "DBTP, −1 dBTP, -1",
    "NONE, 12, 12"
  })
  void allOfATextIsUnderstood(Unit unit, String typed, double value) {
    assertThat(TypedNumber.of(unit, typed)).isCloseTo(value, within(1e-12));
  }

  @ParameterizedTest
  @CsvSource({
    "DECIBELS, 3 or so, a level in dB",
    "DECIBELS, '', a level in dB",
    "DECIBELS, 3 bpm, a level in dB",
    "DECIBELS, 1e3, a level in dB",
    "DECIBELS, NaN, a level in dB",
    "DECIBELS, 1.2.3, a level in dB",
    "PAN, 28, a pan",
    "PAN, 28 leftish, a pan",
    "PAN, L-5, a pan",
    "FRONT_BACK, -5, F for front",
    "FRONT_BACK, L5, F for front",
    "HEIGHT, B40, a height",
    "HEIGHT, -5, a height",
    "FRAMES, 1:75, a time in seconds",
    "HERTZ, 80 Mhz, a frequency",
    "NONE, twelve, a number"
  })
  void whatIsNotUnderstoodWholeIsRefusedWhole(Unit unit, String typed, String says) {
    assertThatThrownBy(() -> TypedNumber.of(unit, typed))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("“" + typed + "” is not " + says);
  }
}
