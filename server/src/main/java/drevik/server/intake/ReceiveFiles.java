package drevik.server.intake;

import drevik.audio.AudioException;
import drevik.audio.Container;
import drevik.audio.WavReader;
import drevik.intake.DeliveredNames;
import drevik.intake.Unpacker;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.store.AudioStore;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes files in, zips opened. The audio is streamed to a place of its own and only then becomes
 * part of the store and of the delivery, in that order: a kill at any moment leaves either nothing
 * or all of it. A file that cannot be used is listed with its fault; measuring is a job.
 */
@Service
public class ReceiveFiles {
  private final DeliveryRows deliveries;
  private final DeliveredFileRows files;
  private final AudioFileRows audioFiles;
  private final LearnedSorting sorting;
  private final AudioStore store;
  private final InspectFiles inspecting;
  private final TransactionTemplate transaction;
  private final Clock clock;

  ReceiveFiles(
      DeliveryRows deliveries,
      DeliveredFileRows files,
      AudioFileRows audioFiles,
      LearnedSorting sorting,
      AudioStore store,
      InspectFiles inspecting,
      TransactionTemplate transaction,
      Clock clock) {
    this.deliveries = deliveries;
    this.files = files;
    this.audioFiles = audioFiles;
    this.sorting = sorting;
    this.store = store;
    this.inspecting = inspecting;
    this.transaction = transaction;
    this.clock = clock;
  }

  /**
   * Takes one file in, or all files of a zip. The same content under the same name is taken once: a
   * batch whose sending broke off can be sent again.
   *
   * @param length bytes that were announced, or −1
   * @return ids of the files, those included that are listed with a fault
   * @throws AudioException with what is wrong with the file; the files of a zip fail one by one
   */
  public List<String> receive(String deliveryId, String name, InputStream body, long length)
      throws IOException {
    DeliveryRow delivery = delivery(deliveryId);
    DeliveredNames.requireSound(name);
    byte[] start = body.readNBytes(Container.START_BYTES);
    InputStream whole = new SequenceInputStream(new ByteArrayInputStream(start), body);
    if (Unpacker.isZip(start)) {
      try (AudioStore.Incoming incoming = store.receive(whole, length)) {
        return unpack(delivery, name, incoming.file());
      }
    }
    return List.of(take(delivery, name, start, () -> store.receive(whole, length)));
  }

  /** The same for a file that is there already, and stays there. */
  public List<String> receive(String deliveryId, String name, Path file) throws IOException {
    DeliveryRow delivery = delivery(deliveryId);
    byte[] start;
    try (InputStream in = Files.newInputStream(file)) {
      start = in.readNBytes(Container.START_BYTES);
    }
    if (Unpacker.isZip(start)) {
      return unpack(delivery, name, file);
    }
    return List.of(take(delivery, name, start, () -> store.link(file)));
  }

  private List<String> unpack(DeliveryRow delivery, String name, Path zip) throws IOException {
    List<String> taken = new ArrayList<>();
    try {
      Unpacker.unpack(
          zip,
          name,
          new Unpacker.Receiver() {
            @Override
            public void file(String path, InputStream content, long bytes) throws IOException {
              byte[] start = content.readNBytes(Container.START_BYTES);
              InputStream whole = new SequenceInputStream(new ByteArrayInputStream(start), content);
              taken.add(take(delivery, path, start, () -> store.receive(whole, bytes)));
            }

            @Override
            public void refused(String path, String why) {
              taken.add(refuse(delivery, path, why));
            }
          });
    } catch (AudioException e) {
      refuse(delivery, name, e.getMessage());
      throw e;
    }
    return taken;
  }

  private DeliveredFileRow row(DeliveryRow delivery, String name) {
    return new DeliveredFileRow(
        Ids.next(),
        delivery.id,
        name,
        clock.instant(),
        sorting.sort(LearnedSorting.clientOf(delivery), name));
  }

  private DeliveryRow delivery(String id) {
    return deliveries
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no delivery “" + id + "”."));
  }

  /** How a content gets to a place of its own; asked only if its start looks like audio. */
  private interface Arrival {
    AudioStore.Incoming arrived() throws IOException;
  }

  private String take(DeliveryRow delivery, String name, byte[] start, Arrival arrival)
      throws IOException {
    try {
      Container container = Container.of(name, start);
      try (AudioStore.Incoming incoming = arrival.arrived()) {
        if (container == Container.WAVE) {
          requireHeader(name, incoming.file());
        }
        Optional<DeliveredFileRow> there =
            files.findFirstByDeliveryIdAndNameAndSha256(delivery.id, name, incoming.sha256());
        // Known content too: what the store lost or damaged since is whole again.
        incoming.keep();
        if (there.isPresent() && there.get().fault == null) {
          // Measured long ago, as a rule; what lost its job is asked for again.
          transaction.executeWithoutResult(
              status -> {
                if (audioFiles.existsBySha256AndInspectionIsNull(incoming.sha256())) {
                  inspecting.ask(incoming.sha256());
                }
              });
          return there.get().id;
        }
        // What failed before may have failed for a reason that is gone, and is tried anew.
        there.ifPresent(files::delete);
        DeliveredFileRow row = row(delivery, name);
        row.sha256 = incoming.sha256();
        return save(row, incoming);
      }
    } catch (AudioException e) {
      refuse(delivery, name, e.getMessage());
      throw e;
    }
  }

  /** Lists a file with its fault, once, however often it is sent; its id. */
  private String refuse(DeliveryRow delivery, String name, String why) {
    DeliveredFileRow row = row(delivery, name);
    files.addRefused(
        row.id, row.deliveryId, name, row.receivedAt, why, row.category, row.confidence);
    return files.refused(delivery.id, name).orElseThrow().id;
  }

  private static void requireHeader(String name, Path file) throws IOException {
    try (WavReader reader = WavReader.open(file)) {
      reader.header();
    } catch (AudioException e) {
      // The store's own file name means nothing to a person.
      throw e.named(name);
    }
  }

  /**
   * Row and job are written in one transaction: a file that is seen is also going to be measured.
   */
  private String save(DeliveredFileRow row, AudioStore.Incoming incoming) {
    try {
      transaction.executeWithoutResult(
          status -> {
            audioFiles.addIfNew(incoming.sha256(), incoming.bytes(), clock.instant());
            files.saveAndFlush(row);
            // Known content is measured, but may be the other half of a pair here.
            inspecting.ask(incoming.sha256());
          });
      return row.id;
    } catch (DataIntegrityViolationException e) {
      // Somebody sent the same at the same moment, and was first.
      return files
          .findFirstByDeliveryIdAndNameAndSha256(row.deliveryId, row.name, incoming.sha256())
          .map(there -> there.id)
          .orElseThrow(() -> e);
    }
  }
}
