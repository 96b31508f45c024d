package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import drevik.audio.AudioException;
import drevik.audio.WavHeader;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.Inspector;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jspecify.annotations.Nullable;

/** {@code drevik inspect}: what each file is. A broken file gives its error and exit status 1. */
@Parameters(commandDescription = "Measures audio files.")
final class InspectCommand implements Callable<Integer> {
  @Parameter(description = "FILE…", required = true)
  private List<Path> files = new ArrayList<>();

  record Line(
      String file,
      String container,
      String encoding,
      int sampleRate,
      int bitDepth,
      int channels,
      long frames,
      double seconds,
      @Nullable Double samplePeakDbfs,
      @Nullable Double truePeakDbtp,
      @Nullable Double integratedLufs,
      @Nullable Double loudnessRangeLu,
      double dcOffset,
      long clippedSamples,
      boolean dualMono,
      boolean silent,
      @Nullable Double firstSoundSeconds,
      @Nullable Double lastSoundSeconds,
      @Nullable Long timeReference) {}

  record Failure(String file, String error) {}

  /** One file's answer; {@code broken} files give exit status 1. */
  private record Answer(Object line, boolean broken) {}

  /** Files are measured on all cores, and answered in the order in which they were named. */
  @Override
  public Integer call() throws InterruptedException, ExecutionException {
    int status = 0;
    ExecutorService workers =
        Executors.newFixedThreadPool(
            Math.min(files.size(), Runtime.getRuntime().availableProcessors()));
    try {
      List<Future<Answer>> answers =
          files.stream().map(file -> workers.submit(() -> answer(file))).toList();
      for (Future<Answer> answer : answers) {
        Output.print(Output.line(answer.get().line));
        status = answer.get().broken ? 1 : status;
      }
    } finally {
      workers.shutdownNow();
    }
    return status;
  }

  private static Answer answer(Path file) {
    try {
      return new Answer(line(file, Inspector.inspect(file)), false);
    } catch (AudioException e) {
      return new Answer(new Failure(file.toString(), e.getMessage()), true);
    }
  }

  private static Line line(Path file, Inspection found) {
    WavHeader header = found.header();
    return new Line(
        file.toString(),
        found.container(),
        found.encoding(),
        header.sampleRate(),
        header.format().bits(),
        header.channels(),
        header.frames(),
        header.seconds(),
        found.samplePeakDbfs(),
        found.truePeakDbtp(),
        found.integratedLufs(),
        found.loudnessRangeLu(),
        found.dcOffset(),
        found.clippedSamples(),
        found.dualMono(),
        found.silent(),
        found.firstSoundSeconds(),
        found.lastSoundSeconds(),
        header.timeReference().isPresent() ? header.timeReference().getAsLong() : null);
  }
}
