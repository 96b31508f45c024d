package drevik.mix;

import java.util.List;

/**
 * A send that a category map gives to channels.
 *
 * @param destinations channels' ids, at least one; several are a fan
 * @param levelDb dB; −144 and below is silence: ready, not open
 * @param none true if there is to be no such send here, whatever a parent says
 */
public record MapSend(List<String> destinations, Tap tap, double levelDb, boolean none) {
  public MapSend {
    destinations = Lists.copy(destinations);
  }

  /** One that there is. */
  public static MapSend of(List<String> destinations, Tap tap, double levelDb) {
    return new MapSend(destinations, tap, levelDb, false);
  }

  /** What it is known by: two entries speak of the same send if its destinations are the same. */
  public String id() {
    return Slot.to(destinations);
  }
}
