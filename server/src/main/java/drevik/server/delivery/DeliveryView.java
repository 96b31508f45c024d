package drevik.server.delivery;

import drevik.intake.SeatingPlan;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A delivery with its files and the plan for them.
 *
 * @param seated true if at least one of its files is on a seat now
 */
public record DeliveryView(
    String id,
    String mixId,
    String name,
    Instant at,
    boolean seated,
    List<FileView> files,
    List<SeatingPlan.Stowed> stow) {

  /**
   * One file.
   *
   * @param fault why it was refused; null if it was taken
   * @param audio what it is; null if it was refused
   * @param place what the plan does with it; null if it was refused or is seated
   * @param seatedOn the name of the seat that holds it now
   */
  public record FileView(
      String id,
      String name,
      @Nullable String fault,
      String category,
      double confidence,
      List<String> because,
      boolean sortedByHand,
      @Nullable AudioView audio,
      @Nullable PlaceView place,
      @Nullable String seatedOn) {}

  /** What a file is, and what to know of it. */
  public record AudioView(
      double seconds,
      int sampleRate,
      String layout,
      String format,
      @Nullable Double samplePeakDbfs,
      @Nullable Double integratedLufs,
      List<String> notes,
      List<Integer> overview) {}

  /** Where the plan puts a file. */
  public record PlaceView(
      SeatingPlan.Act act,
      @Nullable String seatName,
      @Nullable String destination,
      @Nullable String destinationName,
      String because) {}

  /** A line of the list of deliveries. */
  public record Line(String id, String name, Instant at, int files) {}
}
