package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.intake.measure.StereoPairs.Half;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class StereoPairsTest {
  private static List<String> pairs(String category, String... names) {
    List<Half> files =
        Stream.of(names).map(name -> new Half(name, name, category, 48_000, 48_000)).toList();
    return StereoPairs.among(files, Mix.empty(MixKind.TEMPLATE, "Band")).stream()
        .map(pair -> pair.first() + " + " + pair.second())
        .toList();
  }

  @Test
  void aDateBehindTheSideAndARunningNumberBeforeTheSourceAreNoPartOfIt() {
    assertThat(
            pairs(
                "drums/overhead",
                "Halden_08_FlrTom_2026-11-03.wav",
                "Halden_09_OH.L_2026-11-03.wav",
                "Halden_10_OH.R_2026-11-03.wav",
                "Halden_11_Room far_2026-11-03.wav",
                "Halden_18_Pno R 48k 24bit.wav",
                "Halden_19_Pno L 48k 24bit.wav"))
        .containsExactly(
            "Halden_09_OH.L_2026-11-03.wav + Halden_10_OH.R_2026-11-03.wav",
            "Halden_19_Pno L 48k 24bit.wav + Halden_18_Pno R 48k 24bit.wav");
  }

  @Test
  void takesStayApart() {
    assertThat(pairs("vocals/choir", "Choir take 3.L", "Choir take 3.R", "Choir take 4.L"))
        .containsExactly("Choir take 3.L + Choir take 3.R");
    assertThat(pairs("drums/room", "Room L v1", "Room L v2", "Room R v1", "Room R v2")).isEmpty();
  }

  @Test
  void aDoubledGuitarIsTwoPerformances() {
    assertThat(pairs("guitar", "Gtr L_2026-11-03.wav", "Gtr R_2026-11-03.wav")).isEmpty();
    assertThat(pairs("guitar", "Gtr.L_2026-11-03.wav", "Gtr.R_2026-11-03.wav")).hasSize(1);
  }

  @Test
  void aSideIsSeenBeforeADate() {
    assertThat(StereoPairs.panOf("Halden_14_Gtr Rhy L_2026-11-03.wav")).isEqualTo(-1);
    assertThat(StereoPairs.panOf("Gtr Rhy R")).isEqualTo(1);
    assertThat(StereoPairs.panOf("Gtr Rhy_2026-11-03.wav")).isZero();
  }
}
