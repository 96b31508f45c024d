package drevik;

import drevik.audio.Layout;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Small Mixes of any shape, the same for the same seed. */
public final class RandomMix {
  public static final List<Layout> LAYOUTS =
      List.of(Layout.MONO, Layout.STEREO, Layout.LCR, Layout.SURROUND_5_1);

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
          sends.add(new Send("to " + destination, List.of(destination), tap, level, pan, on));
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
}
