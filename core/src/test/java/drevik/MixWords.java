package drevik;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.mix.AudioRef;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Builds a small Mix in a few words; names are ids. */
public final class MixWords {
  private final List<Channel> channels = new ArrayList<>();
  private final List<Output> outputs = new ArrayList<>();
  private final List<StemSet> stemSets = new ArrayList<>();
  private final Set<String> ids = new HashSet<>();
  private CategoryMap map = CategoryMap.EMPTY;

  public static MixWords mix() {
    return new MixWords();
  }

  public MixWords channel(
      ChannelKind kind, String name, Layout layout, String to, UnaryOperator<Channel> more) {
    Channel channel = more.apply(Channel.of(name, kind, name, layout, "unknown").withOutput(to));
    channels.add(
        channel
            .withSends(channel.sends().stream().map(s -> s.withId(own(name, s.id()))).toList())
            .withChain(channel.chain().stream().map(i -> i.withId(own(name, i.id()))).toList())
            .withClips(channel.clips().stream().map(c -> c.withId(own(name, c.id()))).toList()));
    return this;
  }

  /** An id that no other send, insert or clip has. */
  private String own(String channel, String id) {
    return ids.add(id) ? id : channel + "/" + id;
  }

  public MixWords seat(String name, String to) {
    return seat(name, to, c -> c);
  }

  public MixWords seat(String name, String to, UnaryOperator<Channel> more) {
    return channel(ChannelKind.SEAT, name, Layout.MONO, to, more);
  }

  public MixWords bus(String name, String to) {
    return bus(name, to, c -> c);
  }

  public MixWords bus(String name, String to, UnaryOperator<Channel> more) {
    return channel(ChannelKind.BUS, name, Layout.STEREO, to, more);
  }

  public MixWords output(String channel) {
    outputs.add(
        new Output(
            "out " + channel,
            channel,
            OutputKind.STEM,
            channel,
            Tap.POST_FADER,
            Layout.STEREO,
            SampleFormat.FLOAT_32,
            channel));
    return this;
  }

  public MixWords stems(String mix, String... stems) {
    List<String> ids = java.util.Arrays.stream(stems).map(s -> "out " + s).toList();
    stemSets.add(new StemSet("stems", "Stems", "out " + mix, ids));
    return this;
  }

  public MixWords map(String category, String destination) {
    map = map.sending(category, destination);
    return this;
  }

  public Mix build() {
    return Mix.empty(MixKind.SESSION, "Test")
        .withChannels(channels)
        .withOutputs(outputs)
        .withStemSets(stemSets)
        .withCategoryMap(map);
  }

  public static Send send(String to, Tap tap, double levelDb) {
    return Send.of("send to " + to, List.of(to), tap, levelDb);
  }

  public static Insert insert(String processor, Map<String, Double> settings) {
    return new Insert(processor, processor, true, false, settings, null);
  }

  public static Clip clip(String file, long frames) {
    return new Clip("clip " + file, new AudioRef("", file), 0, 0, frames, 0);
  }
}
