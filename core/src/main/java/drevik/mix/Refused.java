package drevik.mix;

/** A change or a Mix that cannot be. The message says why, where, and what to do instead. */
public class Refused extends RuntimeException {
  public Refused(String message) {
    super(message);
  }
}
