package drevik.intake.seat;

import drevik.edit.SeatDelivery;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Proposed: which file goes where, and why.
 *
 * @param places one for each delivered file, in the files' order
 * @param seatings what is done, new seats in the order in which they are to stand
 * @param stow seats that nothing came for
 */
public record SeatingPlan(
    List<Place> places, List<SeatDelivery.Seating> seatings, List<Stowed> stow) {
  /** What becomes of a file. */
  public enum Act {
    /** Takes a free seat. */
    TAKES,
    /** Gets a seat of its own, like its neighbours. */
    ADDS,
    /** Takes the place of an earlier version of itself, on the same seat. */
    REPLACES,
    /** Is the second half of the stereo file that another one is the first half of. */
    JOINS,
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
   * @param seat id of the seat that it goes to, or null
   * @param seatName what the seat is called then
   * @param calledBefore what a seat of the Mix is called now; null for a new one
   * @param destination id of the channel that the seat feeds, or null
   * @param wished a person chose it
   */
  @RecordBuilder
  public record Place(
      String file,
      Act act,
      @Nullable String seat,
      @Nullable String seatName,
      @Nullable String calledBefore,
      @Nullable String destination,
      String because,
      boolean wished)
      implements SeatingPlanPlaceBuilder.With {
    static Place leftOut(String file, String because, boolean wished) {
      return new Place(file, Act.LEFT_OUT, null, null, null, null, because, wished);
    }

    /** The second half goes where the first goes. */
    Place forSecondHalf(String second, String firstName) {
      Act act = seat == null ? Act.LEFT_OUT : Act.JOINS;
      String because =
          seat == null ? this.because : "joined with “" + firstName + "” into one stereo file";
      return new Place(second, act, seat, seatName, calledBefore, destination, because, wished);
    }
  }

  /** A seat that stays empty. */
  public record Stowed(String id, String name) {}

  /** The edit that carries the plan out. */
  public SeatDelivery toEdit(String deliveryName) {
    return toEdit(deliveryName, null);
  }

  /**
   * The edit that carries the plan out.
   *
   * @param deliveredBy whom the delivery came from; null where nobody said
   */
  public SeatDelivery toEdit(String deliveryName, @Nullable String deliveredBy) {
    return new SeatDelivery(
        deliveryName, deliveredBy, seatings, stow.stream().map(Stowed::id).toList());
  }
}
