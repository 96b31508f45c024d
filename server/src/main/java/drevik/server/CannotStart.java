package drevik.server;

/** Why this program cannot work on its data. The message is told to whoever started it. */
public class CannotStart extends RuntimeException {
  private static final long serialVersionUID = 1;

  public CannotStart(String message) {
    super(message);
  }
}
