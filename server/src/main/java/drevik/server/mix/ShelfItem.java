package drevik.server.mix;

import drevik.mix.MixKind;
import java.time.Instant;

/** A line of the shelf. */
public record ShelfItem(
    String id,
    String name,
    MixKind kind,
    String description,
    int revision,
    int seats,
    int buses,
    int outputs,
    Instant changedAt) {}
