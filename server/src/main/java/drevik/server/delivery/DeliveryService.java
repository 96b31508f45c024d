package drevik.server.delivery;

import drevik.category.CategoryTree;
import drevik.intake.ConformStep;
import drevik.intake.ConformedCopy;
import drevik.intake.DeliveredFile;
import drevik.intake.DeliveryReport;
import drevik.intake.Inspection;
import drevik.intake.Inspector;
import drevik.intake.SeatNames;
import drevik.intake.SeatWish;
import drevik.intake.SeatingPlan;
import drevik.intake.SessionTimes;
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
import java.util.List;
import java.util.Map;
import java.util.Set;
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
    requireCategory(category);
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

  /** A learned correction says something else, and the files that it is about follow at once. */
  public void changeRule(String deliveryId, String ruleId, String category) {
    requireCategory(category);
    String client = LearnedSorting.clientOf(delivery(deliveryId));
    transaction.executeWithoutResult(
        status -> {
          String words = sorting.change(ruleId, category);
          List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(deliveryId);
          for (DeliveredFileRow row : rows) {
            if (LearnedSorting.wordsOf(row.name).equals(words)) {
              sorting.ruleFor(client, row.name).ifPresent(row::sort);
            }
          }
          files.saveAll(rows);
        });
  }

  private static void requireCategory(String category) {
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
  }

  private DeliveryStanding standing(String deliveryId) {
    DeliveryRow delivery = delivery(deliveryId);
    List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(deliveryId);
    Map<String, AudioFileRow> audio =
        audioFiles
            .findAllById(rows.stream().map(r -> r.sha256).filter(hash -> hash != null).toList())
            .stream()
            .collect(Collectors.toMap(a -> a.sha256, a -> a));
    return new DeliveryStanding(
        delivery, mixes.document(delivery.mixId), rows, audio, earlier(delivery));
  }

  private List<List<DeliveredFileRow>> earlier(DeliveryRow delivery) {
    List<String> ids =
        deliveries.findByMixIdOrderByAtDesc(delivery.mixId).stream()
            .filter(other -> other.at.isBefore(delivery.at))
            .map(other -> other.id)
            .toList();
    Map<String, List<DeliveredFileRow>> all =
        files.findByDeliveryIdIn(ids).stream()
            .collect(Collectors.groupingBy(row -> row.deliveryId));
    return ids.stream().map(id -> all.getOrDefault(id, List.of())).toList();
  }

  public DeliveryView view(String deliveryId) {
    DeliveryStanding now = standing(deliveryId);
    return DeliveryViews.of(now, sorting.list(LearnedSorting.clientOf(now.delivery)));
  }

  /** What the delivery was, to be sent back to whom it came from. */
  public DeliveryReport report(String deliveryId) {
    return DeliveryViews.report(standing(deliveryId));
  }

  /** Files go where a person says, or where the plan puts them again. */
  public void wish(String deliveryId, List<String> fileIds, @Nullable SeatWish wish) {
    Mix mix = mixes.document(delivery(deliveryId).mixId);
    if (wish != null) {
      requireChannel(mix, wish);
    }
    transaction.executeWithoutResult(
        status -> {
          List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(deliveryId);
          for (DeliveredFileRow row : rows) {
            boolean seat = wish != null && wish.kind() == SeatWish.Kind.SEAT;
            if (fileIds.contains(row.id)) {
              row.wish = wish;
            } else if (seat && wish.equals(row.wish)) {
              // Two cannot have one seat; who is put there last has it.
              row.wish = null;
            }
          }
          files.saveAll(rows);
        });
  }

  private static void requireChannel(Mix mix, SeatWish wish) {
    if (wish.kind() == SeatWish.Kind.LEFT_OUT) {
      return;
    }
    Channel channel =
        mix.channel(String.valueOf(wish.channel()))
            .orElseThrow(() -> new NotFound("This Mix has no channel “" + wish.channel() + "”."));
    if (wish.kind() == SeatWish.Kind.SEAT && !channel.awaitsAudio()) {
      throw new Refused(
          "“" + channel.name() + "” is no free seat; free it first or choose another.");
    }
    if (wish.kind() == SeatWish.Kind.NEW_SEAT && channel.kind().holdsClips()) {
      throw new Refused("A seat cannot feed “" + channel.name() + "”, which holds audio itself.");
    }
  }

  /** How seats are named after their files; nothing for the usual way. */
  public void nameSeats(String deliveryId, @Nullable String pattern) {
    DeliveryRow row = delivery(deliveryId);
    row.seatNames = pattern == null || pattern.isBlank() ? null : pattern.strip();
    if (row.seatNames != null) {
      SeatNames.requireSound(row.seatNames);
    }
    deliveries.save(row);
  }

  /** Sets start, end and tempo of the Mix as the delivery asks, in one revision. */
  public MixChange setTimes(String deliveryId, int basedOn) {
    DeliveryStanding now = standing(deliveryId);
    SessionTimes times =
        now.times()
            .orElseThrow(
                () -> new Refused("Nothing is seated that a start and an end could be set by."));
    return mixes.edit(now.delivery.mixId, basedOn, times.toEdit());
  }

  /** Seats everything that the plan has a place for, in one revision. */
  public MixChange seat(String deliveryId, int basedOn) throws IOException {
    DeliveryStanding now = standing(deliveryId);
    if (now.measuring() > 0) {
      throw new Refused(
          "Some files are still being measured; seat the delivery when that is done.");
    }
    if (now.plan.seatings().isEmpty()) {
      throw new Refused(
          "No file of this delivery has a seat to go to; give the files categories first.");
    }
    // What is left out need not be conformed.
    Set<String> placed =
        now.plan.places().stream()
            .filter(place -> place.seat() != null)
            .map(SeatingPlan.Place::file)
            .collect(Collectors.toSet());
    ConformedCopy copies =
        new ConformedCopy(
            now.conforming, audio -> store.locate(audio.sha256()), now.mix.sampleRate());
    List<DeliveredFile> conformed = new ArrayList<>();
    for (DeliveredFile file : now.open) {
      boolean copied = placed.contains(file.id()) && copies.isNeeded(file.id());
      conformed.add(copied ? playedFromCopy(copies, file) : file);
    }
    return mixes.edit(now.delivery.mixId, basedOn, now.plan(conformed).toEdit(now.delivery.name));
  }

  /** The file as the session plays it: a converted copy that the store keeps beside it. */
  private DeliveredFile playedFromCopy(ConformedCopy copies, DeliveredFile file)
      throws IOException {
    Path scratch = store.scratch();
    copies.write(file.id(), scratch);
    try (AudioStore.Incoming converted = store.seal(scratch)) {
      Inspection found = Inspector.inspect(converted.file());
      converted.keep();
      if (!audioFiles.existsById(converted.sha256())) {
        audioFiles.save(
            new AudioFileRow(converted.sha256(), converted.bytes(), clock.instant(), found));
      }
      AudioRef copy = new AudioRef(converted.sha256(), file.name());
      return file.playedFrom(copy, found.header().frames());
    }
  }

  private DeliveryRow delivery(String id) {
    return deliveries
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no delivery “" + id + "”."));
  }
}
