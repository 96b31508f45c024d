package drevik.render;

import drevik.audio.AudioException;
import drevik.mix.AudioLocator;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

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
    Unfinished unfinished = new Unfinished(folder);
    try {
      unfinished.make();
      PrintReport report;
      List<Output> chosen = PrintSinks.chosen(mix, options);
      PrintSinks.Span span = PrintSinks.Span.of(mix, chosen);
      List<String> heard = chosen.stream().map(Output::channel).toList();
      try (Wiring wiring = new Wiring(mix, audio, options.blockSize(), heard, span.from());
          PrintSinks sinks =
              new PrintSinks(mix, wiring, chosen, span, options, unfinished.folder())) {
        requireNoSource(folder, sinks.fileNames(), wiring.files());
        List<Stage> stages = new ArrayList<>(wiring.stages());
        stages.addAll(sinks.stages());
        new Pipeline(stages, options.blockSize(), sinks.runFrames())
            .run(options.workers(), progress);
        report = report(mix, wiring, sinks, options, began);
      }
      unfinished.moveInto(folder, report.files());
      return report;
    } catch (IOException e) {
      throw new AudioException("the print could not be written: " + e.getMessage(), e);
    } finally {
      unfinished.remove();
    }
  }

  /** What is played must still be there when it has been printed. */
  private static void requireNoSource(Path folder, List<String> names, List<Path> played)
      throws IOException {
    for (String name : names) {
      Path target = folder.resolve(name);
      for (Path source : Files.exists(target) ? played : List.<Path>of()) {
        if (Files.isSameFile(source, target)) {
          throw new Refused(
              "“"
                  + name
                  + "” in this folder is audio that the session plays, and would be overwritten;"
                  + " print into another folder.");
        }
      }
    }
  }

  private static PrintReport report(
      Mix mix, Wiring wiring, PrintSinks sinks, PrintOptions options, long began) {
    return new PrintReport(
        mix.name(),
        options.occasion().revision(),
        wiring.standIns(),
        mix.sampleRate(),
        (double) sinks.frames() / mix.sampleRate(),
        (System.nanoTime() - began) / 1e9,
        sinks.printed(),
        sinks.nullTests(),
        wiring.faults(),
        sinks.notCompared());
  }
}
