package drevik.bench;

import drevik.audio.Layout;
import drevik.codec.Documents;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.render.PrintOptions;
import drevik.render.Printer;
import drevik.render.Progress;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.openjdk.jmh.runner.RunnerException;

/**
 * Whole-process print benchmark: 64 mono tracks of 60 s, each high-passed and twice equalised,
 * panned, summed to eight stereo groups and a measured mix, nine 24-bit files, printed by the
 * command line; and the same job by the reference script, in the same run.
 *
 * <p>Arguments: the {@code drevik} script, the reference script, a work folder; or {@code check},
 * for how long line check and coverage take; or {@code loops}, for how long each loop over samples
 * takes by itself; or {@code reassign}, for how long it takes until all channels follow a changed
 * category map; or {@code song}, the script and a work folder, for how fast the demo song prints;
 * or {@code sort} and a list of labelled names; or {@code edits} and the address of a started
 * application, for how long an edit takes by way of HTTP and in a browser; or {@code page} or
 * {@code line} and that address, for how long pages take here and over a slow line.
 */
public final class Main {
  private static final int TRACKS = 64;
  private static final int GROUPS = 8;
  private static final int SECONDS = 60;
  private static final int RATE = 48_000;
  private static final int RUNS = Size.runs(3);
  private static final int WARM_RUNS = Size.runs(6);

  private Main() {}

  public static void main(String[] args) throws IOException, InterruptedException, RunnerException {
    if (args.length == 1 && args[0].equals("check")) {
      CheckBench.run();
      return;
    }
    if (args.length == 1 && args[0].equals("loops")) {
      LoopsBench.run();
      return;
    }
    if (args.length == 1 && args[0].equals("reassign")) {
      ReassignBench.run();
      return;
    }
    if (args.length == 2 && args[0].equals("edits")) {
      EditBench.run(URI.create(args[1]));
      return;
    }
    if (args.length == 2 && args[0].equals("page")) {
      PageBench.here(URI.create(args[1]));
      return;
    }
    if (args.length == 2 && args[0].equals("line")) {
      PageBench.overALine(URI.create(args[1]));
      return;
    }
    if (args.length == 2 && args[0].equals("sort")) {
      SortBench.run(Path.of(args[1]));
      return;
    }
    if (args.length == 3 && args[0].equals("inspect")) {
      InspectBench.run(Path.of(args[1]).toAbsolutePath(), Path.of(args[2]).toAbsolutePath());
      return;
    }
    if (args.length == 3 && args[0].equals("song")) {
      SongBench.run(Path.of(args[1]).toAbsolutePath(), Path.of(args[2]).toAbsolutePath());
      return;
    }
    if (args.length != 3) {
      System.err.println(
          "usage: bench check | bench loops | bench reassign | bench edits URL | bench page URL | bench line URL | bench sort LIST | bench inspect DREVIK FOLDER | bench song DREVIK FOLDER | bench DREVIK REFERENCE-SCRIPT WORK-FOLDER");
      System.exit(2);
    }
    Path drevik = Path.of(args[0]).toAbsolutePath();
    Path reference = Path.of(args[1]).toAbsolutePath();
    Path work = Path.of(args[2]).toAbsolutePath();
    run(List.of(reference.toString(), "make", work.toString()), work.resolveSibling(""));
    Path session = work.resolve("session.json");
    Files.writeString(session, Documents.writeMix(session()));
    String out = work.resolve("drevik").toString();
    List<String> print = List.of(drevik.toString(), "print", session.toString(), "--out", out);
    List<String> other = List.of(reference.toString(), "run", work.toString());
    double ours = Double.MAX_VALUE;
    double theirs = Double.MAX_VALUE;
    for (int i = 0; i < RUNS; i++) {
      ours = Math.min(ours, run(print, work));
      theirs = Math.min(theirs, run(other, work));
    }
    System.out.printf(
        Locale.ROOT,
        "print: %d tracks of %d s in %.2f s, %.0f times faster than real time (best of %d, whole process)%n",
        TRACKS,
        SECONDS,
        ours,
        SECONDS / ours,
        RUNS);
    System.out.printf(
        Locale.ROOT,
        "reference job: %.2f s; Drevik is %.1f times as fast%n",
        theirs,
        theirs / ours);
    double warm = warm(session, work);
    System.out.printf(
        Locale.ROOT, "warm, as in the server: %.2f s; %.1f times as fast%n", warm, theirs / warm);
  }

  /** Wall seconds of the same print in a program that has printed before: the best of some. */
  private static double warm(Path session, Path work) throws IOException {
    Mix mix = Documents.readForeign(Files.readString(session));
    double best = Double.MAX_VALUE;
    for (int i = 0; i < WARM_RUNS; i++) {
      best =
          Math.min(
              best,
              Printer.print(
                      mix,
                      ref -> work.resolve(ref.name()),
                      PrintOptions.all(),
                      work.resolve("warm"),
                      Progress.NONE)
                  .wallSeconds());
    }
    return best;
  }

  /** Wall seconds of a process that must end well. */
  static double run(List<String> command, Path folder) throws IOException, InterruptedException {
    Files.createDirectories(folder);
    long began = System.nanoTime();
    Process process =
        new ProcessBuilder(command)
            .directory(folder.toFile())
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .start();
    int status = process.waitFor();
    if (status != 0) {
      throw new IOException(command + " ended with " + status);
    }
    return (System.nanoTime() - began) / 1e9;
  }

  private static Mix session() {
    List<Channel> channels = new ArrayList<>();
    List<Output> outputs = new ArrayList<>();
    Insert equaliser =
        new Insert(
            "eq",
            "equaliser",
            true,
            false,
            Map.of(
                "low-cut",
                80.0,
                "bell-1-frequency",
                400.0,
                "bell-1-gain",
                -3.0,
                "bell-1-q",
                1.0,
                "bell-2-frequency",
                5000.0,
                "bell-2-gain",
                2.0,
                "bell-2-q",
                0.7),
            null);
    for (int i = 1; i <= TRACKS; i++) {
      AudioRef audio = new AudioRef("", "t" + i + ".wav");
      Clip clip = new Clip("clip" + i, audio, 0, 0, (long) RATE * SECONDS, 0);
      channels.add(
          Channel.of("t" + i, ChannelKind.SEAT, "Track " + i, Layout.MONO, "unknown")
              .withChain(List.of(equaliser.withId("eq" + i)))
              .withPan(-0.2)
              .withClips(List.of(clip))
              .withOutput("g" + ((i - 1) / (TRACKS / GROUPS) + 1)));
    }
    for (int g = 1; g <= GROUPS; g++) {
      channels.add(
          Channel.of("g" + g, ChannelKind.BUS, "Group " + g, Layout.STEREO, "unknown")
              .withOutput("mix"));
      outputs.add(LargeMix.output("g" + g, OutputKind.STEM));
    }
    channels.add(Channel.of("mix", ChannelKind.BUS, "Mix", Layout.STEREO, "unknown"));
    outputs.add(LargeMix.output("mix", OutputKind.MIX));
    return Mix.empty(MixKind.SESSION, "Print benchmark")
        .withChannels(channels)
        .withOutputs(outputs);
  }
}
