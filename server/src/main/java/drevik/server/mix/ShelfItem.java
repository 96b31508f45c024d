package drevik.server.mix;

import drevik.mix.JobKind;
import drevik.mix.MixKind;
import drevik.route.FlowSketch;
import java.time.Instant;

/** A line of the shelf. */
public record ShelfItem(
    String id,
    String name,
    MixKind kind,
    String description,
    JobKind job,
    boolean archived,
    int revision,
    int seats,
    int buses,
    int outputs,
    Instant changedAt,
    FlowSketch sketch) {}
