package drevik.mix;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a field of a channel returns to when the category map no longer speaks of it: what the
 * template, or somebody, said before the map did. Which of the values it is, its slot tells.
 *
 * @param id of the {@link Slot}
 * @param text an id, a colour, a layout; null for none
 * @param figure dB; of a send, its place among others
 * @param chain a whole chain
 * @param send a send; null where there was none
 */
public record Fallback(
    String id,
    @Nullable String text,
    @Nullable Double figure,
    List<Insert> chain,
    @Nullable Send send) {
  public Fallback {
    chain = Lists.copy(chain);
  }
}
