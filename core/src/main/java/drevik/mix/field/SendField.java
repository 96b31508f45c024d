package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Field.Target;
import java.util.Set;

/** What can be said of a send. */
public final class SendField {
  private static final Fields.Builder<Send> FIELDS = new Fields.Builder<>(Send.class);

  public static final ListField<Send, String> DESTINATIONS =
      FIELDS.words(
          "destinations",
          "To",
          Send::destinations,
          Set.of(Target.CHANNEL),
          true,
          PLAIN.meaning("ids of channels; several make a fan"));
  public static final ValueField<Send, Tap> TAP = FIELDS.value("tap", "Tap", Tap.class, Send::tap);
  public static final ValueField<Send, Double> LEVEL =
      FIELDS.figure("levelDb", "Level", Send::levelDb, Places.LEVEL);
  public static final ValueField<Send, Double> PAN =
      FIELDS.figure("pan", "Pan", Send::pan, Places.PAN);
  public static final ValueField<Send, Boolean> WHOLE_IMAGE =
      FIELDS.flag("wholeImage", "Whole image", Send::wholeImage, Places.WHOLE_IMAGE);
  public static final ValueField<Send, Double> FRONT_BACK =
      FIELDS.figure("frontBack", "Back", Send::frontBack, Places.FRONT_BACK);
  public static final ValueField<Send, Double> HEIGHT =
      FIELDS.figure("height", "Height", Send::height, Places.HEIGHT);
  public static final ValueField<Send, Double> LFE =
      FIELDS.figure("lfeDb", "LFE", Send::lfeDb, Places.LFE);
  public static final ValueField<Send, Boolean> ON = FIELDS.flag("on", "On", Send::on, PLAIN);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Send> ALL = FIELDS.build();

  private SendField() {}
}
