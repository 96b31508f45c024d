package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.SampleFormat;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.List;
import org.junit.jupiter.api.Test;

class SoundTieBreakTest {
  private static final Sound STRUCK = new Sound(180.0, 1.6, 0.7, 0.5, -60.0, null, List.of(), null);
  private static final Sound HELD = new Sound(180.0, 0.05, 0.9, 0.98, -60.0, null, List.of(), null);

  private static Sorting sorted(String name, Sound sound, double loudness) {
    Inspection found =
        Inspections.of(48_000, SampleFormat.PCM_24).withSound(sound).withIntegratedLufs(loudness);
    return SoundTieBreak.of(name, NameSorter.sort(name), found);
  }

  @Test
  void aSubIsAKicksWhereItIsStruckAndABassWhereItIsHeld() {
    assertThat(sorted("Sub.wav", STRUCK, -20).category()).isEqualTo("drums/kick");
    assertThat(sorted("Sub.wav", STRUCK, -20).because()).first().asString().contains("struck");
    assertThat(sorted("Sub.wav", HELD, -20).category()).isEqualTo("bass/sub");
    // A name that is plain is not asked.
    assertThat(sorted("Sub Bass.wav", STRUCK, -20)).isEqualTo(NameSorter.sort("Sub Bass.wav"));
  }

  @Test
  void aKitInItsRoomIsNoBackgroundAndAnEvenRoomIsNoKit() {
    assertThat(sorted("Amb L.wav", STRUCK, -20).category()).isEqualTo("drums/room");
    assertThat(sorted("Amb L.wav", HELD, -20).category()).isEqualTo("ambience");
    assertThat(sorted("Room.wav", HELD, -60).category()).isEqualTo("ambience/tone");
    assertThat(sorted("Room.wav", HELD, -20).category()).isEqualTo("drums/room");
    assertThat(sorted("Room.wav", STRUCK, -60).category()).isEqualTo("drums/room");
  }

  @Test
  void aDoubtfulNameIsWeighedByItsSound() {
    Sorting byName = NameSorter.sort("Rack 1.wav");
    assertThat(byName.confidence()).isLessThan(Sorting.SURE);
    Sorting agreed = sorted("Rack 1.wav", STRUCK, -20);
    assertThat(agreed.category()).isEqualTo(byName.category());
    assertThat(agreed.confidence()).isGreaterThan(Sorting.SURE);
    assertThat(sorted("Rack 1.wav", HELD, -20).confidence()).isLessThan(byName.confidence());
  }

  @Test
  void silenceAndOldMeasurementsSayNothing() {
    Sound unknown = new Sound(180.0, 1.6, 0.7, 0, -60.0, null, List.of(), null);
    assertThat(sorted("Sub.wav", unknown, -20)).isEqualTo(NameSorter.sort("Sub.wav"));
  }
}
