package drevik.mix;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One thing of a channel that the category map can decide, and that can be pinned: a field, or one
 * send or control of many. Which fields these are, the fields of a map's entry say.
 *
 * @param field as documents call it: {@code output}, {@code sends}
 * @param of the send's destinations or the control's id; null for a field that is one thing
 */
public record Slot(String field, @Nullable String of) {
  /** Where a channel goes. */
  public static final Slot OUTPUT = of("output");

  /** What it is coloured as. */
  public static final Slot COLOUR = of("colour");

  /** How many audio channels it has, and where they are heard. */
  public static final Slot LAYOUT = of("layout");

  /** What every slot of a send begins with. */
  public static final String SENDS = "sends";

  /** What every slot of a control begins with. */
  public static final String CONTROLS = "controls";

  private static final String BETWEEN = "+";
  private static final char OF_MANY = ':';

  /** A field that is one thing. */
  public static Slot of(String field) {
    return new Slot(field, null);
  }

  /** The send to these destinations. */
  public static Slot send(List<String> destinations) {
    return new Slot(SENDS, to(destinations));
  }

  /** Whether a channel is a member of a control. */
  public static Slot control(String id) {
    return new Slot(CONTROLS, id);
  }

  static String to(List<String> destinations) {
    return String.join(BETWEEN, destinations);
  }

  /** Its name in documents: {@code output}, {@code sends:plate}. */
  public String id() {
    return of == null ? field : field + OF_MANY + of;
  }

  /** The slot of a name, whether the map decides it or not. */
  public static Slot named(String id) {
    int end = id.indexOf(OF_MANY);
    return end < 0 ? of(id) : new Slot(id.substring(0, end), id.substring(end + 1));
  }

  @Override
  public String toString() {
    return id();
  }
}
