package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import com.beust.jcommander.converters.PathConverter;
import drevik.audio.AudioException;
import drevik.check.Finding;
import drevik.check.Finding.Severity;
import drevik.check.LineCheck;
import drevik.codec.Documents;
import drevik.mix.AudioRef;
import drevik.mix.Clip;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.render.PrintOptions;
import drevik.render.PrintReport;
import drevik.render.Printer;
import drevik.render.Progress;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * {@code drevik print}: every output of a session, and {@code report.json} beside them. The line
 * check comes first; what it finds is told, and what is wrong is no success.
 */
@Parameters(commandDescription = "Checks a session, and prints its outputs in one pass.")
final class PrintCommand implements Callable<Integer> {
  @Parameter(description = "SESSION.json", required = true, converter = PathConverter.class)
  private Path session;

  @Parameter(names = "--out", required = true, description = "The folder to print into.")
  private Path out;

  @Parameter(
      names = "--audio",
      description = "Where the audio is; beside the session if not given.")
  private @Nullable Path audio;

  @Parameter(
      names = "--only",
      variableArity = true,
      description = "Names of the outputs to print; all if not given.")
  private List<String> only = new ArrayList<>();

  @Parameter(names = "--unchecked", description = "Leaves the line check out.")
  private boolean unchecked;

  @Override
  public Integer call() throws IOException {
    Mix mix = MixFile.read(session);
    // Nothing that it finds stops a print: it is told as soon as it is known.
    CompletableFuture<Boolean> wrong =
        CompletableFuture.supplyAsync(() -> unchecked ? List.<Finding>of() : LineCheck.of(mix))
            .thenApply(PrintCommand::tell);
    Path folder = audio != null ? audio : session.toAbsolutePath().resolveSibling("");
    KnownContents known = KnownContents.ofUser();
    Map<AudioRef, Path> located = located(mix, folder, known);
    known.keep();
    PrintOptions options = PrintOptions.only(chosen(mix));
    OwnPrints.require(out, PrintOptions.fileNames(mix, options));
    PrintReport report =
        Printer.print(
            mix,
            ref -> located.computeIfAbsent(ref, other -> locate(folder, other, known)),
            options,
            out,
            Progress.NONE);
    String json = Documents.mapper().writerWithDefaultPrettyPrinter().writeValueAsString(report);
    Files.writeString(out.resolve(OwnPrints.REPORT), json);
    drevik.cli.Output.print(drevik.cli.Output.line(report));
    return !found(wrong) && report.passes() ? 0 : 1;
  }

  /** True if a deliverable would be wrong. */
  private static boolean tell(List<Finding> findings) {
    findings.forEach(
        finding -> System.err.println("drevik: " + finding.severity() + ": " + finding.says()));
    return findings.stream().anyMatch(one -> one.severity() == Severity.WRONG);
  }

  /** What is refused there is refused here. */
  private static boolean found(CompletableFuture<Boolean> wrong) {
    try {
      return wrong.join();
    } catch (CompletionException e) {
      throw e.getCause() instanceof RuntimeException refused ? refused : e;
    }
  }

  private Set<String> chosen(Mix mix) {
    Set<String> ids = new HashSet<>();
    for (String name : only) {
      ids.add(
          mix.outputs().stream()
              .filter(output -> output.name().equals(name))
              .map(Output::id)
              .findFirst()
              .orElseThrow(
                  () ->
                      new Refused(
                          "There is no output “"
                              + name
                              + "”; there are "
                              + String.join(", ", mix.outputs().stream().map(Output::name).toList())
                              + ".")));
    }
    return ids;
  }

  /** Files that are not known are hashed by all cores at once, before the first block. */
  private static Map<AudioRef, Path> located(Mix mix, Path folder, KnownContents known) {
    Map<AudioRef, Path> located = new ConcurrentHashMap<>();
    mix.channels().stream()
        .filter(channel -> !channel.stowed())
        .flatMap(channel -> channel.clips().stream())
        .map(Clip::audio)
        .distinct()
        .toList()
        .parallelStream()
        .forEach(
            ref -> {
              try {
                located.put(ref, locate(folder, ref, known));
              } catch (AudioException e) {
                // Told when it is asked for: what no chosen file hears is not missed.
              }
            });
    return located;
  }

  private static Path locate(Path folder, AudioRef ref, KnownContents known) {
    Path plain = Path.of(ref.name()).getFileName();
    for (Path place : List.of(folder, folder.resolve("audio"))) {
      Path file = place.resolve(plain);
      if (Files.isRegularFile(file)) {
        requireSame(file, ref, known);
        return file;
      }
    }
    throw new AudioException(
        "“" + ref.name() + "” is not in " + folder + " nor its folder “audio”; give --audio DIR");
  }

  /** A session that names a content plays that and no other of the same name. */
  private static void requireSame(Path file, AudioRef ref, KnownContents known) {
    try {
      if (!ref.sha256().isEmpty() && !known.sha256(file).equals(ref.sha256())) {
        throw AudioException.of(
            ref.name(),
            "is not the audio that the session was made with (its SHA-256 differs); bring that file,"
                + " or empty the “sha256” of its clips to play this one");
      }
    } catch (IOException e) {
      throw AudioException.of(ref.name(), "cannot be read: " + e.getMessage());
    }
  }
}
