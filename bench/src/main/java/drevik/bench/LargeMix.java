package drevik.bench;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** A Mix of any size, all of whose seats are routed, sent and printed as stems. */
final class LargeMix {
  private static final int MOST_SENDS = 4;
  private static final int MOST_OUTPUTS = 60;

  private LargeMix() {}

  static Mix of(int size) {
    int groups = size * 4 / 100;
    int subs = size / 10;
    int returns = Math.max(MOST_SENDS, size * 2 / 100);
    int seats = size - groups - subs - returns - 1;
    List<Channel> channels = new ArrayList<>();
    List<Output> outputs = new ArrayList<>();
    for (int i = 0; i < seats; i++) {
      String id = "seat-" + i;
      List<Send> sends = new ArrayList<>();
      for (int k = 0; k < (i % 5 < 3 ? MOST_SENDS : MOST_SENDS - 1); k++) {
        String to = "return-" + (i + k) % returns;
        sends.add(Send.of(id + "/" + to, List.of(to), Tap.POST_FADER, -20));
      }
      channels.add(
          Channel.of(id, ChannelKind.SEAT, "Seat " + i, Layout.MONO, "drums/kick")
              .withOutput("sub-" + i % subs)
              .withSends(sends));
    }
    for (int i = 0; i < subs; i++) {
      channels.add(bus("sub-" + i, "Sub " + i, "group-" + i % groups));
    }
    for (int i = 0; i < groups; i++) {
      channels.add(bus("group-" + i, "Group " + i, "mix"));
    }
    for (int i = 0; i < returns; i++) {
      channels.add(
          Channel.of("return-" + i, ChannelKind.RETURN, "Return " + i, Layout.STEREO, "unknown")
              .withOutput("group-" + i % groups)
              .withChain(
                  List.of(new Insert("r" + i, "reverberation", true, false, Map.of(), null))));
    }
    channels.add(bus("mix", "Mix", null));
    outputs.add(output("mix", OutputKind.MIX));
    for (int i = 0; i < groups; i++) {
      outputs.add(output("group-" + i, OutputKind.STEM));
    }
    List<String> stems = outputs.stream().skip(1).map(Output::id).toList();
    for (int i = 0; i < subs && outputs.size() < MOST_OUTPUTS; i++) {
      outputs.add(output("sub-" + i, OutputKind.PRINT));
    }
    return Mix.empty(MixKind.TEMPLATE, "Large")
        .withChannels(channels)
        .withOutputs(outputs)
        .withStemSets(List.of(new StemSet("stems", "Stems", "out-mix", stems)));
  }

  private static Channel bus(String id, String name, @Nullable String to) {
    return Channel.of(id, ChannelKind.BUS, name, Layout.STEREO, "unknown").withOutput(to);
  }

  /** What stands at a channel's fader, stereo, 24-bit, under the channel's name. */
  static Output output(String channel, OutputKind kind) {
    return new Output(
        "out-" + channel,
        channel,
        kind,
        channel,
        Tap.POST_FADER,
        Layout.STEREO,
        SampleFormat.PCM_24,
        "{output}");
  }
}
