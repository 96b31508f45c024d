package drevik.intake;

import drevik.edit.SeatDelivery;
import drevik.mix.Clip;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Proposed: which file goes where, and why.
 *
 * @param places one for each delivered file, in the files' order
 * @param stow seats that nothing came for
 */
public record SeatingPlan(List<Place> places, List<Stowed> stow) {
  /** What becomes of a file. */
  public enum Act {
    /** Takes a free seat. */
    TAKES,
    /** Gets a seat of its own, like its neighbours. */
    ADDS,
    /** Takes the place of an earlier version of itself, on the same seat. */
    REPLACES,
    /** Goes on the reference path. */
    REFERENCE,
    /** Stays out. */
    LEFT_OUT;

    @Override
    public String toString() {
      return name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }
  }

  /**
   * One file's place.
   *
   * @param seating what is done; null if left out
   * @param destination id of the channel that the seat feeds, or null
   */
  public record Place(
      String file,
      Act act,
      @Nullable String seatName,
      @Nullable String destination,
      String because,
      SeatDelivery.@Nullable Seating seating) {}

  /** A seat that stays empty. */
  public record Stowed(String id, String name) {}

  /** The edit that carries the plan out. */
  public SeatDelivery toEdit(String deliveryName) {
    return new SeatDelivery(
        deliveryName,
        places.stream().filter(p -> p.seating() != null).map(Place::seating).toList(),
        stow.stream().map(Stowed::id).toList());
  }

  static Clip wholeFile(DeliveredFile file) {
    return new Clip(
        DeliveredFile.clipOf(file.id()), file.audio(), file.startFrame(), 0, file.frames(), 0);
  }
}
