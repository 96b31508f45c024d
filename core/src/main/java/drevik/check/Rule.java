package drevik.check;

import java.util.Locale;

/** What the line check knows, with the reason why each matters. */
public enum Rule {
  LOOP("A loop has no order in which it could be computed; nothing can be printed."),
  POINTS_NOWHERE("What points at a channel that is not there is silent."),
  GOES_NOWHERE("What is on it is heard in no file."),
  NOTHING_ARRIVES("It is computed and shown for nothing, or something was to be sent to it."),
  REACHED_TWICE(
      "The same sound twice is louder than it was set, and combs as soon as one path is late."),
  IN_NO_STEM("The stems would not add up to the mix: this would be missing from them."),
  IN_TWO_STEMS("The stems would not add up to the mix: this would be in them twice."),
  STEMS_DIFFER("The stems would not add up to the mix."),
  HELD_OUT(
      "Whoever gets this file needs it without that; it is the mistake that is found after delivery."),
  DIP_ON_UNDIPPED(
      "Another language has its own dips; whoever makes it needs this file without ours."),
  DIP_ON_TRACKS(
      "A dip on tracks is in every file that holds them, the undipped ones too; ride it on buses."),
  BUS_GAIN("Everything that passes it is louder than it was set, and nearer to clipping."),
  REFERENCE_HEARD("A reference in a deliverable is somebody else's sound in the print."),
  REFERENCE_PROCESSED("What is compared with must be heard as it is."),
  RETURN_NOT_WET(
      "The dry sound comes back through it once more, beside the path that it has already."),
  SEND_TO_SILENCE("The send is open, and nobody hears it."),
  KEY_WITHOUT_SOURCE("The processor listens to silence and does nothing."),
  LAYOUT_MISMATCH("Channels are folded together here; that may be meant, but seldom is."),
  POSITION_UNHEARD("What was to be heard behind or below is heard in front only."),
  SAME_NAME("Two of one name are taken for each other, in this list and in every file made of it."),
  FILE_NAME("The file could not be written, or would overwrite another."),
  NO_DESTINATION("What is delivered in this category has to be routed by hand."),
  DESTINATION_STOWED("Nothing reaches a file through a stowed channel."),
  TEMPLATE_HOLDS_AUDIO("Every session that is started from it would carry this audio along."),
  MUTED("It is silent in every print until the mute is off."),
  CLIP_OUTSIDE("What stands outside the start and end is not printed."),
  TAIL_CUT("What still rings when the file ends is heard to stop."),
  RULE_FAILED(
      "What this rule would have found is not in the list; all others have been looked at.");

  private final String why;

  Rule(String why) {
    this.why = why;
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
