package drevik.mix;

import java.util.Locale;

/** A template holds no audio; a session has clips. */
public enum MixKind {
  TEMPLATE,
  SESSION;

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT);
  }
}
