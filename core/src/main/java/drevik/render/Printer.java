package drevik.render;

import drevik.audio.AudioException;
import drevik.mix.AudioLocator;
import drevik.mix.Mix;
import drevik.mix.Output;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** The print run: one pass of the engine writes every chosen output and measures it. */
public final class Printer {
  private Printer() {}

  /**
   * Prints into {@code folder}, which is made if need be. Files are written beside it and moved in
   * when all are whole, so that a run that fails, is cancelled or killed leaves nothing behind that
   * looks finished.
   *
   * @throws drevik.mix.Refused if the Mix cannot be printed, saying why
   * @throws AudioException if audio cannot be read or written
   * @throws PrintCancelled if {@code progress} ended it
   */
  public static PrintReport print(
      Mix mix, AudioLocator audio, PrintOptions options, Path folder, Progress progress) {
    long began = System.nanoTime();
    Path unfinished = folder.resolveSibling(folder.getFileName() + ".unfinished");
    try {
      delete(unfinished);
      Files.createDirectories(unfinished);
      PrintReport report;
      List<Output> chosen = PrintSinks.chosen(mix, options);
      List<String> heard = chosen.stream().map(Output::channel).toList();
      try (Wiring wiring = new Wiring(mix, audio, options.blockSize(), heard);
          PrintSinks sinks = new PrintSinks(mix, wiring, chosen, options, unfinished)) {
        List<Stage> stages = new ArrayList<>(wiring.stages());
        stages.addAll(sinks.stages());
        new Pipeline(stages, options.blockSize(), sinks.runFrames())
            .run(options.threads(), progress);
        report = report(mix, sinks, options, began);
      }
      Files.createDirectories(folder);
      for (PrintReport.Printed printed : report.files()) {
        Files.move(
            unfinished.resolve(printed.file()),
            folder.resolve(printed.file()),
            StandardCopyOption.REPLACE_EXISTING);
      }
      return report;
    } catch (IOException e) {
      throw new AudioException("the print could not be written: " + e.getMessage(), e);
    } finally {
      delete(unfinished);
    }
  }

  private static PrintReport report(Mix mix, PrintSinks sinks, PrintOptions options, long began) {
    return new PrintReport(
        mix.name(),
        options.occasion().revision(),
        mix.sampleRate(),
        (double) sinks.frames() / mix.sampleRate(),
        (System.nanoTime() - began) / 1e9,
        sinks.printed(),
        sinks.nullTests());
  }

  private static void delete(Path folder) {
    if (!Files.exists(folder)) {
      return;
    }
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path path : paths.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(path);
      }
    } catch (IOException e) {
      throw new AudioException("“" + folder + "” cannot be cleared: " + e.getMessage(), e);
    }
  }
}
