package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class SharedWordsTest {
  private static final List<String> BAND =
      List.of("Kick", "Snare", "Hat", "Bass DI", "Gtr L", "Piano", "Lead vox", "BGV", "Tamb");

  private static List<String> called(String form, List<String> names) {
    return names.stream().map(form::formatted).toList();
  }

  private static List<String> sorted(List<String> names) {
    return DeliverySorting.ofNames(names).stream().map(Sorting::category).toList();
  }

  @Test
  void eachFolderOfAnAlbumHasASongOfItsOwn() {
    List<String> album = new ArrayList<>();
    album.addAll(called("01/Night Bus - %s.wav", BAND));
    album.addAll(called("02/Golden Horn - %s.wav", BAND));
    album.addAll(called("03/Silver Drum - %s.wav", BAND));
    List<String> plain = sorted(called("%s.wav", BAND));
    List<String> read = sorted(album);
    assertThat(read.subList(0, 9)).isEqualTo(plain);
    assertThat(read.subList(9, 18)).isEqualTo(plain);
    assertThat(read.subList(18, 27)).as("a family of its own").isEqualTo(plain);
    assertThat(SharedWords.without(album).get(0)).startsWith("01/").endsWith("Kick");
  }

  @Test
  void ofAFewFilesTheNameOfTheirFolderIsTheirSong() {
    List<String> seven = BAND.subList(0, 7);
    List<String> album = new ArrayList<>(called("01 Night Bus/Night Bus - %s.wav", seven));
    album.addAll(called("02 Salt Road/Salt Road - %s.wav", seven));
    assertThat(sorted(album).subList(0, 7)).isEqualTo(sorted(seven));
    assertThat(sorted(called("Night Bus/Night Bus - %s.wav", seven))).isEqualTo(sorted(seven));
    List<String> drums = List.of("Drums Kick", "Drums Snare", "Drums Hat", "Drums Room");
    assertThat(SharedWords.without(called("Drums/%s.wav", drums)))
        .as("what they are, and no song")
        .allMatch(name -> name.contains("Drums "));
  }

  @Test
  void behindTheCodeOfAProductionStandsTheDepartment() {
    List<String> film =
        List.of(
            "VO gravel",
            "MX choir",
            "MX button",
            "FX city",
            "FOL leather",
            "DX whisper",
            "BG rain");
    List<String> with =
        called("TRLR_04 %s.wav", Stream.concat(film.stream(), BAND.stream()).toList());
    assertThat(SharedWords.without(with)).startsWith("_ VO gravel", "_ MX choir");
    assertThat(sorted(called("A/TRLR_04_%s.wav", film.subList(0, 7))))
        .as("of fewer than eight, several may share a word by chance")
        .isNotEqualTo(sorted(film));
    List<String> eight = Stream.concat(film.stream(), Stream.of("ADR Anna")).toList();
    assertThat(sorted(called("A/TRLR_04_%s.wav", eight)))
        .containsExactly(
            "narration",
            "score",
            "score",
            "effects",
            "foley/cloth",
            "dialogue",
            "ambience",
            "dialogue/adr");
  }

  @Test
  void anInstrumentInASongsNameIsNoInstrument() {
    assertThat(sorted(called("Golden Horn - %s", BAND))).isEqualTo(sorted(BAND));
    assertThat(sorted(called("%s (Golden Horn) 96bpm.wav", BAND))).isEqualTo(sorted(BAND));
    assertThat(sorted(BAND)).doesNotContain("brass/horn", "unknown");
  }

  @Test
  void whatAllFilesOfOneChoirAreCalledStays() {
    List<String> choir =
        called(
            "Choir %s",
            List.of(
                "Sop 1", "Sop 2", "Alto 1", "Alto 2", "Tenor 1", "Tenor 2", "Bass 1", "Bass 2"));
    assertThat(SharedWords.without(choir)).isEqualTo(choir);
    assertThat(sorted(choir)).containsOnly("vocals/choir");
  }

  @Test
  void aNameThatIsNothingElseKeepsItsWord() {
    List<String> names =
        Stream.concat(called("Zorq %s", BAND).stream(), Stream.of("Zorq 01")).toList();
    assertThat(SharedWords.without(names)).startsWith(" Kick").endsWith("Zorq 01");
  }

  @Test
  void whatSomebodySaidTellsTheKindOfWorkAsBefore() {
    List<DeliverySorting.Named> named =
        Stream.of("A", "B", "C", "D", "E", "F", "MX choir", "G")
            .map("Reel7 %s"::formatted)
            .map(name -> new DeliverySorting.Named(name, NameSorter.sort(name)))
            .collect(Collectors.toCollection(ArrayList::new));
    assertThat(DeliverySorting.of(named).get(6).category()).isEqualTo("vocals/choir");
    List<String> said = List.of("foley/feet", "ambience", "effects/hard", "dialogue");
    for (int i = 0; i < said.size(); i++) {
      Sorting byHand = Sorting.byHand(said.get(i));
      named.set(i, new DeliverySorting.Named(named.get(i).name(), byHand));
    }
    assertThat(DeliverySorting.of(named).get(6).category()).isEqualTo("score");
  }
}
