package drevik.category;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.category.DeliverySorting.Named;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
  void theOtherSideOfAPairIsNotForgotten() {
    List<String> names = new ArrayList<>(SONG);
    names.addAll(3, List.of("Klarinette 1", "Klarinette 2"));
    assertThat(DeliverySorting.ofNames(names).get(3).because())
        .contains("none of its neighbours is winds, but for what is called like it");
  }

  @Test
  void aClickStandsAlone() {
    assertThat(among("Click", "Snare Top")).isEqualTo(NameSorter.sort("Click"));
  }

  @Test
  void aGuideStaysOneBesideWhatItIsOf() {
    assertThat(NameSorter.sort("Pilot banjo").category()).isEqualTo("reference/guide");
    assertThat(among("Pilot banjo", "Rhythm gtr")).isEqualTo(NameSorter.sort("Pilot banjo"));
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
    Sorting alone = within("Ensemble", "Clean gtr", sorted);
    assertThat(alone.category()).isEqualTo("orchestra");
    assertThat(alone.confidence()).isLessThan(Sorting.SURE);
    assertThat(alone.because()).contains("no other file is orchestra");
    assertThat(within("Clean gtr two", "Clean gtr", sorted).confidence())
        .isGreaterThan(Sorting.SURE);
  }

  @Test
  void aSongMayHaveOneOfSomethingWhoseNameMeansNothingElse() {
    List<String> sorted = SONG.stream().sorted().toList();
    assertThat(within("Klarinette", "Hat", sorted)).isEqualTo(NameSorter.sort("Klarinette"));
    assertThat(within("Klarinete", "Hat", sorted).confidence()).isLessThan(Sorting.SURE);
  }

  @Test
  void twoSidesOfOneThingAreNoCompany() {
    List<String> names = new ArrayList<>(SONG);
    names.addAll(List.of("Ensemble L", "Ensemble R"));
    Collections.sort(names);
    assertThat(DeliverySorting.ofNames(names).get(names.indexOf("Ensemble L")).confidence())
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
  void whatTheSoundLeftInDoubtIsAgreedToByNeighboursAndAPersonsUnknownStays() {
    Sorting heard =
        new Sorting("drums/tom", 0.42, Sorting.Source.NAME_WEIGHED, List.of("it hardly is struck"));
    Sorting byHand = Sorting.byHand("unknown");
    List<Named> named =
        new ArrayList<>(SONG.stream().map(name -> new Named(name, NameSorter.sort(name))).toList());
    named.add(2, new Named("Rack", heard));
    named.add(2, new Named("Zorq", byHand));
    List<Sorting> sortings = DeliverySorting.of(named);
    assertThat(sortings.get(2)).isEqualTo(byHand);
    assertThat(sortings.get(3).category()).isEqualTo("drums/tom");
    assertThat(sortings.get(3).confidence()).isGreaterThan(Sorting.SURE);
  }

  /** A choir is held, and so is the music of a trailer that begins with one. */
  @Test
  void theSoundDoesNotHoldAgainstTheDepartmentWhatTheNameMeantAlone() {
    Sorting alone = NameSorter.sort("MX choir");
    List<String> because = new ArrayList<>(alone.because());
    because.add("it is held, as such sounds are");
    Named heard =
        new Named(
            "MX choir", new Sorting(alone.category(), 0.74, Sorting.Source.NAME_WEIGHED, because));
    assertThat(alone.category()).isEqualTo("vocals/choir");
    assertThat(with(DRAMA, heard).category()).isEqualTo("score");
    assertThat(with(SONG, heard)).isEqualTo(heard.sorting());
    Named byHand = new Named("MX choir", Sorting.byHand(alone.category()));
    assertThat(with(DRAMA, byHand)).isEqualTo(byHand.sorting());
  }

  private static Sorting with(List<String> others, Named file) {
    List<Named> named = new ArrayList<>();
    others.forEach(name -> named.add(new Named(name, NameSorter.sort(name))));
    named.add(file);
    return DeliverySorting.of(named).get(others.size());
  }

  @Test
  void whatSomebodySaidOfANameStaysAndTellsItsNeighbours() {
    Sorting byHand = Sorting.byHand("fx");
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

  @Test
  void inAnOrchestraCymbalsArePercussionAndHornsAreFrenchHorns() {
    List<String> parts =
        List.of("Violin 1", "Violin 2", "Viola", "Cello", "Flute", "Oboe", "Trumpet", "Trombone");
    assertThat(with(parts, "Cymbals")).isEqualTo("percussion");
    assertThat(with(parts, "Horns 1-2")).isEqualTo("brass/horn");
    assertThat(with(SONG, "Cymbals")).isEqualTo("drums/cymbal");
    assertThat(with(SONG, "Horns 1-2")).isEqualTo("brass");
  }

  @Test
  void aWindBandIsAnOrchestraToo() {
    List<String> band =
        List.of(
            "Flute 1",
            "Flute 2",
            "Oboe",
            "Clarinet 1",
            "Clarinet 2",
            "Alto sax",
            "Tenor sax",
            "Trumpet 1",
            "Trumpet 2",
            "Trombone 1",
            "Trombone 2",
            "Tuba",
            "Timpani");
    assertThat(with(band, "Cymbals")).isEqualTo("percussion");
  }

  @Test
  void beforeAnAudienceWhoWearsAMicrophonePlaysNoScene() {
    List<String> show =
        List.of("Host HH", "Guest 1", "Moderator", "Applause", "Audience L", "Band kick");
    assertThat(with(show, "Sidekick lav")).isEqualTo("dialogue");
    assertThat(with(show, "Crowd far")).isEqualTo("ambience");
    List<String> film = List.of("DX_sc4_boom", "SFX door", "FOL feet", "ADR Anna", "Crowd near");
    assertThat(with(film, "Detective lav")).isEqualTo("dialogue/production");
    assertThat(with(film, "Crowd far")).isEqualTo("dialogue/crowd");
  }

  private static String with(List<String> others, String name) {
    List<String> names = new ArrayList<>(others);
    names.add(name);
    return DeliverySorting.ofNames(names).get(others.size()).category();
  }

  @Test
  void anInstrumentsNameWithinAScenesSoundsIsOneOfThem() {
    List<String> film =
        List.of(
            "Lav Anna",
            "Lav Ben",
            "ADR Anna",
            "ADR Ben",
            "SFX door",
            "SFX car",
            "Accordion falls",
            "SFX glass",
            "SFX dog",
            "SFX train",
            "FOL feet Anna",
            "FOL feet Ben",
            "FOL cloth",
            "FOL cups");
    Sorting falls = DeliverySorting.ofNames(film).get(film.indexOf("Accordion falls"));
    assertThat(falls.category()).isEqualTo("effects");
    assertThat(falls.confidence()).isLessThan(Sorting.SURE);
  }

  private static final List<String> DRAMA =
      List.of(
          "Lav Anna",
          "Lav Ben",
          "ADR Anna",
          "ADR Ben",
          "SFX door",
          "SFX car",
          "SFX glass",
          "FOL feet Anna",
          "FOL cups",
          "AMB street",
          "AMB rain",
          "MX title");

  /** Two that would vouch for each other: in a scene they count as scenes, and are no arpeggio. */
  @Test
  void twoInstrumentsBesideEachOtherInASceneAreDoubted() {
    List<String> names = new ArrayList<>(DRAMA);
    names.addAll(4, List.of("Quarrel seq 14", "Zorq seq 22"));
    assertThat(DeliverySorting.ofNames(names).subList(4, 6))
        .allMatch(one -> one.confidence() < Sorting.SURE);
    assertThat(NameSorter.sort("Quarrel seq 14").confidence()).isGreaterThan(Sorting.SURE);
  }

  @ParameterizedTest
  @CsvSource({
    "PD radio Marta, dialogue/production",
    "PS Lena cris, dialogue/adr",
    "Doppiaggio piano, dialogue/adr",
    "LOC Helena, narration",
    "Presa diretta horn, dialogue/production",
    "Som direto drums, natural",
    "Burburinho bar, dialogue/crowd",
    "Trilha strings, score",
    "Rumori piano, foley",
    "IV Forscher, interview",
    "Presenza camera, ambience/tone",
    "VOX squad leader, dialogue"
  })
  void departmentsAreCalledSoInSeveralLanguages(String name, String category) {
    assertThat(with(DRAMA, name)).isEqualTo(category);
  }

  @Test
  void aSongHasEffectsAsWell() {
    assertThat(with(SONG, "SFX riser")).isEqualTo("fx");
    assertThat(with(SONG, "SFX door")).isEqualTo("fx");
    assertThat(with(DRAMA, "SFX riser")).isEqualTo("effects");
  }

  @Test
  void inProgrammedMusicALeadIsASynthesiserAndOHAnOpenHat() {
    List<String> programmed =
        List.of(
            "Kick",
            "Clap",
            "Sub",
            "Acid bass",
            "Pluck",
            "Arp",
            "Pad",
            "Riser",
            "Impact",
            "Vox chop");
    assertThat(with(programmed, "Lead octave")).isEqualTo("synth/lead");
    assertThat(with(programmed, "OH main")).isEqualTo("drums/hat");
    assertThat(with(programmed, "Lead vox")).isEqualTo("vocals/lead");
    assertThat(with(programmed, "Duck quack")).isEqualTo("fx");
    assertThat(with(SONG, "Lead octave")).isEqualTo("vocals/double");
    assertThat(with(SONG, "OH main")).isEqualTo("drums/overhead");
  }

  @Test
  void whereSomebodySpeaksBeforeACongregationItIsAnEvent() {
    List<String> service =
        List.of(
            "Kanzel",
            "Lektorin Ambo",
            "Gemeinde links",
            "Gemeinde rechts",
            "Orgel links",
            "Orgel rechts",
            "Chor links",
            "Chor rechts");
    assertThat(with(service, "Altar Mikro")).isEqualTo("dialogue");
    assertThat(sorted(service.toArray(String[]::new)).get(2).category()).isEqualTo("ambience");
    assertThat(with(SONG, "Altar Mikro")).isEqualTo("unknown");
    assertThat(kindOf(service)).isEqualTo(KindOfWork.EVENT);
    List<String> documentary = new ArrayList<>(service);
    List.of("Anna", "Ben", "Cem", "Dora", "Eva")
        .forEach(one -> documentary.add("Interview " + one));
    assertThat(kindOf(documentary)).isNotEqualTo(KindOfWork.EVENT);
  }

  private static KindOfWork kindOf(List<String> names) {
    return WholeDelivery.kindOf(names, names.stream().map(NameSorter::sort).toList());
  }

  @Test
  void aCompoundOfTwoThingsOfOneFamilyIsOfIt() {
    assertThat(with(DRAMA, "Türglocke")).isEqualTo("effects/hard");
  }

  @Test
  void whatAnEffectOfASongWasMadeOfFollowsItsLabel() {
    assertThat(with(SONG, "FX glitch vox tail")).as("alone it may be a voice").isEqualTo("vocals");
    List<String> labelled = new ArrayList<>(SONG);
    labelled.addAll(List.of("FX riser", "FX impact"));
    assertThat(with(labelled, "FX glitch vox tail")).isEqualTo("fx");
    assertThat(with(labelled, "FX print")).startsWith("print");
    assertThat(with(labelled, "Efectos glitch vox tail")).isEqualTo("fx");
  }

  @Test
  void whatIsHeardInASceneIsAnEffectInASong() {
    Sorting keys = within("Schlüsselbund", "Floor tom", SONG);
    assertThat(keys.category()).isEqualTo("fx");
    assertThat(keys.confidence()).isLessThan(Sorting.SURE);
    assertThat(NameSorter.sort("Schlüsselbund").category()).isEqualTo("unknown");
    assertThat(with(SONG, "Commissario")).as("a person is none").isEqualTo("unknown");
  }

  @Test
  void aSureDepartmentStaysWhatItIsWhateverStandsBesideIt() {
    List<String> film =
        List.of(
            "SFX door",
            "SFX car",
            "SFX glass",
            "ADR Anna",
            "SFX dog",
            "SFX train",
            "FOL feet",
            "FOL cloth",
            "FOL cups");
    assertThat(DeliverySorting.ofNames(film).get(3)).isEqualTo(NameSorter.sort("ADR Anna"));
    assertThat(within("SFX piano", "FOL feet", film)).isEqualTo(NameSorter.sort("SFX piano"));
  }

  @Test
  void whatIsHandledOrSpokenInASceneIsReadInWorkForPictureOnly() {
    List<String> film = List.of("DX_sc4_boom", "SFX door", "FOL feet", "ADR Anna", "VO end");
    assertThat(with(film, "Schlüsselbund")).isEqualTo("foley/props");
    assertThat(with(film, "Commissaire")).isEqualTo("dialogue");
    assertThat(with(SONG, "Commissaire")).isEqualTo("unknown");
  }

  /** All lists of deliveries, most of which were looked at since they were new. */
  @Test
  void theListsOfDeliveriesAreSortedRightAndSeldomWrongWithConfidence() throws Exception {
    int names = 0;
    int right = 0;
    int confidentlyWrong = 0;
    Path folder = Path.of(DeliverySortingTest.class.getResource("unseen").toURI());
    try (Stream<Path> lists = Files.list(folder)) {
      for (Path list : lists.sorted().toList()) {
        List<String[]> lines =
            Files.readAllLines(list).stream()
                .filter(line -> !line.startsWith("#") && !line.isBlank())
                .map(line -> line.split("\t"))
                .toList();
        List<Sorting> sortings =
            DeliverySorting.ofNames(lines.stream().map(line -> line[1]).toList());
        for (int i = 0; i < lines.size(); i++) {
          String label = lines.get(i)[0];
          assertThat(CategoryTree.has(label)).as(list + ": " + label).isTrue();
          boolean ok = CategoryTree.isWithin(label, sortings.get(i).category());
          right += ok ? 1 : 0;
          confidentlyWrong += !ok && sortings.get(i).confidence() >= Sorting.SURE ? 1 : 0;
        }
        names += lines.size();
      }
    }
    assertThat(names).isGreaterThan(5_000);
    assertThat((double) right / names).isGreaterThanOrEqualTo(0.96);
    assertThat((double) confidentlyWrong / names).isLessThanOrEqualTo(0.02);
  }
}
