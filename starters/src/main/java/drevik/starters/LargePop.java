package drevik.starters;

import static drevik.audio.Layout.MONO;
import static drevik.audio.Layout.STEREO;

import drevik.mix.JobKind;
import drevik.mix.Mix;
import drevik.mix.OutputKind;
import drevik.mix.Tap;

/** A template for a large pop mix: many layers, few decisions. */
final class LargePop {
  private LargePop() {}

  static Mix build() {
    StarterBuilder b =
        new StarterBuilder(
            "Large pop mix",
            JobKind.MIX,
            112,
            "Many layers, few decisions: every family is shaped on its bus. Drums and voices have a"
                + " parallel each, fed before the fader, so that it keeps its drive when a fader"
                + " moves. The lead voice has a fan into plate, room and hall: one send, and the"
                + " blend is made on the returns.");
    buses(b);
    seats(b);
    effects(b);
    levels(b);
    controls(b);
    map(b);
    outputs(b);
    return b.build();
  }

  /** Every family has a bus; the mix is what stems add up to. */
  private static void buses(StarterBuilder b) {
    b.master("Master", STEREO)
        .chain("Master", "equaliser", "low-cut", 22)
        .chain("Master", "compressor", "threshold", -12, "ratio", 1.6, "attack", 40)
        .chain("Master", "limiter", "ceiling", -1)
        .bus("Mix", STEREO, "unknown", "Master")
        .comment("Mix", "No processing here: the stems add up to what leaves this bus.")
        .buses("drums", "Mix", "Drums")
        .buses("drums", "Drums", "Shells", "Metal", "Drum squeeze")
        .buses("percussion", "Mix", "Percussion")
        .buses("bass", "Mix", "Bass")
        .buses("guitar", "Mix", "Guitars")
        .buses("guitar", "Guitars", "Rhythm guitars", "Lead guitars")
        .buses("keys", "Mix", "Keys")
        .buses("synth", "Mix", "Synths")
        .buses("strings", "Mix", "Strings and winds")
        .buses("vocals", "Mix", "Voices")
        .buses("vocals", "Voices", "Lead", "Doubles", "Backing", "Voice squeeze")
        .buses("fx", "Mix", "Textures")
        .buses("unknown", "Mix", "Returns")
        .buses("reference", null, "Compare");
  }

  /** Where the layers are seated. */
  private static void seats(StarterBuilder b) {
    b.seats("drums/kick", MONO, "Shells", "Kick in", "Kick out", "Kick sample")
        .seats("drums/snare", MONO, "Shells", "Snare top", "Snare bottom", "Snare sample")
        .seats("drums/tom", MONO, "Shells", "Rack tom", "Floor tom")
        .seats("drums/clap", STEREO, "Drums", "Claps")
        .seats("drums/loop", STEREO, "Drums", "Loop")
        .seats("drums/hat", MONO, "Metal", "Hat")
        .seats("drums/cymbal", MONO, "Metal", "Ride")
        .seats("drums/overhead", STEREO, "Metal", "Overheads")
        .seats("drums/room", STEREO, "Metal", "Room")
        .seats("percussion/shaker", MONO, "Percussion", "Shaker")
        .seats("percussion/tambourine", MONO, "Percussion", "Tambourine")
        .seats("percussion/hand", MONO, "Percussion", "Congas")
        .seats("bass/electric", MONO, "Bass", "Bass DI", "Bass amp")
        .seats("bass/synth", STEREO, "Bass", "Synth bass")
        .seats("bass/sub", MONO, "Bass", "Sub")
        .seats("guitar/acoustic", MONO, "Rhythm guitars", "Acoustic left", "Acoustic right")
        .seats("guitar/electric", MONO, "Rhythm guitars", "Electric left", "Electric right")
        .seats("guitar/lead", MONO, "Lead guitars", "Lead guitar", "Lead guitar 2")
        .seats("keys/piano", STEREO, "Keys", "Piano")
        .seats("keys/electric-piano", STEREO, "Keys", "Electric piano")
        .seats("keys/organ", STEREO, "Keys", "Organ")
        .seats("synth/pad", STEREO, "Synths", "Pad", "Pad high")
        .seats("synth/arp", STEREO, "Synths", "Arpeggio")
        .seats("synth/lead", STEREO, "Synths", "Synth lead")
        .seats("synth/pluck", STEREO, "Synths", "Pluck")
        .seats("strings/section", STEREO, "Strings and winds", "String section")
        .seats("brass/section", STEREO, "Strings and winds", "Brass section")
        .seats("winds/sax", MONO, "Strings and winds", "Saxophone")
        .seats("vocals/lead", MONO, "Lead", "Lead voice", "Lead voice 2")
        .seats("vocals/adlib", MONO, "Lead", "Ad libs")
        .seats("vocals/double", MONO, "Doubles", "Double left", "Double right")
        .seats(
            "vocals/backing", MONO, "Backing", "Backing 1", "Backing 2", "Backing 3", "Backing 4")
        .seats("vocals/choir", STEREO, "Backing", "Choir")
        .seats("fx", STEREO, "Textures", "Riser", "Impact")
        .references("Compare", "Rough mix", "Reference song");
  }

  /** Five returns, and the parallels and buses that are shaped. */
  private static void effects(StarterBuilder b) {
    b.effect("Plate", "Returns", "reverberation", "decay", 1.8, "low-cut", 220)
        .effect("Room", "Returns", "reverberation", "decay", 0.6, "size", 7, "low-cut", 200)
        .effect("Hall", "Returns", "reverberation", "decay", 3.2, "size", 30, "low-cut", 260)
        .effect("Slap", "Returns", "tempo-delay", "beats", 0.25, "feedback", 0)
        .effect("Long echo", "Returns", "tempo-delay", "beats", 1, "feedback", 35)
        .chain("Drum squeeze", "compressor", "threshold", -30, "ratio", 8, "attack", 2)
        .chain("Voice squeeze", "compressor", "threshold", -32, "ratio", 6, "attack", 4)
        .chain("Bass", "compressor", "threshold", -20, "ratio", 3)
        .chain("Lead", "equaliser", "low-cut", 80)
        .chain("Lead", "compressor", "threshold", -18, "ratio", 2.5)
        .chain("Backing", "equaliser", "low-cut", 120);
  }

  /** What is sent where, and how it stands at the start. */
  private static void levels(StarterBuilder b) {
    b.fader(-14, "Drum squeeze", "Voice squeeze")
        .pan(-0.6, "Acoustic left", "Electric left", "Double left")
        .pan(0.6, "Acoustic right", "Electric right", "Double right")
        .send("Shells", Tap.PRE_FADER, 0, "Drum squeeze")
        .send("Lead", Tap.PRE_FADER, 0, "Voice squeeze")
        .send("Lead voice", Tap.POST_FADER, -144, "Plate", "Room", "Hall")
        .ready("Long echo", "Lead voice", "Lead guitar", "Synth lead")
        .ready("Slap", "Lead voice", "Lead voice 2")
        .ready("Room", "Snare top", "Claps", "Piano", "Congas")
        .ready("Hall", "String section", "Choir", "Pad")
        .ready("Plate", "Double left", "Double right", "Choir", "Saxophone");
  }

  /** What is ridden together. */
  private static void controls(StarterBuilder b) {
    b.control("Rhythm", "Drums", "Percussion", "Bass")
        .control("Voices all", "Lead", "Doubles", "Backing")
        .control("Band", "Rhythm", "Guitars", "Keys", "Synths", "Strings and winds");
  }

  /** What goes where. */
  private static void map(StarterBuilder b) {
    b.map("Drums", "drums")
        .map("Shells", "drums/kick", "drums/snare", "drums/tom")
        .map("Metal", "drums/hat", "drums/cymbal", "drums/overhead", "drums/room")
        .map("Percussion", "percussion")
        .map("Bass", "bass")
        .map("Rhythm guitars", "guitar")
        .map("Lead guitars", "guitar/lead")
        .map("Keys", "keys")
        .map("Synths", "synth")
        .map("Strings and winds", "strings", "brass", "winds", "orchestra")
        .map("Lead", "vocals")
        .map("Doubles", "vocals/double")
        .map("Backing", "vocals/backing", "vocals/choir")
        .map("Textures", "fx");
  }

  /** What is printed. */
  private static void outputs(StarterBuilder b) {
    b.output("Master", OutputKind.PRINT, "Master")
        .output("Mix", OutputKind.MIX, "Mix")
        .comparison("Comparison", "Compare")
        .stems(
            "Mix",
            "Drums",
            "Percussion",
            "Bass",
            "Guitars",
            "Keys",
            "Synths",
            "Strings and winds",
            "Voices",
            "Textures",
            "Returns");
  }
}
