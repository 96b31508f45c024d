package drevik.route;

import drevik.audio.Decibels;
import drevik.audio.Position;
import drevik.mix.Channel;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.List;

/**
 * What leaves a channel for another, as it is heard there: its output, or one destination of a
 * send. The one place that says at which gain; coverage and engine both go by it.
 *
 * @param to the other channel's id
 * @param position where it stands in the other channel's layout
 * @param gain of the send, linear; 1 for an output, 0 for a send that is off or silent
 */
public record SignalFeed(String to, Tap tap, Position position, double gain) {

  /** In the order of the document: the output, then the sends. Nothing leaves a stowed channel. */
  public static List<SignalFeed> of(Channel channel) {
    List<SignalFeed> feeds = new ArrayList<>();
    if (channel.stowed()) {
      return feeds;
    }
    if (channel.output() != null) {
      feeds.add(new SignalFeed(channel.output(), Tap.POST_FADER, channel.position(), 1));
    }
    for (Send send : channel.sends()) {
      double gain = send.on() ? Decibels.toGain(send.levelDb()) : 0;
      for (String destination : send.destinations()) {
        feeds.add(new SignalFeed(destination, send.tap(), send.position(), gain));
      }
    }
    return feeds;
  }

  /** Where a channel stands in what hears one of its taps: its own place is behind the fader. */
  public static Position positionAt(Tap tap, Channel channel) {
    return tap == Tap.POST_FADER ? channel.position() : Position.FRONT;
  }

  /** Linear gain of a channel's trim, negative if it turns the polarity. */
  public static double trimOf(Channel channel) {
    return Decibels.toGain(channel.trimDb()) * (channel.invertPolarity() ? -1 : 1);
  }

  /**
   * Linear gain of a channel's fader with all controls over it; 0 if it is muted, or if the fader
   * alone is at silence.
   *
   * @param controlDb of the controls, dB
   */
  public static double faderOf(Channel channel, double controlDb) {
    boolean silent = channel.mute() || channel.faderDb() <= Decibels.SILENCE;
    return silent ? 0 : Decibels.toGain(channel.faderDb() + controlDb);
  }
}
