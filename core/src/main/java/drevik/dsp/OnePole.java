package drevik.dsp;

/** First-order low-pass {@code y += (1 − p)·(x − y)}, {@code p = exp(−2π·f/fs)}. */
final class OnePole {
  private final double pole;
  private double state;

  private OnePole(double pole) {
    this.pole = pole;
  }

  static OnePole lowPass(double frequency, int sampleRate) {
    return new OnePole(Math.exp(-2 * Math.PI * frequency / sampleRate));
  }

  double next(double x) {
    state = Denormals.flush(x + pole * (state - x));
    return state;
  }
}
