package drevik.starters;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.reassign.Following;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A template for a band of eight, printed as mix, master and stems. */
final class BandOfEight {
  // Every seat starts this much lower, so that the sum of all has room.
  private static final double HEADROOM_DB = -4;

  /** Of a song of forty seconds: sixteen bars, and what they leave in the returns. */
  private static final double TEMPO = 96;

  private static final long END_FRAME = 42 * 48_000;

  private final List<Channel> channels = new ArrayList<>();
  private CategoryMap map = CategoryMap.EMPTY;

  private BandOfEight() {}

  static Mix build() {
    return new BandOfEight().mix();
  }

  private Mix mix() {
    drums();
    percussionAndBass();
    pitched();
    voices();
    returns();
    channels.add(
        Channel.of("rough", ChannelKind.REFERENCE, "Rough mix", Layout.STEREO, "reference/rough"));
    channels.add(
        bus("mix", "Mix", Layout.STEREO, "unknown", "master")
            .withComment("No processing here: stems add up to what leaves this bus."));
    channels.add(
        Channel.of("master", ChannelKind.MASTER, "Master", Layout.STEREO, "unknown")
            .withChain(
                List.of(
                    insert(
                        "tilt",
                        "equaliser",
                        "low-cut",
                        24,
                        "high-shelf-frequency",
                        9_000,
                        "high-shelf-gain",
                        1.2),
                    insert(
                        "glue",
                        "compressor",
                        "threshold",
                        -14,
                        "ratio",
                        2,
                        "attack",
                        30,
                        "release",
                        180,
                        "make-up",
                        1.5),
                    insert("limit", "limiter", "ceiling", -1, "drive", 7))));
    return Following.settled(
        Mix.empty(MixKind.TEMPLATE, "Band of eight")
            .with()
            .description(
                "A band with voices, in one pass to a clean mix, a mastered print and nine stems that add up"
                    + " to the clean mix. Pairs of microphones are summed before anything shapes them.")
            .tempo(TEMPO)
            .endFrame(END_FRAME)
            .channels(channels)
            .outputs(outputs())
            .stemSets(stemSets())
            .categoryMap(LevelGuides.in(map, false))
            .build());
  }

  private void drums() {
    seat("kick-in", "Kick in", "drums/kick", Layout.MONO, "kick", -3);
    seat("kick-out", "Kick out", "drums/kick", Layout.MONO, "kick", -6);
    channels.add(bus("kick", "Kick", Layout.MONO, "drums/kick", "drums"));
    seat("snare-top", "Snare top", "drums/snare", Layout.MONO, "snare", -4);
    seat("snare-bottom", "Snare bottom", "drums/snare", Layout.MONO, "snare", -12);
    channels.add(
        bus("snare", "Snare", Layout.MONO, "drums/snare", "drums")
            .withSends(List.of(send("snare", "small-room", -12), squeeze("snare"))));
    seat("hat", "Hat", "drums/hat", Layout.MONO, "drums", -14, 0.35);
    seat("tom-rack", "Rack tom", "drums/tom", Layout.MONO, "drums", -7, -0.25);
    seat("tom-floor", "Floor tom", "drums/tom", Layout.MONO, "drums", -7, 0.45);
    seat("oh-left", "Overhead left", "drums/overhead", Layout.MONO, "drums", -9, -1);
    seat("oh-right", "Overhead right", "drums/overhead", Layout.MONO, "drums", -9, 1);
    seat("room", "Room", "drums/room", Layout.STEREO, "drums", -12);
    channels.add(bus("drums", "Drums", Layout.STEREO, "drums", "mix"));
    channels.add(
        bus("squeeze", "Drum squeeze", Layout.STEREO, "drums", "drums")
            .withFaderDb(-12)
            .withChain(
                List.of(
                    insert(
                        "squeeze-c",
                        "compressor",
                        "threshold",
                        -34,
                        "ratio",
                        8,
                        "attack",
                        3,
                        "release",
                        90,
                        "make-up",
                        6))));
    rule("drums", "drums");
    rule("drums/kick", "kick");
    rule("drums/snare", "snare");
  }

  private void percussionAndBass() {
    seat("shaker", "Shaker", "percussion/shaker", Layout.MONO, "percussion", -14, -0.5);
    seat("tambourine", "Tambourine", "percussion/tambourine", Layout.MONO, "percussion", -15, 0.5);
    seat(
        "marimba-low",
        "Marimba low",
        "percussion/mallet",
        Layout.STEREO,
        "percussion",
        -9,
        -0.2,
        "small-room");
    seat(
        "marimba-high",
        "Marimba high",
        "percussion/mallet",
        Layout.STEREO,
        "percussion",
        -11,
        0.3,
        "small-room");
    seat("hand", "Hand drum", "percussion/hand", Layout.MONO, "percussion", -9);
    channels.add(bus("percussion", "Percussion", Layout.STEREO, "percussion", "mix"));
    rule("percussion", "percussion");
    seat("bass-di", "Upright bass DI", "bass/upright", Layout.MONO, "upright", -9);
    seat("bass-mic", "Upright bass mic", "bass/upright", Layout.MONO, "upright", -7);
    channels.add(bus("upright", "Upright", Layout.MONO, "bass/upright", "bass"));
    channels.add(
        bus("bass", "Bass", Layout.STEREO, "bass", "mix")
            .withChain(
                List.of(
                    insert(
                        "bass-c",
                        "compressor",
                        "threshold",
                        -22,
                        "ratio",
                        3,
                        "attack",
                        20,
                        "release",
                        150,
                        "make-up",
                        2))));
    rule("bass", "bass");
    rule("bass/upright", "upright");
  }

  private void pitched() {
    seat("nylon", "Nylon guitar", "guitar/acoustic", Layout.MONO, "guitars", -9, -0.6, "plate");
    channels.add(bus("guitars", "Guitars", Layout.STEREO, "guitar", "mix"));
    rule("guitar", "guitars");
    seat("harmonium", "Harmonium", "keys/organ", Layout.STEREO, "keys", -10);
    seat("piano", "Piano", "keys/piano", Layout.STEREO, "keys", -9);
    channels.add(bus("keys", "Keys", Layout.STEREO, "keys", "mix"));
    rule("keys", "keys");
    rule("synth", "keys");
    seat("clarinet", "Clarinet", "winds/clarinet", Layout.MONO, "winds", -10, 0.4, "plate");
    seat("flugelhorn", "Flugelhorn", "brass", Layout.MONO, "winds", -14, -0.4, "plate");
    seat("trombone", "Trombone", "brass/trombone", Layout.MONO, "winds", -12, -0.2, "plate");
    channels.add(bus("winds", "Winds and brass", Layout.STEREO, "winds", "mix"));
    rule("winds", "winds");
    rule("brass", "winds");
    rule("strings", "winds");
  }

  private void voices() {
    Channel lead =
        seat("lead", "Lead voice", "vocals/lead", Layout.MONO, "lead-bus", -4, 0, "plate");
    channels.set(
        channels.indexOf(lead),
        lead.withSends(List.of(send("lead", "plate", -13), send("lead", "echo", -20)))
            .withChain(
                List.of(
                    insert(
                        "lead-eq",
                        "equaliser",
                        "low-cut",
                        90,
                        "bell-2-frequency",
                        2_800,
                        "bell-2-gain",
                        1.5),
                    insert(
                        "lead-c",
                        "compressor",
                        "threshold",
                        -20,
                        "ratio",
                        3,
                        "attack",
                        6,
                        "release",
                        120,
                        "make-up",
                        3))));
    seat("double-1", "Double 1", "vocals/double", Layout.MONO, "lead-bus", -13, -0.7);
    seat("double-2", "Double 2", "vocals/double", Layout.MONO, "lead-bus", -13, 0.7);
    channels.add(bus("lead-bus", "Lead", Layout.STEREO, "vocals/lead", "voices"));
    seat("choir-1", "Choir high", "vocals/choir", Layout.MONO, "voices", -13, -0.5, "plate");
    seat("choir-2", "Choir low", "vocals/choir", Layout.MONO, "voices", -13, 0.5, "plate");
    seat("backing-1", "Backing 1", "vocals/backing", Layout.MONO, "voices", -12, -0.3, "plate");
    seat("backing-2", "Backing 2", "vocals/backing", Layout.MONO, "voices", -12, 0.3, "plate");
    channels.add(bus("voices", "Voices", Layout.STEREO, "vocals", "mix"));
    rule("vocals", "voices");
    rule("vocals/lead", "lead-bus");
    rule("vocals/double", "lead-bus");
    seat("riser", "Riser", "fx", Layout.MONO, "texture", -14);
    channels.add(bus("texture", "Texture", Layout.STEREO, "fx", "mix"));
    rule("fx", "texture");
  }

  private void returns() {
    channels.add(
        effect(
            "small-room",
            "Small room",
            "drums",
            "reverberation",
            "decay",
            0.7,
            "size",
            6,
            "pre-delay",
            4));
    channels.add(
        effect(
            "plate",
            "Plate",
            "vocals",
            "reverberation",
            "decay",
            1.9,
            "size",
            11,
            "pre-delay",
            24,
            "low-cut",
            260));
    channels.add(
        effect(
            "echo",
            "Echo",
            "vocals",
            "tempo-delay",
            "beats",
            0.75,
            "feedback",
            34,
            "low-cut",
            300,
            "high-cut",
            4_200));
    channels.add(bus("returns", "Returns", Layout.STEREO, "unknown", "mix"));
  }

  private List<Output> outputs() {
    List<Output> outputs = new ArrayList<>();
    outputs.add(output("master", "Master", OutputKind.PRINT));
    outputs.add(output("mix", "Mix", OutputKind.MIX));
    for (String group :
        List.of(
            "drums",
            "percussion",
            "bass",
            "guitars",
            "keys",
            "winds",
            "voices",
            "texture",
            "returns")) {
      String name =
          channels.stream().filter(c -> c.id().equals(group)).findFirst().orElseThrow().name();
      outputs.add(output(group, name + " stem", OutputKind.STEM));
    }
    return outputs;
  }

  private List<StemSet> stemSets() {
    List<String> stems =
        outputs().stream().filter(o -> o.kind() == OutputKind.STEM).map(Output::id).toList();
    return List.of(new StemSet("stems", "Stems", "out-mix", stems));
  }

  private static Output output(String channel, String name, OutputKind kind) {
    return new Output(
        "out-" + channel,
        name,
        kind,
        channel,
        Tap.POST_FADER,
        Layout.STEREO,
        SampleFormat.PCM_24,
        name);
  }

  private void rule(String category, String destination) {
    map = map.sending(category, destination);
  }

  private Channel seat(
      String id, String name, String category, Layout layout, String output, double faderDb) {
    return seat(id, name, category, layout, output, faderDb, 0);
  }

  private Channel seat(
      String id,
      String name,
      String category,
      Layout layout,
      String output,
      double faderDb,
      double pan,
      String... sends) {
    Channel seat =
        Channel.of(id, ChannelKind.SEAT, name, layout, category)
            .withOutput(output)
            .withTrimDb(HEADROOM_DB)
            .withFaderDb(faderDb)
            .withPan(pan)
            .withSends(java.util.Arrays.stream(sends).map(to -> send(id, to, -14)).toList());
    channels.add(seat);
    return seat;
  }

  private static Channel bus(
      String id, String name, Layout layout, String category, String output) {
    return Channel.of(id, ChannelKind.BUS, name, layout, category).withOutput(output);
  }

  private static Channel effect(
      String id, String name, String category, String processor, Object... settings) {
    return Channel.of(id, ChannelKind.RETURN, name, Layout.STEREO, category)
        .withOutput("returns")
        .withChain(List.of(insert(id + "-fx", processor, settings)));
  }

  private static Send send(String from, String to, double levelDb) {
    return Send.of(from + "/" + to, List.of(to), Tap.POST_FADER, levelDb);
  }

  private static Send squeeze(String from) {
    return Send.of(from + "/squeeze", List.of("squeeze"), Tap.PRE_FADER, 0);
  }

  private static Insert insert(String id, String processor, Object... settings) {
    Map<String, Double> values = new LinkedHashMap<>();
    for (int i = 0; i < settings.length; i += 2) {
      values.put((String) settings[i], ((Number) settings[i + 1]).doubleValue());
    }
    return new Insert(id, processor, true, false, values, null);
  }
}
