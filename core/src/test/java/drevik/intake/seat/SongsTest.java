package drevik.intake.seat;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.intake.conform.DeliveredFile;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.outline.Outline;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** An album in one Mix: each folder goes to its song. */
class SongsTest {
  private static final Mix ALBUM =
      Outline.create(
              "Album",
              """
              Mix
                Song 1
                  One kick :mono #drums/kick
                  One lead :mono #vocals/lead
                Tidewrack
                  Two kick :mono #drums/kick
                  Two lead :mono #vocals/lead
                Song 3
                  Three kick :mono #drums/kick
                  Three lead :mono #vocals/lead
              """)
          .withMarkers(
              List.of(
                  new Marker("c", "Song 3", 900),
                  new Marker("a", "Song 1", 0),
                  new Marker("b", "Tidewrack", 400)));

  private static DeliveredFile file(String name) {
    String category =
        name.contains("kick") ? "drums/kick" : name.contains("harp") ? "strings" : "vocals/lead";
    return DeliveredFile.of(name, name, new AudioRef("", name), Layout.MONO, 100, false, category);
  }

  /** File → the song that its seat leads to. */
  private static Map<String, String> seated(Mix mix, String... names) {
    List<DeliveredFile> files = new ArrayList<>();
    for (String name : names) {
      files.add(file(name));
    }
    Map<String, String> songs = new TreeMap<>();
    for (SeatingPlan.Place place : SeatingPlanner.plan(mix, files).places()) {
      String to = place.destination();
      songs.put(place.file(), to == null ? "nowhere" : mix.channel(to).orElseThrow().name());
    }
    return songs;
  }

  @Test
  void foldersGoToTheSongOfTheirNameThenOfTheirNumberThenInOrder() {
    assertThat(
            seated(
                ALBUM,
                "Album/03 Glass/kick.wav",
                "Album/03 Glass/lead.wav",
                "Album/Tidewrack final/kick.wav",
                "Album/Tidewrack final/lead.wav",
                "Album/Embers/kick.wav",
                "Album/Embers/lead.wav"))
        .containsEntry("Album/03 Glass/kick.wav", "Song 3")
        .containsEntry("Album/03 Glass/lead.wav", "Song 3")
        .containsEntry("Album/Tidewrack final/kick.wav", "Tidewrack")
        .containsEntry("Album/Tidewrack final/lead.wav", "Tidewrack")
        .containsEntry("Album/Embers/kick.wav", "Song 1")
        .containsEntry("Album/Embers/lead.wav", "Song 1");
  }

  @Test
  void aNewSeatStandsInItsSong() {
    assertThat(seated(ALBUM, "Song 3/kick.wav", "Song 3/kick b.wav", "Song 3/harp.wav"))
        .containsValues("Song 3")
        .doesNotContainValue("Song 1")
        .doesNotContainValue("Tidewrack");
  }

  @Test
  void oneFolderWithoutANameOrNumberSaysNothing() {
    assertThat(seated(ALBUM, "Stems/kick.wav", "Stems/lead.wav")).hasSize(2);
    assertThat(Songs.of(ALBUM, List.of(file("Stems/kick.wav"))).of(file("Stems/kick.wav")))
        .isEmpty();
    assertThat(Songs.of(ALBUM, List.of(file("kick.wav"))).of(file("kick.wav"))).isEmpty();
    assertThat(Songs.of(ALBUM, List.of()).of(file("kick.wav"))).isEmpty();
  }

  @Test
  void whereSectionsAreNoBusesFoldersAreNone() {
    Mix song =
        ALBUM.withMarkers(List.of(new Marker("v", "Verse", 0), new Marker("w", "Song 3", 9)));
    List<DeliveredFile> files = List.of(file("Song 3/kick.wav"), file("Song 1/kick.wav"));
    assertThat(Songs.of(song, files).of(files.get(0))).isEmpty();
    assertThat(ALBUM.channels()).extracting(Channel::name).contains("Tidewrack");
  }

  @Test
  void theSameSoundIsSeatedInEachSongThatItCameForAndOnceInEach() {
    AudioRef same = new AudioRef("abc", "clap");
    List<DeliveredFile> files =
        List.of(
            file("Album/01/kick.wav").withAudio(same),
            file("Album/01/kick copy.wav").withAudio(same),
            file("Album/02/kick.wav").withAudio(same));
    assertThat(SeatingPlanner.plan(ALBUM, files).places())
        .extracting(SeatingPlan.Place::act)
        .containsExactly(SeatingPlan.Act.TAKES, SeatingPlan.Act.LEFT_OUT, SeatingPlan.Act.TAKES);
  }
}
