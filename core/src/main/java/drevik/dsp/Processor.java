package drevik.dsp;

import org.jspecify.annotations.Nullable;

/**
 * One running processor. It changes blocks in place and keeps its state between them, sample by
 * sample: the result does not depend on how the audio is cut into blocks. It allocates nothing in
 * {@link #process}.
 */
public interface Processor {
  /**
   * Processes {@code frames} frames in place.
   *
   * @param audio {@code [channel][frame]}
   * @param key what to listen to, or null for the audio itself; may have another number of channels
   */
  void process(float[][] audio, float @Nullable [][] key, int frames);

  /** Frames by which the output lags behind the input. */
  default int latency() {
    return 0;
  }
}
