package drevik.route;

import drevik.dsp.ProcessorType.Surroundings;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Tap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Until when a Mix sounds: where its clips end, and what its processors say that they add, along
 * every way. The time grows with the number of ties.
 */
public final class Tails {
  /** Nobody waits longer than this for a tail, seconds. */
  public static final int LONGEST_SECONDS = 60;

  private final Mix mix;
  private final Map<String, Channel> channels;
  private final Map<String, Tail> atInput = new HashMap<>();

  /**
   * Where something ends to sound.
   *
   * @param end frame of the Mix
   * @param channel id of the one whose chain makes most of the tail; empty if there is none
   * @param ofChannel frames of that
   */
  public record Tail(long end, String channel, long ofChannel) {
    private Tail and(long own, String id) {
      return own > ofChannel
          ? new Tail(end + own, id, own)
          : new Tail(end + own, channel, ofChannel);
    }

    private static Tail later(Tail a, Tail b) {
      return b.end() > a.end() ? b : a;
    }
  }

  /**
   * @param graph of the same Mix
   */
  public Tails(Mix mix, SignalGraph graph) {
    this.mix = mix;
    channels = mix.channelsById();
    for (String id : graph.order()) {
      Channel channel = Lookup.in(channels, id);
      if (channel.stowed()) {
        continue;
      }
      for (Clip clip : channel.clips()) {
        atInput.merge(id, new Tail(clip.endFrame(), "", 0), Tail::later);
      }
      for (SignalFeed feed : SignalFeed.of(channel)) {
        if (feed.gain() > 0) {
          at(channel, feed.tap()).ifPresent(tail -> atInput.merge(feed.to(), tail, Tail::later));
        }
      }
    }
  }

  /** Where an output ends to sound; empty if nothing sounds in it. */
  public Optional<Tail> of(Output output) {
    return Optional.ofNullable(channels.get(output.channel()))
        .flatMap(channel -> at(channel, output.tap()));
  }

  private Optional<Tail> at(Channel channel, Tap tap) {
    Tail arriving = atInput.get(channel.id());
    if (arriving == null || (tap == Tap.POST_FADER && channel.mute())) {
      return Optional.empty();
    }
    long own = 0;
    for (Insert insert : channel.chain()) {
      boolean heard = tap == Tap.POST_FADER || (tap == Tap.PRE_FADER && !insert.postFader());
      own += heard && insert.on() ? tailOf(insert, channel) : 0;
    }
    return Optional.of(arriving.and(own, channel.id()));
  }

  private long tailOf(Insert insert, Channel channel) {
    return Processors.byId(insert.processor())
        .map(
            type ->
                type.tail(
                    new Settings(type.parameters(), insert.settings()),
                    new Surroundings(mix.sampleRate(), channel.layout(), mix.tempo())))
        .orElse(0L);
  }

  /**
   * Where the last of some outputs ends to sound, as far as somebody waits for it; where the last
   * clip ends if nothing sounds.
   */
  public long endOf(Iterable<Output> outputs) {
    long end = mix.effectiveEndFrame();
    for (Output output : outputs) {
      end = Math.max(end, of(output).map(Tail::end).orElse(end));
    }
    return Math.min(end, latestEnd());
  }

  /** The last frame that somebody waits for, after the last clip; an end that is set counts not. */
  public long latestEnd() {
    return mix.withEndFrame(null).effectiveEndFrame() + (long) LONGEST_SECONDS * mix.sampleRate();
  }
}
