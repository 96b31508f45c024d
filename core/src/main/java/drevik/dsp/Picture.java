package drevik.dsp;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What a processor does, as lines to draw: worked out by the formulas that it runs by.
 *
 * @param stems true where each point stands alone, as an echo does
 * @param handles what can be taken hold of
 */
public record Picture(Axis x, Axis y, List<Trace> lines, boolean stems, List<Handle> handles) {
  /** One more than pixels of a wide picture, so that no line has a visible corner. */
  private static final int POINTS = 241;

  /**
   * One of the two axes.
   *
   * @param unit of {@code from} and {@code to}
   */
  public record Axis(String label, String unit, double from, double to, Parameter.Scale scale) {}

  /**
   * One of the curves.
   *
   * @param label what tells it from the others; empty where there is one
   */
  public record Trace(String label, List<Point> points) {
    public Trace {
      points = List.copyOf(points);
    }
  }

  public record Point(double x, double y) {}

  /**
   * A place in the picture that settings put where it is, each in the unit of its axis.
   *
   * @param xParameter the setting that moves it sideways, or null
   * @param yParameter the setting that moves it up and down, or null
   */
  public record Handle(
      String label, @Nullable String xParameter, @Nullable String yParameter, double x, double y) {}

  private static final Axis FREQUENCY =
      new Axis("Frequency", "Hz", 20, 20_000, Parameter.Scale.LOGARITHMIC);
  private static final double QUIETEST_DB = -60;

  public Picture {
    lines = List.copyOf(lines);
    handles = List.copyOf(handles);
  }

  Picture holding(List<Handle> some) {
    return new Picture(x, y, lines, stems, some);
  }

  /** Gain over frequency, up to what the sample rate has. */
  public static Picture response(DoubleUnaryOperator gainDb, int sampleRate) {
    double most = Math.min(FREQUENCY.to(), sampleRate / 2.0 * 0.999);
    Axis x = new Axis("Frequency", "Hz", FREQUENCY.from(), most, Parameter.Scale.LOGARITHMIC);
    Axis y = new Axis("Gain", "dB", -24, 24, Parameter.Scale.LINEAR);
    return new Picture(x, y, List.of(line("", x, gainDb)), false, List.of());
  }

  /** Level out over level in, dBFS. */
  static Picture transfer(DoubleUnaryOperator out) {
    Axis x = new Axis("In", "dBFS", QUIETEST_DB, 0, Parameter.Scale.LINEAR);
    Axis y = new Axis("Out", "dBFS", QUIETEST_DB, 0, Parameter.Scale.LINEAR);
    return new Picture(x, y, List.of(line("", x, out)), false, List.of());
  }

  /** Levels that come after each other, from 0 s on. */
  static Picture overTime(double seconds, List<Trace> lines, boolean stems) {
    Axis x = new Axis("After", "s", 0, seconds, Parameter.Scale.LINEAR);
    Axis y = new Axis("Level", "dB", QUIETEST_DB, 0, Parameter.Scale.LINEAR);
    return new Picture(x, y, lines, stems, List.of());
  }

  private static Trace line(String label, Axis x, DoubleUnaryOperator y) {
    return new Trace(
        label,
        IntStream.range(0, POINTS)
            .mapToObj(
                i -> {
                  double along = i / (POINTS - 1.0);
                  double at =
                      x.scale() == Parameter.Scale.LOGARITHMIC
                          ? x.from() * Math.pow(x.to() / x.from(), along)
                          : x.from() + (x.to() - x.from()) * along;
                  return new Point(at, y.applyAsDouble(at));
                })
            .toList());
  }
}
