package drevik.dsp;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** All processors that Drevik runs. To add one, write its type and name it here. */
public final class Processors {
  private static final List<ProcessorType> ALL =
      List.of(
          new Equaliser(),
          new Compressor(),
          new TempoDelay(),
          new Reverberation(),
          new Limiter(),
          new LfeLowPass());

  private static final Map<String, ProcessorType> BY_ID =
      ALL.stream().collect(Collectors.toMap(ProcessorType::id, Function.identity()));

  private Processors() {}

  public static List<ProcessorType> all() {
    return ALL;
  }

  /** The type of that id; empty for a stand-in. */
  public static Optional<ProcessorType> byId(String id) {
    return Optional.ofNullable(BY_ID.get(id));
  }
}
