package drevik.refit;

import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.RandomMix;
import drevik.deliver.Specifications;
import drevik.edit.MoveChannels;
import drevik.edit.RemoveChannels;
import drevik.edit.RenameChannels;
import drevik.edit.SendChannelsTo;
import drevik.edit.SetControl;
import drevik.edit.SetLevel;
import drevik.edit.SetSpecification;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Mix;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class DifferencesTest {
  private static Mix band() {
    return mix()
        .seat("kick", "drums")
        .seat("voice", "mix")
        .bus("drums", "mix", c -> c.withChain(List.of(insert("compressor", Map.of()))))
        .bus("mix", null)
        .output("mix")
        .build();
  }

  @Test
  void aMixDiffersInNothingFromItself() {
    assertThat(Differences.between(band(), band())).isEmpty();
  }

  @Test
  void channelsAreTheSameByTheirIdsAndTheirValuesAreToldBeforeAndAfter() {
    Mix after = new SetLevel(List.of("kick"), SetLevel.Field.FADER, -6).applyTo(band());
    after = new RenameChannels(Map.of("kick", "Bass drum")).applyTo(after);
    after = new SendChannelsTo(List.of("voice"), "drums").applyTo(after);
    assertThat(Differences.between(band(), after))
        .containsExactly(
            "Bass drum, name: kick → Bass drum",
            "Bass drum, fader, dB: 0 → −6",
            "voice, sent to: mix → drums");
  }

  @Test
  void whatIsAddedRemovedAndMovedIsNamed() {
    Mix without = new RemoveChannels(List.of("voice")).applyTo(band());
    assertThat(Differences.between(band(), without)).containsExactly("removed: the seat voice");
    assertThat(Differences.between(without, band())).containsExactly("added: the seat voice");
    Mix moved = new MoveChannels(List.of("voice"), "kick").applyTo(band());
    assertThat(Differences.between(band(), moved)).containsExactly("the order of channels");
  }

  @Test
  void settingsOfAChainControlsOutputsAndTimesAreTold() {
    Insert set = insert("compressor", Map.of("threshold", -20.0));
    Mix after =
        band()
            .mapChannels(c -> c.id().equals("drums") ? c.withChain(List.of(set)) : c)
            .withTempo(97.5)
            .withEndFrame(96_000L);
    after = new SetControl(new Control("c", "Rhythm", -3, List.of("drums"), true)).applyTo(after);
    after =
        new SetSpecification(List.of("out mix"), Specifications.shipped().get(0)).applyTo(after);
    assertThat(Differences.between(band(), after))
        .containsExactly(
            "tempo: 120 bpm → 97.5 bpm",
            "end: none → 2 s",
            "drums, settings of the chain",
            "added: the control Rhythm",
            "output mix, specification: none → r128");
    Mix less = new SetControl(new Control("c", "Rhythm", -4.5, List.of())).applyTo(after);
    assertThat(Differences.between(after, less))
        .containsExactly(
            "control Rhythm, gain: −3 dB → −4.5 dB",
            "control Rhythm, dip: yes → no",
            "control Rhythm, members: 1 → 0");
  }

  @Property(tries = 100)
  void twoMixesHaveNoDifferenceOnlyIfTheyAreEqual(@ForAll long seed, @ForAll long other) {
    Mix one = RandomMix.of(seed);
    Mix two = RandomMix.of(other);
    assertThat(Differences.between(one, RandomMix.of(seed))).isEmpty();
    assertThat(Differences.between(one, two).isEmpty()).isEqualTo(one.equals(two));
  }

  @Test
  void evenAChangeThatNoFigureShowsIsTold() {
    Mix after = new SetLevel(List.of("kick"), SetLevel.Field.FADER, -0.001).applyTo(band());
    assertThat(Differences.between(band(), after)).hasSize(1);
  }
}
