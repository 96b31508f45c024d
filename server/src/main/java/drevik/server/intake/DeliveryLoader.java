package drevik.server.intake;

import drevik.intake.Delivery;
import drevik.intake.DeliveryComparison;
import drevik.intake.conform.ConformStep;
import drevik.intake.measure.Inspection;
import drevik.mix.AudioRef;
import drevik.server.NotFound;
import drevik.server.mix.Mixes;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads a delivery as it stands, with all that it is compared with, in one transaction. */
@Component
class DeliveryLoader {
  /** A delivery in the database, and what follows from it. */
  record Loaded(DeliveryRow row, List<DeliveredFileRow> files, Delivery delivery) {}

  private final DeliveryRows deliveries;
  private final DeliveredFileRows files;
  private final AudioFileRows audioFiles;
  private final Mixes mixes;

  DeliveryLoader(
      DeliveryRows deliveries, DeliveredFileRows files, AudioFileRows audioFiles, Mixes mixes) {
    this.deliveries = deliveries;
    this.files = files;
    this.audioFiles = audioFiles;
    this.mixes = mixes;
  }

  /**
   * @throws NotFound if there is no such delivery
   */
  DeliveryRow row(String id) {
    return deliveries
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no delivery “" + id + "”."));
  }

  @Transactional(readOnly = true)
  Loaded load(String id) {
    DeliveryRow row = row(id);
    List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(id);
    Map<String, Inspection> found = new HashMap<>();
    audioFiles
        .findAllById(
            rows.stream().map(file -> file.sha256).filter(Objects::nonNull).distinct().toList())
        .forEach(audio -> found.put(audio.sha256, audio.inspection));
    List<Delivery.Item> items =
        rows.stream().map(file -> item(file, found.get(file.sha256))).toList();
    return new Loaded(
        row,
        rows,
        new Delivery(
            mixes.document(row.mixId),
            row.name,
            row.client,
            row.seatNames,
            row.deadAir(),
            items,
            earlier(row)));
  }

  private static Delivery.Item item(DeliveredFileRow file, @Nullable Inspection found) {
    Set<ConformStep.Kind> off =
        Arrays.stream(ConformStep.Kind.values())
            .filter(kind -> file.stepsOff.contains(kind.toString()))
            .collect(Collectors.toSet());
    return new Delivery.Item(
        file.id,
        file.name,
        new AudioRef(Objects.toString(file.sha256, ""), file.name),
        file.fault,
        file.sorting(),
        file.fault == null ? found : null,
        file.beside,
        file.pair,
        file.swapped,
        off,
        file.wish);
  }

  /** Files of the deliveries before, the newest delivery first. */
  private List<List<DeliveryComparison.Known>> earlier(DeliveryRow delivery) {
    List<String> ids =
        deliveries.findByMixIdOrderByAtDesc(delivery.mixId).stream()
            .filter(other -> other.at.isBefore(delivery.at))
            .map(other -> other.id)
            .toList();
    Map<String, List<DeliveryComparison.Known>> known =
        files.findByDeliveryIdIn(ids).stream()
            .filter(file -> file.sha256 != null && file.fault == null)
            .collect(
                Collectors.groupingBy(
                    file -> file.deliveryId,
                    Collectors.mapping(
                        file ->
                            new DeliveryComparison.Known(
                                file.id, file.name, String.valueOf(file.sha256)),
                        Collectors.toList())));
    return ids.stream().map(id -> known.getOrDefault(id, List.of())).toList();
  }
}
