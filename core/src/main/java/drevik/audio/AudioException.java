package drevik.audio;

/** Audio that cannot be read or written. The message says what is wrong and how to mend it. */
public class AudioException extends RuntimeException {
  public AudioException(String message) {
    super(message);
  }

  public AudioException(String message, Throwable cause) {
    super(message, cause);
  }
}
