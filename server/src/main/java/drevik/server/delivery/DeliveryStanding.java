package drevik.server.delivery;

import drevik.category.Sorting;
import drevik.edit.SeatDelivery;
import drevik.intake.ConformStep;
import drevik.intake.Conforming;
import drevik.intake.Copies;
import drevik.intake.DeliveredFile;
import drevik.intake.DeliveryComparison;
import drevik.intake.Inspection;
import drevik.intake.NeighbourSorting;
import drevik.intake.SeatNames;
import drevik.intake.SeatPicture;
import drevik.intake.SeatingPlan;
import drevik.intake.SeatingPlanner;
import drevik.intake.SessionFacts;
import drevik.intake.SessionTimes;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A delivery as it stands: its files, what was measured of them, how they belong to each other, to
 * deliveries before and to the Mix, and the plan for those that are on no seat yet.
 */
final class DeliveryStanding {
  final DeliveryRow delivery;
  final Mix mix;
  final List<DeliveredFileRow> rows;
  final DeliveryComparison comparison;
  final Conforming conforming;
  final List<DeliveredFile> open;
  final SeatingPlan plan;

  private final Map<String, DeliveredFileRow> byId;
  private final Map<String, AudioFileRow> audio;
  private final Map<String, DeliveredFileRow> originals;
  private final Map<String, String> seatedOn = new HashMap<>();
  private final Map<String, Sorting> sortings = new HashMap<>();

  /**
   * @param rows of the delivery, by name
   * @param audio what is known of their contents, by hash
   * @param earlier files of the deliveries before, the newest first
   */
  DeliveryStanding(
      DeliveryRow delivery,
      Mix mix,
      List<DeliveredFileRow> rows,
      Map<String, AudioFileRow> audio,
      List<List<DeliveredFileRow>> earlier) {
    this.delivery = delivery;
    this.mix = mix;
    this.rows = rows;
    this.audio = audio;
    sortByNeighbours();
    originals =
        Copies.originals(
            rows.stream().filter(row -> row.fault == null && row.sha256 != null).toList(),
            row -> row.sha256,
            row -> row.name);
    byId = rows.stream().collect(Collectors.toMap(row -> row.id, row -> row));
    for (Channel channel : mix.channels()) {
      for (var clip : channel.clips()) {
        DeliveredFile.filesOf(clip.id()).forEach(file -> seatedOn.put(file, channel.name()));
      }
    }
    comparison =
        DeliveryComparison.of(known(rows), earlier.stream().map(DeliveryStanding::known).toList());
    conforming =
        Conforming.of(
            mix, rows.stream().filter(row -> found(row) != null).map(this::source).toList());
    open =
        conforming.files().stream()
            .filter(file -> !seatedOn.containsKey(file.id()))
            .map(this::compared)
            .toList();
    plan = plan(open);
  }

  /** Followed anew at each look, so that a correction tells its neighbours at once. */
  private void sortByNeighbours() {
    List<Sorting> found =
        NeighbourSorting.of(
            rows.stream()
                .map(
                    row ->
                        new NeighbourSorting.Named(
                            row.name, new Sorting(row.category, row.confidence, row.because)))
                .toList());
    for (int i = 0; i < rows.size(); i++) {
      sortings.put(rows.get(i).id, found.get(i));
    }
  }

  Sorting sorting(DeliveredFileRow row) {
    return sortings.get(row.id);
  }

  SeatingPlan plan(List<DeliveredFile> files) {
    List<String> names = rows.stream().map(row -> row.name).toList();
    return SeatingPlanner.plan(mix, files, SeatNames.of(delivery.seatNames, names));
  }

  private static List<DeliveryComparison.Known> known(List<DeliveredFileRow> rows) {
    return rows.stream()
        .filter(row -> row.sha256 != null && row.fault == null)
        .map(row -> new DeliveryComparison.Known(row.id, row.name, row.sha256))
        .toList();
  }

  private Conforming.Source source(DeliveredFileRow row) {
    Set<ConformStep.Kind> off =
        Arrays.stream(ConformStep.Kind.values())
            .filter(kind -> row.stepsOff.contains(kind.toString()))
            .collect(Collectors.toSet());
    return new Conforming.Source(
        row.id,
        row.name,
        new AudioRef(String.valueOf(row.sha256), row.name),
        sorting(row).category(),
        found(row),
        beside(row),
        swappedAgainst(row),
        off);
  }

  private DeliveredFile compared(DeliveredFile file) {
    DeliveryComparison.Against against = comparison.states().get(file.id());
    return file.with()
        .wish(byId.get(file.id()).wish)
        .replaces(against.state() == DeliveryComparison.State.CHANGED ? against.earlier() : null)
        .known(against.state() == DeliveryComparison.State.SAME ? against.earlier() : null)
        .build();
  }

  /** What was measured; null if it was refused, or is still being measured. */
  @Nullable Inspection found(DeliveredFileRow row) {
    AudioFileRow measured = row.sha256 == null ? null : audio.get(row.sha256);
    return row.fault != null || measured == null ? null : measured.inspection;
  }

  ConformStep.@Nullable Beside beside(DeliveredFileRow row) {
    DeliveredFileRow other = row.pair == null ? null : byId.get(String.valueOf(row.beside));
    return other == null
        ? null
        : new ConformStep.Beside(other.id, Conforming.baseOf(other.name), row.pair);
  }

  /** Name of the recording that its sides stand the other way round than; null if they do not. */
  @Nullable String swappedAgainst(DeliveredFileRow row) {
    DeliveredFileRow other =
        row.swapped == null || !row.swapped.isClear() ? null : byId.get(row.swapped.beside());
    return other == null ? null : Conforming.baseOf(other.name);
  }

  /** Name of the file of this delivery that it is a copy of; null if it is none. */
  @Nullable String copyOf(DeliveredFileRow row) {
    DeliveredFileRow original = row.sha256 == null ? row : originals.get(row.sha256);
    return original == null || original == row ? null : Conforming.baseOf(original.name);
  }

  @Nullable String seatedOn(DeliveredFileRow row) {
    return seatedOn.get(row.id);
  }

  long measuring() {
    return rows.stream().filter(row -> row.fault == null && found(row) == null).count();
  }

  SessionFacts facts() {
    return SessionFacts.of(
        rows.stream()
            .filter(row -> found(row) != null)
            .map(
                row ->
                    new SessionFacts.Measured(
                        Conforming.baseOf(row.name), sorting(row).category(), found(row)))
            .toList());
  }

  /** The Mix as it is once the plan has been carried out. */
  private Mix seated() {
    SeatDelivery edit = plan.toEdit(delivery.name);
    return edit.seatings().isEmpty() ? mix : edit.applyTo(mix.withKind(MixKind.SESSION));
  }

  Optional<SessionTimes> times() {
    return SessionTimes.of(seated(), facts());
  }

  List<SeatPicture.Seat> seats() {
    return SeatPicture.of(mix, plan);
  }
}
