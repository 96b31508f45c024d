package drevik.intake.conform;

import drevik.audio.Layout;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.PairFinding;
import drevik.intake.measure.StereoPairs;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * One thing that is done to a delivered file on its way to a seat, on a copy or on the seat; the
 * original stays as it is. A person can leave each of them out, but for those without which the
 * file cannot be played.
 *
 * @param says what is done and why, in words
 */
public record ConformStep(Kind kind, String says) {
  /** What is done. */
  public enum Kind {
    /** Another container becomes a WAVE. */
    DECODE(false),
    /** To the session's sample rate. */
    RESAMPLE(false),
    /** Stereo that is mono twice becomes mono. */
    TO_MONO(true),
    /** Left becomes right, so that it agrees with another recording of its source. */
    SWAP(true),
    /** Two mono files become left and right of one. */
    JOIN(true),
    /** The seat's polarity is turned, so that it agrees with the other microphone. */
    FLIP(true),
    /** The clip begins where the file's time reference says. */
    PLACE(true),
    /** Dead air is cut away. */
    TRIM(true);

    private final boolean optional;

    Kind(boolean optional) {
      this.optional = optional;
    }

    public boolean isOptional() {
      return optional;
    }

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
  }

  /**
   * How a file agrees with the microphone that it belongs to.
   *
   * @param id of that microphone's file
   */
  public record Beside(String id, String name, PairFinding finding) {}

  /**
   * What a file needs for itself. How it is flipped, joined, placed and trimmed depends on the
   * whole delivery, see {@link Conforming}.
   *
   * @param sampleRate of the session, Hz
   */
  static List<ConformStep> of(Inspection found, int sampleRate) {
    List<ConformStep> steps = new ArrayList<>();
    if (!found.isWave()) {
      steps.add(new ConformStep(Kind.DECODE, "decoded from " + found.encoding()));
    }
    if (found.header().sampleRate() != sampleRate) {
      steps.add(
          new ConformStep(
              Kind.RESAMPLE,
              String.format(
                  Locale.ROOT,
                  "converted from %,d to %,d Hz",
                  found.header().sampleRate(),
                  sampleRate)));
    }
    if (found.dualMono()) {
      steps.add(new ConformStep(Kind.TO_MONO, "to mono: both sides are the same"));
    }
    return steps;
  }

  static ConformStep flip(Beside beside) {
    String says =
        beside.finding().flipped()
            ? "polarity flipped, to agree with “%s”: correlation %s instead of %s"
                .formatted(
                    beside.name(),
                    PairFinding.shown(beside.finding().mended()),
                    PairFinding.shown(beside.finding().correlation()))
            : "polarity flipped together with “" + beside.name() + "”";
    return new ConformStep(Kind.FLIP, says);
  }

  static ConformStep swap(String beside) {
    return new ConformStep(
        Kind.SWAP, "left and right swapped, to stand the same way round as “" + beside + "”");
  }

  static ConformStep join(StereoPairs.Pair pair, String other, boolean first) {
    String half =
        pair.halves() == drevik.audio.StereoJoin.Halves.MID_SIDE
            ? (first ? "the middle" : "the side")
            : (first ? "the left" : "the right");
    return new ConformStep(Kind.JOIN, half + " of one stereo file with “" + other + "”");
  }

  /**
   * @param startFrame where its time reference puts it, in frames of the session
   */
  static ConformStep place(long startFrame, int sampleRate) {
    return new ConformStep(
        Kind.PLACE,
        String.format(
            Locale.ROOT,
            "begins at %.3f s, where its time reference says",
            (double) startFrame / sampleRate));
  }

  static ConformStep trim(double seconds, int parts) {
    return new ConformStep(
        Kind.TRIM,
        String.format(
            Locale.ROOT,
            "%.1f s of dead air cut away; %s",
            seconds,
            parts == 1 ? "one part is kept" : parts + " parts are kept"));
  }

  /** The layout of a file after these steps. */
  public static Layout layoutAfter(Layout layout, List<ConformStep> steps) {
    return has(steps, Kind.TO_MONO) ? Layout.MONO : layout;
  }

  /** True if these steps need a converted copy of the one file. */
  static boolean makeACopy(List<ConformStep> steps) {
    return has(steps, Kind.DECODE)
        || has(steps, Kind.RESAMPLE)
        || has(steps, Kind.TO_MONO)
        || has(steps, Kind.SWAP);
  }

  public static boolean has(List<ConformStep> steps, Kind kind) {
    return steps.stream().anyMatch(step -> step.kind() == kind);
  }
}
