package drevik.mix;

import java.util.Locale;

/** The kind of job that a Mix is filed under. */
public enum JobKind {
  RECORD,
  MIX,
  MASTER,
  POST,
  ALBUM;

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT);
  }
}
