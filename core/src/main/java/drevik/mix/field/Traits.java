package drevik.mix.field;

import drevik.mix.Channel;
import drevik.mix.field.Field.Unit;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What holds of everything that a field says, so that it stands nowhere else: checks, documents,
 * their schema and the page read it from here.
 *
 * @param unit how a figure is measured
 * @param range of a figure; null where any will do
 * @param choices all that it can be; empty where its type says that
 * @param longest characters of a text, or members of a list
 * @param byDefault what holds where nothing is said; a document leaves it out. Null where it is
 *     always said, or may be missing
 * @param decides the field of channels that an entry of a category map decides with it; null for
 *     none
 * @param note what it means, for those who read documents; empty where its name says it
 */
public record Traits(
    Unit unit,
    @Nullable Range range,
    List<?> choices,
    int longest,
    @Nullable Object byDefault,
    @Nullable String decides,
    String note) {
  /** A text or list of any usual length, a choice, a figure without a unit. */
  public static final Traits PLAIN = new Traits(Unit.NONE, null, List.of(), 0, null, null, "");

  /** A place in time, in frames of the Mix. */
  static final Traits FRAMES = PLAIN.in(Unit.FRAMES).within(Range.NOT_NEGATIVE);

  /** The same, measured in a unit. */
  public Traits in(Unit of) {
    return new Traits(of, range, choices, longest, byDefault, decides, note);
  }

  /** The same, from a least figure to a greatest, both included. */
  public Traits within(double least, double most) {
    return within(new Range(least, most));
  }

  /** The same, within a range that holds elsewhere too. */
  public Traits within(Range of) {
    return new Traits(unit, of, choices, longest, byDefault, decides, note);
  }

  /** The same, one of these. */
  public Traits oneOf(List<?> of) {
    return new Traits(unit, range, of, longest, byDefault, decides, note);
  }

  /** The same, so many characters or members long at most. */
  public Traits upTo(int most) {
    return new Traits(unit, range, choices, most, byDefault, decides, note);
  }

  /** The same, with what holds where nothing is said. */
  public Traits or(Object unsaid) {
    return new Traits(unit, range, choices, longest, unsaid, decides, note);
  }

  /** The same, said by an entry of a category map of a field of channels. */
  public Traits deciding(Field<Channel, ?> field) {
    return new Traits(unit, range, choices, longest, byDefault, field.id(), note);
  }

  /** The same, with what it means. */
  public Traits meaning(String words) {
    return new Traits(unit, range, choices, longest, byDefault, decides, words);
  }
}
