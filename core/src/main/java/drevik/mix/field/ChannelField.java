package drevik.mix.field;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.Pin;
import drevik.mix.Send;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;

/**
 * What can be said of a channel. A field that is added to {@link Channel} is named here once, and
 * everything that goes through fields knows it.
 */
public final class ChannelField {
  private static final Fields.Builder<Channel> FIELDS = new Fields.Builder<>(Channel.class);

  public static final ValueField<Channel, String> NAME =
      FIELDS.value("name", "Name", String.class, Channel::name);
  public static final ValueField<Channel, ChannelKind> KIND =
      FIELDS.value("kind", "Kind", ChannelKind.class, Channel::kind);
  public static final ValueField<Channel, Layout> LAYOUT =
      FIELDS.value("layout", "Layout", Layout.class, Channel::layout);
  public static final ValueField<Channel, String> CATEGORY =
      FIELDS.value("category", "Category", String.class, Channel::category);
  public static final ValueField<Channel, String> OUTPUT =
      FIELDS.reference("output", "Sent to", Channel::output, Target.CHANNEL);
  public static final ValueField<Channel, String> GROUP =
      FIELDS.reference("group", "Shown with", Channel::group, Target.CHANNEL);
  public static final ValueField<Channel, String> COLOUR =
      FIELDS.value("colour", "Colour", String.class, Channel::colour);
  public static final ValueField<Channel, Double> TRIM =
      FIELDS.value("trimDb", "Trim", Double.class, Channel::trimDb, Unit.DECIBELS);
  public static final ValueField<Channel, Boolean> INVERTED =
      FIELDS.value("invertPolarity", "Inverted", Boolean.class, Channel::invertPolarity);
  public static final ValueField<Channel, Double> FADER =
      FIELDS.value("faderDb", "Fader", Double.class, Channel::faderDb, Unit.DECIBELS);
  public static final ValueField<Channel, Double> PAN =
      FIELDS.value("pan", "Pan", Double.class, Channel::pan, Unit.PAN);
  public static final ValueField<Channel, Boolean> WHOLE_IMAGE =
      FIELDS.value("wholeImage", "Whole image", Boolean.class, Channel::wholeImage);
  public static final ValueField<Channel, Double> FRONT_BACK =
      FIELDS.value("frontBack", "Back", Double.class, Channel::frontBack, Unit.FRONT_BACK);
  public static final ValueField<Channel, Double> HEIGHT =
      FIELDS.value("height", "Height", Double.class, Channel::height, Unit.HEIGHT);
  public static final ValueField<Channel, Double> LFE =
      FIELDS.value("lfeDb", "LFE", Double.class, Channel::lfeDb, Unit.DECIBELS);
  public static final ValueField<Channel, Boolean> MUTE =
      FIELDS.value("mute", "Muted", Boolean.class, Channel::mute);
  public static final ValueField<Channel, Boolean> STOWED =
      FIELDS.value("stowed", "Stowed", Boolean.class, Channel::stowed);
  public static final ListField<Channel, Send> SENDS =
      FIELDS.list("sends", "Sends", Channel::sends, Send::id, SendField.ALL);
  public static final ListField<Channel, Insert> CHAIN =
      FIELDS.list("chain", "Chain", Channel::chain, Insert::id, InsertField.ALL);
  public static final ValueField<Channel, String> PERSON =
      FIELDS.value("person", "Person", String.class, Channel::person);
  public static final ValueField<Channel, String> DELIVERED_BY =
      FIELDS.value("deliveredBy", "Delivered by", String.class, Channel::deliveredBy);
  public static final ListField<Channel, Clip> CLIPS =
      FIELDS.list("clips", "Audio", Channel::clips, Clip::id, ClipField.ALL);
  public static final ValueField<Channel, String> COMMENT =
      FIELDS.value("comment", "Comment", String.class, Channel::comment);

  public static final ListField<Channel, Pin> PINS =
      FIELDS.list("pins", "Pins", Channel::pins, Pin::id, PinField.ALL);
  public static final ListField<Channel, Fallback> FALLBACKS =
      FIELDS.list(
          "fallbacks", "Without the map", Channel::fallbacks, Fallback::id, FallbackField.ALL);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Channel> ALL = FIELDS.build();

  private ChannelField() {}
}
