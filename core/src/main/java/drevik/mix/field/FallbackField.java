package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.Send;
import drevik.mix.field.Field.Target;
import java.util.List;

/** What can be said of what a field returns to. */
public final class FallbackField {
  private static final Fields.Builder<Fallback> FIELDS =
      new Fields.Builder<>(Fallback.class, "", Places.SLOT);

  public static final ValueField<Fallback, String> TEXT =
      FIELDS.value(
          "text",
          "Value",
          String.class,
          Fallback::text,
          PLAIN.meaning("an id, a colour, a layout, or “member”"));
  public static final ValueField<Fallback, Double> FIGURE =
      FIELDS.figure(
          "figure",
          "Figure",
          Fallback::figure,
          PLAIN.meaning("dB; of a send, its place among others"));
  public static final ListField<Fallback, Insert> CHAIN =
      FIELDS.list(
          "chain", "Chain", Fallback::chain, Insert::id, InsertField.ALL, PLAIN.or(List.of()));
  public static final ValueField<Fallback, Send> SEND =
      FIELDS.pointer(
          "send",
          "Send",
          Send.class,
          Fallback::send,
          Target.CHANNEL,
          false,
          PLAIN,
          Send::destinations);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Fallback> ALL = FIELDS.build();

  private FallbackField() {}
}
