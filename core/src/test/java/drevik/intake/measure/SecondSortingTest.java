package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.EmbeddedNotes;
import drevik.audio.SampleFormat;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SecondSortingTest {
  private static final Inspection PLAIN = Inspections.of(48_000, SampleFormat.PCM_24);

  private static Inspection calling(String name) {
    return PLAIN.withNotes(
        new EmbeddedNotes(List.of(name), null, null, null, null, null, null, Map.of(), List.of()));
  }

  private static Sorting after(String name, Inspection found) {
    return SecondSorting.of(name, NameSorter.sort(name), found);
  }

  @Test
  void aFileThatSaysNothingOutsideIsAskedWhatItCallsItself() {
    Sorting sorting = after("Audio 23_01.wav", calling("Snare Top"));
    assertThat(sorting.category()).isEqualTo("drums/snare");
    assertThat(sorting.because()).first().isEqualTo("the file calls itself “Snare Top”");
    assertThat(SecondSorting.titleOf("Audio 23_01.wav", calling("Snare Top")))
        .isEqualTo("Snare Top");
    assertThat(SecondSorting.titleOf("Kick.wav", calling("Snare Top"))).isEqualTo("Kick.wav");
  }

  @Test
  void aNameThatIsSureIsNotOverruled() {
    assertThat(after("Kick.wav", calling("Snare Top"))).isEqualTo(NameSorter.sort("Kick.wav"));
  }

  @Test
  void soundIsAskedLast() {
    Inspection click = PLAIN.withSound(Inspections.sound(96.0));
    Inspection quiet =
        click.withSound(new Sound(1600.0, 1.6, 0.95, 0.6, -97.0, 96.0, List.of(), null));
    assertThat(after("Audio 23.wav", quiet).category()).isEqualTo("click");
    assertThat(after("Room.wav", quiet).category()).isEqualTo("drums/room");
    assertThat(after("Audio 23.wav", PLAIN).category()).isEqualTo("unknown");
  }
}
