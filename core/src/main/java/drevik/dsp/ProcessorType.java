package drevik.dsp;

import drevik.audio.Layout;
import drevik.audio.Speaker;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

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

  /** What it does, to be drawn. */
  Picture picture(Settings settings, Surroundings surroundings);

  /** What a tail falls by before it counts as over: what a 16-bit file can show, dB. */
  double TAIL_DB = 96;

  /**
   * Frames for which such a processor sounds on after its input has ended: until what it gives has
   * fallen by {@link #TAIL_DB}.
   */
  default long tail(Settings settings, Surroundings surroundings) {
    return 0;
  }

  /**
   * Where a processor runs.
   *
   * @param sampleRate Hz
   * @param tempo beats per minute
   * @param key layout of what a key brings; null where it listens to what it processes
   */
  record Surroundings(int sampleRate, Layout layout, double tempo, @Nullable Layout key) {
    public Surroundings(int sampleRate, Layout layout, double tempo) {
      this(sampleRate, layout, tempo, null);
    }

    public int channels() {
      return layout.channels();
    }

    /**
     * The channels of a layout that are sound from somewhere: all but the LFE, unless there is
     * nothing else.
     */
    static int[] withoutLfe(Layout layout) {
      int[] heard =
          IntStream.range(0, layout.channels())
              .filter(channel -> layout.speakers().get(channel) != Speaker.LFE)
              .toArray();
      return heard.length > 0 ? heard : new int[] {0};
    }
  }
}
