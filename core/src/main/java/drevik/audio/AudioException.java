package drevik.audio;

import java.nio.file.Path;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Audio that cannot be read or written. The message says what is wrong and how to mend it. */
public class AudioException extends RuntimeException {
  private static final long serialVersionUID = 1;

  private final @Nullable String subject;
  private final String says;

  public AudioException(String message) {
    this(message, null);
  }

  public AudioException(String message, @Nullable Throwable cause) {
    this(null, message, cause);
  }

  private AudioException(@Nullable String subject, String says, @Nullable Throwable cause) {
    super(subject == null ? says : "“" + subject + "” " + says, cause);
    this.subject = subject;
    this.says = says;
  }

  /**
   * What is wrong with a file.
   *
   * @param says what would follow on its name: “is empty (0 bytes)”
   */
  public static AudioException of(String file, String says) {
    return new AudioException(file, says, null);
  }

  public static AudioException of(Path file, String says, @Nullable Throwable cause) {
    return new AudioException(String.valueOf(file.getFileName()), says, cause);
  }

  /** What is wrong and how to mend it. */
  @Override
  public String getMessage() {
    return Objects.requireNonNull(super.getMessage());
  }

  /** The file that it is about; null if it is about none. */
  public @Nullable String subject() {
    return subject;
  }

  /** The same of a file by the name that people know it by, and not the one it lies under. */
  public AudioException named(String name) {
    return subject == null ? this : new AudioException(name, says, this);
  }
}
