package drevik.mix;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * A tap from one channel to others. One send with several destinations is a fan: the same level
 * into each, and each return balances itself on its own fader.
 *
 * @param destinations channels' ids, at least one
 * @param levelDb dB; −144 and below is silence: ready, not open
 * @param pan −1 to 1, used instead of the channel's own
 */
@RecordBuilder
public record Send(
    String id, List<String> destinations, Tap tap, double levelDb, double pan, boolean on)
    implements SendBuilder.With {
  public Send {
    destinations = Lists.copy(destinations);
  }
}
