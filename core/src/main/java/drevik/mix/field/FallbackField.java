package drevik.mix.field;

import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.Send;
import drevik.mix.field.Field.Target;

/** What can be said of what a field returns to. */
public final class FallbackField {
  private static final Fields.Builder<Fallback> FIELDS = new Fields.Builder<>(Fallback.class);

  public static final ValueField<Fallback, String> TEXT =
      FIELDS.value("text", "Value", String.class, Fallback::text);
  public static final ValueField<Fallback, Double> FIGURE =
      FIELDS.value("figure", "Figure", Double.class, Fallback::figure);
  public static final ListField<Fallback, Insert> CHAIN =
      FIELDS.list("chain", "Chain", Fallback::chain, Insert::id, InsertField.ALL);
  public static final ValueField<Fallback, Send> SEND =
      FIELDS.pointer(
          "send", "Send", Send.class, Fallback::send, Target.CHANNEL, false, Send::destinations);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Fallback> ALL = FIELDS.build();

  private FallbackField() {}
}
