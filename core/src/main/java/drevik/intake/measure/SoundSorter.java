package drevik.intake.measure;

import drevik.audio.Layout;
import drevik.category.Sorting;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A guess from the sound itself, for files whose names say nothing. It knows only what is told
 * easily from everything else, and is never so sure that a person need not look.
 */
public final class SoundSorter {
  private static final double PULSE = 0.62;
  private static final double MIX = 0.55;

  /** Between the beats of a click nothing is heard; a hi-hat rings, and its room answers. */
  private static final double SILENT_BETWEEN_DBFS = -70;

  private SoundSorter() {}

  /** What the file may be; empty if its sound tells nothing. */
  public static Optional<Sorting> sort(Inspection found) {
    if (found.silent()) {
      return Optional.empty();
    }
    Sound sound = found.sound();
    Double between = sound.noiseFloorDbfs();
    boolean pauses = between == null || between < SILENT_BETWEEN_DBFS;
    if (sound.pulseBpm() != null && pauses && sound.onsetsPerSecond() < 5) {
      return Optional.of(
          new Sorting(
              "click",
              PULSE,
              Sorting.Source.SOUND,
              List.of(
                  String.format(
                      Locale.ROOT,
                      "as regular as a click of %.0f BPM, and silent between",
                      sound.pulseBpm()))));
    }
    boolean wide =
        found.header().layout() == Layout.STEREO
            && found.sides() != null
            && !found.dualMono()
            && !found.sides().onlyLevelDiffers();
    boolean loud = found.integratedLufs() != null && found.integratedLufs() > -18;
    boolean throughout = sound.activeShare() > 0.9 && sound.onsetsPerSecond() > 0.3;
    boolean full =
        sound.brightnessHz() != null && sound.brightnessHz() > 1500 && sound.brightnessHz() < 6000;
    return wide && loud && throughout && full
        ? Optional.of(
            new Sorting(
                "print",
                MIX,
                Sorting.Source.SOUND,
                List.of("wide, loud and full all through, as a finished mix is")))
        : Optional.empty();
  }
}
