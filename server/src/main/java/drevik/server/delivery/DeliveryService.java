package drevik.server.delivery;

import drevik.audio.Resampler;
import drevik.category.CategoryTree;
import drevik.intake.ConformStep;
import drevik.intake.DeliveredFile;
import drevik.intake.DeliveryComparison;
import drevik.intake.DeliveryReport;
import drevik.intake.FileNotes;
import drevik.intake.Inspection;
import drevik.intake.Inspector;
import drevik.intake.SeatingPlan;
import drevik.intake.SeatingPlanner;
import drevik.intake.SessionFacts;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.mix.MixChange;
import drevik.server.mix.MixService;
import drevik.server.store.AudioStore;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Opens deliveries, plans the seats of their files, and carries the plan out. */
@Service
public class DeliveryService {
  private final DeliveryRows deliveries;
  private final DeliveredFileRows files;
  private final AudioFileRows audioFiles;
  private final LearnedSorting sorting;
  private final AudioStore store;
  private final MixService mixes;
  private final TransactionTemplate transaction;
  private final Clock clock;

  DeliveryService(
      DeliveryRows deliveries,
      DeliveredFileRows files,
      AudioFileRows audioFiles,
      LearnedSorting sorting,
      AudioStore store,
      MixService mixes,
      TransactionTemplate transaction,
      Clock clock) {
    this.deliveries = deliveries;
    this.files = files;
    this.audioFiles = audioFiles;
    this.sorting = sorting;
    this.store = store;
    this.mixes = mixes;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** Whom a delivery comes from, as far as that was said. */
  public record From(@Nullable String client, @Nullable String artist, @Nullable String project) {
    public static final From NOBODY = new From(null, null, null);
  }

  public String open(String mixId, @Nullable String name, From from) {
    mixes.headOf(mixId);
    String given = name == null || name.isBlank() ? "Delivery" : name.strip();
    DeliveryRow row = new DeliveryRow(Ids.next(), mixId, shortened(given), clock.instant());
    describe(row, from);
    deliveries.save(row);
    return row.id;
  }

  /** Says whom a delivery comes from. */
  public void describe(String deliveryId, From from) {
    DeliveryRow row = delivery(deliveryId);
    describe(row, from);
    deliveries.save(row);
  }

  private static void describe(DeliveryRow row, From from) {
    row.client = plain(from.client());
    row.artist = plain(from.artist());
    row.project = plain(from.project());
  }

  private static @Nullable String plain(@Nullable String text) {
    return text == null || text.isBlank() ? null : shortened(text.strip());
  }

  private static String shortened(String text) {
    return text.length() <= LONGEST_TEXT ? text : text.substring(0, LONGEST_TEXT);
  }

  private static final int LONGEST_TEXT = 200;

  public List<DeliveryView.Line> list(String mixId) {
    return deliveries.findByMixIdOrderByAtDesc(mixId).stream()
        .map(
            row ->
                new DeliveryView.Line(
                    row.id, row.name, row.at, files.findByDeliveryIdOrderByName(row.id).size()))
        .toList();
  }

  /**
   * Files go where a person says; it is learned, and holds at once for the other files of the
   * delivery that are called the same but for numbers and sides.
   */
  public void setCategory(String deliveryId, List<String> fileIds, String category) {
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    String client = LearnedSorting.clientOf(delivery(deliveryId));
    transaction.executeWithoutResult(
        status -> {
          List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(deliveryId);
          for (DeliveredFileRow row : rows) {
            if (fileIds.contains(row.id)) {
              row.category = category;
              row.confidence = 1;
              row.because = List.of("you said so");
              row.sortedByHand = true;
              sorting.learn(client, row.name, category);
            }
          }
          rows.stream()
              .filter(row -> !row.sortedByHand)
              .forEach(row -> sorting.ruleFor(client, row.name).ifPresent(row::sort));
          files.saveAll(rows);
        });
  }

  /** Leaves a step of conforming out, or takes it in again. */
  public void setStep(String deliveryId, String fileId, String kind, boolean off) {
    boolean optional =
        java.util.Arrays.stream(ConformStep.Kind.values())
            .anyMatch(one -> one.isOptional() && one.toString().equals(kind));
    if (!optional) {
      throw new Refused("“" + kind + "” is no step that can be left out.");
    }
    transaction.executeWithoutResult(
        status -> {
          DeliveredFileRow row =
              files
                  .findById(fileId)
                  .filter(one -> one.deliveryId.equals(deliveryId))
                  .orElseThrow(() -> new NotFound("This delivery has no file “" + fileId + "”."));
          List<String> left = new ArrayList<>(row.stepsOff);
          left.remove(kind);
          if (off) {
            left.add(kind);
          }
          row.stepsOff = left;
          files.save(row);
        });
  }

  public List<LearnedSorting.Rule> rules(String deliveryId) {
    return sorting.list(LearnedSorting.clientOf(delivery(deliveryId)));
  }

  public void forgetRule(String ruleId) {
    sorting.forget(ruleId);
  }

  /** A delivery as it stands: its rows, what was measured, and how it belongs to others. */
  private final class Standing {
    final DeliveryRow delivery;
    final Mix mix;
    final List<DeliveredFileRow> rows;
    final Map<String, AudioFileRow> audio;
    final Map<String, String> seatedOn = new HashMap<>();
    final DeliveryComparison comparison;
    final long firstReference;

    Standing(String deliveryId) {
      delivery = delivery(deliveryId);
      mix = mixes.document(delivery.mixId);
      rows = files.findByDeliveryIdOrderByName(deliveryId);
      audio =
          audioFiles
              .findAllById(rows.stream().map(r -> r.sha256).filter(h -> h != null).toList())
              .stream()
              .collect(Collectors.toMap(a -> a.sha256, a -> a));
      for (Channel channel : mix.channels()) {
        channel.clips().forEach(c -> seatedOn.put(DeliveredFile.fileOf(c.id()), channel.name()));
      }
      comparison = DeliveryComparison.of(known(rows), earlier());
      firstReference = firstReference();
    }

    private List<List<DeliveryComparison.Known>> earlier() {
      List<String> ids =
          deliveries.findByMixIdOrderByAtDesc(delivery.mixId).stream()
              .filter(other -> other.at.isBefore(delivery.at))
              .map(other -> other.id)
              .toList();
      Map<String, List<DeliveredFileRow>> all =
          files.findByDeliveryIdIn(ids).stream()
              .collect(Collectors.groupingBy(row -> row.deliveryId));
      return ids.stream().map(id -> known(all.getOrDefault(id, List.of()))).toList();
    }

    /**
     * Samples since midnight at 1 Hz·rate are compared in seconds: files may have several rates.
     */
    private long firstReference() {
      List<Long> all =
          rows.stream()
              .map(this::found)
              .filter(found -> found != null && found.header().timeReference().isPresent())
              .map(found -> microseconds(found))
              .sorted()
              .toList();
      // One file alone, or all at the same time, say nothing of where they begin.
      return all.size() < 2 ? Long.MAX_VALUE : all.get(0);
    }

    private static long microseconds(Inspection found) {
      return Math.round(
          found.header().timeReference().getAsLong() * 1e6 / found.header().sampleRate());
    }

    @Nullable Inspection found(DeliveredFileRow row) {
      AudioFileRow measured = row.sha256 == null ? null : audio.get(row.sha256);
      return row.fault != null || measured == null ? null : measured.inspection;
    }

    boolean isOpen(DeliveredFileRow row) {
      return found(row) != null && !seatedOn.containsKey(row.id);
    }

    private ConformStep.@Nullable Beside beside(DeliveredFileRow row) {
      if (row.pair == null) {
        return null;
      }
      return rows.stream()
          .filter(other -> other.id.equals(row.beside))
          .findFirst()
          .map(other -> new ConformStep.Beside(baseOf(other.name), row.pair))
          .orElse(null);
    }

    private long startFrame(Inspection found) {
      if (found.header().timeReference().isEmpty() || firstReference == Long.MAX_VALUE) {
        return 0;
      }
      double late = (microseconds(found) - firstReference) / 1e6;
      return late > 0 && late < MOST_LATE_SECONDS ? Math.round(late * mix.sampleRate()) : 0;
    }

    List<ConformStep> steps(DeliveredFileRow row, Inspection found) {
      return ConformStep.of(found, mix.sampleRate(), beside(row), startFrame(found));
    }

    List<ConformStep> wantedSteps(DeliveredFileRow row, Inspection found) {
      return steps(row, found).stream()
          .filter(step -> !row.stepsOff.contains(step.kind().toString()))
          .toList();
    }

    DeliveredFile file(DeliveredFileRow row) {
      Inspection found = found(row);
      List<ConformStep> steps = wantedSteps(row, found);
      DeliveryComparison.Against against = comparison.states().get(row.id);
      return DeliveredFile.of(
              row.id,
              row.name,
              new AudioRef(row.sha256, row.name),
              ConformStep.layoutAfter(found.header().layout(), steps),
              Math.round(
                  (double) found.header().frames()
                      * mix.sampleRate()
                      / found.header().sampleRate()),
              found.silent(),
              row.category)
          .with()
          .flip(ConformStep.has(steps, ConformStep.Kind.FLIP))
          .startFrame(ConformStep.has(steps, ConformStep.Kind.PLACE) ? startFrame(found) : 0)
          .replaces(against.state() == DeliveryComparison.State.CHANGED ? against.earlier() : null)
          .known(against.state() == DeliveryComparison.State.SAME ? against.earlier() : null)
          .build();
    }
  }

  /** A recorder that ran past midnight, or was set wrong, is no reason for a gap of half a day. */
  private static final double MOST_LATE_SECONDS = 6 * 3600;

  private static List<DeliveryComparison.Known> known(List<DeliveredFileRow> rows) {
    return rows.stream()
        .filter(row -> row.sha256 != null && row.fault == null)
        .map(row -> new DeliveryComparison.Known(row.id, row.name, row.sha256))
        .toList();
  }

  private static String baseOf(String name) {
    return name.substring(name.lastIndexOf('/') + 1);
  }

  public DeliveryView view(String deliveryId) {
    return view(new Standing(deliveryId));
  }

  private DeliveryView view(Standing now) {
    SeatingPlan plan =
        SeatingPlanner.plan(now.mix, now.rows.stream().filter(now::isOpen).map(now::file).toList());
    Map<String, SeatingPlan.Place> places =
        plan.places().stream().collect(Collectors.toMap(SeatingPlan.Place::file, p -> p));
    List<DeliveryView.FileView> views =
        now.rows.stream().map(row -> fileView(now, row, places.get(row.id))).toList();
    long measuring =
        now.rows.stream().filter(row -> row.fault == null && now.found(row) == null).count();
    DeliveryRow delivery = now.delivery;
    return new DeliveryView(
        delivery.id,
        delivery.mixId,
        delivery.name,
        delivery.at,
        delivery.client,
        delivery.artist,
        delivery.project,
        now.rows.stream().anyMatch(r -> now.seatedOn.containsKey(r.id)),
        (int) measuring,
        views,
        plan.stow(),
        now.comparison.missing(),
        facts(now),
        sorting.list(LearnedSorting.clientOf(delivery)));
  }

  /** What the delivery was, to be sent back to whom it came from. */
  public DeliveryReport report(String deliveryId) {
    Standing now = new Standing(deliveryId);
    DeliveryView view = view(now);
    Map<String, Inspection> found = new HashMap<>();
    now.rows.stream()
        .filter(row -> now.found(row) != null)
        .forEach(row -> found.put(row.id, now.found(row)));
    return new DeliveryReport(
        view.name(),
        java.util.stream.Stream.of(view.client(), view.artist(), view.project())
            .filter(name -> name != null)
            .distinct()
            .toList(),
        view.at().atZone(java.time.ZoneOffset.UTC).toLocalDate().toString(),
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

  private static SessionFacts facts(Standing now) {
    return SessionFacts.of(
        now.rows.stream()
            .filter(row -> now.found(row) != null)
            .map(row -> new SessionFacts.Measured(baseOf(row.name), row.category, now.found(row)))
            .toList());
  }

  private static DeliveryView.FileView fileView(
      Standing now, DeliveredFileRow row, SeatingPlan.@Nullable Place place) {
    Inspection found = now.found(row);
    DeliveryComparison.Against against = now.comparison.states().get(row.id);
    return new DeliveryView.FileView(
        row.id,
        row.name,
        row.fault,
        row.category,
        row.confidence,
        row.because,
        row.sortedByHand,
        found == null ? null : audioView(now, row, found),
        against == null ? DeliveryComparison.State.NEW : against.state(),
        found == null ? List.of() : steps(now, row, found),
        place == null ? null : placeView(place, now.mix),
        now.seatedOn.get(row.id));
  }

  private static DeliveryView.PlaceView placeView(SeatingPlan.Place place, Mix mix) {
    return new DeliveryView.PlaceView(
        place.act(),
        place.seatName(),
        place.destination(),
        place.destination() == null
            ? null
            : mix.channel(place.destination()).map(Channel::name).orElse(null),
        place.because());
  }

  private static List<DeliveryView.StepView> steps(
      Standing now, DeliveredFileRow row, Inspection found) {
    return now.steps(row, found).stream()
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
      Standing now, DeliveredFileRow row, Inspection found) {
    var header = found.header();
    List<String> notes = new ArrayList<>(FileNotes.of(found, now.mix.sampleRate()));
    ConformStep.Beside beside = now.beside(row);
    if (beside != null) {
      notes.addAll(FileNotes.ofPair(beside.name(), beside.finding()));
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
        notes,
        found.overview());
  }

  /** Seats everything that the plan has a place for, in one revision. */
  public MixChange seat(String deliveryId, int basedOn) throws IOException {
    Standing now = new Standing(deliveryId);
    if (now.rows.stream().anyMatch(row -> row.fault == null && now.found(row) == null)) {
      throw new Refused(
          "Some files are still being measured; seat the delivery when that is done.");
    }
    // Planned first: what is left out need not be conformed.
    Map<String, DeliveredFile> open = new LinkedHashMap<>();
    now.rows.stream().filter(now::isOpen).forEach(row -> open.put(row.id, now.file(row)));
    SeatingPlan first = SeatingPlanner.plan(now.mix, List.copyOf(open.values()));
    if (first.places().stream().allMatch(p -> p.seating() == null)) {
      throw new Refused(
          "No file of this delivery has a seat to go to; give the files categories first.");
    }
    for (SeatingPlan.Place place : first.places()) {
      if (place.seating() != null) {
        open.put(place.file(), conformed(now, open.get(place.file())));
      }
    }
    SeatingPlan plan = SeatingPlanner.plan(now.mix, List.copyOf(open.values()));
    return mixes.edit(now.delivery.mixId, basedOn, plan.toEdit(now.delivery.name));
  }

  /**
   * The file as the session plays it: itself, or a converted copy that the store keeps beside it.
   */
  private DeliveredFile conformed(Standing now, DeliveredFile file) throws IOException {
    DeliveredFileRow row =
        now.rows.stream().filter(one -> one.id.equals(file.id())).findFirst().orElseThrow();
    List<ConformStep> steps = now.wantedSteps(row, now.found(row));
    if (!ConformStep.makeACopy(steps)) {
      return file;
    }
    Path scratch = store.scratch();
    Resampler.convert(
        store.locate(row.sha256),
        scratch,
        now.mix.sampleRate(),
        ConformStep.has(steps, ConformStep.Kind.TO_MONO));
    try (AudioStore.Incoming converted = store.seal(scratch)) {
      Inspection found = Inspector.inspect(converted.file());
      converted.keep();
      if (!audioFiles.existsById(converted.sha256())) {
        audioFiles.save(
            new AudioFileRow(converted.sha256(), converted.bytes(), clock.instant(), found));
      }
      return file.withAudio(new AudioRef(converted.sha256(), file.name()))
          .withFrames(found.header().frames());
    }
  }

  private DeliveryRow delivery(String id) {
    return deliveries
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no delivery “" + id + "”."));
  }
}
