package drevik.dsp;

import java.util.List;
import java.util.Locale;
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

  /** What a type is called amid a sentence; a stand-in by its id. */
  public static String nameOf(String id) {
    String label = byId(id).map(ProcessorType::label).orElse(id.replace('-', ' '));
    // An abbreviation stays as it is.
    boolean abbreviated = label.length() > 1 && Character.isUpperCase(label.charAt(1));
    return abbreviated
        ? label
        : label.substring(0, 1).toLowerCase(Locale.ROOT) + label.substring(1);
  }

  /** The type of that id; empty for a stand-in. */
  public static Optional<ProcessorType> byId(String id) {
    return Optional.ofNullable(BY_ID.get(id));
  }
}
