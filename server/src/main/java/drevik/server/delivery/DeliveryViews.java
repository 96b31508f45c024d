package drevik.server.delivery;

import drevik.intake.ConformStep;
import drevik.intake.DeliveryComparison;
import drevik.intake.DeliveryReport;
import drevik.intake.FileNotes;
import drevik.intake.Inspection;
import drevik.intake.SeatPicture;
import drevik.intake.SeatingPlan;
import drevik.intake.SecondSorting;
import drevik.intake.SessionFacts;
import drevik.intake.SessionTimes;
import drevik.mix.Channel;
import drevik.mix.Mix;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Shows a delivery as it stands, to the interface and to those who sent it. */
final class DeliveryViews {
  private DeliveryViews() {}

  static DeliveryView of(DeliveryStanding now, List<LearnedSorting.Rule> rules) {
    Map<String, SeatingPlan.Place> places =
        now.plan.places().stream().collect(Collectors.toMap(SeatingPlan.Place::file, p -> p));
    DeliveryRow delivery = now.delivery;
    SessionFacts facts = now.facts();
    return new DeliveryView(
        delivery.id,
        delivery.mixId,
        delivery.name,
        delivery.at,
        delivery.client,
        delivery.artist,
        delivery.project,
        now.rows.stream().anyMatch(row -> now.seatedOn(row) != null),
        (int) now.measuring(),
        now.rows.stream().map(row -> fileView(now, row, places.get(row.id))).toList(),
        now.seats().stream().map(seat -> seatView(seat, now.mix)).toList(),
        now.plan.stow(),
        delivery.seatNames,
        now.comparison.missing(),
        facts,
        facts.rateFor(now.mix).orElse(null),
        now.times().map(times -> timesView(times, now.mix)).orElse(null),
        rules);
  }

  private static DeliveryView.TimesView timesView(SessionTimes times, Mix mix) {
    return new DeliveryView.TimesView(
        (double) times.startFrame() / mix.sampleRate(),
        (double) times.endFrame() / mix.sampleRate(),
        times.tempo(),
        times.areSetIn(mix));
  }

  private static DeliveryView.SeatView seatView(SeatPicture.Seat seat, Mix mix) {
    return new DeliveryView.SeatView(
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

  private static DeliveryView.FileView fileView(
      DeliveryStanding now, DeliveredFileRow row, SeatingPlan.@Nullable Place place) {
    Inspection found = now.found(row);
    DeliveryComparison.Against against = now.comparison.states().get(row.id);
    return new DeliveryView.FileView(
        row.id,
        row.name,
        row.fault,
        now.sorting(row).category(),
        now.sorting(row).confidence(),
        now.sorting(row).because(),
        row.sortedByHand,
        isDoubtful(now, row),
        found == null ? null : audioView(now, row, found),
        against == null ? DeliveryComparison.State.NEW : against.state(),
        found == null ? List.of() : steps(now, row),
        place == null ? null : placeView(place, now.mix),
        now.seatedOn(row));
  }

  /** What is silent, seated or known already needs nobody to say where it belongs. */
  private static boolean isDoubtful(DeliveryStanding now, DeliveredFileRow row) {
    Inspection found = now.found(row);
    DeliveryComparison.Against against = now.comparison.states().get(row.id);
    boolean settled =
        row.sortedByHand
            || row.fault != null
            || now.seatedOn(row) != null
            || found != null && found.silent()
            || against != null && against.state() == DeliveryComparison.State.SAME;
    return !settled && now.sorting(row).confidence() < SecondSorting.UNSURE;
  }

  private static DeliveryView.PlaceView placeView(SeatingPlan.Place place, Mix mix) {
    return new DeliveryView.PlaceView(
        place.act(),
        place.seat(),
        place.seatName(),
        place.destination(),
        nameOf(place.destination(), mix),
        place.because(),
        place.wished());
  }

  private static List<DeliveryView.StepView> steps(DeliveryStanding now, DeliveredFileRow row) {
    return now.conforming.steps(row.id).stream()
        .map(
            step ->
                new DeliveryView.StepView(
                    step.kind().toString(),
                    step.says(),
                    step.kind().isOptional(),
                    row.stepsOff.contains(step.kind().toString())))
        .toList();
  }

  private static DeliveryView.AudioView audioView(
      DeliveryStanding now, DeliveredFileRow row, Inspection found) {
    var header = found.header();
    List<String> notes = new ArrayList<>(FileNotes.of(found, now.mix.sampleRate()));
    ConformStep.Beside beside = now.beside(row);
    if (beside != null) {
      notes.addAll(FileNotes.ofPair(beside.name(), beside.finding()));
    }
    if (now.copyOf(row) != null && !found.silent()) {
      notes.add("the same, bit for bit, as “" + now.copyOf(row) + "”");
    }
    if (now.swappedAgainst(row) != null) {
      notes.add(FileNotes.ofSwapped(now.swappedAgainst(row), row.swapped));
    }
    return new DeliveryView.AudioView(
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
        notes,
        beside == null ? null : beside.finding().says(beside.name()),
        found.overview());
  }

  static DeliveryReport report(DeliveryStanding now) {
    DeliveryView view = of(now, List.of());
    Map<String, Inspection> found = new HashMap<>();
    now.rows.stream()
        .filter(row -> now.found(row) != null)
        .forEach(row -> found.put(row.id, now.found(row)));
    return new DeliveryReport(
        view.name(),
        Stream.of(view.client(), view.artist(), view.project())
            .filter(name -> name != null)
            .distinct()
            .toList(),
        view.at().atZone(ZoneOffset.UTC).toLocalDate().toString(),
        view.files().stream().map(file -> line(file, found.get(file.id()))).toList(),
        view.missing(),
        view.stow().stream().map(SeatingPlan.Stowed::name).toList());
  }

  private static DeliveryReport.Line line(DeliveryView.FileView file, @Nullable Inspection found) {
    List<String> wrong = new ArrayList<>();
    if (file.fault() != null) {
      wrong.add(file.fault());
    } else if (file.audio() != null) {
      wrong.addAll(file.audio().notes());
    }
    return new DeliveryReport.Line(file.name(), found, file.category(), wrong, goesTo(file));
  }

  private static String goesTo(DeliveryView.FileView file) {
    if (file.seatedOn() != null) {
      return file.seatedOn();
    }
    if (file.place() == null) {
      return "";
    }
    String seat = file.place().seatName();
    return seat != null ? seat : file.place().act() + ": " + file.place().because();
  }
}
