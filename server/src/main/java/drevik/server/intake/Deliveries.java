package drevik.server.intake;

import drevik.intake.DeliveryReport;
import drevik.mix.Limits;
import drevik.mix.Mix;
import drevik.server.Ids;
import drevik.server.mix.Mixes;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Opens deliveries, says whom they come from, and shows how they stand. */
@Service
public class Deliveries {
  private static final int LONGEST_TEXT = 200;

  private final DeliveryRows deliveries;
  private final DeliveredFileRows files;
  private final DeliveryLoader loader;
  private final LearnedSorting sorting;
  private final Mixes mixes;
  private final Clock clock;

  Deliveries(
      DeliveryRows deliveries,
      DeliveredFileRows files,
      DeliveryLoader loader,
      LearnedSorting sorting,
      Mixes mixes,
      Clock clock) {
    this.deliveries = deliveries;
    this.files = files;
    this.loader = loader;
    this.sorting = sorting;
    this.mixes = mixes;
    this.clock = clock;
  }

  /** Whom a delivery comes from, as far as that was said. */
  public record From(@Nullable String client, @Nullable String artist, @Nullable String project) {
    public static final From NOBODY = new From(null, null, null);
  }

  /** How far the measuring of a delivery is. */
  public record Progress(long files, long measuring) {}

  @Transactional
  public String open(String mixId, @Nullable String name, From from) {
    String id = Ids.next();
    save(id, mixId, name, from);
    return id;
  }

  /** The same, once: with an id that the caller keeps, and comes with again after a kill. */
  @Transactional
  void open(String id, String mixId, String name) {
    if (!deliveries.existsById(id)) {
      save(id, mixId, name, From.NOBODY);
    }
  }

  private void save(String id, String mixId, @Nullable String name, From from) {
    mixes.headOf(mixId);
    String given = name == null || name.isBlank() ? "Delivery" : name.strip();
    DeliveryRow row =
        new DeliveryRow(id, mixId, Limits.shortened(given, LONGEST_TEXT), clock.instant());
    describe(row, from);
    deliveries.save(row);
  }

  /** Says whom a delivery comes from. */
  @Transactional
  public void describe(String deliveryId, From from) {
    describe(loader.row(deliveryId), from);
  }

  private static void describe(DeliveryRow row, From from) {
    row.client = plain(from.client());
    row.artist = plain(from.artist());
    row.project = plain(from.project());
  }

  private static @Nullable String plain(@Nullable String text) {
    return text == null || text.isBlank() ? null : Limits.shortened(text.strip(), LONGEST_TEXT);
  }

  @Transactional(readOnly = true)
  public List<DeliveryView.Line> list(String mixId) {
    return deliveries.lines(mixId);
  }

  /** Cheap enough to be asked every second. */
  @Transactional(readOnly = true)
  public Progress progress(String deliveryId) {
    loader.row(deliveryId);
    return new Progress(files.countByDeliveryId(deliveryId), files.measuring(deliveryId));
  }

  @Transactional(readOnly = true)
  public DeliveryView view(String deliveryId) {
    DeliveryLoader.Loaded now = loader.load(deliveryId);
    return DeliveryView.of(now, sorting.list(LearnedSorting.clientOf(now.row())));
  }

  /** What the delivery was, to be sent back to whom it came from. */
  public DeliveryReport report(String deliveryId) {
    DeliveryLoader.Loaded now = loader.load(deliveryId);
    DeliveryRow row = now.row();
    return now.delivery()
        .report(
            Stream.of(row.client, row.artist, row.project)
                .filter(Objects::nonNull)
                .distinct()
                .toList(),
            row.at.atZone(ZoneOffset.UTC).toLocalDate().toString());
  }

  /** The Mix that a delivery is for, as it is now. */
  Mix mixOf(String deliveryId) {
    return mixes.document(loader.row(deliveryId).mixId);
  }
}
