package drevik.server;

/** Two changes that do not go together. The message shows both sides. */
public class Conflict extends RuntimeException {
  public Conflict(String message) {
    super(message);
  }
}
