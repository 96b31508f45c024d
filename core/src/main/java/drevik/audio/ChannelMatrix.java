package drevik.audio;

import static drevik.audio.Speaker.*;

import java.util.List;

/**
 * Gains that carry one layout into another. Fold-downs follow ITU-R BS.775-4, annex 4: centre and
 * surrounds at 0.7071, LFE left out; 7.1 to 5.1 sums side and rear at 0.7071 each, and 5.1 in 7.1
 * stands in side and rear at 0.7071 each; stereo to mono is 0.5·(L+R).
 */
public final class ChannelMatrix {
  private static final double HALF_POWER = Math.sqrt(0.5);

  private ChannelMatrix() {}

  /**
   * Gains {@code [destination channel][source channel]} for a source that stands at a position.
   *
   * <p>Mono into two speakers follows the pan law; mono into a layout with a centre is panned from
   * left over centre to right at constant power; wider sources are balanced, then matched speaker
   * by speaker.
   *
   * <p>What has no surround of its own goes from front to surround at constant power: {@code cos
   * d·π/2} of it stays in front, {@code sin d·π/2} stands in the surround of its side. Of what has
   * one, only the front falls away, as with a balance. A layout without surround has everything in
   * front. The LFE gets the source's fold to mono, not filtered; the source's own LFE stays.
   */
  public static double[][] of(Layout source, Layout destination, Position position, PanLaw law) {
    double[][] gains = new double[destination.channels()][source.channels()];
    boolean moves = !source.hasSurround() && destination.hasSurround();
    double back = moves ? position.frontBack() * Math.PI / 2 : 0;
    boolean falls = source.hasSurround() && position.frontBack() > 0;
    double front = falls ? falling(position.frontBack()) : Math.cos(back);
    double[] balance = PanLaw.balance(position.pan());
    if (source == Layout.MONO) {
      panMono(destination, position.pan(), law, gains);
      scale(gains, front);
    }
    for (int s = 0; s < source.channels() && source != Layout.MONO; s++) {
      Speaker speaker = source.speakers().get(s);
      double side = isLeft(speaker) ? balance[0] : isRight(speaker) ? balance[1] : 1.0;
      place(source, speaker, side * (isFront(speaker) ? front : 1), destination, s, gains);
    }
    if (back > 0) {
      toSurround(source, destination, position.pan(), Math.sin(back), gains);
    }
    if (position.lfe() > 0) {
      toLfe(source, destination, position.lfe(), gains);
    }
    return gains;
  }

  /** Exactly nothing at the end of the way. */
  private static double falling(double way) {
    return way >= 1 ? 0 : Math.cos(way * Math.PI / 2);
  }

  private static void scale(double[][] gains, double gain) {
    for (double[] row : gains) {
      row[0] *= gain;
    }
  }

  private static void toSurround(
      Layout source, Layout destination, double pan, double gain, double[][] out) {
    // Between two speakers, at constant power, whatever the law of the front.
    double[] panned = PanLaw.MINUS_3.gains(pan);
    double[] balance = PanLaw.balance(pan);
    for (int s = 0; s < source.channels(); s++) {
      Speaker speaker = source.speakers().get(s);
      double left = isLeft(speaker) ? balance[0] : isRight(speaker) ? 0 : HALF_POWER;
      double right = isRight(speaker) ? balance[1] : isLeft(speaker) ? 0 : HALF_POWER;
      boolean mono = source == Layout.MONO;
      placeSurround(source, true, gain * (mono ? panned[0] : left), destination, s, out);
      placeSurround(source, false, gain * (mono ? panned[1] : right), destination, s, out);
    }
  }

  private static void toLfe(Layout source, Layout destination, double gain, double[][] out) {
    int row = destination.speakers().indexOf(LFE);
    if (row < 0) {
      return;
    }
    double[] fold = of(source, Layout.MONO, Position.FRONT, PanLaw.NONE)[0];
    for (int s = 0; s < fold.length; s++) {
      out[row][s] += gain * fold[s];
    }
  }

  private static void panMono(Layout destination, double pan, PanLaw law, double[][] gains) {
    List<Speaker> speakers = destination.speakers();
    if (destination == Layout.MONO) {
      gains[0][0] = 1.0;
      return;
    }
    int left = speakers.indexOf(LEFT);
    int right = speakers.indexOf(RIGHT);
    int centre = speakers.indexOf(CENTRE);
    if (centre < 0) {
      double[] sides = law.gains(pan);
      gains[left][0] = sides[0];
      gains[right][0] = sides[1];
      return;
    }
    double fromCentre = Math.min(1, Math.abs(pan)) * Math.PI / 2;
    gains[centre][0] = Math.cos(fromCentre);
    gains[pan < 0 ? left : right][0] = Math.sin(fromCentre);
  }

  private static void place(
      Layout source, Speaker from, double gain, Layout destination, int column, double[][] out) {
    if (gain == 0) {
      return;
    }
    boolean surround = from == LEFT_SURROUND || from == RIGHT_SURROUND;
    int row = destination.speakers().indexOf(from);
    if (row >= 0 && !(surround && splits(source) != splits(destination))) {
      out[row][column] += gain;
      return;
    }
    if (destination == Layout.MONO) {
      // Fold to stereo first, then 0.5·(L+R): the same figure whichever way a file is folded.
      double[][] stereo = new double[2][out[0].length];
      place(source, from, gain, Layout.STEREO, column, stereo);
      out[0][column] += 0.5 * (stereo[0][column] + stereo[1][column]);
      return;
    }
    double g = gain * HALF_POWER;
    switch (from) {
      case CENTRE -> {
        place(source, LEFT, g, destination, column, out);
        place(source, RIGHT, g, destination, column, out);
      }
      case LEFT_TOP_FRONT -> place(source, LEFT, g, destination, column, out);
      case RIGHT_TOP_FRONT -> place(source, RIGHT, g, destination, column, out);
      case LEFT_SURROUND, RIGHT_SURROUND ->
          placeSurround(source, isLeft(from), splits(source) ? g : gain, destination, column, out);
      case LEFT_REAR, RIGHT_REAR, LEFT_TOP_REAR, RIGHT_TOP_REAR ->
          placeSurround(source, isLeft(from), g, destination, column, out);
      default -> {
        // The LFE is left out of every fold-down (BS.775-4, annex 4, note 1).
      }
    }
  }

  /** True if the surround of a side is two speakers there, side and rear. */
  private static boolean splits(Layout layout) {
    return layout.speakers().contains(LEFT_REAR);
  }

  /**
   * Places what is the whole surround of a side: in one speaker, or at equal power in two, or in
   * front. So it comes to the same whichever layouts it passes on its way.
   */
  private static void placeSurround(
      Layout source, boolean left, double gain, Layout destination, int column, double[][] out) {
    int side = destination.speakers().indexOf(left ? LEFT_SURROUND : RIGHT_SURROUND);
    if (side < 0) {
      place(source, left ? LEFT : RIGHT, gain * HALF_POWER, destination, column, out);
    } else if (splits(destination)) {
      out[side][column] += gain * HALF_POWER;
      out[destination.speakers().indexOf(left ? LEFT_REAR : RIGHT_REAR)][column] +=
          gain * HALF_POWER;
    } else {
      out[side][column] += gain;
    }
  }

  private static boolean isFront(Speaker speaker) {
    return switch (speaker) {
      case MONO, LEFT, RIGHT, CENTRE, LEFT_TOP_FRONT, RIGHT_TOP_FRONT -> true;
      default -> false;
    };
  }

  private static boolean isLeft(Speaker speaker) {
    return speaker.name().startsWith("LEFT");
  }

  private static boolean isRight(Speaker speaker) {
    return speaker.name().startsWith("RIGHT");
  }
}
