package drevik.server.delivery;

import drevik.audio.AudioException;
import drevik.category.Sorting;
import drevik.intake.Inspection;
import drevik.intake.Inspector;
import drevik.intake.MicrophonePairs;
import drevik.intake.PairCheck;
import drevik.intake.PairFinding;
import drevik.intake.SecondSorting;
import drevik.intake.SidesCheck;
import drevik.intake.StereoImages;
import drevik.server.store.AudioStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Measures received contents, and compares microphones that belong together; called by the
 * scheduler. Doing it twice gives the same, so that a job whose process was killed is simply done
 * again.
 */
@Service
public class Inspecting {
  private static final Logger LOG = LoggerFactory.getLogger(Inspecting.class);

  private final AudioFileRows audioFiles;
  private final DeliveredFileRows files;
  private final AudioStore store;
  private final TransactionTemplate transaction;

  Inspecting(
      AudioFileRows audioFiles,
      DeliveredFileRows files,
      AudioStore store,
      TransactionTemplate transaction) {
    this.audioFiles = audioFiles;
    this.files = files;
    this.store = store;
    this.transaction = transaction;
  }

  public void carryOut(String sha256) {
    try {
      Inspection known = audioFiles.findById(sha256).map(audio -> audio.inspection).orElse(null);
      Inspection found = known != null ? known : measure(sha256);
      change(sha256, row -> sortAnew(row, found));
    } catch (AudioException e) {
      fail(sha256, e.getMessage());
      return;
    } catch (RuntimeException e) {
      LOG.error("inspecting {}", sha256, e);
      fail(sha256, "“" + sha256 + "” could not be measured: " + e);
      return;
    }
    comparePairs(sha256);
  }

  private Inspection measure(String sha256) {
    Inspection found = Inspector.inspect(store.locate(sha256));
    transaction.executeWithoutResult(
        status -> {
          AudioFileRow audio = audioFiles.findById(sha256).orElseThrow();
          audio.inspection = found;
          audioFiles.save(audio);
        });
    return found;
  }

  /** The store's own file name means nothing to a person. */
  private void fail(String sha256, String why) {
    change(
        sha256,
        row ->
            row.fault =
                why.replaceAll("“(drevik-decoded[^”]*|" + sha256 + ")”", "“" + row.name + "”"));
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
    if (!row.sortedByHand) {
      row.sort(SecondSorting.of(new Sorting(row.category, row.confidence, row.because), found));
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
      List<MicrophonePairs.Named> named =
          delivered.values().stream()
              .map(one -> new MicrophonePairs.Named(one.id, one.name, one.category))
              .toList();
      MicrophonePairs.among(named).stream()
          .filter(pair -> pair.first().equals(row.id) || pair.second().equals(row.id))
          .forEach(
              pair ->
                  compare(
                      delivered.get(pair.first()), delivered.get(pair.second()), pair.spaced()));
      if (row.category.startsWith("drums")) {
        compareImages(row, delivered);
      }
    }
  }

  private void compareImages(DeliveredFileRow row, Map<String, DeliveredFileRow> delivered) {
    Map<String, SidesCheck.File> measured = new HashMap<>();
    List<StereoImages.Named> named = new ArrayList<>();
    for (DeliveredFileRow one : delivered.values()) {
      Inspection found = one.category.startsWith("drums") ? inspectionOf(one) : null;
      if (found != null && found.isWave()) {
        measured.put(one.id, new SidesCheck.File(store.locate(one.sha256), found));
        named.add(new StereoImages.Named(one.id, one.name, one.category, found.header().layout()));
      }
    }
    for (StereoImages.Pair pair : StereoImages.among(named)) {
      if (List.of(pair.left(), pair.right(), pair.second()).contains(row.id)) {
        try {
          StereoImages.compare(pair, measured::get)
              .ifPresent(sides -> keep(pair.second(), second -> second.swapped = sides));
        } catch (AudioException e) {
          LOG.warn("comparing the sides of {}: {}", row.name, e.getMessage());
        }
      }
    }
  }

  private void compare(DeliveredFileRow first, DeliveredFileRow second, boolean spaced) {
    Optional<PairFinding> found;
    try {
      Inspection one = inspectionOf(first);
      Inspection other = inspectionOf(second);
      boolean waves = one != null && other != null && one.isWave() && other.isWave();
      found =
          waves
              ? PairCheck.compare(
                  store.locate(first.sha256), one, store.locate(second.sha256), other, spaced)
              : Optional.empty();
    } catch (AudioException e) {
      LOG.warn("comparing {} and {}: {}", first.name, second.name, e.getMessage());
      return;
    }
    found.ifPresent(
        pair ->
            keep(
                second.id,
                row -> {
                  row.beside = first.id;
                  row.pair = pair;
                }));
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

  private @Nullable Inspection inspectionOf(DeliveredFileRow row) {
    return row.sha256 == null
        ? null
        : audioFiles.findById(row.sha256).map(audio -> audio.inspection).orElse(null);
  }
}
