package drevik.route;

import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.route.Coverage.Cell;
import drevik.route.Coverage.Way;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class CoverageTest {
  private static Mix band() {
    return mix()
        .seat("kick", "drums", c -> c.withSends(List.of(send("squeeze", Tap.PRE_FADER, -6))))
        .seat("voice", "mix", c -> c.withSends(List.of(send("plate", Tap.POST_FADER, -12))))
        .seat("spare", null)
        .bus("drums", "mix", c -> c.withFaderDb(-2))
        .bus("squeeze", "drums", c -> c.withChain(List.of(insert("compressor", Map.of()))))
        .channel(ChannelKind.RETURN, "plate", Layout.STEREO, "mix", c -> c)
        .bus("mix", null)
        .output("mix")
        .output("drums")
        .build();
  }

  @Test
  void gainsAddUpAlongAPathAndThePanLawKeepsThePower() {
    Cell voice = Coverage.of(band()).cell("voice", "out mix");
    assertThat(voice.gains().get(Way.DRY)).isCloseTo(0.0, within(1e-3));
    Cell kick = Coverage.of(band()).cell("kick", "out drums");
    assertThat(kick.gains().get(Way.DRY)).isCloseTo(-2.0, within(1e-3));
  }

  @Test
  void pathsAreToldApartByWhatTheyPass() {
    Coverage coverage = Coverage.of(band());
    assertThat(coverage.cell("kick", "out mix").paths())
        .isEqualTo(Map.of(Way.DRY, 1L, Way.PARALLEL, 1L));
    assertThat(coverage.cell("voice", "out mix").paths())
        .isEqualTo(Map.of(Way.DRY, 1L, Way.RETURN, 1L));
    assertThat(coverage.cell("voice", "out drums")).isNull();
    assertThat(coverage.cell("spare", "out mix")).isNull();
    assertThat(coverage.cells()).extracting(Cell::channel).containsExactly("kick", "kick", "voice");
  }

  @Test
  void pathsAreSpelledOut() {
    assertThat(Coverage.of(band()).paths("kick", "out mix", 10))
        .containsExactlyInAnyOrder(
            List.of("kick", "drums", "mix"), List.of("kick", "squeeze", "drums", "mix"));
    assertThat(Coverage.of(band()).paths("kick", "out mix", 1)).hasSize(1);
  }

  @Test
  void whatIsClosedCarriesNothingNowAndIsWiredAllTheSame() {
    Mix closed =
        band()
            .mapChannels(
                c ->
                    c.id().equals("voice")
                        ? c.withMute(true).withSends(List.of(send("plate", Tap.PRE_FADER, -144)))
                        : c);
    assertThat(Coverage.of(closed).cell("voice", "out mix")).isNull();
    assertThat(Coverage.of(closed, Coverage.View.WIRED).cell("voice", "out mix").paths())
        .isEqualTo(Map.of(Way.DRY, 1L, Way.RETURN, 1L));
  }

  @Test
  void aMuteLeavesPreFaderSendsOpen() {
    Mix muted = band().mapChannels(c -> c.withMute(c.id().equals("kick")));
    assertThat(Coverage.of(muted).cell("kick", "out mix").paths()).containsOnlyKeys(Way.PARALLEL);
  }

  @Test
  void nothingPassesAStowedChannel() {
    Mix stowed = band().mapChannels(c -> c.withStowed(c.id().equals("drums")));
    assertThat(Coverage.of(stowed).cell("kick", "out mix")).isNull();
    assertThat(Coverage.of(stowed).cell("kick", "out drums")).isNull();
  }

  @Test
  void aFanIsOnePathIntoEachReturn() {
    Send fan = Send.of("fan", List.of("plate", "hall"), Tap.POST_FADER, 0);
    Mix fanned =
        mix()
            .seat("voice", null, c -> c.withSends(List.of(fan)))
            .channel(ChannelKind.RETURN, "plate", Layout.STEREO, "mix", c -> c)
            .channel(ChannelKind.RETURN, "hall", Layout.STEREO, "mix", c -> c)
            .bus("mix", null)
            .output("mix")
            .build();
    assertThat(Coverage.of(fanned).cell("voice", "out mix").paths())
        .isEqualTo(Map.of(Way.RETURN, 2L));
  }

  @Test
  void controlsAndPolarityAndFoldDownsCount() {
    Mix controlled =
        mix()
            .seat("voice", "mix", c -> c.withInvertPolarity(true).withPan(-1))
            .bus("mix", null)
            .output("mix")
            .build()
            .withControls(List.of(new Control("all", "All", -6, List.of("voice"))));
    double[][] gains = Coverage.of(controlled).gains("voice", "out mix", Set.of(Way.DRY));
    assertThat(gains[0][0]).isCloseTo(-0.5012, within(1e-3));
    assertThat(gains[1][0]).isCloseTo(0, within(1e-9));
    Output mono = controlled.outputs().get(0).withLayout(Layout.MONO);
    assertThat(
            Coverage.of(controlled.withOutputs(List.of(mono)))
                .gains("voice", "out mix", Set.of(Way.DRY))[0][0])
        .isCloseTo(-0.2506, within(1e-3));
  }

  @Test
  void anOutputHearsItsOwnTap() {
    Mix mix = band();
    Output before =
        new Output(
            "before",
            "Before",
            OutputKind.STEM,
            "drums",
            Tap.PRE_FADER,
            Layout.STEREO,
            mix.outputs().get(0).format(),
            "Before");
    Coverage coverage = Coverage.of(mix.withOutputs(List.of(before)));
    assertThat(coverage.cell("kick", "before").gains().get(Way.DRY)).isCloseTo(0.0, within(1e-3));
    assertThat(coverage.cell("drums", "before").gains().get(Way.DRY)).isCloseTo(0.0, within(1e-3));
  }

  @Test
  void morePathsThanCanBeCountedAreStillOneCell() {
    var words = mix().seat("seat", "bus 0 a");
    int levels = 70;
    for (int i = 0; i < levels; i++) {
      String next = i + 1 < levels ? "bus " + (i + 1) : "mix";
      String a = i + 1 < levels ? next + " a" : next;
      String b = i + 1 < levels ? next + " b" : next;
      words.bus(
          "bus " + i + " a",
          a,
          c -> c.withSends(a.equals(b) ? List.of() : List.of(send(b, Tap.POST_FADER, 0))));
      words.bus(
          "bus " + i + " b",
          a,
          c -> c.withSends(a.equals(b) ? List.of() : List.of(send(b, Tap.POST_FADER, 0))));
    }
    Mix deep = words.bus("mix", null).output("mix").build();
    assertThat(Coverage.of(deep).cell("seat", "out mix").count()).isEqualTo(Long.MAX_VALUE);
  }

  @Test
  void whatPassesTheFaderOfADippedBusIsDipped() {
    Control dip = new Control("dip", "Dip", 0, List.of("inner"), true);
    Control inner = new Control("inner", "Inner", 0, List.of("drums"));
    Coverage coverage = Coverage.of(band().withControls(List.of(dip, inner)));
    assertThat(coverage.cell("kick", "out mix").dipped()).isTrue();
    assertThat(coverage.cell("kick", "out drums").dipped()).isTrue();
    assertThat(coverage.cell("voice", "out mix").dipped()).isFalse();
    Output before =
        band().outputs().stream()
            .filter(o -> o.id().equals("out drums"))
            .findFirst()
            .orElseThrow()
            .withTap(Tap.PRE_FADER);
    Mix tapped = band().withControls(List.of(dip, inner)).withOutputs(List.of(before));
    assertThat(Coverage.of(tapped).cell("kick", "out drums").dipped()).isFalse();
  }

  @Test
  void waysThatCancelHaveNoGainAndTheOthersOneTogether() {
    Mix mix =
        mix()
            .seat(
                "kick",
                "a",
                c -> c.withSends(List.of(Send.of("s", List.of("b"), Tap.POST_FADER, 0))))
            .bus("a", "mix")
            .bus("b", "mix", c -> c.withInvertPolarity(true))
            .bus("mix", null)
            .output("mix")
            .build();
    Coverage.Cell cell = Coverage.of(mix).cells().get(0);
    assertThat(cell.count()).isEqualTo(2);
    assertThat(cell.gainDb()).isNull();
    assertThat(cell.gains().values()).allMatch(gain -> Math.abs(gain) < 1e-6);
    Mix silent =
        mix.withControls(List.of(new Control("c", "C", -144, List.of("a"), false)))
            .mapChannels(c -> c.id().equals("a") ? c.withFaderDb(12) : c);
    assertThat(Coverage.of(silent).cells().get(0).paths(Way.DRY)).isZero();
  }
}
