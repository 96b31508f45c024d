package drevik.deliver;

import drevik.audio.SampleFormat;
import drevik.mix.Specification;
import java.util.ArrayList;
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
 */
public record Check(String what, String asked, String measured, Verdict verdict, String says) {
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
   */
  public record Printed(
      @Nullable Double integratedLufs,
      @Nullable Double truePeakDbtp,
      long clippedSamples,
      long unusableSamples,
      int sampleRate,
      SampleFormat format) {}

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
    if (asked != null) {
      loudness(file, asked, checks);
      truePeak(file, asked, checks);
      shape(file, asked, checks);
    }
    return checks;
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
    checks.add(new Check("Loudness", target, figure(measured) + " LUFS", verdict, says));
  }

  private static void truePeak(Printed file, Specification asked, List<Check> checks) {
    Double ceiling = asked.truePeak();
    Double measured = file.truePeakDbtp();
    if (ceiling == null || measured == null) {
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
