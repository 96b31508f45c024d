package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class NeighbourSortingTest {
  private static List<Sorting> sorted(String... names) {
    return NeighbourSorting.of(
        Stream.of(names)
            .map(name -> new NeighbourSorting.Named(name, NameSorter.sort(name)))
            .toList());
  }

  @Test
  void aFileAmongItsFamilyIsOfIt() {
    List<Sorting> sortings =
        sorted(
            "one/Kick.wav",
            "one/Snare.wav",
            "one/Hat.wav",
            "one/Zorq.wav",
            "two/Zorq.wav",
            "two/Lead vox.wav");
    assertThat(sortings.get(3).category()).isEqualTo("drums");
    assertThat(sortings.get(3).confidence()).isLessThan(SecondSorting.UNSURE);
    assertThat(sortings.get(3).because()).contains("3 of 3 known files in its folder are drums");
    assertThat(sortings.get(4).category()).isEqualTo("unknown");
    assertThat(sortings.get(0)).isEqualTo(NameSorter.sort("one/Kick.wav"));
  }

  @Test
  void oneFolderForEverythingSaysNothing() {
    assertThat(sorted("d/Kick.wav", "d/Snare.wav", "d/Hat.wav", "d/Zorq.wav").get(3).category())
        .isEqualTo("unknown");
  }

  @Test
  void numbersKeepTheOrderOfASession() {
    List<Sorting> sortings =
        sorted("03 Snr.wav", "04_Zorq.wav", "05 Hat.wav", "06 Zorq.wav", "07 Lead vox.wav");
    assertThat(sortings.get(1).category()).isEqualTo("drums");
    assertThat(sortings.get(1).because()).contains("numbers 3 and 5 are drums");
    assertThat(sortings.get(3).category()).isEqualTo("unknown");
  }

  @Test
  void aNeighbourThatSaysTheSameMakesADoubtfulNameSure() {
    var doubtful =
        new NeighbourSorting.Named("04 x", new Sorting("drums/tom", 0.5, List.of("perhaps")));
    var kick = new NeighbourSorting.Named("03 Kick", NameSorter.sort("Kick"));
    var hat = new NeighbourSorting.Named("05 Hat", NameSorter.sort("Hat"));
    var bass = new NeighbourSorting.Named("04 y", new Sorting("bass", 0.5, List.of("perhaps")));
    assertThat(NeighbourSorting.of(List.of(kick, doubtful, hat)).get(1).confidence())
        .isGreaterThan(SecondSorting.UNSURE);
    assertThat(NeighbourSorting.of(List.of(kick, bass, hat)).get(1)).isEqualTo(bass.sorting());
  }
}
