package drevik.server.intake;

import drevik.audio.WavHeader;
import drevik.category.Sorting;
import drevik.intake.Delivery;
import drevik.intake.DeliveryComparison;
import drevik.intake.conform.DeadAir;
import drevik.intake.measure.Inspection;
import drevik.intake.seat.SeatPicture;
import drevik.intake.seat.SeatingPlan;
import drevik.intake.seat.SessionFacts;
import drevik.intake.seat.SessionTimes;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A delivery with its files and the plan for them.
 *
 * @param seated true if at least one of its files is on a seat now
 * @param measuring how many of its files are still being measured
 * @param seats all seats as the plan leaves them
 * @param seatNames pattern that seats are named by; null for the usual one
 * @param deadAir what of the files is cut away
 * @param rateToTake Hz, where the session is at another rate and free to take the delivery's
 * @param times start, end and tempo that the files ask for; null if nothing is seated
 * @param missing names of the delivery before that did not come again
 * @param rules what was learned from corrections for this client
 */
public record DeliveryView(
    String id,
    String mixId,
    String name,
    Instant at,
    @Nullable String client,
    @Nullable String artist,
    @Nullable String project,
    boolean seated,
    int measuring,
    List<FileView> files,
    List<SeatView> seats,
    List<SeatingPlan.Stowed> stow,
    @Nullable String seatNames,
    DeadAir deadAir,
    List<String> missing,
    SessionFacts facts,
    @Nullable Integer rateToTake,
    @Nullable TimesView times,
    List<LearnedSorting.Rule> rules) {

  /**
   * One file.
   *
   * @param fault why it was refused; null if it was taken
   * @param doubtful a person should look where it goes
   * @param audio what it is; null if it was refused, or is still being measured
   * @param against how it stands to the deliveries before
   * @param steps what is done to it on its way to a seat
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
      boolean doubtful,
      @Nullable AudioView audio,
      DeliveryComparison.State against,
      List<StepView> steps,
      @Nullable PlaceView place,
      @Nullable String seatedOn) {}

  /**
   * One step of conforming.
   *
   * @param off a person left it out
   */
  public record StepView(String kind, String says, boolean optional, boolean off) {}

  /**
   * What a file is, and what to know of it.
   *
   * @param sha256 by which it can be listened to
   * @param cuts what of it is cut away when it is seated
   * @param beside how it stands to the microphone that it was compared with
   */
  public record AudioView(
      String sha256,
      double seconds,
      int sampleRate,
      String layout,
      String container,
      String format,
      int usedBits,
      @Nullable Double samplePeakDbfs,
      @Nullable Double truePeakDbtp,
      @Nullable Double integratedLufs,
      @Nullable Double loudnessRangeLu,
      @Nullable Double noiseFloorDbfs,
      @Nullable Double firstSoundSeconds,
      @Nullable Double lastSoundSeconds,
      List<String> notes,
      @Nullable String beside,
      List<Integer> overview,
      List<CutView> cuts) {}

  /** What is cut away when the file is seated, in seconds from its start. */
  public record CutView(double from, double to) {}

  /**
   * Where the plan puts a file.
   *
   * @param wished a person chose it
   */
  public record PlaceView(
      SeatingPlan.Act act,
      @Nullable String seat,
      @Nullable String seatName,
      @Nullable String destination,
      @Nullable String destinationName,
      String because,
      boolean wished) {}

  /**
   * A seat as the plan leaves it.
   *
   * @param calledBefore what it is called now, if it gets another name
   * @param files ids of the files that come to it
   * @param free a person may put a file on it
   * @param touched the plan does something with it
   */
  public record SeatView(
      String id,
      String name,
      @Nullable String calledBefore,
      String category,
      String layout,
      @Nullable String destinationName,
      SeatPicture.State state,
      List<String> files,
      boolean free,
      boolean touched) {}

  /**
   * Start, end and tempo that the files ask for.
   *
   * @param set the Mix has them already
   */
  public record TimesView(double startSeconds, double endSeconds, double tempo, boolean set) {}

  /** A line of the list of deliveries. */
  public record Line(String id, String name, Instant at, long files) {}

  /** Steps that an overview is drawn with in a row. */
  private static final int DRAWN_STEPS = 100;

  static DeliveryView of(DeliveryLoader.Loaded now, List<LearnedSorting.Rule> rules) {
    DeliveryRow row = now.row();
    Delivery delivery = now.delivery();
    Mix mix = delivery.mix();
    Map<String, DeliveredFileRow> files =
        now.files().stream().collect(Collectors.toMap(file -> file.id, file -> file));
    SessionFacts facts = delivery.facts();
    return new DeliveryView(
        row.id,
        row.mixId,
        row.name,
        row.at,
        row.client,
        row.artist,
        row.project,
        delivery.items().stream().anyMatch(file -> delivery.seatedOn(file.id()).isPresent()),
        delivery.measuring(),
        delivery.items().stream()
            .map(file -> fileView(delivery, file, Lookup.in(files, file.id())))
            .toList(),
        delivery.seats().stream().map(seat -> seatView(seat, mix)).toList(),
        delivery.plan().stow(),
        row.seatNames,
        row.deadAir(),
        delivery.missing(),
        facts,
        facts.rateFor(mix).orElse(null),
        delivery.times().map(times -> timesView(times, mix)).orElse(null),
        rules);
  }

  private static TimesView timesView(SessionTimes times, Mix mix) {
    return new TimesView(
        (double) times.startFrame() / mix.sampleRate(),
        (double) times.endFrame() / mix.sampleRate(),
        times.tempo(),
        times.areSetIn(mix));
  }

  private static SeatView seatView(SeatPicture.Seat seat, Mix mix) {
    return new SeatView(
        seat.id(),
        seat.name(),
        seat.calledBefore(),
        seat.category(),
        seat.layout().toString(),
        nameOf(seat.destination(), mix),
        seat.state(),
        seat.files(),
        seat.free(),
        seat.touched());
  }

  private static @Nullable String nameOf(@Nullable String channel, Mix mix) {
    return channel == null ? null : mix.channel(channel).map(Channel::name).orElse(null);
  }

  private static PlaceView placeView(SeatingPlan.Place place, Mix mix) {
    return new PlaceView(
        place.act(),
        place.seat(),
        place.seatName(),
        place.destination(),
        nameOf(place.destination(), mix),
        place.because(),
        place.wished());
  }

  private static FileView fileView(Delivery delivery, Delivery.Item file, DeliveredFileRow row) {
    SeatingPlan.Place place = delivery.places().get(file.id());
    Sorting sorting = delivery.sorting(file.id());
    return new FileView(
        file.id(),
        file.name(),
        file.fault(),
        sorting.category(),
        sorting.confidence(),
        sorting.because(),
        file.isSortedByHand(),
        delivery.isDoubtful(file.id()),
        file.found() == null ? null : audioView(delivery, file, file.found()),
        delivery.against(file.id()).state(),
        delivery.steps(file.id()).stream()
            .map(
                step ->
                    new StepView(
                        step.kind().toString(),
                        step.says(),
                        step.kind().isOptional(),
                        row.stepsOff.contains(step.kind().toString())))
            .toList(),
        place == null ? null : placeView(place, delivery.mix()),
        delivery.seatedOn(file.id()).orElse(null));
  }

  private static AudioView audioView(Delivery delivery, Delivery.Item file, Inspection found) {
    WavHeader header = found.header();
    return new AudioView(
        file.audio().sha256(),
        header.seconds(),
        header.sampleRate(),
        header.layout().toString(),
        found.container(),
        header.format().toString(),
        found.usedBits(),
        found.samplePeakDbfs(),
        found.truePeakDbtp(),
        found.integratedLufs(),
        found.loudnessRangeLu(),
        found.sound().noiseFloorDbfs(),
        found.firstSoundSeconds(),
        found.lastSoundSeconds(),
        delivery.notes(file.id()),
        delivery.beside(file.id()).map(beside -> beside.finding().says(beside.name())).orElse(null),
        found.overview(DRAWN_STEPS),
        delivery.cuts(file.id()).stream()
            .map(
                cut ->
                    new CutView(
                        (double) cut.from() / header.sampleRate(),
                        (double) cut.to() / header.sampleRate()))
            .toList());
  }
}
