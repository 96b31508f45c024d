package drevik.mix;

/** Where on a channel a send, a key or an output takes its signal. */
public enum Tap {
  /** Before the first insert. */
  PRE_CHAIN("pre-chain"),
  /** After the chain before the fader; goes on when the channel is muted. */
  PRE_FADER("pre-fader"),
  /** After fader, mute and the chain behind the fader. */
  POST_FADER("post-fader");

  private final String id;

  Tap(String id) {
    this.id = id;
  }

  @Override
  public String toString() {
    return id;
  }
}
