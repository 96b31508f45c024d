package drevik.server.delivery;

import drevik.audio.AudioException;
import drevik.audio.Container;
import drevik.audio.Resampler;
import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.intake.DeliveredFile;
import drevik.intake.FileNotes;
import drevik.intake.Inspection;
import drevik.intake.Inspector;
import drevik.intake.SeatingPlan;
import drevik.intake.SeatingPlanner;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.mix.MixChange;
import drevik.server.mix.MixService;
import drevik.server.store.AudioStore;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Receives files, sorts them, plans their seats and carries the plan out. */
@Service
public class DeliveryService {
  private static final int LONGEST_NAME = 400;

  private final DeliveryRows deliveries;
  private final DeliveredFileRows files;
  private final AudioFileRows audioFiles;
  private final AudioStore store;
  private final MixService mixes;
  private final TransactionTemplate transaction;
  private final Clock clock;

  DeliveryService(
      DeliveryRows deliveries,
      DeliveredFileRows files,
      AudioFileRows audioFiles,
      AudioStore store,
      MixService mixes,
      TransactionTemplate transaction,
      Clock clock) {
    this.deliveries = deliveries;
    this.files = files;
    this.audioFiles = audioFiles;
    this.store = store;
    this.mixes = mixes;
    this.transaction = transaction;
    this.clock = clock;
  }

  public String open(String mixId, String name) {
    mixes.headOf(mixId);
    String given = name == null || name.isBlank() ? "Delivery" : name.strip();
    DeliveryRow row = new DeliveryRow(Ids.next(), mixId, given, clock.instant());
    deliveries.save(row);
    return row.id;
  }

  public List<DeliveryView.Line> list(String mixId) {
    return deliveries.findByMixIdOrderByAtDesc(mixId).stream()
        .map(
            row ->
                new DeliveryView.Line(
                    row.id, row.name, row.at, files.findByDeliveryIdOrderByName(row.id).size()))
        .toList();
  }

  /**
   * Takes one file in. The audio is streamed to a place of its own, inspected there, and only then
   * becomes part of the store and of the delivery, in that order: a kill at any moment leaves
   * either nothing or all of it. A file that cannot be used is listed with its fault.
   *
   * @param length bytes that were announced, or −1
   * @return the file's id
   * @throws AudioException with what is wrong with the file
   */
  public String receive(String deliveryId, String name, InputStream body, long length)
      throws IOException {
    DeliveryRow delivery = delivery(deliveryId);
    requireSoundName(name);
    DeliveredFileRow row =
        new DeliveredFileRow(Ids.next(), delivery.id, name, clock.instant(), NameSorter.sort(name));
    byte[] start = body.readNBytes(Container.START_BYTES);
    InputStream whole = new SequenceInputStream(new ByteArrayInputStream(start), body);
    try (AudioStore.Incoming incoming = received(name, start, whole, length)) {
      Inspection found = inspect(name, incoming.file());
      incoming.keep();
      row.sha256 = incoming.sha256();
      save(row, incoming, found);
      return row.id;
    } catch (AudioException e) {
      row.fault = e.getMessage();
      files.save(row);
      throw e;
    }
  }

  private AudioStore.Incoming received(String name, byte[] start, InputStream whole, long length)
      throws IOException {
    Container.of(name, start);
    return store.receive(whole, length);
  }

  private static Inspection inspect(String name, Path file) {
    try {
      return Inspector.inspect(file);
    } catch (AudioException e) {
      // The store's own file name means nothing to a person.
      String base = String.valueOf(file.getFileName());
      throw new AudioException(e.getMessage().replace(base, name), e);
    }
  }

  private void save(DeliveredFileRow row, AudioStore.Incoming incoming, Inspection found) {
    transaction.executeWithoutResult(
        status -> {
          if (!audioFiles.existsById(incoming.sha256())) {
            audioFiles.save(
                new AudioFileRow(incoming.sha256(), incoming.bytes(), clock.instant(), found));
          }
          files.save(row);
        });
  }

  private static void requireSoundName(String name) {
    if (name == null || name.isBlank() || name.length() > LONGEST_NAME) {
      throw new Refused("A file needs a name of 1 to " + LONGEST_NAME + " characters.");
    }
    boolean leavesFolder =
        name.startsWith("/")
            || name.matches("^[A-Za-z]:.*")
            || List.of(name.split("[/\\\\]")).contains("..");
    if (leavesFolder || name.chars().anyMatch(Character::isISOControl)) {
      throw new Refused(
          "“"
              + name.replaceAll("\\p{Cntrl}", "?")
              + "” points outside the delivery's folder or holds control characters; rename the file.");
    }
  }

  public void setCategory(String deliveryId, List<String> fileIds, String category) {
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    transaction.executeWithoutResult(
        status -> {
          for (DeliveredFileRow row : files.findAllById(fileIds)) {
            if (row.deliveryId.equals(deliveryId)) {
              row.category = category;
              row.confidence = 1;
              row.because = List.of("you said so");
              row.sortedByHand = true;
              files.save(row);
            }
          }
        });
  }

  public DeliveryView view(String deliveryId) {
    DeliveryRow delivery = delivery(deliveryId);
    Mix mix = mixes.document(delivery.mixId);
    List<DeliveredFileRow> rows = files.findByDeliveryIdOrderByName(deliveryId);
    Map<String, AudioFileRow> audio = audioOf(rows);
    Map<String, String> seatedOn = seatedOn(mix);
    List<DeliveredFileRow> open =
        rows.stream().filter(r -> r.fault == null && !seatedOn.containsKey(r.id)).toList();
    SeatingPlan plan =
        SeatingPlanner.plan(
            mix, open.stream().map(r -> delivered(r, audio.get(r.sha256))).toList());
    Map<String, SeatingPlan.Place> places =
        plan.places().stream().collect(Collectors.toMap(SeatingPlan.Place::file, p -> p));
    List<DeliveryView.FileView> views =
        rows.stream()
            .map(r -> fileView(r, audio.get(r.sha256), places.get(r.id), seatedOn.get(r.id), mix))
            .toList();
    boolean seated = rows.stream().anyMatch(r -> seatedOn.containsKey(r.id));
    return new DeliveryView(
        delivery.id, delivery.mixId, delivery.name, delivery.at, seated, views, plan.stow());
  }

  private Map<String, AudioFileRow> audioOf(List<DeliveredFileRow> rows) {
    List<String> hashes = rows.stream().map(r -> r.sha256).filter(h -> h != null).toList();
    return audioFiles.findAllById(hashes).stream().collect(Collectors.toMap(a -> a.sha256, a -> a));
  }

  /** Delivered file's id → name of the seat that plays it; clips are named after the file. */
  private static Map<String, String> seatedOn(Mix mix) {
    Map<String, String> seats = new HashMap<>();
    for (Channel channel : mix.channels()) {
      channel.clips().forEach(c -> seats.put(c.id().replaceFirst("^clip-", ""), channel.name()));
    }
    return seats;
  }

  private static DeliveredFile delivered(DeliveredFileRow row, AudioFileRow audio) {
    var header = audio.inspection.header();
    return new DeliveredFile(
        row.id,
        row.name,
        new AudioRef(row.sha256, row.name),
        header.layout(),
        header.frames(),
        audio.inspection.silent(),
        row.category);
  }

  private static DeliveryView.FileView fileView(
      DeliveredFileRow row, AudioFileRow audio, SeatingPlan.Place place, String seatedOn, Mix mix) {
    return new DeliveryView.FileView(
        row.id,
        row.name,
        row.fault,
        row.category,
        row.confidence,
        row.because,
        row.sortedByHand,
        audio == null ? null : audioView(audio.inspection, mix.sampleRate()),
        place == null
            ? null
            : new DeliveryView.PlaceView(
                place.act(),
                place.seatName(),
                place.destination(),
                place.destination() == null
                    ? null
                    : mix.channel(place.destination()).map(Channel::name).orElse(null),
                place.because()),
        seatedOn);
  }

  private static DeliveryView.AudioView audioView(Inspection found, int sampleRate) {
    var header = found.header();
    return new DeliveryView.AudioView(
        header.seconds(),
        header.sampleRate(),
        header.layout().toString(),
        header.format().toString(),
        found.samplePeakDbfs(),
        found.integratedLufs(),
        FileNotes.of(found, sampleRate),
        found.overview());
  }

  /** Seats everything that the plan has a place for, in one revision. */
  public MixChange seat(String deliveryId, int basedOn) throws IOException {
    DeliveryRow delivery = delivery(deliveryId);
    Mix mix = mixes.document(delivery.mixId);
    Map<String, String> seatedOn = seatedOn(mix);
    List<DeliveredFileRow> open =
        files.findByDeliveryIdOrderByName(deliveryId).stream()
            .filter(r -> r.fault == null && !seatedOn.containsKey(r.id))
            .toList();
    Map<String, AudioFileRow> audio = audioOf(open);
    List<DeliveredFile> delivered = new ArrayList<>();
    for (DeliveredFileRow row : open) {
      delivered.add(conformed(delivered(row, audio.get(row.sha256)), audio, mix.sampleRate()));
    }
    SeatingPlan plan = SeatingPlanner.plan(mix, delivered);
    if (plan.places().stream().allMatch(p -> p.seating() == null)) {
      throw new Refused(
          "No file of this delivery has a seat to go to; give the files categories first.");
    }
    return mixes.edit(delivery.mixId, basedOn, plan.toEdit(delivery.name));
  }

  /**
   * The file at the Mix's sample rate: itself, or a converted copy that the store keeps beside it.
   */
  private DeliveredFile conformed(
      DeliveredFile file, Map<String, AudioFileRow> audio, int sampleRate) throws IOException {
    AudioFileRow original = audio.get(file.audio().sha256());
    if (file.silent() || original.inspection.header().sampleRate() == sampleRate) {
      return file;
    }
    Path scratch = store.scratch();
    Resampler.convert(store.locate(original.sha256), scratch, sampleRate);
    try (AudioStore.Incoming converted = store.seal(scratch)) {
      Inspection found = Inspector.inspect(converted.file());
      converted.keep();
      if (!audioFiles.existsById(converted.sha256())) {
        audioFiles.save(
            new AudioFileRow(converted.sha256(), converted.bytes(), clock.instant(), found));
      }
      return new DeliveredFile(
          file.id(),
          file.name(),
          new AudioRef(converted.sha256(), file.name()),
          file.layout(),
          found.header().frames(),
          false,
          file.category());
    }
  }

  private DeliveryRow delivery(String id) {
    return deliveries
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no delivery “" + id + "”."));
  }
}
