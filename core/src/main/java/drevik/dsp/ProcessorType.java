package drevik.dsp;

import java.util.List;

/** A kind of processor: what it is called, what can be set, how one is made. */
public interface ProcessorType {
  /** Stable name in documents. */
  String id();

  String label();

  List<Parameter> parameters();

  /** True if a key makes a difference. */
  default boolean listensToKey() {
    return false;
  }

  Processor create(Settings settings, Surroundings surroundings);

  /**
   * Where a processor runs.
   *
   * @param sampleRate Hz
   * @param channels audio channels
   * @param tempo beats per minute
   */
  record Surroundings(int sampleRate, int channels, double tempo) {}
}
