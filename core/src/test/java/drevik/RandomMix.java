package drevik;

import drevik.audio.Layout;
import drevik.audio.PanLaw;
import drevik.audio.SampleFormat;
import drevik.mix.AudioRef;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Control;
import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.JobKind;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Origin;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Pin;
import drevik.mix.Send;
import drevik.mix.Specification;
import drevik.mix.StemSet;
import drevik.mix.Taken;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Small Mixes of any shape, the same for the same seed. */
public final class RandomMix {
  public static final List<Layout> LAYOUTS =
      List.of(Layout.MONO, Layout.STEREO, Layout.LCR, Layout.SURROUND_5_1, Layout.SURROUND_7_1_4);

  private RandomMix() {}

  /** Random routing that cannot loop: what stands later feeds only what stands earlier. */
  public static Mix of(long seed) {
    Random random = new Random(seed);
    MixWords words = MixWords.mix();
    List<String> earlier = new ArrayList<>();
    int count = 4 + random.nextInt(5);
    for (int i = 0; i < count; i++) {
      boolean seat = i >= count - 3;
      String name = (seat ? "seat " : "bus ") + i;
      Layout layout = LAYOUTS.get(random.nextInt(LAYOUTS.size()));
      ChannelKind kind =
          seat ? ChannelKind.SEAT : random.nextInt(4) == 0 ? ChannelKind.RETURN : ChannelKind.BUS;
      String to = earlier.isEmpty() ? null : earlier.get(random.nextInt(earlier.size()));
      List<Send> sends = new ArrayList<>();
      for (String destination : earlier) {
        if (random.nextInt(4) == 0) {
          double level = random.nextInt(5) == 0 ? -144 : -random.nextInt(20);
          Tap tap = Tap.values()[random.nextInt(3)];
          boolean on = random.nextInt(6) > 0;
          double pan = random.nextDouble() * 2 - 1;
          Send send = Send.of(name + " to " + destination, List.of(destination), tap, level);
          sends.add(
              send.withPan(pan)
                  .withOn(on)
                  .withFrontBack(random.nextInt(3) == 0 ? random.nextDouble() : 0)
                  .withWholeImage(random.nextBoolean())
                  .withHeight(random.nextInt(3) == 0 ? random.nextDouble() : 0)
                  .withLfeDb(random.nextInt(3) == 0 ? -random.nextDouble() * 20 : null));
        }
      }
      // What an output taps must not be stowed: the first and the last bus.
      boolean stowed = i > 0 && i < count - 4 && random.nextInt(6) == 0;
      words.channel(
          kind,
          name,
          layout,
          to,
          c ->
              c.withSends(sends)
                  .withPan(random.nextDouble() * 2 - 1)
                  .withFrontBack(random.nextInt(3) == 0 ? random.nextDouble() : 0)
                  .withWholeImage(random.nextBoolean())
                  .withHeight(random.nextInt(3) == 0 ? random.nextDouble() : 0)
                  .withLfeDb(random.nextInt(3) == 0 ? -random.nextDouble() * 20 : null)
                  .withFaderDb(-random.nextInt(12))
                  .withTrimDb(random.nextInt(7) - 3)
                  .withMute(random.nextInt(8) == 0)
                  .withStowed(stowed)
                  .withInvertPolarity(random.nextInt(4) == 0));
      if (!seat) {
        earlier.add(name);
      }
    }
    Mix mix = words.output("bus 0").output(earlier.get(earlier.size() - 1)).build();
    List<Output> outputs = new ArrayList<>();
    for (Output output : mix.outputs()) {
      boolean first = outputs.isEmpty();
      outputs.add(
          output
              .withId("out " + outputs.size())
              .withNamePattern("out " + outputs.size())
              .withLayout(LAYOUTS.get(random.nextInt(LAYOUTS.size())))
              .withTap(first ? Tap.POST_FADER : Tap.values()[random.nextInt(3)]));
    }
    Control control =
        new Control("control", "Control", -4, List.of("bus 0", "seat " + (count - 1)));
    return mix.withOutputs(outputs).withControls(List.of(control));
  }

  /** The same with something in every field that a Mix and the things in it have. */
  public static Mix full(long seed) {
    Random random = new Random(~seed);
    Mix plain = of(seed);
    List<String> buses =
        plain.channels().stream().filter(c -> !c.kind().holdsClips()).map(Channel::id).toList();
    List<Channel> channels = new ArrayList<>();
    for (Channel channel : plain.channels()) {
      channels.add(filled(channel, buses.get(random.nextInt(buses.size())), random));
    }
    List<Output> outputs = new ArrayList<>();
    for (Output output : plain.outputs()) {
      outputs.add(
          output
              .withKind(any(random, OutputKind.values()))
              .withFormat(any(random, SampleFormat.written().toArray(SampleFormat[]::new)))
              .withWithout(random.nextBoolean() ? List.of("narration", "dialogue") : List.of())
              .withSpecification(random.nextBoolean() ? "spec" : null)
              .withMayBeSilent(random.nextInt(3) == 0));
    }
    Specification specification =
        new Specification(
            "spec",
            "House " + random.nextInt(9),
            "clause " + random.nextInt(9),
            -20.0 - random.nextInt(9),
            random.nextBoolean() ? 1.0 : null,
            -1.0 - random.nextInt(2),
            random.nextBoolean() ? 48_000 : null,
            any(random, SampleFormat.written().toArray(SampleFormat[]::new)),
            any(random, Layout.STEREO, null));
    return plain
        .withChannels(channels)
        .withKind(any(random, MixKind.values()))
        .withName("Mix " + random.nextInt(99))
        .withDescription("described " + random.nextInt(9))
        .withJob(any(random, JobKind.values()))
        .withSampleRate(random.nextBoolean() ? 48_000 : 44_100)
        .withTempo(60 + random.nextInt(99))
        .withPanLaw(any(random, PanLaw.values()))
        .withStartFrame(random.nextInt(99))
        .withEndFrame(random.nextBoolean() ? 100L + random.nextInt(999) : null)
        .withOrigin(random.nextBoolean() ? new Origin("origin", random.nextInt(9)) : null)
        .withOutputs(outputs)
        .withControls(
            List.of(
                new Control("c1", "C " + random.nextInt(9), -random.nextInt(9), buses),
                new Control("c2", "D", -4, List.of("c1"), random.nextBoolean())))
        .withStemSets(
            List.of(
                new StemSet(
                    "set",
                    "Stems " + random.nextInt(9),
                    outputs.get(0).id(),
                    List.of(outputs.get(random.nextInt(2)).id()))))
        .withMarkers(List.of(new Marker("m", "Verse " + random.nextInt(9), random.nextInt(999))))
        .withSpecifications(List.of(specification))
        .withCategoryMap(map(random, buses, outputs));
  }

  /** A category map that says something in every field, here and there. */
  public static CategoryMap map(Random random, List<String> buses, List<Output> outputs) {
    List<MapEntry> entries = new ArrayList<>();
    for (String category : CATEGORIES) {
      if (random.nextInt(3) > 0) {
        entries.add(entry(MapEntry.of(category), random, buses, outputs));
      }
    }
    for (int i = 0; i < 3; i++) {
      MapEntry asks =
          MapEntry.of(CATEGORIES.get(random.nextInt(CATEGORIES.size())))
              .withId("asks " + i)
              .withPerson(any(random, "Ada", "Bo", null))
              .withLayout(any(random, Layout.MONO, Layout.STEREO, null))
              .withWords(any(random, "seat", "bus", null))
              .withPosition(any(random, "in", null, null))
              .withDeliveredBy(any(random, "Mill", null, null));
      if (!asks.asksForCategoryAlone()) {
        entries.add(entry(asks, random, buses, outputs));
      }
    }
    return new CategoryMap(entries);
  }

  private static final List<String> CATEGORIES =
      List.of("drums", "drums/kick", "vocals", "vocals/lead", "unknown");

  private static MapEntry entry(
      MapEntry entry, Random random, List<String> buses, List<Output> outputs) {
    List<MapSend> sends = new ArrayList<>();
    for (String bus : buses) {
      if (random.nextInt(3) == 0) {
        sends.add(
            new MapSend(
                List.of(bus),
                any(random, Tap.values()),
                -random.nextInt(9),
                random.nextInt(5) == 0));
      }
    }
    if (buses.size() > 1 && random.nextInt(3) == 0) {
      sends.add(MapSend.of(buses.subList(0, 2), Tap.PRE_FADER, -144));
    }
    Insert insert =
        new Insert("one", any(random, "compressor", "equaliser"), true, false, Map.of(), null);
    Insert other = new Insert("other", "limiter", random.nextBoolean(), true, Map.of(), null);
    return entry
        .withDestination(random.nextBoolean() ? any(random, buses.toArray(String[]::new)) : null)
        .withGroup(random.nextInt(3) == 0 ? any(random, buses.toArray(String[]::new)) : null)
        .withColour(any(random, "bass", "keys", null))
        .withOrder(any(random, 1, 2, null))
        .withWantedLayout(any(random, Layout.MONO, Layout.STEREO, null))
        .withTrimDb(any(random, -3.0, -6.0, null))
        .withGuideLufs(any(random, -23.0, null))
        .withChain(any(random, List.of(insert), List.of(insert, other), List.of()))
        .withSends(sends)
        .withControls(any(random, List.of("c1"), List.of("c1", "c2"), List.of()))
        .withStem(random.nextInt(3) == 0 ? outputs.get(0).id() : null);
  }

  private static Channel filled(Channel channel, String bus, Random random) {
    Insert insert =
        new Insert(
            channel.id() + "/compressor",
            "compressor",
            random.nextBoolean(),
            random.nextBoolean(),
            Map.of("threshold", -20.0 - random.nextInt(9), any(random, "ratio", "attack"), 4.0),
            null);
    AudioRef audio = new AudioRef("", "take " + random.nextInt(9) + ".wav");
    Clip clip =
        new Clip(
            "clip-" + channel.id(),
            audio,
            random.nextInt(9),
            random.nextInt(9),
            100 + random.nextInt(9),
            -random.nextInt(9),
            random.nextBoolean(),
            random.nextInt(9),
            random.nextInt(9),
            List.of(any(random, "file 1", "file 2")));
    return channel
        .withSends(
            channel.sends().stream()
                .map(send -> send.withId(channel.id() + "/" + send.id()))
                .toList())
        .withColour(any(random, "drums", "bass", null))
        .withGroup(random.nextBoolean() ? bus : null)
        .withPerson(any(random, "Ada", "Bo", null))
        .withCategory(any(random, "drums/kick", "vocals/lead", "unknown"))
        .withComment(any(random, "", "late"))
        .withDeliveredBy(any(random, "Mill", "Bay", null))
        .withPins(
            channel.kind().holdsClips() && random.nextInt(3) == 0
                ? List.of(new Pin(any(random, "output", "trimDb", "sends:" + bus), "by hand", null))
                : List.of())
        .withTaken(
            channel.kind().holdsClips() && random.nextInt(5) == 0
                ? List.of(
                    new Taken(
                        any(
                            random,
                            new Fallback("output", bus, null, List.of(), null),
                            new Fallback("trimDb", null, -3.0, List.of(), null),
                            new Fallback("colour", "keys", null, List.of(), null)),
                        any(random, "another Mix", null)))
                : List.of())
        .withChain(random.nextBoolean() ? List.of(insert) : List.of())
        .withClips(channel.kind().holdsClips() && random.nextBoolean() ? List.of(clip) : List.of());
  }

  @SafeVarargs
  private static <T> T any(Random random, T... values) {
    return values[random.nextInt(values.length)];
  }
}
