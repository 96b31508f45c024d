package drevik.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * Whole-process inspection of a folder by the command line, and the loudness-and-statistics pass of
 * a general audio tool over the same files, one process each, in the same run.
 */
final class InspectBench {
  private static final int RUNS = Size.runs(3);

  private InspectBench() {}

  static void run(Path drevik, Path folder) throws IOException, InterruptedException {
    List<Path> files;
    try (Stream<Path> all = Files.list(folder)) {
      files = all.filter(file -> file.toString().endsWith(".wav")).sorted().toList();
    }
    if (files.isEmpty()) {
      throw new IOException("there are no .wav files in " + folder);
    }
    long bytes = 0;
    for (Path file : files) {
      bytes += Files.size(file);
    }
    List<String> ours = new ArrayList<>(List.of(drevik.toString(), "inspect"));
    files.forEach(file -> ours.add(file.toString()));
    double best = Double.MAX_VALUE;
    double other = Double.MAX_VALUE;
    for (int i = 0; i < RUNS; i++) {
      best = Math.min(best, Main.run(ours, folder));
      double all = 0;
      for (Path file : files) {
        all += Main.run(general(file), folder);
      }
      other = Math.min(other, all);
    }
    System.out.printf(
        Locale.ROOT,
        "inspect: %d files, %.0f MB in %.2f s, %.0f MB/s (best of %d, whole process)%n",
        files.size(),
        bytes / 1e6,
        best,
        bytes / 1e6 / best,
        RUNS);
    System.out.printf(
        Locale.ROOT,
        "general tool, loudness and statistics: %.2f s; Drevik is %.1f times as fast%n",
        other,
        other / best);
  }

  private static List<String> general(Path file) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-hide_banner"));
    command.addAll(List.of("-loglevel", "error", "-i", file.toString()));
    command.addAll(List.of("-af", "ebur128=peak=true,astats", "-f", "null", "-"));
    return command;
  }
}
