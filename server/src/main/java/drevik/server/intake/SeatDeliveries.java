package drevik.server.intake;

import drevik.edit.SeatDelivery;
import drevik.intake.conform.ConformedCopy;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import drevik.intake.seat.SessionTimes;
import drevik.mix.AudioRef;
import drevik.mix.Refused;
import drevik.server.mix.MixChange;
import drevik.server.mix.MixEdits;
import drevik.server.mix.MixEdits.Asked;
import drevik.server.store.AudioStore;
import java.io.IOException;
import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Carries out what is planned for a delivery. The audio is conformed before, and outside, the
 * transaction of the edit.
 */
@Service
public class SeatDeliveries {
  private final DeliveryLoader loader;
  private final AudioFileRows audioFiles;
  private final AudioStore store;
  private final MixEdits edits;
  private final TransactionTemplate transaction;
  private final Clock clock;

  SeatDeliveries(
      DeliveryLoader loader,
      AudioFileRows audioFiles,
      AudioStore store,
      MixEdits edits,
      TransactionTemplate transaction,
      Clock clock) {
    this.loader = loader;
    this.audioFiles = audioFiles;
    this.store = store;
    this.edits = edits;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** Sets start, end and tempo of the Mix as the delivery asks, in one revision. */
  public MixChange setTimes(String deliveryId, Asked asked) {
    DeliveryLoader.Loaded now = loader.load(deliveryId);
    SessionTimes times =
        now.delivery()
            .times()
            .orElseThrow(
                () -> new Refused("Nothing is seated that a start and an end could be set by."));
    return edits.edit(now.row().mixId, asked, times.toEdit());
  }

  /** Seats everything that the plan has a place for, in one revision. */
  public MixChange seat(String deliveryId, Asked asked) throws IOException {
    DeliveryLoader.Loaded now = loader.load(deliveryId);
    String mixId = now.row().mixId;
    if (edits.isDone(mixId, asked)) {
      return edits.edit(
          mixId, asked, now.delivery().plan().toEdit(now.row().name, now.row().client));
    }
    if (now.delivery().measuring() > 0) {
      throw new Refused(
          "Some files are still being measured; seat the delivery when that is done.");
    }
    if (now.delivery().plan().seatings().isEmpty()) {
      throw new Refused(
          "No file of this delivery has a seat to go to; give the files categories first.");
    }
    SeatDelivery seating =
        now.delivery()
            .seating(
                store::locate,
                (file, copies) -> copies.isNeeded(file.id()) ? fromCopy(copies, file) : file);
    return edits.edit(mixId, asked, seating);
  }

  /** The file as the session plays it: a converted copy that the store keeps beside it. */
  private DeliveredFile fromCopy(ConformedCopy copies, DeliveredFile file) throws IOException {
    try (AudioStore.Incoming converted = store.make(to -> copies.write(file.id(), to))) {
      Inspection found = Inspector.inspect(converted.file());
      converted.keep();
      transaction.executeWithoutResult(
          status -> {
            audioFiles.addIfNew(converted.sha256(), converted.bytes(), clock.instant());
            audioFiles.findById(converted.sha256()).orElseThrow().inspection = found;
          });
      AudioRef copy = new AudioRef(converted.sha256(), file.name());
      return file.playedFrom(copy, found.header().frames());
    }
  }
}
