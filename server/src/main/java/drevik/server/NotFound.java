package drevik.server;

/** Something was asked for by an id that nothing has. */
public class NotFound extends RuntimeException {
  public NotFound(String message) {
    super(message);
  }
}
