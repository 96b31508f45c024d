package drevik.demo;

import static drevik.demo.Voices.RATE;

import drevik.audio.SampleFormat;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/**
 * “Ninety Moons”, an invented show for a planetarium: a narrator, three curators (two seated, one
 * on the observatory's roof), score, the dome and its machines, 20 s of it. Delivered as untidily
 * as real ones are. Planted faults: a narration at 44.1 kHz, the same take twice, a room tone in
 * stereo that is mono twice, an empty scarf, a boom that works against its lavalier, clipped steps
 * on the roof, and a cue that ends too early.
 */
final class NinetyMoons {
  static final double SECONDS = 20;

  private static final float PEAK = 0.35f;
  private static final int FRAMES = (int) (SECONDS * RATE);

  private record Part(String fileName, Consumer<float[]> play) {}

  private NinetyMoons() {}

  /** All files, synthesised on all cores. */
  static List<Track> tracks() {
    List<Part> mono = mono();
    List<Part> stereo = stereo();
    float[][] single = played(mono);
    float[][] wide = played(stereo);
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i < mono.size(); i++) {
      tracks.add(delivered(mono.get(i).fileName(), single[i]));
    }
    for (int i = 0; i < stereo.size(); i++) {
      tracks.add(spread(stereo.get(i).fileName(), wide[i]));
    }
    float[] narration = single[1];
    tracks.add(Track.of("VO_NM_Sc02_tk2 copy.wav", narration));
    tracks.add(surround("MX_1m5_Ninety moons rise_5.1.wav", wide[0], wide[1]));
    tracks.add(guide(single, wide));
    return tracks;
  }

  private static float[][] played(List<Part> parts) {
    float[][] audio = new float[parts.size()][FRAMES];
    IntStream.range(0, parts.size())
        .parallel()
        .forEach(
            i -> {
              parts.get(i).play().accept(audio[i]);
              Signals.bringTo(PEAK, audio[i]);
            });
    return audio;
  }

  private static List<Part> mono() {
    List<Part> parts = new ArrayList<>();
    parts.add(part("VO_NM_Sc01_tk4.wav", out -> Voices.spoken(out, 0.5, 0.5, 112, 4.5, 11)));
    parts.add(part("VO_NM_Sc02_tk2.wav", out -> Voices.spoken(out, 5.5, 0.5, 112, 4, 12)));
    parts.add(part("VO_NM_Sc03_tk7 44k.wav", out -> Voices.spoken(out, 10.5, 0.5, 112, 4, 13)));
    parts.add(part("VO_NM_Sc04_PU.wav", out -> Voices.spoken(out, 15.5, 0.5, 113, 3.5, 14)));
    parts.add(part("ITV_Varga_lav.wav", out -> curator(out, 196, 21, 0)));
    parts.add(part("ITV_Varga_boom.wav", out -> fromAfar(out, far -> curator(far, 196, 21, 0))));
    parts.add(part("ITV_Lund_lav.wav", out -> curator(out, 124, 22, 6)));
    parts.add(part("ITV_Lund_boom.wav", out -> fromAfar(out, far -> curator(far, 124, 22, 6))));
    parts.add(part("OTF_Renn_roof_lav.wav", out -> roof(out, 0.25)));
    parts.add(part("OTF_Renn_roof_boom.wav", out -> fromAfar(out, far -> roof(far, 1.2))));
    parts.add(part("OTF_Renn_stairs_lav.wav", NinetyMoons::stairs));
    parts.add(part("DX_crowd_foyer.wav", out -> chatter(out, 9, 40)));
    parts.add(part("DX_crowd_school class.wav", out -> chatter(out, 7, 70)));
    parts.add(part("FOL_feet_gravel.wav", out -> steps(out, 0.55, 0.05, 800)));
    parts.add(part("FOL_feet_iron stairs.wav", out -> steps(out, 0.45, 0.12, 300)));
    parts.add(part("FOL_props_eyepiece.wav", out -> knocks(out, 7, 900)));
    parts.add(part("FOL_props_star chart.wav", NinetyMoons::paper));
    parts.add(part("FOL_cloth_coat.wav", NinetyMoons::cloth));
    parts.add(part("FOL_cloth_scarf.wav", out -> {}));
    parts.add(part("SFX_dome shutter.wav", out -> Voices.motor(out, 2, 0.5, 61, 6)));
    parts.add(part("SFX_mount slew.wav", out -> Voices.motor(out, 9, 0.4, 140, 3)));
    parts.add(part("SFX_relay.wav", out -> knocks(out, 19, 2_200)));
    parts.add(part("SFX_hatch slam.wav", out -> Voices.drum(out, 14, 0.9, 70, 0.5, 0.5, 3)));
    parts.add(part("SFX_gear whirr.wav", out -> Voices.motor(out, 12, 0.4, 310, 4)));
    parts.add(part("SFX_beacon.wav", NinetyMoons::beacon));
    parts.add(part("PFX_roof door.wav", out -> Voices.drum(out, 6, 0.7, 110, 0.3, 0.9, 4)));
    parts.add(part("PFX_tripod.wav", out -> knocks(out, 5, 640)));
    parts.add(part("RT_studio.wav", out -> Voices.bed(out, 0.02, 500, 5)));
    return parts;
  }

  private static List<Part> stereo() {
    List<Part> parts = new ArrayList<>();
    parts.add(part("MX_1m1_Strings.wav", out -> chords(out, 24, 0.2, 0.6)));
    parts.add(part("MX_1m2_Choir.wav", NinetyMoons::choir));
    parts.add(part("MX_1m3_Bells.wav", NinetyMoons::bells));
    parts.add(part("MX_1m4_Low drone.wav", out -> chords(out, 0, 0.1, 0.9)));
    parts.add(part("MX_1m6_End title.wav", out -> chords(out, 31, 0.8, 0.4)));
    parts.add(part("AMB_dome_st.wav", out -> Voices.bed(out, 0.3, 180, 31)));
    parts.add(part("AMB_roof night_st.wav", out -> Voices.bed(out, 0.25, 900, 32)));
    parts.add(part("BG_foyer_st.wav", out -> Voices.bed(out, 0.25, 420, 33)));
    parts.add(part("RT_dome_st.wav", out -> Voices.bed(out, 0.05, 260, 34)));
    parts.add(part("NAT_control room_st.wav", NinetyMoons::controlRoom));
    parts.add(part("NAT_roof_st.wav", out -> Voices.bed(out, 0.3, 1_200, 36)));
    parts.add(part("SD_moonrise_st.wav", out -> Voices.riser(out, 3, 0.5, 7, 37)));
    parts.add(part("SD_orbit whoosh_st.wav", out -> Voices.riser(out, 12, 0.5, 2.5, 38)));
    return parts;
  }

  private static Part part(String fileName, Consumer<float[]> play) {
    return new Part(fileName, play);
  }

  private static Track delivered(String name, float[] audio) {
    if (name.startsWith("VO_NM_Sc03")) {
      return new Track(name, 44_100, SampleFormat.PCM_24, new float[][] {Signals.at44100(audio)});
    }
    if (name.startsWith("ITV_Lund_boom")) {
      Signals.scale(audio, -1);
    }
    if (name.startsWith("OTF_Renn_stairs")) {
      Signals.clip(audio, 4.5f);
    }
    return Track.of(name, audio);
  }

  private static Track spread(String name, float[] audio) {
    if (name.startsWith("RT_dome")) {
      return Track.of(name, audio, audio);
    }
    float[] left = Signals.wash(audio, 0);
    float[] right = Signals.wash(audio, 1);
    if (name.startsWith("MX_1m6")) {
      int cut = (int) (13.3 * RATE);
      return Track.of(name, Arrays.copyOf(left, cut), Arrays.copyOf(right, cut));
    }
    return Track.of(name, left, right);
  }

  /** L R C LFE Ls Rs: one cue in front, the other around. */
  private static Track surround(String name, float[] front, float[] around) {
    float[] low = new float[FRAMES];
    Voices.bed(low, 0.3, 60, 9);
    float[] centre = new float[FRAMES];
    Signals.add(centre, front, 0.3f);
    return Track.of(
        name,
        Signals.wash(front, 0),
        Signals.wash(front, 1),
        centre,
        low,
        Signals.wash(around, 0),
        Signals.wash(around, 1));
  }

  /** What everybody worked to: all of it, as the cutting room left it. */
  private static Track guide(float[][] single, float[][] wide) {
    float[] left = new float[FRAMES];
    float[] right = new float[FRAMES];
    for (float[] one : single) {
      Signals.add(left, one, 0.2f);
      Signals.add(right, one, 0.2f);
    }
    for (float[] one : wide) {
      Signals.add(left, Signals.wash(one, 0), 0.1f);
      Signals.add(right, Signals.wash(one, 1), 0.1f);
    }
    Signals.bringTo(0.6f, left);
    Signals.bringTo(0.6f, right);
    return new Track(
        "GUIDE Ninety Moons lock 5.wav", RATE, SampleFormat.PCM_16, new float[][] {left, right});
  }

  /** Somebody sits and talks, and the questions are cut out. */
  private static void curator(float[] out, double hertz, long seed, double from) {
    Voices.spoken(out, from + 0.4, 0.5, hertz, 4, seed);
    Voices.spoken(out, from + 8.2, 0.5, hertz, 3, seed + 1);
  }

  private static void roof(float[] out, double wind) {
    Voices.spoken(out, 4, 0.55, 171, 3.5, 81);
    Voices.spoken(out, 12.5, 0.55, 171, 4, 82);
    Voices.bed(out, 0.04 * wind, 300, 83);
  }

  private static void stairs(float[] out) {
    Voices.spoken(out, 8, 0.6, 180, 4, 84);
    steps(out, 0.5, 0.1, 260);
  }

  /** The same from the end of a boom: later, duller, with the room. */
  private static void fromAfar(float[] out, Consumer<float[]> play) {
    float[] near = new float[out.length];
    play.accept(near);
    float[] room = Signals.wash(Signals.late(near, 0.0045), 0);
    Signals.add(out, Signals.late(near, 0.0045), 0.6f);
    Signals.add(out, room, 0.5f);
  }

  private static void chatter(float[] out, int people, long seed) {
    for (int n = 0; n < people; n++) {
      Voices.spoken(out, 0.3 * n, 0.12, 105 + 17 * n, SECONDS - 0.5 - 0.3 * n, seed + n);
    }
  }

  private static void steps(float[] out, double apart, double ring, double hertz) {
    for (int n = 0; n * apart < SECONDS - 1; n++) {
      if (n % 17 < 12) {
        Voices.drum(out, 0.3 + n * apart, n % 2 == 0 ? 0.5 : 0.42, hertz, ring / 4, 1.4, n);
      }
    }
  }

  private static void knocks(float[] out, int many, double hertz) {
    for (int n = 0; n < many; n++) {
      Voices.drum(out, 1 + n * (SECONDS - 3) / many, 0.5, hertz, 0.03, 0.3, n);
    }
  }

  private static void paper(float[] out) {
    for (int n = 0; n < 8; n++) {
      Voices.hiss(out, 2 + 2.1 * n, 0.3, 0.05, 0.12, 0, n);
      Voices.hiss(out, 2.25 + 2.1 * n, 0.25, 0.03, 0.08, 0, n + 20);
    }
  }

  private static void cloth(float[] out) {
    for (int n = 0; n < 26; n++) {
      Voices.hiss(out, 0.5 + 0.72 * n, 0.12, 0.08, 0.09, 0, n + 90);
    }
  }

  private static void beacon(float[] out) {
    for (int n = 0; n < 9; n++) {
      Voices.bar(out, 1 + 2 * n, 0.4, 1_175);
    }
  }

  private static void controlRoom(float[] out) {
    Voices.bed(out, 0.15, 240, 35);
    knocks(out, 11, 1_500);
  }

  private static final int[] ROOTS = {0, 8, 3, 10, 5};

  private static double hertz(int semitonesOverA1) {
    return 55 * Math.pow(2, semitonesOverA1 / 12.0);
  }

  private static void chords(float[] out, int octave, double odd, double bright) {
    for (int n = 0; n < ROOTS.length; n++) {
      for (int tone : new int[] {0, 7, 12, 15}) {
        double pitch = hertz(ROOTS[n] + tone + octave);
        Voices.blown(out, 4 * n, 0.15, pitch, 4, odd, bright, 0.003);
      }
    }
  }

  private static void choir(float[] out) {
    for (int n = 0; n < ROOTS.length; n++) {
      for (int tone : new int[] {12, 19, 24}) {
        Voices.sung(out, 4 * n, 0.2, hertz(ROOTS[n] + tone), 4, 2, 0.5, n * 7L + tone);
      }
    }
  }

  private static void bells(float[] out) {
    for (int n = 0; n < 18; n++) {
      Voices.bar(out, 0.5 + n, 0.3, hertz(ROOTS[n / 4] + (n % 3) * 7 + 36));
    }
  }
}
