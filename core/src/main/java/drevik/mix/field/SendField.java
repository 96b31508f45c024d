package drevik.mix.field;

import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.util.Set;

/** What can be said of a send. */
public final class SendField {
  private static final Fields.Builder<Send> FIELDS = new Fields.Builder<>(Send.class);

  public static final ListField<Send, String> DESTINATIONS =
      FIELDS.words("destinations", "To", Send::destinations, Set.of(Target.CHANNEL), true);
  public static final ValueField<Send, Tap> TAP = FIELDS.value("tap", "Tap", Tap.class, Send::tap);
  public static final ValueField<Send, Double> LEVEL =
      FIELDS.value("levelDb", "Level", Double.class, Send::levelDb, Unit.DECIBELS);
  public static final ValueField<Send, Double> PAN =
      FIELDS.value("pan", "Pan", Double.class, Send::pan, Unit.PAN);
  public static final ValueField<Send, Boolean> WHOLE_IMAGE =
      FIELDS.value("wholeImage", "Whole image", Boolean.class, Send::wholeImage);
  public static final ValueField<Send, Double> FRONT_BACK =
      FIELDS.value("frontBack", "Back", Double.class, Send::frontBack, Unit.FRONT_BACK);
  public static final ValueField<Send, Double> HEIGHT =
      FIELDS.value("height", "Height", Double.class, Send::height, Unit.HEIGHT);
  public static final ValueField<Send, Double> LFE =
      FIELDS.value("lfeDb", "LFE", Double.class, Send::lfeDb, Unit.DECIBELS);
  public static final ValueField<Send, Boolean> ON =
      FIELDS.value("on", "On", Boolean.class, Send::on);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Send> ALL = FIELDS.build();

  private SendField() {}
}
