package drevik.server.mix;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A revision in the history of a Mix.
 *
 * @param parent the revision that it was made from; null for the first
 * @param says what was done, in words
 * @param name given by a person; null if none was
 */
public record RevisionLine(
    int number, @Nullable Integer parent, Instant at, String says, @Nullable String name) {}
