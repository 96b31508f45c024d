package drevik.check;

import java.util.Locale;

/** What the line check knows, with the reason why each matters. */
public enum Rule {
  LOOP(
      "A loop has no order in which it could be computed; nothing can be printed.",
      "The routing closes no loop."),
  POINTS_NOWHERE(
      "What points at a channel that is not there is silent.",
      "Everything that points at a channel points at one that is there."),
  GOES_NOWHERE("What is on it is heard in no file.", "Everything that can play reaches a file."),
  NOTHING_ARRIVES(
      "It is computed and shown for nothing, or something was to be sent to it.",
      "Something arrives at every bus, return and master."),
  REACHED_TWICE(
      "The same sound twice is louder than it was set, and combs as soon as one path is late.",
      "No file hears a seat by two dry ways."),
  IN_NO_STEM(
      "The stems would not add up to the mix: this would be missing from them.",
      "Every seat of a mix is in one of its stems."),
  IN_TWO_STEMS(
      "The stems would not add up to the mix: this would be in them twice.",
      "No seat of a mix is in two of its stems."),
  STEMS_DIFFER(
      "The stems would not add up to the mix.",
      "The stems of each set are taken so that they add up to its mix."),
  HELD_OUT(
      "Whoever gets this file needs it without that; it is the mistake that is found after delivery.",
      "No file holds what it must not hold."),
  MINUS_MISSES(
      "Whoever gets a minus counts on all else; what is missing is missed in every country.",
      "Every minus holds all of the mix but what it is without."),
  OUTPUT_SILENT(
      "A silent file is delivered as if it were one, and found by whoever opens it.",
      "Something that plays arrives at every file."),
  NAME_DISAGREES("Who gets it goes by its name.", "Every stem holds what it is called after."),
  DIP_ON_UNDIPPED(
      "Another language has its own dips; whoever makes it needs this file without ours.",
      "No dip reaches a file that is to be undipped."),
  DIP_ON_TRACKS(
      "A dip on tracks is in every file that holds them, the undipped ones too; ride it on buses.",
      "Dips ride buses and no tracks."),
  BUS_GAIN(
      "Everything that passes it is louder than it was set, and nearer to clipping.",
      "No bus makes louder what passes it."),
  REFERENCE_HEARD(
      "A reference in a deliverable is somebody else's sound in the print.",
      "No reference is heard in a file."),
  REFERENCE_PROCESSED(
      "What is compared with must be heard as it is.", "References are heard as they are."),
  RETURN_NOT_WET(
      "The dry sound comes back through it once more, beside the path that it has already.",
      "Returns give back no dry sound."),
  SEND_TO_SILENCE(
      "The send is open, and nobody hears it.", "Every open send is heard by somebody."),
  KEY_WITHOUT_SOURCE(
      "The processor listens to silence and does nothing.",
      "Every key listens to something that sounds."),
  LAYOUT_MISMATCH(
      "Channels are folded together here; that may be meant, but seldom is.",
      "Nothing is folded down where no file has it in full."),
  POSITION_UNHEARD(
      "What was to be heard behind, above or below is heard in front only.",
      "What is placed in a surround, in heights or in an LFE finds one there."),
  LFE_NOT_FILTERED(
      "An LFE is for what is below 120 Hz; what stands above is played by a speaker not made for it.",
      "What is sent into an LFE passes a low-pass there."),
  SAME_NAME(
      "Two of one name are taken for each other, in this list and in every file made of it.",
      "No two things have one name."),
  FILE_NAME(
      "The file could not be written, or would overwrite another.",
      "Every file has a name of its own that can be written."),
  NO_DESTINATION(
      "What is delivered in this category has to be routed by hand.",
      "Every category that is used has a destination."),
  DEPARTS_FROM_MAP(
      "A later change of the map moves it, whether that is meant or not.",
      "Every channel is as the category map says, or pinned."),
  DESTINATION_STOWED(
      "Nothing reaches a file through a stowed channel.", "Nothing goes to a stowed channel."),
  TEMPLATE_HOLDS_AUDIO(
      "Every session that is started from it would carry this audio along.",
      "A template holds no audio but what is kept on purpose."),
  MUTED("It is silent in every print until the mute is off.", "Nothing is muted."),
  STAND_IN(
      "What it did where the Mix came from is not heard here, and is in no file.",
      "Every processor runs here."),
  CLIPS_OVERLAP(
      "Two sounds on one seat at once are seldom meant, and louder than either.",
      "No two clips sound on one seat at once."),
  MIXES_TOGETHER(
      "Finished mixes are heard one at a time; two at once are no mix that anybody made.",
      "No two finished mixes sound at once in one file."),
  SECTION_NOT_KEPT(
      "Its file would hold another's sound, or silence in the place of its own.",
      "Every song sounds where its section stands."),
  CLIP_OUTSIDE(
      "What stands outside the start and end is not printed.",
      "Every clip stands between start and end."),
  TAIL_CUT(
      "What still rings when the file ends is heard to stop.", "No tail is cut off at the end."),
  RULE_FAILED(
      "What this rule would have found is not in the list; all others have been looked at.",
      "Every rule could be looked at.");

  private final String why;
  private final String holds;

  Rule(String why, String holds) {
    this.why = why;
    this.holds = holds;
  }

  /** What is true of a Mix in which nothing of it was found. */
  public String holds() {
    return holds;
  }

  /** What it would do to the work if it stayed. */
  public String why() {
    return why;
  }

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
