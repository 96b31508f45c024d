package drevik.dsp;

import java.util.List;

/**
 * Second-order sections in series over one audio channel, in double precision.
 *
 * <p>Each section is kept in state form: with the states s and t,
 *
 * <pre>
 *   y  = b0·x + s
 *   s' = −a1·s + (k1·x + t)     k1 = b1 − a1·b0
 *   t' = −a2·s + k2·x           k2 = b2 − a2·b0
 * </pre>
 *
 * which is the transposed direct form II with its output put in. So the next state waits for the
 * last state and not for the output too: what a recursive section waits for is all that it costs.
 * Up to three sections run in one loop with their states in local variables: section two works on a
 * sample while section one is busy with the next, and three cost hardly more than one. Between one
 * three and the next the audio is float, as it is between processors.
 */
public final class BiquadCascade {
  private final Section[] sections;
  private final double[] state;

  private record Section(double b0, double a1, double a2, double k1, double k2) {
    static Section of(Biquad f) {
      return new Section(
          f.b0(), -f.a1(), -f.a2(), f.b1() - f.a1() * f.b0(), f.b2() - f.a2() * f.b0());
    }
  }

  public BiquadCascade(List<Biquad> sections) {
    this.sections = sections.stream().map(Section::of).toArray(Section[]::new);
    this.state = new double[2 * this.sections.length];
  }

  /** Filters {@code x[0…frames)} in place. */
  public void process(float[] x, int frames) {
    int at = 0;
    for (; sections.length - at >= 3; at += 3) {
      three(x, frames, at);
    }
    if (sections.length - at == 2) {
      two(x, frames, at);
    } else if (sections.length - at == 1) {
      one(x, frames, at);
    }
    flushDenormals();
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

  private void one(float[] x, int frames, int at) {
    Section f = sections[at];
    double fb0 = f.b0(), fa1 = f.a1(), fa2 = f.a2(), fk1 = f.k1(), fk2 = f.k2();
    double fs = state[2 * at], ft = state[2 * at + 1];
    for (int i = 0; i < frames; i++) {
      double in = x[i];
      double out = Math.fma(fb0, in, fs);
      double fnext = Math.fma(fa1, fs, Math.fma(fk1, in, ft));
      ft = Math.fma(fa2, fs, fk2 * in);
      fs = fnext;
      x[i] = (float) out;
    }
    state[2 * at] = fs;
    state[2 * at + 1] = ft;
  }

  private void two(float[] x, int frames, int at) {
    Section f = sections[at], g = sections[at + 1];
    double fb0 = f.b0(), fa1 = f.a1(), fa2 = f.a2(), fk1 = f.k1(), fk2 = f.k2();
    double gb0 = g.b0(), ga1 = g.a1(), ga2 = g.a2(), gk1 = g.k1(), gk2 = g.k2();
    double fs = state[2 * at], ft = state[2 * at + 1];
    double gs = state[2 * at + 2], gt = state[2 * at + 3];
    for (int i = 0; i < frames; i++) {
      double in = x[i];
      double y = Math.fma(fb0, in, fs);
      double fnext = Math.fma(fa1, fs, Math.fma(fk1, in, ft));
      ft = Math.fma(fa2, fs, fk2 * in);
      fs = fnext;
      double out = Math.fma(gb0, y, gs);
      double gnext = Math.fma(ga1, gs, Math.fma(gk1, y, gt));
      gt = Math.fma(ga2, gs, gk2 * y);
      gs = gnext;
      x[i] = (float) out;
    }
    state[2 * at] = fs;
    state[2 * at + 1] = ft;
    state[2 * at + 2] = gs;
    state[2 * at + 3] = gt;
  }

  /**
   * Three sections, each a sample behind the one before it: what a round computes does not wait for
   * anything else that it computes.
   */
  private void three(float[] x, int frames, int at) {
    if (frames < 2) {
      for (int i = 0; i < frames; i++) {
        x[i] = (float) step(at + 2, step(at + 1, step(at, x[i])));
      }
      return;
    }
    double z = step(at + 1, step(at, x[0]));
    double y = step(at, x[1]);
    Section f = sections[at], g = sections[at + 1], h = sections[at + 2];
    double fb0 = f.b0(), fa1 = f.a1(), fa2 = f.a2(), fk1 = f.k1(), fk2 = f.k2();
    double gb0 = g.b0(), ga1 = g.a1(), ga2 = g.a2(), gk1 = g.k1(), gk2 = g.k2();
    double hb0 = h.b0(), ha1 = h.a1(), ha2 = h.a2(), hk1 = h.k1(), hk2 = h.k2();
    double fs = state[2 * at], ft = state[2 * at + 1];
    double gs = state[2 * at + 2], gt = state[2 * at + 3];
    double hs = state[2 * at + 4], ht = state[2 * at + 5];
    for (int i = 2; i < frames; i++) {
      double out = Math.fma(hb0, z, hs);
      double hnext = Math.fma(ha1, hs, Math.fma(hk1, z, ht));
      ht = Math.fma(ha2, hs, hk2 * z);
      hs = hnext;
      x[i - 2] = (float) out;
      z = Math.fma(gb0, y, gs);
      double gnext = Math.fma(ga1, gs, Math.fma(gk1, y, gt));
      gt = Math.fma(ga2, gs, gk2 * y);
      gs = gnext;
      double in = x[i];
      y = Math.fma(fb0, in, fs);
      double fnext = Math.fma(fa1, fs, Math.fma(fk1, in, ft));
      ft = Math.fma(fa2, fs, fk2 * in);
      fs = fnext;
    }
    state[2 * at] = fs;
    state[2 * at + 1] = ft;
    state[2 * at + 2] = gs;
    state[2 * at + 3] = gt;
    state[2 * at + 4] = hs;
    state[2 * at + 5] = ht;
    x[frames - 2] = (float) step(at + 2, z);
    x[frames - 1] = (float) step(at + 2, step(at + 1, y));
  }

  /** One sample through one section. */
  private double step(int section, double in) {
    Section f = sections[section];
    double s = state[2 * section];
    double t = state[2 * section + 1];
    state[2 * section] = Math.fma(f.a1(), s, Math.fma(f.k1(), in, t));
    state[2 * section + 1] = Math.fma(f.a2(), s, f.k2() * in);
    return Math.fma(f.b0(), in, s);
  }
}
