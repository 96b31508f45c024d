package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.Fallback;
import drevik.mix.Taken;
import drevik.mix.field.Field.Target;
import java.util.List;

/** What can be said of what a slot holds from elsewhere. */
public final class TakenField {
  private static final Fields.Builder<Taken> FIELDS = new Fields.Builder<>(Taken.class);

  public static final ValueField<Taken, String> FROM =
      FIELDS.value(
          "from", "From", String.class, Taken::from, PLAIN.meaning("where it was taken over from"));
  public static final ValueField<Taken, Fallback> VALUE =
      FIELDS.pointer(
          "value",
          "Value",
          Fallback.class,
          Taken::value,
          Target.CHANNEL,
          true,
          PLAIN,
          value -> value.send() == null ? List.of() : value.send().destinations());

  /** All of them, in the order in which they are shown. */
  public static final Fields<Taken> ALL = FIELDS.build();

  private TakenField() {}
}
