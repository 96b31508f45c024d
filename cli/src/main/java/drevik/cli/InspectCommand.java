package drevik.cli;

import com.beust.jcommander.Parameter;
import com.beust.jcommander.Parameters;
import drevik.audio.AudioException;
import drevik.audio.WavHeader;
import drevik.intake.Inspection;
import drevik.intake.Inspector;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;

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
      Double samplePeakDbfs,
      Double truePeakDbtp,
      Double integratedLufs,
      Double loudnessRangeLu,
      double dcOffset,
      long clippedSamples,
      boolean dualMono,
      boolean silent,
      Double firstSoundSeconds,
      Double lastSoundSeconds,
      Long timeReference) {}

  record Failure(String file, String error) {}

  @Override
  public Integer call() {
    int status = 0;
    for (Path file : files) {
      Object line;
      try {
        line = line(file, Inspector.inspect(file));
      } catch (AudioException e) {
        line = new Failure(file.toString(), e.getMessage());
        status = 1;
      }
      Output.print(Output.line(line));
    }
    return status;
  }

  private static Line line(Path file, Inspection found) {
    WavHeader header = found.header();
    return new Line(
        file.toString(),
        header.container(),
        header.format().encoding(),
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
