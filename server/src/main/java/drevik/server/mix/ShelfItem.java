package drevik.server.mix;

import drevik.flow.FlowSketch;
import drevik.mix.JobKind;
import drevik.mix.MixKind;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A line of the shelf.
 *
 * @param unreadable why it cannot be opened, in words; null if it can. Its figures are 0 then
 */
public record ShelfItem(
    String id,
    String name,
    MixKind kind,
    String description,
    @Nullable JobKind job,
    boolean archived,
    int revision,
    int seats,
    int buses,
    int outputs,
    Instant changedAt,
    @Nullable FlowSketch sketch,
    @Nullable String unreadable) {

  static ShelfItem of(MixRow row, ShelfSummary summary) {
    return new ShelfItem(
        row.id,
        row.name,
        row.kind,
        summary.description(),
        summary.job(),
        row.archived,
        row.head,
        summary.seats(),
        summary.buses(),
        summary.outputs(),
        row.changedAt,
        summary.sketch(),
        null);
  }

  /** One that a newer program wrote, or that is broken: it is listed by its name. */
  static ShelfItem unreadable(MixRow row, String why) {
    return new ShelfItem(
        row.id,
        row.name,
        row.kind,
        "",
        null,
        row.archived,
        row.head,
        0,
        0,
        0,
        row.changedAt,
        null,
        why);
  }
}
