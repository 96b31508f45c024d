package drevik.server;

/**
 * The disk has no room for what is to be written. Nothing is wrong with it, and it can be tried
 * again.
 */
public class NoRoom extends RuntimeException {
  private static final long serialVersionUID = 1;

  public NoRoom(String message) {
    super(message);
  }
}
