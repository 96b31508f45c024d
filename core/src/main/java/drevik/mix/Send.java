package drevik.mix;

import drevik.audio.Decibels;
import drevik.audio.Position;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A tap from one channel to others. One send with several destinations is a fan: the same level
 * into each, and each return balances itself on its own fader.
 *
 * @param destinations channels' ids, at least one
 * @param levelDb dB; −144 and below is silence: ready, not open
 * @param pan −1 to 1, used instead of the channel's own
 * @param wholeImage true: pan moves the whole image of what is wider than mono; false: a balance
 * @param frontBack 0 (front) to 1 (surround), used instead of the channel's own
 * @param height 0 (level with the ear) to 1 (above), used instead of the channel's own
 * @param lfeDb dB at which it also goes to the destination's LFE, over the send's level; null: not
 *     at all
 */
@RecordBuilder
public record Send(
    String id,
    List<String> destinations,
    Tap tap,
    double levelDb,
    double pan,
    boolean wholeImage,
    double frontBack,
    double height,
    @Nullable Double lfeDb,
    boolean on)
    implements SendBuilder.With {
  public Send {
    destinations = Lists.copy(destinations);
  }

  /** One that is on and stands in the middle of the front. */
  public static Send of(String id, List<String> destinations, Tap tap, double levelDb) {
    return new Send(id, destinations, tap, levelDb, 0, false, 0, 0, null, true);
  }

  /**
   * The same at the place where a channel stands itself, its LFE included: a stem that is sent to
   * holds what the mix holds.
   */
  public Send placedAs(Channel channel) {
    return with()
        .pan(channel.pan())
        .wholeImage(channel.wholeImage())
        .frontBack(channel.frontBack())
        .height(channel.height())
        .lfeDb(channel.lfeDb())
        .build();
  }

  /** Where it stands in what it feeds. */
  public Position position() {
    return new Position(pan, wholeImage, frontBack, height, lfe(lfeDb));
  }

  /** Linear gain into the LFE. */
  static double lfe(@Nullable Double lfeDb) {
    return lfeDb == null ? 0 : Decibels.toGain(lfeDb);
  }
}
