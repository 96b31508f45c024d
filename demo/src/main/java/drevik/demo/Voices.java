package drevik.demo;

import java.util.SplittableRandom;

/**
 * The instruments of the demo, synthesised: enough like the real ones that a person hears what a
 * bus or a send does. Every method adds one note to a mono track. Deterministic: noise comes from
 * the seed given.
 */
final class Voices {
  static final int RATE = 48_000;

  private Voices() {}

  private static final int TABLE = 1 << 14;
  private static final float[] SINE = new float[TABLE + 1];

  static {
    for (int i = 0; i <= TABLE; i++) {
      SINE[i] = (float) Math.sin(2 * Math.PI * i / TABLE);
    }
  }

  /**
   * Sine by table and straight lines: good to −120 dB, and the synthesis takes a third of the time.
   */
  static double sine(double radians) {
    double turns = radians * (1 / (2 * Math.PI));
    double at = (turns - Math.floor(turns)) * TABLE;
    int i = (int) at;
    return SINE[i] + (at - i) * (SINE[i + 1] - SINE[i]);
  }

  private static double env(double t, double attack, double decay) {
    return t < attack ? t / attack : Math.exp(-(t - attack) / decay);
  }

  /** A falling sine with a click in front; {@code click} is how much of the beater is heard. */
  static void kick(float[] out, double at, double level, double click, long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    double phase = 0;
    int start = (int) (at * RATE);
    for (int i = 0; i < 0.45 * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      phase += 2 * Math.PI * (48 + 130 * Math.exp(-t / 0.022)) / RATE;
      double beater = click * Math.exp(-t / 0.004) * (noise.nextDouble() * 2 - 1);
      out[start + i] += (float) (level * (sine(phase) * env(t, 0.001, 0.13) + beater));
    }
  }

  /** A drum head of {@code hertz} with wires of noise behind it. */
  static void drum(
      float[] out, double at, double level, double hertz, double ring, double wires, long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    int start = (int) (at * RATE);
    double low = 0;
    for (int i = 0; i < 4 * ring * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      double n = noise.nextDouble() * 2 - 1;
      low += 0.25 * (n - low);
      double head =
          sine(2 * Math.PI * hertz * t * (1 + 0.12 * Math.exp(-t / 0.02)))
              + 0.4 * sine(2 * Math.PI * hertz * 1.59 * t);
      double sound = head * env(t, 0.0008, ring) + wires * (n - low) * env(t, 0.001, ring * 0.9);
      out[start + i] += (float) (level * 0.6 * sound);
    }
  }

  /** Bright noise: hats, shakers, tambourines. */
  static void hiss(
      float[] out,
      double at,
      double level,
      double attack,
      double decay,
      double ringHertz,
      long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    int start = (int) (at * RATE);
    double last = 0;
    double lastTwo = 0;
    for (int i = 0; i < (attack + 7 * decay) * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      double n = noise.nextDouble() * 2 - 1;
      double bright = n - 1.6 * last + 0.7 * lastTwo;
      lastTwo = last;
      last = n;
      double ring = ringHertz > 0 ? 0.5 * sine(2 * Math.PI * ringHertz * t) : 0;
      out[start + i] += (float) (level * 0.35 * (bright + ring) * env(t, attack, decay));
    }
  }

  /** A struck bar: its tone and the fourth partial, two octaves up. */
  static void bar(float[] out, double at, double level, double hertz) {
    int start = (int) (at * RATE);
    for (int i = 0; i < 1.4 * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      double tone =
          sine(2 * Math.PI * hertz * t) * env(t, 0.002, 0.32)
              + 0.35 * sine(2 * Math.PI * hertz * 3.93 * t) * env(t, 0.001, 0.07);
      out[start + i] += (float) (level * tone);
    }
  }

  /** A plucked string (Karplus and Strong, 1983). */
  static void pluck(
      float[] out, double at, double level, double hertz, double seconds, double soft, long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    int length = Math.max(2, (int) Math.round(RATE / hertz));
    double[] string = new double[length];
    double smooth = 0;
    for (int i = 0; i < length; i++) {
      smooth += (1 - soft) * (noise.nextDouble() * 2 - 1 - smooth);
      string[i] = smooth / Math.sqrt(1 - soft + 0.05);
    }
    int start = (int) (at * RATE);
    double keep = 0.4995 - 0.6 / (hertz * seconds * 4 + 200);
    for (int i = 0; i < seconds * RATE && start + i < out.length; i++) {
      int k = i % length;
      double now = string[k];
      string[k] = keep * (now + string[(k + 1) % length]);
      double fade = Math.min(1, (seconds - (double) i / RATE) / 0.05);
      out[start + i] += (float) (level * now * fade);
    }
  }

  /**
   * A blown or bowed tone from harmonics.
   *
   * @param odd how much even harmonics are missing, 0 to 1
   * @param bright how slowly harmonics fall off, 0 to 1
   */
  static void blown(
      float[] out,
      double at,
      double level,
      double hertz,
      double seconds,
      double odd,
      double bright,
      double vibrato) {
    int start = (int) (at * RATE);
    double phase = 0;
    for (int i = 0; i < seconds * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      double wobble = 1 + vibrato * sine(2 * Math.PI * 5.1 * t) * Math.min(1, t / 0.5);
      phase += 2 * Math.PI * hertz * wobble / RATE;
      double shape = Math.min(1, t / 0.07) * Math.min(1, (seconds - t) / 0.12);
      double sum = 0;
      double weight = 1;
      for (int h = 1; h <= 9; h++) {
        sum += weight * (h % 2 == 0 ? 1 - odd : 1) * sine(h * phase) / h;
        weight *= 0.35 + 0.6 * bright * shape;
      }
      out[start + i] += (float) (level * shape * sum * 0.8);
    }
  }

  private static final double[][] VOWELS = {
    {730, 1090, 2440}, {530, 1840, 2480}, {570, 840, 2410}, {300, 870, 2240}, {270, 2290, 3010}
  };

  private static final double[] RADIUS = {
    Math.exp(-Math.PI * 70 / RATE), Math.exp(-Math.PI * 100 / RATE), Math.exp(-Math.PI * 130 / RATE)
  };

  private static void tune(double[] from, double[] to, double glide, double[] cosine) {
    for (int f = 0; f < cosine.length; f++) {
      cosine[f] = Math.cos(2 * Math.PI * (from[f] + glide * (to[f] - from[f])) / RATE);
    }
  }

  /** A sung vowel: pulses through three resonators that glide from one vowel to the next. */
  static void sung(
      float[] out,
      double at,
      double level,
      double hertz,
      double seconds,
      int vowel,
      double attack,
      long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    double detune = 1 + (noise.nextDouble() - 0.5) * 0.008;
    double rate = 4.8 + noise.nextDouble();
    int start = (int) (at * RATE);
    double[] cosine = new double[3];
    double[] y1 = new double[3];
    double[] y2 = new double[3];
    double phase = noise.nextDouble();
    double[] from = VOWELS[vowel % VOWELS.length];
    double[] to = VOWELS[(vowel + 2) % VOWELS.length];
    for (int i = 0; i < seconds * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      double wobble = 1 + 0.006 * sine(2 * Math.PI * rate * t) * Math.min(1, t / 0.4);
      phase += hertz * detune * wobble / RATE;
      phase -= Math.floor(phase);
      double pulse = (phase < 0.4 ? sine(Math.PI * phase / 0.4) : 0) - 0.25;
      pulse += 0.05 * (noise.nextDouble() - 0.5);
      if (i % 64 == 0) {
        tune(from, to, Math.min(1, t / seconds), cosine);
      }
      double sum = 0;
      for (int f = 0; f < 3; f++) {
        double radius = RADIUS[f];
        double y = (1 - radius) * pulse + 2 * radius * cosine[f] * y1[f] - radius * radius * y2[f];
        y2[f] = y1[f];
        y1[f] = y;
        sum += y / (1 + 0.8 * f);
      }
      double shape = Math.min(1, t / attack) * Math.min(1, (seconds - t) / 0.15);
      out[start + i] += (float) (level * 1.4 * shape * sum);
    }
  }

  /**
   * Somebody who talks: syllables of a consonant and a vowel, four or five a second, in phrases
   * between which they breathe. The pitch falls towards the end of a phrase.
   *
   * @param hertz of the voice
   */
  static void spoken(
      float[] out, double at, double level, double hertz, double seconds, long seed) {
    SplittableRandom chance = new SplittableRandom(seed);
    double t = at;
    while (t < at + seconds) {
      int syllables = 5 + chance.nextInt(7);
      for (int n = 0; n < syllables && t < at + seconds; n++) {
        double consonant = 0.03 + 0.04 * chance.nextDouble();
        double vowel = 0.11 + 0.1 * chance.nextDouble();
        double stress = chance.nextInt(3) == 0 ? 1 : 0.7;
        hiss(out, t, 0.12 * level * stress, 0.012, consonant / 4, 0, chance.nextLong());
        double pitch = hertz * (1.08 - 0.2 * n / syllables) * (0.96 + 0.08 * chance.nextDouble());
        sung(
            out,
            t + consonant,
            level * stress,
            pitch,
            vowel + 0.06,
            chance.nextInt(5),
            0.02,
            chance.nextLong());
        t += consonant + vowel;
      }
      t += 0.25 + 0.35 * chance.nextDouble();
    }
  }

  /** A steady bed of air or machines: noise below a frequency, swelling slowly. */
  static void bed(float[] out, double level, double hertz, long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    double keep = 1 - Math.exp(-2 * Math.PI * hertz / RATE);
    double low = 0;
    double lower = 0;
    for (int i = 0; i < out.length; i++) {
      low += keep * (noise.nextDouble() * 2 - 1 - low);
      lower += keep * (low - lower);
      double swell = 1 + 0.3 * sine(2 * Math.PI * 0.13 * i / RATE + seed);
      out[i] += (float) (level * swell * lower / Math.sqrt(keep));
    }
  }

  /** A machine that runs: a hum with overtones, from standstill to standstill. */
  static void motor(float[] out, double at, double level, double hertz, double seconds) {
    int start = (int) (at * RATE);
    double phase = 0;
    for (int i = 0; i < seconds * RATE && start + i < out.length; i++) {
      double t = (double) i / RATE;
      double run = Math.min(1, t / 0.8) * Math.min(1, (seconds - t) / 0.8);
      phase += 2 * Math.PI * hertz * (0.4 + 0.6 * run) / RATE;
      double sum = sine(phase) + 0.5 * sine(2 * phase) + 0.3 * sine(5 * phase);
      out[start + i] += (float) (level * run * sum * 0.5);
    }
  }

  /** Noise that rises in pitch and level. */
  static void riser(float[] out, double at, double level, double seconds, long seed) {
    SplittableRandom noise = new SplittableRandom(seed);
    int start = (int) (at * RATE);
    double low = 0;
    double band = 0;
    for (int i = 0; i < seconds * RATE && start + i < out.length; i++) {
      double x = i / (seconds * RATE);
      double f = 2 * sine(Math.PI * (200 + 5_000 * x * x) / RATE);
      double high = noise.nextDouble() * 2 - 1 - low - 0.35 * band;
      band += f * high;
      low += f * band;
      out[start + i] += (float) (level * x * x * band);
    }
  }
}
