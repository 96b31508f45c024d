package drevik.dsp;

import java.util.List;

/**
 * Second-order sections in series over one audio channel, transposed direct form II, in double
 * precision.
 *
 * <p>A recursive section waits for its own last sample, so one section alone leaves most of the
 * processor idle. Up to three sections run in one loop with their state in local variables: section
 * two works on a sample while section one is busy with the next, and three cost hardly more than
 * one. The sums are bracketed so that as little as possible waits for the newest output. Samples
 * are widened to double beforehand in short stretches: conversions inside the loop would chain its
 * rounds together.
 */
public final class BiquadCascade {
  private static final int STRETCH = 512;

  private final Biquad[] sections;
  private final double[] state;
  private final double[] wide = new double[STRETCH];

  public BiquadCascade(List<Biquad> sections) {
    this.sections = sections.toArray(Biquad[]::new);
    this.state = new double[2 * this.sections.length];
  }

  /** Filters {@code x[0…frames)} in place. */
  public void process(float[] x, int frames) {
    if (sections.length == 0) {
      return;
    }
    for (int start = 0; start < frames; start += STRETCH) {
      int count = Math.min(STRETCH, frames - start);
      for (int i = 0; i < count; i++) {
        wide[i] = x[start + i];
      }
      filter(wide, count);
      for (int i = 0; i < count; i++) {
        x[start + i] = (float) wide[i];
      }
    }
    flushDenormals();
  }

  private void filter(double[] x, int frames) {
    int at = 0;
    while (sections.length - at > 3) {
      two(x, frames, at);
      at += 2;
    }
    switch (sections.length - at) {
      case 3 -> three(x, frames, at);
      case 2 -> two(x, frames, at);
      default -> one(x, frames, at);
    }
  }

  /**
   * A decayed tail would end in denormal numbers, which are slow to compute with. The limit is so
   * low that no float at the output can tell: results stay the same however the audio is cut.
   */
  private void flushDenormals() {
    for (int i = 0; i < state.length; i++) {
      state[i] = Denormals.flush(state[i]);
    }
  }

  private void one(double[] x, int frames, int at) {
    Biquad f = sections[at];
    double b0 = f.b0(), b1 = f.b1(), b2 = f.b2(), a1 = f.a1(), a2 = f.a2();
    double s1 = state[2 * at], s2 = state[2 * at + 1];
    for (int i = 0; i < frames; i++) {
      double in = x[i];
      double out = Math.fma(b0, in, s1);
      s1 = Math.fma(-a1, out, Math.fma(b1, in, s2));
      s2 = Math.fma(-a2, out, b2 * in);
      x[i] = out;
    }
    state[2 * at] = s1;
    state[2 * at + 1] = s2;
  }

  private void two(double[] x, int frames, int at) {
    Biquad f = sections[at], g = sections[at + 1];
    double fb0 = f.b0(), fb1 = f.b1(), fb2 = f.b2(), fa1 = f.a1(), fa2 = f.a2();
    double gb0 = g.b0(), gb1 = g.b1(), gb2 = g.b2(), ga1 = g.a1(), ga2 = g.a2();
    double f1 = state[2 * at], f2 = state[2 * at + 1];
    double g1 = state[2 * at + 2], g2 = state[2 * at + 3];
    for (int i = 0; i < frames; i++) {
      double in = x[i];
      double y = Math.fma(fb0, in, f1);
      f1 = Math.fma(-fa1, y, Math.fma(fb1, in, f2));
      f2 = Math.fma(-fa2, y, fb2 * in);
      double out = Math.fma(gb0, y, g1);
      g1 = Math.fma(-ga1, out, Math.fma(gb1, y, g2));
      g2 = Math.fma(-ga2, out, gb2 * y);
      x[i] = out;
    }
    state[2 * at] = f1;
    state[2 * at + 1] = f2;
    state[2 * at + 2] = g1;
    state[2 * at + 3] = g2;
  }

  private void three(double[] x, int frames, int at) {
    Biquad f = sections[at], g = sections[at + 1], h = sections[at + 2];
    double fb0 = f.b0(), fb1 = f.b1(), fb2 = f.b2(), fa1 = f.a1(), fa2 = f.a2();
    double gb0 = g.b0(), gb1 = g.b1(), gb2 = g.b2(), ga1 = g.a1(), ga2 = g.a2();
    double hb0 = h.b0(), hb1 = h.b1(), hb2 = h.b2(), ha1 = h.a1(), ha2 = h.a2();
    double f1 = state[2 * at], f2 = state[2 * at + 1];
    double g1 = state[2 * at + 2], g2 = state[2 * at + 3];
    double h1 = state[2 * at + 4], h2 = state[2 * at + 5];
    for (int i = 0; i < frames; i++) {
      double in = x[i];
      double y = Math.fma(fb0, in, f1);
      f1 = Math.fma(-fa1, y, Math.fma(fb1, in, f2));
      f2 = Math.fma(-fa2, y, fb2 * in);
      double z = Math.fma(gb0, y, g1);
      g1 = Math.fma(-ga1, z, Math.fma(gb1, y, g2));
      g2 = Math.fma(-ga2, z, gb2 * y);
      double out = Math.fma(hb0, z, h1);
      h1 = Math.fma(-ha1, out, Math.fma(hb1, z, h2));
      h2 = Math.fma(-ha2, out, hb2 * z);
      x[i] = out;
    }
    state[2 * at] = f1;
    state[2 * at + 1] = f2;
    state[2 * at + 2] = g1;
    state[2 * at + 3] = g2;
    state[2 * at + 4] = h1;
    state[2 * at + 5] = h2;
  }
}
