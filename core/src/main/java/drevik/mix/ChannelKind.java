package drevik.mix;

import java.util.Locale;

/** What a channel is for. A seat waits for delivered audio; the others sum what is sent to them. */
public enum ChannelKind {
  SEAT,
  BUS,
  RETURN,
  MASTER,
  REFERENCE;

  /** Seats and references hold audio; nothing can be routed into them. */
  public boolean holdsClips() {
    return this == SEAT || this == REFERENCE;
  }

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT);
  }
}
