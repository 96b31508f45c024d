package drevik.starters;

import static drevik.audio.Layout.MONO;
import static drevik.audio.Layout.STEREO;
import static drevik.audio.Layout.SURROUND_5_1;

import drevik.audio.SampleFormat;
import drevik.mix.JobKind;
import drevik.mix.Mix;
import drevik.mix.OutputKind;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.List;

/** Templates that ship: one for each kind of work, each saying why it is built as it is. */
public final class Starters {
  private static final int SONGS = 6;
  private static final int MOST_SONGS = 60;
  private static final double SONG_SECONDS = 240;

  private Starters() {}

  /** A band of eight, printed as mix, master and stems. */
  public static Mix bandOfEight() {
    return BandOfEight.build();
  }

  /** All of them, in the order in which the shelf shows them. */
  public static List<Mix> all() {
    return List.of(
        bandOfEight(),
        LargePop.build(),
        electronic(),
        album(SONGS),
        mastering(),
        series(),
        exhibition(),
        radioDrama());
  }

  /**
   * The one of that name.
   *
   * @throws Refused if none is called so
   */
  public static Mix named(String name) {
    return all().stream()
        .filter(starter -> starter.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new Refused("No starter is called “" + name + "”."));
  }

  static Mix electronic() {
    return new StarterBuilder(
            "Electronic production",
            JobKind.MIX,
            126,
            "For writing and mixing in one. The kick ducks bass and pads through keys. A key feed"
                + " carries everything but the voice and is heard by nobody: the voice's level is"
                + " ridden against it. Faders stand where the level guides want them: kick −8,"
                + " bass −12, voice −10.")
        .master("Master", STEREO)
        .chain("Master", "limiter", "ceiling", -1, "drive", 3)
        .bus("Mix", STEREO, "unknown", "Master")
        .buses("drums", "Mix", "Drums")
        .buses("bass", "Mix", "Bass")
        .buses("synth", "Mix", "Synths")
        .buses("synth", "Synths", "Pads", "Leads")
        .buses("vocals", "Mix", "Voice")
        .buses("fx", "Mix", "Sweeps")
        .buses("unknown", "Mix", "Returns")
        .buses("unknown", null, "Key feed")
        .seats("drums/kick", MONO, "Drums", "Kick")
        .seats("drums/clap", STEREO, "Drums", "Clap")
        .seats("drums/hat", STEREO, "Drums", "Hats")
        .seats("drums/loop", STEREO, "Drums", "Drum loop")
        .seats("percussion/hand", STEREO, "Drums", "Percussion")
        .seats("bass/sub", MONO, "Bass", "Sub bass")
        .seats("bass/synth", STEREO, "Bass", "Mid bass")
        .seats("synth/pad", STEREO, "Pads", "Pad 1", "Pad 2")
        .seats("synth/arp", STEREO, "Leads", "Arpeggio")
        .seats("synth/lead", STEREO, "Leads", "Lead 1", "Lead 2")
        .seats("synth/pluck", STEREO, "Leads", "Plucks")
        .seats("vocals/lead", MONO, "Voice", "Lead voice")
        .seats("vocals/backing", STEREO, "Voice", "Voice layers")
        .seats("fx", STEREO, "Sweeps", "Riser", "Downlifter", "Impact")
        .effect("Bright plate", "Returns", "reverberation", "decay", 1.4, "low-cut", 300)
        .effect("Wide hall", "Returns", "reverberation", "decay", 4, "size", 40, "low-cut", 250)
        .effect("Dotted echo", "Returns", "tempo-delay", "beats", 0.75, "feedback", 40)
        .keyed(
            "Bass", "compressor", "Kick", "threshold", -30, "ratio", 6, "attack", 1, "release", 110)
        .keyed(
            "Pads", "compressor", "Kick", "threshold", -28, "ratio", 4, "attack", 1, "release", 160)
        .keyed("Voice", "compressor", "Key feed", "threshold", -24, "ratio", 1.4)
        .send("Drums", Tap.POST_FADER, 0, "Key feed")
        .send("Bass", Tap.POST_FADER, 0, "Key feed")
        .send("Synths", Tap.POST_FADER, 0, "Key feed")
        .send("Lead voice", Tap.POST_FADER, -144, "Bright plate", "Wide hall")
        .ready("Dotted echo", "Lead voice", "Lead 1", "Plucks")
        .ready("Wide hall", "Pad 1", "Pad 2", "Riser")
        .fader(-8, "Kick")
        .fader(-12, "Sub bass", "Mid bass")
        .fader(-10, "Lead voice")
        .fader(-16, "Pad 1", "Pad 2", "Arpeggio", "Plucks")
        .comment("Kick", "Level guide: −8 dB at the start; everything else is set against it.")
        .control("Build-up", "Synths", "Sweeps")
        .map("Drums", "drums", "percussion")
        .map("Bass", "bass")
        .map("Leads", "synth", "keys", "guitar")
        .map("Pads", "synth/pad", "strings")
        .map("Voice", "vocals")
        .map("Sweeps", "fx")
        .output("Master", OutputKind.PRINT, "Master")
        .output("Mix", OutputKind.MIX, "Mix")
        .stems("Mix", "Drums", "Bass", "Synths", "Voice", "Sweeps", "Returns")
        .build();
  }

  /**
   * An album in one Mix: each song its own bus, the songs one after another.
   *
   * @throws Refused if there are too few or too many songs
   */
  public static Mix album(int songs) {
    if (songs < 1 || songs > MOST_SONGS) {
      throw new Refused(
          "An album has 1 to " + MOST_SONGS + " songs; this would have " + songs + ".");
    }
    StarterBuilder b =
        new StarterBuilder(
            "Album of " + songs + " songs",
            JobKind.ALBUM,
            100,
            "All songs of a release in one Mix, to be compared and matched. Each has a bus of its"
                + " own and a section of its own; shared returns keep them in one room. Each song"
                + " is printed as a pre-master: in full resolution, before the master's limiter.");
    b.master("Album master", STEREO)
        .chain("Album master", "limiter", "ceiling", -1)
        .bus("Album", STEREO, "unknown", "Album master")
        .effect("Shared room", "Album", "reverberation", "decay", 1.1, "low-cut", 180)
        .map("Song 1", "drums", "percussion", "bass", "guitar", "keys", "synth", "strings")
        .map("Song 1", "brass", "winds", "orchestra", "vocals", "fx")
        .buses("reference", null, "Compare")
        .references("Compare", "Rough master");
    List<String> songBuses = new ArrayList<>();
    for (int song = 1; song <= songs; song++) {
      String bus = "Song " + song;
      songBuses.add(bus);
      b.bus(bus, STEREO, "unknown", "Album")
          .buses("unknown", bus, bus + " band", bus + " voices")
          .seats("drums", STEREO, bus + " band", bus + " drums")
          .seats("bass", MONO, bus + " band", bus + " bass")
          .seats("guitar", STEREO, bus + " band", bus + " guitars")
          .seats("keys", STEREO, bus + " band", bus + " keys")
          .seats("vocals/lead", MONO, bus + " voices", bus + " lead voice")
          .seats("vocals/backing", STEREO, bus + " voices", bus + " backing")
          .ready("Shared room", bus + " lead voice")
          .marker(bus, (song - 1) * SONG_SECONDS)
          .output(
              bus + " pre-master",
              OutputKind.PRINT,
              bus,
              Tap.POST_FADER,
              STEREO,
              SampleFormat.FLOAT_32);
    }
    return b.control("All songs", songBuses.toArray(String[]::new))
        .output("Album in one", OutputKind.PRINT, "Album master")
        .comparison("Comparison", "Compare")
        .build();
  }

  static Mix mastering() {
    return new StarterBuilder(
            "Mastering chain",
            JobKind.MASTER,
            120,
            "A short serial chain, and references that never touch it. The clean print is taken"
                + " before the limiter, the release prints behind it, in 24 bits and, dithered, in"
                + " 16. References go to a path of their own.")
        .master("Release", STEREO)
        .chain("Release", "limiter", "ceiling", -1, "drive", 2)
        .bus("Tone", STEREO, "unknown", "Release")
        .chain("Tone", "equaliser", "low-cut", 20, "high-shelf-gain", 0.5)
        .chain("Tone", "compressor", "threshold", -10, "ratio", 1.5, "attack", 50, "release", 250)
        .buses("reference", null, "Compare")
        .seats("print", STEREO, "Tone", "Delivered mix", "Delivered instrumental")
        .references("Compare", "Reference 1", "Reference 2", "Reference 3", "Rough master")
        .change("Delivered instrumental", c -> c.withStowed(true))
        .comment("Delivered instrumental", "Stowed until an instrumental comes; then stow the mix.")
        .map("Tone", "print")
        .output("Release 24", OutputKind.PRINT, "Release")
        .answersTo("aes77-music", "Release 24")
        .output(
            "Release 16", OutputKind.PRINT, "Release", Tap.POST_FADER, STEREO, SampleFormat.PCM_16)
        .output(
            "Unlimited", OutputKind.PRINT, "Release", Tap.PRE_CHAIN, STEREO, SampleFormat.FLOAT_32)
        .comparison("Comparison", "Compare")
        .build();
  }

  static Mix series() {
    return new StarterBuilder(
            "Film and series",
            JobKind.POST,
            120,
            "Dialogue may enter before its chain or behind it: two buses, one processed, one plain,"
                + " into one dialogue bus. Production effects stand with the dialogue on screen"
                + " and are routed to effects; foley goes through effects, as every buyer wants"
                + " it. Returns belong to a department and enter behind its chains. Two masters:"
                + " one limited for broadcast, one clean.")
        .master("Broadcast master", SURROUND_5_1)
        .chain("Broadcast master", "limiter", "ceiling", -2)
        .master("Clean master", SURROUND_5_1)
        .bus("Mix", SURROUND_5_1, "unknown", "Broadcast master")
        .send("Mix", Tap.POST_FADER, 0, "Clean master")
        .bus("Dialogue", SURROUND_5_1, "dialogue", "Mix")
        .bus("Dialogue processed", MONO, "dialogue", "Dialogue")
        .bus("Dialogue plain", MONO, "dialogue", "Dialogue")
        .bus("Futz", MONO, "dialogue/futz", "Dialogue plain")
        .bus("Effects", SURROUND_5_1, "effects", "Mix")
        .bus("Hard effects", SURROUND_5_1, "effects/hard", "Effects")
        .bus("Foley", SURROUND_5_1, "foley", "Effects")
        .bus("Foley feet", MONO, "foley/feet", "Foley")
        .bus("Foley props", MONO, "foley/props", "Foley")
        .bus("Foley cloth", MONO, "foley/cloth", "Foley")
        .bus("Ambience", SURROUND_5_1, "ambience", "Effects")
        .bus("Music", SURROUND_5_1, "score", "Mix")
        .bus("Music and effects", SURROUND_5_1, "unknown", null)
        .buses("reference", null, "Guide")
        .chain("Dialogue processed", "equaliser", "low-cut", 80)
        .chain("Dialogue processed", "compressor", "threshold", -24, "ratio", 2.5)
        .chain("Futz", "equaliser", "low-cut", 400, "low-cut-slope", 24, "high-cut", 3200)
        .send("Effects", Tap.POST_FADER, 0, "Music and effects")
        .send("Music", Tap.POST_FADER, 0, "Music and effects")
        .seats("dialogue/production", MONO, "Dialogue processed", numbered("Dialogue", 10))
        .seats("dialogue/adr", MONO, "Dialogue processed", numbered("ADR", 4))
        .seats("dialogue/crowd", MONO, "Dialogue plain", "Crowd")
        .seats("dialogue/futz", MONO, "Futz", "Telephone", "Radio")
        .seats("effects/production", MONO, "Hard effects", numbered("Production effects", 3))
        .seats("effects/hard", MONO, "Hard effects", numbered("Hard effect", 8))
        .seats("effects/design", STEREO, "Hard effects", numbered("Design", 4))
        .seats("foley/feet", MONO, "Foley feet", numbered("Feet", 3))
        .seats("foley/props", MONO, "Foley props", numbered("Props", 4))
        .seats("foley/cloth", MONO, "Foley cloth", "Cloth")
        .seats("ambience", STEREO, "Ambience", numbered("Background", 6))
        .seats("ambience/tone", MONO, "Ambience", "Room tone", "Fill")
        .seats("score", STEREO, "Music", numbered("Cue", 4))
        .seats("score/source", STEREO, "Music", "Source music")
        .references("Guide", "Guide track")
        .change("Production effects 1", c -> c.withGroup("dialogue"))
        .change("Production effects 2", c -> c.withGroup("dialogue"))
        .change("Production effects 3", c -> c.withGroup("dialogue"))
        .effect("Dialogue small room", "Dialogue", "reverberation", "decay", 0.4, "size", 4)
        .effect("Dialogue large space", "Dialogue", "reverberation", "decay", 2.4, "size", 28)
        .effect("Dialogue outdoors", "Dialogue", "tempo-delay", "beats", 0.25, "feedback", 10)
        .effect("Effects small room", "Effects", "reverberation", "decay", 0.5, "size", 5)
        .effect("Effects large space", "Effects", "reverberation", "decay", 2.8, "size", 35)
        .effect("Effects vehicle", "Effects", "reverberation", "decay", 0.2, "size", 2)
        .effect("Score hall", "Music", "reverberation", "decay", 2.6, "size", 32)
        .ready("Dialogue small room", "Dialogue 1", "Dialogue 2", "ADR 1", "ADR 2")
        .ready("Dialogue large space", "Dialogue 1", "Dialogue 2")
        .ready("Dialogue outdoors", "Dialogue 1", "Dialogue 2")
        .ready("Effects small room", "Foley feet", "Foley props", "Hard effect 1")
        .ready("Effects large space", "Hard effect 1", "Design 1")
        .ready("Effects vehicle", "Hard effect 2", "Production effects 1")
        .ready("Score hall", "Source music")
        .control("All dialogue", "Dialogue processed", "Dialogue plain")
        .control("All foley", "Foley feet", "Foley props", "Foley cloth")
        .control("All effects", "Hard effects", "All foley", "Ambience")
        .map("Dialogue processed", "dialogue", "narration", "interview")
        .map("Dialogue plain", "dialogue/crowd")
        .map("Futz", "dialogue/futz")
        .map("Hard effects", "effects", "fx")
        .map("Foley feet", "foley", "foley/feet")
        .map("Foley props", "foley/props")
        .map("Foley cloth", "foley/cloth")
        .map("Ambience", "ambience", "natural")
        .map("Music", "score")
        .output("Broadcast 5.1", OutputKind.PRINT, "Broadcast master")
        .output("Clean 5.1", OutputKind.PRINT, "Clean master")
        .output(
            "Broadcast stereo",
            OutputKind.PRINT,
            "Broadcast master",
            Tap.POST_FADER,
            STEREO,
            SampleFormat.PCM_24)
        .comparison("Guide", "Guide")
        .output("Mix", OutputKind.MIX, "Mix")
        .answersTo("r128", "Broadcast 5.1", "Broadcast stereo")
        .output(
            "Music and effects",
            OutputKind.MINUS,
            "Music and effects",
            "dialogue",
            "narration",
            "interview")
        .stems("Mix", "Dialogue", "Effects", "Music")
        .build();
  }

  static Mix exhibition() {
    return new StarterBuilder(
            "Documentary and exhibition",
            JobKind.POST,
            120,
            "To be re-voiced in other languages. Music and effects stand twice: undipped, as they"
                + " were made, and behind a bus where they are dipped under the voice; the dip is"
                + " ridden on one control over the dipped buses, never on tracks. Whoever makes"
                + " another language gets the undipped stems and a mix-minus.")
        .master("Surround master", SURROUND_5_1)
        .chain("Surround master", "limiter", "ceiling", -2)
        .bus("Mix", SURROUND_5_1, "unknown", "Surround master")
        .bus("Voice", MONO, "narration", "Mix")
        .bus("Interviews", MONO, "interview", "Mix")
        .bus("Natural sound", STEREO, "natural", "Mix")
        .bus("Music dipped", SURROUND_5_1, "score", "Mix")
        .bus("Music undipped", SURROUND_5_1, "score", "Music dipped")
        .bus("Effects dipped", SURROUND_5_1, "effects", "Mix")
        .bus("Effects undipped", SURROUND_5_1, "effects", "Effects dipped")
        .bus("Foley", MONO, "foley", "Effects undipped")
        .bus("Ambience", SURROUND_5_1, "ambience", "Effects undipped")
        .bus("Minus narration", SURROUND_5_1, "unknown", null)
        .bus("Music and effects", SURROUND_5_1, "unknown", null)
        .buses("reference", null, "Guide")
        .chain("Voice", "equaliser", "low-cut", 70)
        .chain("Voice", "compressor", "threshold", -22, "ratio", 2.5)
        .chain("Interviews", "equaliser", "low-cut", 90)
        .chain("Interviews", "compressor", "threshold", -24, "ratio", 3)
        .send("Interviews", Tap.POST_FADER, 0, "Minus narration")
        .send("Natural sound", Tap.POST_FADER, 0, "Minus narration", "Music and effects")
        .send("Music dipped", Tap.POST_FADER, 0, "Minus narration")
        .send("Effects dipped", Tap.POST_FADER, 0, "Minus narration")
        .send("Music undipped", Tap.POST_FADER, 0, "Music and effects")
        .send("Effects undipped", Tap.POST_FADER, 0, "Music and effects")
        .seats("narration", MONO, "Voice", "Narrator", "Narrator pick-ups")
        .seats("interview", MONO, "Interviews", "Curator seated 1", "Curator seated 2")
        .seats("interview/field", MONO, "Interviews", "Curator on the roof")
        .seats("natural", STEREO, "Natural sound", "Sound with the picture")
        .seats("score", STEREO, "Music undipped", numbered("Cue", 5))
        .seats("effects/hard", MONO, "Effects undipped", numbered("Effect", 6))
        .seats("effects/design", STEREO, "Effects undipped", "Instruments of the dome")
        .seats("foley/feet", MONO, "Foley", "Feet")
        .seats("foley/props", MONO, "Foley", "Props")
        .seats("foley/cloth", MONO, "Foley", "Cloth")
        .seats("ambience", STEREO, "Ambience", "Dome hum", "Roof at night")
        .seats("ambience/tone", MONO, "Ambience", "Fill under voices")
        .references("Guide", "Guide track")
        .change("Narrator", c -> c.withPerson("Narrator"))
        .change("Curator seated 1", c -> c.withPerson("First curator"))
        .change("Curator seated 2", c -> c.withPerson("Second curator"))
        .change("Curator on the roof", c -> c.withPerson("Third curator"))
        .comment("Fill under voices", "Keeps the music-and-effects from falling silent.")
        .effect("Dome reflections", "Effects undipped", "reverberation", "decay", 3, "size", 40)
        .effect("Score hall", "Music undipped", "reverberation", "decay", 2.2, "size", 30)
        .ready("Dome reflections", "Effect 1", "Effect 2", "Foley")
        .ready("Score hall", "Cue 1", "Cue 2")
        .dip("Dip", "Music dipped", "Effects dipped")
        .map("Voice", "narration")
        .map("Interviews", "interview", "dialogue")
        .map("Natural sound", "natural")
        .map("Music undipped", "score")
        .map("Effects undipped", "effects", "fx")
        .map("Foley", "foley")
        .map("Ambience", "ambience")
        .output("Surround", OutputKind.PRINT, "Surround master")
        .output(
            "Stereo",
            OutputKind.PRINT,
            "Surround master",
            Tap.POST_FADER,
            STEREO,
            SampleFormat.PCM_24)
        .answersTo("r128", "Surround", "Stereo")
        .comparison("Guide", "Guide")
        .output("Mix", OutputKind.MIX, "Mix")
        .output("Mix-minus", OutputKind.MINUS, "Minus narration", "narration")
        .output(
            "Music and effects",
            OutputKind.MINUS,
            "Music and effects",
            "narration",
            "interview",
            "dialogue")
        .output("Voice-over mono", OutputKind.PRINT, "Voice")
        .output("Interviews mono", OutputKind.PRINT, "Interviews")
        .output("Music undipped", OutputKind.UNDIPPED_STEM, "Music undipped", "narration")
        .output("Effects undipped", OutputKind.UNDIPPED_STEM, "Effects undipped", "narration")
        .stemsIn(
            SURROUND_5_1,
            "Mix",
            "Voice",
            "Interviews",
            "Natural sound",
            "Music dipped",
            "Effects dipped")
        .build();
  }

  static Mix radioDrama() {
    return new StarterBuilder(
            "Radio drama",
            JobKind.POST,
            120,
            "Nothing is seen, so the place must be heard: voices are grouped by where they speak,"
                + " and every place has its own return, into the voices, so that the voice stem"
                + " carries it. A telephone is a bus, not a setting on a track. All but the narrator"
                + " is summed once more, to be narrated in another language.")
        .master("Master", STEREO)
        .chain("Master", "limiter", "ceiling", -1)
        .bus("Mix", STEREO, "unknown", "Master")
        .buses("dialogue", "Mix", "Voices")
        .bus("Narration", MONO, "narration", "Voices")
        .buses("dialogue", "Voices", "Characters")
        .bus("Indoors", MONO, "dialogue", "Characters")
        .bus("Outdoors", MONO, "dialogue", "Characters")
        .bus("Telephone", MONO, "dialogue/futz", "Characters")
        .buses("effects", "Mix", "Sounds")
        .buses("effects", "Sounds", "Effects")
        .buses("ambience", "Sounds", "Ambience")
        .buses("score", "Mix", "Music")
        .bus("Minus narration", STEREO, "unknown", null)
        .send("Characters", Tap.POST_FADER, 0, "Minus narration")
        .send("Sounds", Tap.POST_FADER, 0, "Minus narration")
        .send("Music", Tap.POST_FADER, 0, "Minus narration")
        .chain("Narration", "compressor", "threshold", -22, "ratio", 2.5)
        .chain("Telephone", "equaliser", "low-cut", 350, "low-cut-slope", 24, "high-cut", 3400)
        .seats("narration", MONO, "Narration", "Narrator")
        .seats("dialogue/production", MONO, "Indoors", numbered("Indoors voice", 4))
        .seats("dialogue/adr", MONO, "Outdoors", numbered("Outdoors voice", 3))
        .seats("dialogue/futz", MONO, "Telephone", "Caller")
        .seats("dialogue/crowd", STEREO, "Sounds", "Crowd")
        .seats("foley", MONO, "Effects", "Steps", "Hands and cloth")
        .seats("effects/hard", MONO, "Effects", numbered("Effect", 4))
        .seats("ambience", STEREO, "Ambience", numbered("Place", 3))
        .seats("score", STEREO, "Music", "Theme", "Bridge")
        .effect("Small room", "Characters", "reverberation", "decay", 0.4, "size", 4)
        .effect("Stairwell", "Characters", "reverberation", "decay", 1.9, "size", 16)
        .effect("Forest edge", "Characters", "tempo-delay", "beats", 0.25, "feedback", 12)
        .effect("Place of the sounds", "Sounds", "reverberation", "decay", 0.8, "size", 9)
        .send("Indoors", Tap.POST_FADER, -144, "Small room", "Stairwell")
        .ready("Forest edge", "Outdoors")
        .ready("Place of the sounds", "Effects")
        .control("All voices", "Narration", "Indoors", "Outdoors", "Telephone")
        .map("Narration", "narration")
        .map("Indoors", "dialogue", "interview")
        .map("Outdoors", "dialogue/adr")
        .map("Telephone", "dialogue/futz")
        .map("Sounds", "dialogue/crowd")
        .map("Effects", "effects", "foley", "fx")
        .map("Ambience", "ambience", "natural")
        .map("Music", "score")
        .output("Master", OutputKind.PRINT, "Master")
        .output("Mono", OutputKind.PRINT, "Master", Tap.POST_FADER, MONO, SampleFormat.PCM_24)
        .answersTo("aes77-speech", "Master")
        .output("Mix", OutputKind.MIX, "Mix")
        .output("Without narration", OutputKind.MINUS, "Minus narration", "narration")
        .stems("Mix", "Voices", "Sounds", "Music")
        .build();
  }

  private static String[] numbered(String name, int count) {
    String[] names = new String[count];
    for (int i = 0; i < count; i++) {
      names[i] = name + " " + (i + 1);
    }
    return names;
  }
}
