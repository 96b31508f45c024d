package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.field.Field.Unit;

/** What holds of levels and positions wherever they are said: of a channel, a send, a control. */
final class Places {
  /** dB, to where a fader goes; −144 and below is silence. */
  static final Traits LEVEL = PLAIN.in(Unit.DECIBELS).within(-200, 24);

  static final Traits PAN = PLAIN.in(Unit.PAN).within(-1, 1).or(0.0);

  static final Traits WHOLE_IMAGE =
      PLAIN
          .or(false)
          .meaning("pan moves what is wider than mono as a whole; absent: it is a balance");

  static final Traits FRONT_BACK =
      PLAIN.in(Unit.FRONT_BACK).within(0, 1).or(0.0).meaning("0 is front, 1 is surround");

  static final Traits HEIGHT =
      PLAIN
          .in(Unit.HEIGHT)
          .within(0, 1)
          .or(0.0)
          .meaning("0 is level with the ear, 1 is above; absent: level");

  static final Traits LFE =
      LEVEL.meaning("level at which it also goes to the LFE; absent: not at all");

  /** What a pin and what a field returns to are known by. */
  static final String SLOT =
      "a field that the category map decides, such as output or trimDb; one send as"
          + " sends:<destinations joined by +>, one control as controls:<id>";

  private Places() {}
}
