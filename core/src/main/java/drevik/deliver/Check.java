package drevik.deliver;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.Speaker;
import drevik.mix.OutputKind;
import drevik.mix.Specification;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * One thing that was looked at in a printed file.
 *
 * @param what such as “Loudness”
 * @param asked with its unit
 * @param measured with its unit
 * @param says what is wrong and what would mend it; empty if it passes
 * @param turnDb by how much the file would have to be turned up, dB; null where that is no mend
 */
public record Check(
    String what,
    String asked,
    String measured,
    Verdict verdict,
    String says,
    @Nullable Double turnDb) {
  /** Something that no turning mends. */
  public Check(String what, String asked, String measured, Verdict verdict, String says) {
    this(what, asked, measured, verdict, says, null);
  }

  public enum Verdict {
    PASS,
    /** It passes, and somebody may still object. */
    WARN,
    FAIL;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** A hole that no programme has, s. */
  private static final double LONGEST_SILENCE = 10;

  /** An offset that takes headroom away, of full scale: −50 dBFS. */
  private static final double MOST_DC = 0.0032;

  /** Where a file ends, nothing should be heard to stop, dBFS. */
  private static final double END_DBFS = -50;

  /** What leaves room for lossy codecs (AES77-2023, recommended for all delivery), dBTP. */
  private static final double LOSSY_CEILING = -1;

  /** Two meters may differ by so much (EBU Tech 3341, 2.1 and annex), LU. */
  private static final double METER_LU = 0.1;

  /** Figures are told in hundredths. */
  private static final double ROUNDING = 0.005;

  /**
   * A printed file as it was measured.
   *
   * @param integratedLufs null for a silent one
   * @param truePeakDbtp null for a silent one
   * @param sampleRate Hz
   * @param mayBeSilent whether nobody minds silence
   * @param shape null in a report of an earlier program
   */
  public record Printed(
      @Nullable Double integratedLufs,
      @Nullable Double truePeakDbtp,
      long clippedSamples,
      long unusableSamples,
      int sampleRate,
      SampleFormat format,
      Layout layout,
      OutputKind kind,
      boolean mayBeSilent,
      @Nullable Shape shape) {
    private boolean isSilent() {
      return shape != null && shape.channels().stream().allMatch(Shape.ChannelShape::isSilent);
    }

    /** Float files are for those who go on working with them, and cut nothing. */
    private boolean isForListening() {
      return format != SampleFormat.FLOAT_32 && format != SampleFormat.FLOAT_64;
    }

    /** What holds the whole of something: silence in it is a hole. */
    private boolean isWhole() {
      return kind == OutputKind.MIX || kind == OutputKind.MINUS;
    }
  }

  /** The worst verdict of some checks; null if there are none. */
  public static @Nullable Verdict worst(List<Check> checks) {
    return checks.stream().map(Check::verdict).max(Enum::compareTo).orElse(null);
  }

  /**
   * All that can be said of a file.
   *
   * @param asked null if nobody asks anything of it
   */
  public static List<Check> of(Printed file, @Nullable Specification asked) {
    List<Check> checks = new ArrayList<>();
    if (file.clippedSamples() > 0) {
      checks.add(
          new Check(
              "Clipping",
              "none",
              file.clippedSamples() + " samples",
              Verdict.WARN,
              "Samples beyond full scale were cut off: lower a fader, limit, or print 32-bit float."));
    }
    if (file.unusableSamples() > 0) {
      checks.add(
          new Check(
              "Samples that are no numbers",
              "none",
              file.unusableSamples() + " samples",
              Verdict.FAIL,
              "They were written as silence: look for a gain that is far too high."));
    }
    if (file.shape() != null) {
      silence(file, file.shape(), checks);
      channels(file, file.shape(), asked, checks);
      offset(file.shape(), asked, checks);
      end(file, file.shape(), checks);
    }
    if (asked != null) {
      loudness(file, asked, checks);
      shape(file, asked, checks);
    }
    truePeak(file, asked, checks);
    return checks;
  }

  private static void silence(Printed file, Shape shape, List<Check> checks) {
    if (file.mayBeSilent()) {
      return;
    }
    if (file.isSilent()) {
      checks.add(
          new Check(
              "Silence",
              "something to hear",
              "silent throughout",
              Verdict.FAIL,
              "Look for what is muted, closed, without audio or cancelled, or say that this file may"
                  + " be silent."));
    } else if (file.isWhole() && shape.longestSilenceSeconds() > LONGEST_SILENCE) {
      checks.add(
          new Check(
              "Silence",
              "no longer than " + figure(LONGEST_SILENCE) + " s",
              figure(shape.longestSilenceSeconds())
                  + " s from "
                  + figure(shape.silenceAtSeconds())
                  + " s",
              Verdict.FAIL,
              "Look at what should be heard there, or say that this file may be silent."));
    }
  }

  private static void channels(
      Printed file, Shape shape, @Nullable Specification asked, List<Check> checks) {
    List<String> silent =
        shape.channels().stream()
            .filter(Shape.ChannelShape::isSilent)
            .map(Shape.ChannelShape::speaker)
            .filter(speaker -> !speaker.equals(Speaker.LFE.shortName()))
            .toList();
    // A stem may well be heard from one place alone.
    boolean placed = file.isWhole() || file.kind() == OutputKind.PRINT;
    boolean laidOut = asked != null && asked.layout() != null;
    if (!silent.isEmpty() && !file.isSilent() && !file.mayBeSilent() && (placed || laidOut)) {
      checks.add(
          new Check(
              "Channels",
              "all of " + file.layout() + " heard",
              "nothing in " + String.join(", ", silent),
              laidOut ? Verdict.FAIL : Verdict.WARN,
              "Place something there, or print a smaller layout."));
    }
    if (shape.identical() && !file.isSilent() && file.isWhole()) {
      checks.add(
          new Check(
              "Channels",
              "different ones",
              "all the same",
              Verdict.WARN,
              "It is mono in " + file.layout() + ": look for a fold-down on the way."));
    }
  }

  private static void offset(Shape shape, @Nullable Specification asked, List<Check> checks) {
    Shape.ChannelShape worst =
        shape.channels().stream()
            .max(Comparator.comparingDouble(one -> Math.abs(one.dc())))
            .orElse(null);
    if (worst != null && Math.abs(worst.dc()) > MOST_DC) {
      checks.add(
          new Check(
              "DC",
              "at most " + figure(100 * MOST_DC) + " % of full scale",
              figure(100 * Math.abs(worst.dc())) + " % in " + worst.speaker(),
              asked == null ? Verdict.WARN : Verdict.FAIL,
              "Put a low cut where it comes in."));
    }
  }

  private static void end(Printed file, Shape shape, List<Check> checks) {
    if (shape.endDbfs() != null && shape.endDbfs() > END_DBFS && file.isWhole()) {
      checks.add(
          new Check(
              "End",
              "under " + figure(END_DBFS) + " dBFS",
              figure(shape.endDbfs()) + " dBFS",
              Verdict.WARN,
              "It still sounds where the file ends: set a later end, or a fade."));
    }
  }

  private static void loudness(Printed file, Specification asked, List<Check> checks) {
    Double wanted = asked.loudness();
    if (wanted == null) {
      return;
    }
    double tolerance = asked.tolerance() == null ? 0 : asked.tolerance();
    String target = "%s ± %s LUFS".formatted(figure(wanted), figure(tolerance));
    Double measured = file.integratedLufs();
    if (measured == null) {
      checks.add(
          new Check("Loudness", target, "silent", Verdict.FAIL, "Nothing was heard in this file."));
      return;
    }
    double off = Math.abs(measured - wanted);
    Verdict verdict =
        off > tolerance + ROUNDING
            ? Verdict.FAIL
            : off > tolerance - METER_LU && off > METER_LU ? Verdict.WARN : Verdict.PASS;
    String says =
        switch (verdict) {
          case FAIL ->
              "Turn it %s by %s LU.".formatted(measured > wanted ? "down" : "up", figure(off));
          case WARN -> "So near the edge that another meter may find it outside.";
          case PASS -> "";
        };
    Double turn = verdict == Verdict.FAIL ? wanted - measured : null;
    checks.add(new Check("Loudness", target, figure(measured) + " LUFS", verdict, says, turn));
  }

  private static void truePeak(Printed file, @Nullable Specification asked, List<Check> checks) {
    Double measured = file.truePeakDbtp();
    Double ceiling = asked == null ? null : asked.truePeak();
    if (measured == null) {
      return;
    }
    if (ceiling == null) {
      // Nobody asks; whoever converts it to a lossy format cuts it all the same.
      if (measured > LOSSY_CEILING + ROUNDING && file.isForListening()) {
        checks.add(
            new Check(
                "True peak",
                "at most " + figure(LOSSY_CEILING) + " dBTP, though nobody asks",
                figure(measured) + " dBTP",
                Verdict.WARN,
                "Set the limiter's ceiling to "
                    + figure(LOSSY_CEILING)
                    + " dBTP, or give this file a specification."));
      }
      return;
    }
    boolean over = measured > ceiling + ROUNDING;
    checks.add(
        new Check(
            "True peak",
            "at most " + figure(ceiling) + " dBTP",
            figure(measured) + " dBTP",
            over ? Verdict.FAIL : Verdict.PASS,
            over ? "Set the limiter's ceiling to " + figure(ceiling) + " dBTP or lower." : ""));
  }

  private static void shape(Printed file, Specification asked, List<Check> checks) {
    if (asked.sampleRate() != null) {
      boolean same = asked.sampleRate() == file.sampleRate();
      checks.add(
          new Check(
              "Sample rate",
              asked.sampleRate() + " Hz",
              file.sampleRate() + " Hz",
              same ? Verdict.PASS : Verdict.FAIL,
              same ? "" : "Set the Mix to that rate, or convert the file."));
    }
    if (asked.layout() != null) {
      boolean same = asked.layout() == file.layout();
      checks.add(
          new Check(
              "Layout",
              asked.layout().toString(),
              file.layout().toString(),
              same ? Verdict.PASS : Verdict.FAIL,
              same ? "" : "Set the output's layout to " + asked.layout() + "."));
    }
    if (asked.format() != null) {
      boolean same = asked.format() == file.format();
      checks.add(
          new Check(
              "Format",
              asked.format().toString(),
              file.format().toString(),
              same ? Verdict.PASS : Verdict.FAIL,
              same ? "" : "Set the output's format to " + asked.format() + "."));
    }
  }

  private static String figure(double value) {
    return String.format(Locale.ROOT, "%.2f", value + 0.0)
        .replaceAll("\\.?0+$", "")
        .replace("-", "−");
  }
}
