package drevik.outline;

import drevik.edit.ChangeMix;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import drevik.mix.field.MixField;
import java.util.List;

/**
 * A Mix's hierarchy as indented text, in both directions. A line is a channel, indentation is “sent
 * to”, marks say the rest; what a name says needs no mark. The grammar is in {@code
 * docs/formats/outline.md}.
 *
 * <p>Reading is told from a Mix: a line that was moved is re-pointed, one that was renamed is
 * renamed, and whatever the text does not speak of stays as it is in the Mix.
 */
public final class Outline {
  /**
   * Which channels a line stands for.
   *
   * @param line from 1
   * @param channels ids
   */
  public record Placed(int line, List<String> channels) {}

  /**
   * What a text says.
   *
   * @param before the Mix that it is told from
   * @param after the Mix that it makes; {@code before} if there are faults
   * @param faults in the order of lines; empty if the Mix can be made
   * @param lines what each line stands for
   */
  public record Reading(Mix before, Mix after, List<OutlineFault> faults, List<Placed> lines) {
    public Reading {
      faults = List.copyOf(faults);
      lines = List.copyOf(lines);
    }

    /** What leads from one to the other. */
    public Changes<Mix> changes() {
      return Changes.between(MixField.ALL, before, after);
    }

    /**
     * The change as an edit, that may be made on a later state of the Mix too.
     *
     * @throws Refused with the first fault, if there are any
     */
    public ChangeMix edit() {
      requireSound();
      return new ChangeMix(changes());
    }

    void requireSound() {
      if (!faults.isEmpty()) {
        OutlineFault first = faults.get(0);
        throw new Refused((first.line() > 0 ? "Line " + first.line() + ": " : "") + first.says());
      }
    }
  }

  private Outline() {}

  /**
   * The outline of a Mix, a line for each channel.
   *
   * @throws Refused if it stands deeper than an outline shows
   */
  public static String write(Mix mix) {
    return WrittenOutline.of(mix, new ReadNames()).text();
  }

  /** What an edited outline of a Mix says. */
  public static Reading read(Mix mix, String text) {
    return read(mix, text, new ReadNames());
  }

  /** The same, with what names say kept from one reading to the next. */
  public static Reading read(Mix mix, String text, ReadNames names) {
    return new OutlineReader(mix, text, names).read();
  }

  /**
   * A template made of a text alone.
   *
   * @throws Refused with the first fault and its line
   */
  public static Mix create(String name, String text) {
    Reading reading = readNew(name, text);
    reading.requireSound();
    return reading.after();
  }

  /** What a text says of which no Mix is yet. */
  public static Reading readNew(String name, String text) {
    return read(Mix.empty(MixKind.TEMPLATE, name), text);
  }
}
