package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.category.DeliverySorting.Named;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class DeliverySortingTest {
  /** In the order of a session, which is not that of the alphabet. */
  private static final List<String> SONG =
      List.of(
          "Kick In",
          "Snare Top",
          "Hat",
          "Floor tom",
          "Bass DI",
          "Bass amp",
          "Rhythm gtr",
          "Clean gtr",
          "Gtr solo",
          "Rhodes",
          "Organ hi",
          "Piano",
          "Lead vox",
          "Lead dbl",
          "BGV high",
          "BGV low");

  private static List<Sorting> sorted(String... names) {
    return DeliverySorting.ofNames(List.of(names));
  }

  private static Sorting among(String name, String before) {
    return within(name, before, SONG);
  }

  private static Sorting within(String name, String before, List<String> others) {
    List<String> names = new ArrayList<>(others);
    int at = names.indexOf(before) + 1;
    names.add(at, name);
    return DeliverySorting.ofNames(names).get(at);
  }

  @Test
  void whatStandsBetweenTwoOfAFamilyIsOfIt() {
    Sorting unheardOf = among("Zorq", "Snare Top");
    assertThat(unheardOf.category()).isEqualTo("drums");
    assertThat(unheardOf.confidence()).isLessThan(Sorting.SURE);
    assertThat(unheardOf.because()).contains("it stands between drums");
    assertThat(among("Zorq", "Floor tom").category()).isEqualTo("unknown");
  }

  @Test
  void theNeighboursTellWhichMeaningAWordHas() {
    assertThat(NameSorter.sort("Ohs").category()).isEqualTo("drums/overhead");
    assertThat(among("Ohs", "BGV high").category()).isEqualTo("vocals/backing");
    assertThat(among("Ohs", "BGV high").because()).contains("it stands among vocals");
    assertThat(among("Ohs", "Hat").category()).isEqualTo("drums/overhead");
  }

  @Test
  void whatNoNeighbourIsIsAsked() {
    Sorting clarinet = among("Klarinette", "Snare Top");
    assertThat(clarinet.category()).isEqualTo("winds/clarinet");
    assertThat(clarinet.confidence()).isLessThan(Sorting.SURE);
    assertThat(clarinet.because()).contains("none of its neighbours is winds");
  }

  @Test
  void aClickStandsAlone() {
    assertThat(among("Click", "Snare Top")).isEqualTo(NameSorter.sort("Click"));
  }

  @Test
  void aNeighbourThatSaysTheSameMakesADoubtfulNameSure() {
    assertThat(NameSorter.sort("Rack").confidence()).isLessThan(Sorting.SURE);
    assertThat(among("Rack", "Hat").category()).isEqualTo("drums/tom");
    assertThat(among("Rack", "Hat").confidence()).isGreaterThan(Sorting.SURE);
  }

  @Test
  void theAlphabetIsNoOrderOfASession() {
    List<String> sorted = SONG.stream().sorted().toList();
    assertThat(within("Snare Zorq", "Snare Top", sorted).category()).isEqualTo("drums/snare");
    assertThat(within("Kick Zorq bell", "Kick In", sorted).category()).isEqualTo("drums/kick");
    assertThat(within("Hau", "Gtr solo", sorted).category()).isEqualTo("unknown");
  }

  @Test
  void inTheOrderOfTheAlphabetTheWholeDeliveryIsTheCompany() {
    List<String> sorted = SONG.stream().sorted().toList();
    Sorting alone = within("Klarinette", "Bass amp", sorted);
    assertThat(alone.confidence()).isLessThan(Sorting.SURE);
    assertThat(alone.because()).contains("no other file is winds");
    assertThat(within("Clean gtr two", "Clean gtr", sorted).confidence())
        .isGreaterThan(Sorting.SURE);
  }

  @Test
  void twoSidesOfOneThingAreNoCompany() {
    List<String> names = new ArrayList<>(SONG);
    names.addAll(List.of("Klarinette L", "Klarinette R"));
    Collections.sort(names);
    assertThat(DeliverySorting.ofNames(names).get(names.indexOf("Klarinette L")).confidence())
        .isLessThan(Sorting.SURE);
  }

  @Test
  void numbersKeepTheOrderOfASession() {
    List<String> numbered = new ArrayList<>();
    for (String name : SONG) {
      numbered.add(String.format("%02d %s.wav", 2 * numbered.size() + 1, name));
    }
    numbered.add("04 Zorq.wav");
    numbered.add("08 Zorq.wav");
    Collections.shuffle(numbered, new java.util.Random(7));
    List<Sorting> sortings = DeliverySorting.ofNames(numbered);
    assertThat(sortings.get(numbered.indexOf("04 Zorq.wav")).category()).isEqualTo("drums");
    assertThat(sortings.get(numbered.indexOf("08 Zorq.wav")).category()).isEqualTo("unknown");
  }

  @Test
  void aFileAmongItsFamilyInAFolderIsOfIt() {
    List<Sorting> sortings =
        sorted(
            "one/Kick.wav",
            "one/Snare.wav",
            "one/Hat.wav",
            "one/Zorq.wav",
            "two/Zorq.wav",
            "two/Lead vox.wav");
    assertThat(sortings.get(3).category()).isEqualTo("drums");
    assertThat(sortings.get(3).confidence()).isLessThan(Sorting.SURE);
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
  void whatSomebodySaidOfANameStaysAndTellsItsNeighbours() {
    Sorting byHand = new Sorting("fx", 1, List.of("you said so"));
    List<Named> named =
        new ArrayList<>(
            Stream.of("ADR Anna", "FOL feet", "SFX door", "FX train")
                .map(name -> new Named(name, NameSorter.sort(name)))
                .toList());
    named.set(3, new Named("FX train", byHand));
    assertThat(DeliverySorting.of(named)).element(3).isEqualTo(byHand);
  }

  @Test
  void theDeliveryAsAWholeTellsWhatAWordMeans() {
    List<String> film =
        List.of(
            "DX_sc4_lav", "SFX door", "FOL feet", "ADR Anna", "FX train", "SD dream", "MX strings");
    assertThat(DeliverySorting.ofNames(film))
        .extracting(Sorting::category)
        .containsExactly(
            "dialogue/production",
            "effects/hard",
            "foley/feet",
            "dialogue/adr",
            "effects/hard",
            "effects/design",
            "score");
    List<String> song = List.of("Kick", "SD", "FX", "Bass", "Lead vox", "DX piano");
    assertThat(DeliverySorting.ofNames(song))
        .extracting(Sorting::category)
        .containsExactly(
            "drums/kick", "drums/snare", "fx", "bass", "vocals/lead", "keys/electric-piano");
  }

  @Test
  void theSameWordIsAnotherThingInAFilmAndInASong() {
    List<String> film = List.of("ADR Anna", "FOL feet", "SFX door", "Whoosh low", "BGS street");
    assertThat(DeliverySorting.ofNames(film))
        .extracting(Sorting::category)
        .endsWith("effects/design", "ambience");
    List<String> song = List.of("Kick", "Bass", "Lead vox", "Whoosh low", "bgs", "explosion");
    assertThat(DeliverySorting.ofNames(song))
        .extracting(Sorting::category)
        .endsWith("fx", "vocals/backing", "fx");
  }
}
