package drevik.intake.conform;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Where a person wants a delivered file, whatever the plan thinks.
 *
 * @param channel the seat, or the bus that a new seat feeds; null to leave the file out
 */
public record SeatWish(Kind kind, @Nullable String channel) {
  /** What is wished. */
  public enum Kind {
    /** This seat. */
    SEAT,
    /** A new seat that feeds this bus. */
    NEW_SEAT,
    /** Nowhere. */
    LEFT_OUT;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
  }
}
