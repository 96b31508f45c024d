package drevik.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Stream;

/**
 * A PostgreSQL cluster for tests, from Debian's packages: made in a folder of its own, on loopback,
 * on a free port; stopped and removed with the process. initdb refuses root, so root runs it as
 * postgres.
 */
public final class ThrowawayPostgres implements AutoCloseable {
  private static ThrowawayPostgres shared;
  private static int databases;

  private final Path folder;
  private final int port;

  private ThrowawayPostgres() {
    try {
      folder = Files.createTempDirectory("drevik-test-db");
      if (isRoot()) {
        run(List.of("chown", "postgres", folder.toString()));
      }
      port = freePort();
      Path data = folder.resolve("data");
      asPostgres("initdb", "-D", data.toString(), "-U", "drevik", "--auth=trust", "-E", "UTF8");
      String options =
          "-p "
              + port
              + " -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=off";
      String log = folder.resolve("log").toString();
      asPostgres("pg_ctl", "-D", data.toString(), "-l", log, "-w", "-o", options, "start");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * One on which nobody listens, below those of outgoing connections: what the system gives of
   * these may be given to somebody else before a program has started that is to listen there.
   */
  public static int freePort() throws IOException {
    for (int tries = 0; tries < 100; tries++) {
      int port = ThreadLocalRandom.current().nextInt(20_000, 32_000);
      try (ServerSocket free = new ServerSocket(port)) {
        return free.getLocalPort();
      } catch (BindException e) {
        // Taken; another is tried.
      }
    }
    throw new IOException("no port from 20000 to 32000 is free");
  }

  /** The cluster that all tests of one run share; stopped when the run ends. */
  public static synchronized ThrowawayPostgres shared() {
    if (shared == null) {
      shared = new ThrowawayPostgres();
      Runtime.getRuntime().addShutdownHook(new Thread(shared::close));
    }
    return shared;
  }

  /** A new, empty database; its JDBC URL. */
  public String newDatabase() {
    String name = "test_" + nextNumber();
    run(
        List.of(
            bin("createdb"), "-h", "127.0.0.1", "-p", String.valueOf(port), "-U", "drevik", name));
    return "jdbc:postgresql://127.0.0.1:" + port + "/" + name;
  }

  private static synchronized int nextNumber() {
    return ++databases;
  }

  @Override
  public void close() {
    asPostgres("pg_ctl", "-D", folder.resolve("data").toString(), "-m", "immediate", "stop");
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path path : paths.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(path);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static boolean isRoot() {
    return "root".equals(System.getProperty("user.name"));
  }

  private static void asPostgres(String program, String... arguments) {
    List<String> command = new ArrayList<>();
    if (isRoot()) {
      command.addAll(List.of("runuser", "-u", "postgres", "--"));
    }
    command.add(bin(program));
    command.addAll(List.of(arguments));
    run(command);
  }

  /** A program of the installed PostgreSQL. */
  public static String bin(String program) {
    try (Stream<Path> versions = Files.list(Path.of("/usr/lib/postgresql"))) {
      return versions
          .map(version -> version.resolve("bin").resolve(program))
          .filter(Files::isExecutable)
          .max(Comparator.naturalOrder())
          .orElseThrow(() -> new IllegalStateException("install postgresql: no " + program))
          .toString();
    } catch (IOException e) {
      throw new UncheckedIOException("install postgresql", e);
    }
  }

  private static void run(List<String> command) {
    try {
      Process process =
          new ProcessBuilder(command)
              .directory(Path.of("/").toFile())
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      int status = process.waitFor();
      if (status != 0) {
        throw new IllegalStateException(command + " ended with " + status);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
