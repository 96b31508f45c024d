package drevik.mix;

import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A change or a Mix that cannot be. The message says why, where, and what to do instead; what it is
 * about is told as data too, so that nobody has to look for it in the words.
 */
public class Refused extends RuntimeException {
  private static final long serialVersionUID = 1;

  private final @Nullable String subject;

  public Refused(String message) {
    this(null, message);
  }

  private Refused(@Nullable String subject, String message) {
    super(message);
    this.subject = subject;
  }

  /**
   * Something is refused because of one thing.
   *
   * @param subject id of the channel, output, file … that it is about
   */
  public static Refused about(String subject, String message) {
    return new Refused(subject, message);
  }

  /** Why, where, and what to do instead. */
  @Override
  public String getMessage() {
    return Objects.requireNonNull(super.getMessage());
  }

  /** The id of what it is about; null where it is about the whole. */
  public @Nullable String subject() {
    return subject;
  }
}
