package drevik.mix;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A processor in a chain. One whose type Drevik does not know is a stand-in: it passes audio
 * unchanged and keeps its settings.
 *
 * @param processor id of the processor type
 * @param postFader stands after the fader
 * @param settings parameter id → value in the parameter's unit; what is missing has its default
 * @param key what the processor listens to, or null for its own input
 */
@RecordBuilder
public record Insert(
    String id,
    String processor,
    boolean on,
    boolean postFader,
    Map<String, Double> settings,
    @Nullable Key key)
    implements InsertBuilder.With {

  public Insert {
    settings =
        java.util.Collections.unmodifiableMap(
            new TreeMap<>(settings == null ? Map.of() : settings));
  }
}
