package drevik.naming;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.mix.ChannelKind;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChannelNameTest {
  @ParameterizedTest
  @CsvSource({
    "Kick In, , drums/kick, false",
    "OH L, , drums/overhead, false",
    "Drum Bus, BUS, drums, false",
    "DrumBus, BUS, drums, false",
    "Gtr Grp, BUS, guitar, false",
    "FX Bus, BUS, fx, false",
    "Dialogue stem, BUS, dialogue, false",
    "Plate verb, RETURN, unknown, false",
    "Room verb, RETURN, unknown, false",
    "Vox Plate, RETURN, vocals, false",
    "Slap, RETURN, unknown, false",
    "Mix, BUS, unknown, true",
    "Mix bus, BUS, unknown, true",
    "Full mix, BUS, unknown, true",
    "Print, MASTER, unknown, false",
    "Master, MASTER, unknown, false",
    "Mix master, MASTER, unknown, false",
    "Rough mix, REFERENCE, reference/rough, false",
    "Xyzzy, , unknown, false",
  })
  void saysWhatTheChannelIsFor(String name, ChannelKind kind, String category, boolean mix) {
    ChannelName read = ChannelName.of(name);
    assertThat(read.kind().orElse(null)).isEqualTo(kind);
    assertThat(read.sorting().category()).isEqualTo(category);
    assertThat(read.isMix()).isEqualTo(mix);
    assertThat(read.sorting().because()).isNotEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "Keys st, STEREO",
    "Piano (stereo), STEREO",
    "Music 5.1, SURROUND_5_1",
    "Amb QUAD, QUAD",
    "Stand,",
  })
  void saysALayout(String name, Layout layout) {
    assertThat(ChannelName.of(name).layout().orElse(null)).isEqualTo(layout);
  }
}
