package drevik.mix;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One thing of a channel that the category map can decide, and that can be pinned: a field, or one
 * send or control of many.
 *
 * @param of the send's destinations or the control's id; null for a field that is one thing
 */
public record Slot(Kind kind, @Nullable String of) {
  private static final String BETWEEN = "+";

  /** What can be decided, in the order in which it is shown. */
  public enum Kind {
    OUTPUT("output", "Sent to"),
    GROUP("group", "Shown with"),
    COLOUR("colour", "Colour"),
    LAYOUT("layout", "Layout"),
    TRIM("trimDb", "Trim"),
    CHAIN("chain", "Chain"),
    SENDS("sends", "Send"),
    CONTROLS("controls", "Control");

    private final String id;
    private final String label;

    Kind(String id, String label) {
      this.id = id;
      this.label = label;
    }

    /** Its name in documents, which is the channel's field where it is one. */
    public String id() {
      return id;
    }

    /** What people call it. */
    public String label() {
      return label;
    }

    /** True if a channel has several, each for itself. */
    public boolean isOfMany() {
      return this == SENDS || this == CONTROLS;
    }

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** A field that is one thing. */
  public static Slot of(Kind kind) {
    return new Slot(kind, null);
  }

  /** The send to these destinations. */
  public static Slot send(List<String> destinations) {
    return new Slot(Kind.SENDS, to(destinations));
  }

  /** Whether a channel is a member of a control. */
  public static Slot control(String id) {
    return new Slot(Kind.CONTROLS, id);
  }

  static String to(List<String> destinations) {
    return String.join(BETWEEN, destinations);
  }

  /** Its name in documents: {@code output}, {@code sends:plate}. */
  public String id() {
    return of == null ? kind.id() : kind.id() + ":" + of;
  }

  /** The slot of a name; empty if there is none such. */
  public static Optional<Slot> byId(String id) {
    int colon = id.indexOf(':');
    String name = colon < 0 ? id : id.substring(0, colon);
    String of = colon < 0 ? null : id.substring(colon + 1);
    for (Kind kind : Kind.values()) {
      if (kind.id().equals(name) && kind.isOfMany() == (of != null)) {
        return Optional.of(new Slot(kind, of));
      }
    }
    return Optional.empty();
  }

  @Override
  public String toString() {
    return id();
  }
}
