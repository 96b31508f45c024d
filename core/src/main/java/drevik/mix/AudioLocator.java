package drevik.mix;

import drevik.audio.AudioException;
import java.nio.file.Path;

/** Finds the file that a clip plays. */
@FunctionalInterface
public interface AudioLocator {
  /**
   * Where the file of some audio lies.
   *
   * @throws AudioException if the audio is not there, saying where it was looked for
   */
  Path locate(AudioRef audio);
}
