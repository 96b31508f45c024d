package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class LayoutTest {
  @ParameterizedTest
  @EnumSource(Layout.class)
  void whatIsWrittenIsReadAgain(Layout layout) {
    assertThat(Layout.of(layout.channels(), layout.mask())).isEqualTo(layout);
  }

  @ParameterizedTest
  @CsvSource({
    "6, 0x3F, 5.1",
    "5, 0x37, 5.0",
    "4, 0x33, quad",
    "2, 0x600, stereo",
    "6, 0, 5.1",
    "4, 0x3, quad",
    "8, 0x63F, 7.1",
  })
  void aMaskSaysWhereChannelsBelong(int channels, String mask, String layout) {
    assertThat(Layout.of(channels, Integer.decode(mask)).toString()).isEqualTo(layout);
  }

  @Test
  void whatCannotBePlacedIsNamedAndRefused() {
    assertThatThrownBy(() -> Layout.of(4, 0x107))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("L R C Cs");
    assertThatThrownBy(() -> Layout.of(3, 0xB)).hasMessageContaining("L R LFE");
  }
}
