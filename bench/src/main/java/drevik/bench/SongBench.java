package drevik.bench;

import drevik.codec.Documents;
import drevik.mix.Mix;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/**
 * Whole-process print of the demo song by the command line: returns, compressors, a limiter and
 * stems that are tested against their mix, which the job of {@link Main} has none of.
 */
final class SongBench {
  private static final int RUNS = Size.runs(5);

  private SongBench() {}

  static void run(Path drevik, Path folder) throws IOException, InterruptedException {
    Path session = folder.resolve("session.json");
    if (!Files.exists(session)) {
      Main.run(List.of(drevik.toString(), "demo", folder.toString()), folder);
    }
    Mix mix = Documents.readForeign(Files.readString(session));
    String out = folder.resolve("printed").toString();
    List<String> print = List.of(drevik.toString(), "print", session.toString(), "--out", out);
    double best = Double.MAX_VALUE;
    for (int i = 0; i < RUNS; i++) {
      best = Math.min(best, Main.run(print, folder));
    }
    double seconds = (double) (mix.effectiveEndFrame() - mix.startFrame()) / mix.sampleRate();
    System.out.printf(
        Locale.ROOT,
        "print: the demo song, %d channels, %d files of %.0f s in %.2f s, %.0f times faster than real time (best of %d, whole process)%n",
        mix.channels().size(),
        mix.outputs().size(),
        seconds,
        best,
        seconds / best,
        RUNS);
  }
}
