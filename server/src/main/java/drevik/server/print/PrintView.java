package drevik.server.print;

import drevik.render.PrintReport;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A print run as the interface shows it.
 *
 * @param done 0 to 1
 * @param secondsLeft estimate; null before it can be told
 * @param outputs ids of the chosen outputs; empty for all
 */
public record PrintView(
    String id,
    String mixId,
    int revision,
    List<String> outputs,
    PrintState state,
    double done,
    @Nullable Double secondsLeft,
    @Nullable String message,
    @Nullable PrintReport report,
    Instant askedAt,
    @Nullable Instant endedAt) {

  static PrintView of(PrintRunRow row, Instant now) {
    return new PrintView(
        row.id,
        row.mixId,
        row.revision,
        row.outputs,
        row.state,
        row.done,
        secondsLeft(row, now),
        row.message,
        row.report,
        row.askedAt,
        row.endedAt);
  }

  private static @Nullable Double secondsLeft(PrintRunRow row, Instant now) {
    if (row.state != PrintState.RUNNING || row.startedAt == null || row.done < 0.02) {
      return null;
    }
    double soFar = java.time.Duration.between(row.startedAt, now).toMillis() / 1000.0;
    return soFar / row.done * (1 - row.done);
  }
}
