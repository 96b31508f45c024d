package drevik.server.intake;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import drevik.audio.AudioException;
import drevik.audio.Container;
import drevik.audio.Decoder;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import drevik.intake.measure.MeasuredFile;
import drevik.intake.measure.MicrophonePairs;
import drevik.intake.measure.PairChecks;
import drevik.intake.measure.SecondSorting;
import drevik.intake.measure.StereoImages;
import drevik.mix.Lookup;
import drevik.server.CutShort;
import drevik.server.NoRoom;
import drevik.server.store.AudioStore;
import drevik.server.store.DiskSpace;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedRuntimeException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Measures received contents, and compares microphones that belong together; called by the
 * scheduler. Doing it twice gives the same, so that a job whose process was killed is simply done
 * again.
 */
@Service
public class InspectFiles {
  private static final Logger LOG = LoggerFactory.getLogger(InspectFiles.class);

  private final AudioFileRows audioFiles;
  private final DeliveredFileRows files;
  private final AudioStore store;
  private final TransactionTemplate transaction;
  private final SchedulerClient scheduler;
  private final DiskSpace space;
  private final Clock clock;

  InspectFiles(
      AudioFileRows audioFiles,
      DeliveredFileRows files,
      AudioStore store,
      TransactionTemplate transaction,
      SchedulerClient scheduler,
      DiskSpace space,
      Clock clock) {
    this.space = space;
    this.scheduler = scheduler;
    this.clock = clock;
    this.audioFiles = audioFiles;
    this.files = files;
    this.store = store;
    this.transaction = transaction;
  }

  /**
   * At the start: whatever is waited for has its job, though an earlier program may have lost it.
   */
  public void askForWhatWasLeft() {
    transaction.executeWithoutResult(status -> audioFiles.unmeasured().forEach(this::ask));
  }

  /** Notes that a content is to be measured, in the transaction that it is called in. */
  void ask(String sha256) {
    scheduler.scheduleIfNotExists(InspectJob.TASK.instance(sha256).scheduledTo(clock.instant()));
  }

  public void carryOut(String sha256) {
    try {
      Inspection known = audioFiles.findById(sha256).map(audio -> audio.inspection).orElse(null);
      Inspection found = known != null ? known : measure(sha256);
      change(sha256, row -> sortAnew(row, found));
    } catch (AudioException e) {
      if (CutShort.isWhy(e)) {
        // The server stops: it is measured when it is there again.
        throw e;
      }
      fail(sha256, e);
      return;
    } catch (NoRoom e) {
      fail(sha256, AudioException.of(sha256, "could not be measured: " + e.getMessage()));
      return;
    } catch (NestedRuntimeException e) {
      // The database went away under it, which is no fault of the file: the job is tried again.
      throw e;
    } catch (RuntimeException e) {
      if (CutShort.isWhy(e)) {
        throw e;
      }
      LOG.error("inspecting {}", sha256, e);
      fail(sha256, AudioException.of(sha256, "could not be measured: " + e));
      return;
    }
    comparePairs(sha256);
  }

  private Inspection measure(String sha256) {
    Path file = store.locate(sha256);
    if (Container.of(file) != Container.WAVE) {
      // Silence can become a thousand times as long as it came.
      space.require(
          Path.of(System.getProperty("java.io.tmpdir")),
          Decoder.bytesOfWave(file),
          "what it becomes while it is measured");
    }
    Inspection found = Inspector.inspect(file);
    transaction.executeWithoutResult(
        status -> {
          AudioFileRow audio = audioFiles.findById(sha256).orElseThrow();
          audio.inspection = found;
          audioFiles.save(audio);
        });
    return found;
  }

  /** The store's own file name means nothing to a person. */
  private void fail(String sha256, AudioException why) {
    change(sha256, row -> row.fault = why.named(row.name).getMessage());
  }

  private void change(String sha256, Consumer<DeliveredFileRow> what) {
    transaction.executeWithoutResult(
        status ->
            files
                .findBySha256(sha256)
                .forEach(
                    row -> {
                      what.accept(row);
                      files.save(row);
                    }));
  }

  private static void sortAnew(DeliveredFileRow row, Inspection found) {
    if (!row.isSortedByHand()) {
      row.sort(SecondSorting.of(row.name, row.sorting(), found));
    }
  }

  /**
   * Of two microphones the one that is measured last finds the other measured, so that every pair
   * is compared at least once.
   */
  private void comparePairs(String sha256) {
    for (DeliveredFileRow row : files.findBySha256(sha256)) {
      Map<String, DeliveredFileRow> delivered =
          files.findByDeliveryIdOrderByName(row.deliveryId).stream()
              .filter(one -> one.fault == null)
              .collect(Collectors.toMap(one -> one.id, one -> one));
      PairChecks checks =
          new PairChecks(
              delivered.values().stream()
                  .map(one -> new MicrophonePairs.Named(one.id, one.name, one.category))
                  .toList(),
              id -> measured(Lookup.in(delivered, id)));
      try {
        checks.microphones(
            pair -> List.of(pair.first(), pair.second()).contains(row.id),
            (pair, finding) ->
                keep(
                    pair.second(),
                    second -> {
                      second.beside = pair.first();
                      second.pair = finding;
                    }));
        if (StereoImages.concern(row.category)) {
          checks.sides(
              pair -> List.of(pair.left(), pair.right(), pair.second()).contains(row.id),
              (pair, sides) -> keep(pair.second(), second -> second.swapped = sides));
        }
      } catch (AudioException e) {
        LOG.warn("comparing {} with others: {}", row.name, e.getMessage());
      }
    }
  }

  private Optional<MeasuredFile> measured(DeliveredFileRow row) {
    String sha256 = row.sha256;
    return sha256 == null
        ? Optional.empty()
        : audioFiles
            .findById(sha256)
            .map(audio -> audio.inspection)
            .map(found -> new MeasuredFile(store.locate(sha256), found));
  }

  private void keep(String fileId, Consumer<DeliveredFileRow> what) {
    transaction.executeWithoutResult(
        status ->
            files
                .findById(fileId)
                .ifPresent(
                    row -> {
                      what.accept(row);
                      files.save(row);
                    }));
  }
}
