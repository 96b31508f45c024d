package drevik.server.print;

import java.util.Locale;

/** Where a print run stands. */
public enum PrintState {
  WAITING,
  RUNNING,
  DONE,
  FAILED,
  CANCELLED;

  public boolean isFinal() {
    return this == DONE || this == FAILED || this == CANCELLED;
  }

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT);
  }
}
