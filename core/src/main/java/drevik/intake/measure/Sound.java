package drevik.intake.measure;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What kind of sound a file holds, in a few numbers.
 *
 * @param brightnessHz the frequency at which a sine would have the same slope: √(Σ(x′)² ⁄ Σx²) ⁄
 *     2π; null for silence
 * @param onsetsPerSecond sudden rises of the level in each second of sound
 * @param activeShare part of the length in which there is sound, 0 to 1
 * @param sustainedShare part of the sound that is nearly as loud as its loudest moment, 0 to 1:
 *     near 0 for what is struck, near 1 for what is held
 * @param noiseFloorDbfs RMS of the quietest stretches that are no digital silence; null if the file
 *     has no pauses to hear it in
 * @param pulseBpm beats a minute, if the onsets are as regular as a click; else null
 * @param activity where there is anything to be heard, noise included; gaps of less than two
 *     seconds are no gaps
 * @param levels the peaks, see {@link Levels}; null where it was measured without them
 */
public record Sound(
    @Nullable Double brightnessHz,
    double onsetsPerSecond,
    double activeShare,
    double sustainedShare,
    @Nullable Double noiseFloorDbfs,
    @Nullable Double pulseBpm,
    List<Stretch> activity,
    @Nullable String levels) {
  public Sound {
    activity = List.copyOf(activity);
  }

  /**
   * Where peaks are above a level; where there is anything to be heard, if the levels are not
   * known.
   *
   * @param dbfs the level, dBFS
   * @param sampleRate of the file, Hz
   * @param frames of the file
   */
  public List<Stretch> above(double dbfs, int sampleRate, long frames) {
    return levels == null ? activity : Levels.read(levels).above(dbfs, sampleRate, frames);
  }
}
