package drevik.preview;

import org.jspecify.annotations.Nullable;

/**
 * A seat that reaches an output otherwise than before.
 *
 * @param channel an id
 * @param output an id
 * @param before the gain at which it arrives now, dB; null if it does not
 * @param after the gain then
 * @param pathsBefore by how many ways it arrives now
 * @param pathsAfter by how many then
 */
public record CoverageLine(
    String channel,
    String output,
    @Nullable Double before,
    @Nullable Double after,
    long pathsBefore,
    long pathsAfter) {}
