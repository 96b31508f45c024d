package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.Limits;
import drevik.mix.Pin;
import drevik.mix.Send;
import drevik.mix.Taken;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.util.List;

/**
 * What can be said of a channel. A field that is added to {@link Channel} is named here once, and
 * everything that goes through fields knows it.
 */
public final class ChannelField {
  private static final Fields.Builder<Channel> FIELDS =
      new Fields.Builder<>(
          Channel.class, "", "stable across revisions, and from template to session");

  public static final ValueField<Channel, String> NAME =
      FIELDS.value("name", "Name", String.class, Channel::name);
  public static final ValueField<Channel, ChannelKind> KIND =
      FIELDS.value("kind", "Kind", ChannelKind.class, Channel::kind);
  public static final ValueField<Channel, Layout> LAYOUT =
      FIELDS.value("layout", "Layout", Layout.class, Channel::layout);
  public static final ValueField<Channel, String> CATEGORY =
      FIELDS.value(
          "category",
          "Category",
          String.class,
          Channel::category,
          PLAIN.meaning("a path of the category tree, such as drums/kick"));
  public static final ValueField<Channel, String> OUTPUT =
      FIELDS.reference(
          "output",
          "Sent to",
          Channel::output,
          Target.CHANNEL,
          PLAIN.meaning("id of the channel that this one feeds"));
  public static final ValueField<Channel, String> GROUP =
      FIELDS.reference(
          "group",
          "Shown with",
          Channel::group,
          Target.CHANNEL,
          PLAIN.meaning("a bus with whose seats the channel is shown; absent: its output's own"));
  public static final ValueField<Channel, String> COLOUR =
      FIELDS.value(
          "colour",
          "Colour",
          String.class,
          Channel::colour,
          PLAIN.meaning("a colour family; absent: the category's own"));
  public static final ValueField<Channel, Double> TRIM =
      FIELDS.figure(
          "trimDb", "Trim", Channel::trimDb, PLAIN.in(Unit.DECIBELS).within(-60, 60).or(0.0));
  public static final ValueField<Channel, Boolean> INVERTED =
      FIELDS.flag("invertPolarity", "Inverted", Channel::invertPolarity, PLAIN.or(false));
  public static final ValueField<Channel, Double> FADER =
      FIELDS.figure(
          "faderDb",
          "Fader",
          Channel::faderDb,
          Places.LEVEL.or(0.0).meaning("-144 and below is silence"));
  public static final ValueField<Channel, Double> PAN =
      FIELDS.figure("pan", "Pan", Channel::pan, Places.PAN);
  public static final ValueField<Channel, Boolean> WHOLE_IMAGE =
      FIELDS.flag("wholeImage", "Whole image", Channel::wholeImage, Places.WHOLE_IMAGE);
  public static final ValueField<Channel, Double> FRONT_BACK =
      FIELDS.figure("frontBack", "Back", Channel::frontBack, Places.FRONT_BACK);
  public static final ValueField<Channel, Double> HEIGHT =
      FIELDS.figure("height", "Height", Channel::height, Places.HEIGHT);
  public static final ValueField<Channel, Double> LFE =
      FIELDS.figure("lfeDb", "LFE", Channel::lfeDb, Places.LFE);
  public static final ValueField<Channel, Boolean> MUTE =
      FIELDS.flag("mute", "Muted", Channel::mute, PLAIN.or(false));
  public static final ValueField<Channel, Boolean> STOWED =
      FIELDS.flag("stowed", "Stowed", Channel::stowed, PLAIN.or(false));
  public static final ListField<Channel, Send> SENDS =
      FIELDS.list("sends", "Sends", Channel::sends, Send::id, SendField.ALL, PLAIN.or(List.of()));
  public static final ListField<Channel, Insert> CHAIN =
      FIELDS.list(
          "chain", "Chain", Channel::chain, Insert::id, InsertField.ALL, PLAIN.or(List.of()));
  public static final ValueField<Channel, String> PERSON =
      FIELDS.value("person", "Person", String.class, Channel::person);
  public static final ValueField<Channel, String> DELIVERED_BY =
      FIELDS.value(
          "deliveredBy",
          "Delivered by",
          String.class,
          Channel::deliveredBy,
          PLAIN.meaning("whom its files came from"));
  public static final ListField<Channel, Clip> CLIPS =
      FIELDS.list(
          "clips",
          "Audio",
          Channel::clips,
          Clip::id,
          ClipField.ALL,
          PLAIN.upTo(Limits.CHANNELS).or(List.of()));
  public static final ValueField<Channel, String> COMMENT =
      FIELDS.value(
          "comment", "Comment", String.class, Channel::comment, PLAIN.upTo(Limits.COMMENT).or(""));

  public static final ListField<Channel, Pin> PINS =
      FIELDS.list(
          "pins",
          "Pins",
          Channel::pins,
          Pin::id,
          PinField.ALL,
          PLAIN.or(List.of()).meaning("what the category map leaves alone"));
  public static final ListField<Channel, Taken> TAKEN =
      FIELDS.list(
          "taken",
          "Taken over",
          Channel::taken,
          Taken::id,
          TakenField.ALL,
          PLAIN
              .or(List.of())
              .meaning("what was taken over from elsewhere: the map leaves it alone"));
  public static final ListField<Channel, Fallback> FALLBACKS =
      FIELDS.list(
          "fallbacks",
          "Without the map",
          Channel::fallbacks,
          Fallback::id,
          FallbackField.ALL,
          PLAIN
              .or(List.of())
              .meaning("what fields return to where the category map stands over them"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Channel> ALL = FIELDS.build();

  private ChannelField() {}
}
