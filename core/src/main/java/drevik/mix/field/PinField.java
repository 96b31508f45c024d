package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.Pin;

/** What can be said of a pin. */
public final class PinField {
  private static final Fields.Builder<Pin> FIELDS =
      new Fields.Builder<>(Pin.class, "", Places.SLOT);

  public static final ValueField<Pin, String> BY =
      FIELDS.value("by", "By", String.class, Pin::by, PLAIN.meaning("the act that it came from"));
  public static final ValueField<Pin, String> AT =
      FIELDS.value("at", "At", String.class, Pin::at, PLAIN.meaning("when, ISO 8601 in UTC"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Pin> ALL = FIELDS.build();

  private PinField() {}
}
