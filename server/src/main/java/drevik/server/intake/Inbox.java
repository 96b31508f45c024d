package drevik.server.intake;

import drevik.audio.AudioException;
import drevik.deliver.FileNames;
import drevik.intake.DeliveredNames;
import drevik.mix.Lookup;
import drevik.mix.Refused;
import drevik.server.DrevikProperties;
import drevik.server.Ids;
import drevik.server.mix.Shelf;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * A folder that is watched: {@code inbox/<session>/…}. Each file, zip or folder that is put there
 * becomes a delivery of its own once nothing in it has changed for a few seconds, and is then moved
 * to {@code taken} beside; nothing is deleted.
 *
 * <p>What is being taken is first moved into a folder that is called after its delivery, so that
 * after a kill the same delivery goes on.
 */
@Service
public class Inbox {
  private static final Logger LOG = LoggerFactory.getLogger(Inbox.class);
  private static final Duration SETTLED = Duration.ofSeconds(5);
  private static final String TAKEN = "taken";
  private static final Pattern TAKING = Pattern.compile("\\.taking-([a-z0-9]+)");

  private final Set<Path> told = ConcurrentHashMap.newKeySet();
  private final Shelf shelf;
  private final Deliveries deliveries;
  private final ReceiveFiles receiving;
  private final Path folder;
  private final Clock clock;

  Inbox(
      Shelf shelf,
      Deliveries deliveries,
      ReceiveFiles receiving,
      DrevikProperties properties,
      Clock clock) {
    this.shelf = shelf;
    this.deliveries = deliveries;
    this.receiving = receiving;
    this.folder = properties.data().toAbsolutePath().resolve("inbox");
    this.clock = clock;
  }

  /** Makes a folder for each session, and takes what has settled in them. */
  public void scan() {
    for (Map.Entry<String, String> session : folders().entrySet()) {
      try {
        Path own = Files.createDirectories(folder.resolve(session.getKey()));
        entries(own).forEach(entry -> takeOrTell(entry, session.getValue()));
      } catch (IOException | RuntimeException e) {
        tell(folder.resolve(session.getKey()), e);
      }
    }
  }

  /** One that cannot be taken holds up no other. */
  private void takeOrTell(Path entry, String mixId) {
    try {
      take(entry, mixId);
    } catch (IOException | RuntimeException e) {
      tell(entry, e);
    }
  }

  /** It is tried again and again, and told once. */
  private void tell(Path entry, Exception e) {
    if (told.add(entry)) {
      LOG.warn("inbox: {}: {}", entry, e.toString());
    }
  }

  /** Folder name → Mix id: the session's name, or its id where the name alone does not do. */
  private Map<String, String> folders() {
    List<Shelf.Named> sessions = shelf.sessions();
    Map<String, Long> namesakes =
        sessions.stream()
            .collect(
                Collectors.groupingBy(
                    session -> session.name().toLowerCase(Locale.ROOT), Collectors.counting()));
    Set<String> ids = sessions.stream().map(Shelf.Named::id).collect(Collectors.toSet());
    return sessions.stream()
        .collect(
            Collectors.toMap(
                session -> {
                  boolean own = Lookup.in(namesakes, session.name().toLowerCase(Locale.ROOT)) == 1;
                  boolean sound =
                      FileNames.fault(session.name()) == null && !session.name().startsWith(".");
                  return own && sound && !ids.contains(session.name())
                      ? session.name()
                      : session.id();
                },
                Shelf.Named::id));
  }

  private static List<Path> entries(Path own) throws IOException {
    try (Stream<Path> all = Files.list(own)) {
      return all.filter(path -> !path.getFileName().toString().equals(TAKEN)).sorted().toList();
    }
  }

  private void take(Path entry, String mixId) throws IOException {
    String name = entry.getFileName().toString();
    Matcher taking = TAKING.matcher(name);
    if (taking.matches()) {
      carryOn(entry, taking.group(1), mixId);
    } else if (!DeliveredNames.isLitter(name) && hasSettled(entry)) {
      String delivery = Ids.next();
      Path own = Files.createDirectory(entry.resolveSibling(".taking-" + delivery));
      Files.move(entry, own.resolve(name));
      carryOn(own, delivery, mixId);
    }
  }

  private boolean hasSettled(Path entry) throws IOException {
    FileTime newest = FileTime.fromMillis(0);
    boolean any = false;
    try (Stream<Path> all = Files.walk(entry)) {
      for (Path path : all.toList()) {
        FileTime changed = Files.getLastModifiedTime(path, LinkOption.NOFOLLOW_LINKS);
        newest = changed.compareTo(newest) > 0 ? changed : newest;
        any |= Files.isRegularFile(path, LinkOption.NOFOLLOW_LINKS);
      }
    }
    return any && newest.toInstant().isBefore(clock.instant().minus(SETTLED));
  }

  /**
   * Takes the one entry in {@code own}, if a kill did not come between making it and filling it.
   */
  private void carryOn(Path own, String delivery, String mixId) throws IOException {
    try (Stream<Path> all = Files.list(own)) {
      for (Path entry : all.toList()) {
        deliveries.open(delivery, mixId, entry.getFileName().toString());
        receive(entry, delivery);
        Path taken = Files.createDirectories(own.resolveSibling(TAKEN));
        Path place = taken.resolve(entry.getFileName());
        if (Files.exists(place)) {
          place = Files.createDirectories(taken.resolve(delivery)).resolve(entry.getFileName());
        }
        Files.move(entry, place);
      }
    }
    Files.delete(own);
  }

  private void receive(Path entry, String delivery) throws IOException {
    String name = entry.getFileName().toString();
    List<Path> found;
    try (Stream<Path> all = Files.walk(entry)) {
      found = all.filter(p -> Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS)).sorted().toList();
    }
    for (Path file : found) {
      String inside = entry.relativize(file).toString().replace('\\', '/');
      String path = inside.isEmpty() ? name : name + "/" + inside;
      if (DeliveredNames.isLitter(path)) {
        continue;
      }
      try (InputStream in = Files.newInputStream(file)) {
        receiving.receive(delivery, path, in, Files.size(file));
      } catch (AudioException e) {
        // It is listed with its fault; the others go on.
      } catch (Refused e) {
        LOG.warn("inbox: {}", e.getMessage());
      }
    }
  }
}
