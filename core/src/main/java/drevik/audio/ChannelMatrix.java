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
   * left over centre to right at constant power. Of what is wider, the side that is turned away
   * from falls as {@code cos p·π/2}, and where the whole image moves {@code sin p·π/2} of it stands
   * on the other; then it is matched speaker by speaker.
   *
   * <p>What has no surround of its own goes from front to surround at constant power: {@code cos
   * d·π/2} of it stays in front, {@code sin d·π/2} stands in the surround of its side. Of what has
   * one, only the front falls away, as with a balance. A layout without surround has everything in
   * front. With heights it is the same, from the ear's level upwards: front to the upper front,
   * surround to the upper rear. The LFE gets the source's fold to mono, not filtered; the source's
   * own LFE stays.
   */
  public static double[][] of(Layout source, Layout destination, Position position, PanLaw law) {
    double[][] gains = new double[destination.channels()][source.channels()];
    Way back = Way.of(position.frontBack(), source.hasSurround(), destination.hasSurround());
    Way up = Way.of(position.height(), source.hasHeight(), destination.hasHeight());
    for (int s = 0; s < source.channels(); s++) {
      Speaker speaker = source.speakers().get(s);
      boolean atTheEar = speaker != LFE && !isHigh(speaker);
      double level = atTheEar ? up.stays() : 1;
      double front = isFront(speaker) ? back.stays() : 1;
      if (source == Layout.MONO) {
        panMono(destination, position.pan(), law, level * front, gains);
      } else {
        double[] sides = sides(speaker, position, destination);
        place(source, speaker, sides[0] * level * front, destination, s, gains);
        place(source, mirrored(speaker), sides[1] * level * front, destination, s, gains);
      }
      if (atTheEar && back.goes() + up.goes() > 0) {
        double[] pair = pair(speaker, position, destination);
        double behind = isFront(speaker) ? back.goes() : 1;
        for (boolean left : new boolean[] {true, false}) {
          double side = pair[left ? 0 : 1];
          placeSurround(source, left, side * level * back.goes(), destination, s, gains);
          double high = side * up.goes();
          if (high > 0) {
            double before = isFront(speaker) ? front : 0;
            add(destination, left ? LEFT_TOP_FRONT : RIGHT_TOP_FRONT, high * before, s, gains);
            add(destination, left ? LEFT_TOP_REAR : RIGHT_TOP_REAR, high * behind, s, gains);
          }
        }
      }
    }
    if (position.lfe() > 0) {
      toLfe(source, destination, position.lfe(), gains);
    }
    return gains;
  }

  /**
   * What becomes of something on its way to where it has no speakers of its own.
   *
   * @param stays linear gain of what is left where it was
   * @param goes linear gain of what arrives
   */
  private record Way(double stays, double goes) {
    static Way of(double gone, boolean isThereItself, boolean canGo) {
      if (gone <= 0 || (!isThereItself && !canGo)) {
        return new Way(1, 0);
      }
      return new Way(falling(gone), isThereItself ? 0 : Math.sin(gone * Math.PI / 2));
    }
  }

  /** Exactly nothing at the end of the way. */
  private static double falling(double way) {
    return way >= 1 ? 0 : Math.cos(way * Math.PI / 2);
  }

  /** What stays on a speaker's side, and what of it stands on the other: linear gains. */
  private static double[] sides(Speaker speaker, Position position, Layout destination) {
    double pan = Math.max(-1, Math.min(1, position.pan()));
    boolean turnedFrom = pan > 0 ? isLeft(speaker) : isRight(speaker) && pan < 0;
    if (!turnedFrom) {
      return new double[] {1, 0};
    }
    if (!position.wholeImage()) {
      return new double[] {falling(Math.abs(pan)), 0};
    }
    // One speaker has no sides that anything could move between.
    return destination == Layout.MONO
        ? new double[] {1, 0}
        : new double[] {falling(Math.abs(pan)), Math.sin(Math.abs(pan) * Math.PI / 2)};
  }

  /** The same as left and right, at constant power whatever the law of the front. */
  private static double[] pair(Speaker speaker, Position position, Layout destination) {
    if (speaker == MONO) {
      return PanLaw.MINUS_3.gains(position.pan());
    }
    double[] sides = sides(speaker, position, destination);
    if (isLeft(speaker)) {
      return sides;
    }
    return isRight(speaker)
        ? new double[] {sides[1], sides[0]}
        : new double[] {HALF_POWER, HALF_POWER};
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

  private static void panMono(
      Layout destination, double pan, PanLaw law, double gain, double[][] gains) {
    List<Speaker> speakers = destination.speakers();
    if (destination == Layout.MONO) {
      gains[0][0] = gain;
      return;
    }
    int left = speakers.indexOf(LEFT);
    int right = speakers.indexOf(RIGHT);
    int centre = speakers.indexOf(CENTRE);
    if (centre < 0) {
      double[] sides = law.gains(pan);
      gains[left][0] = gain * sides[0];
      gains[right][0] = gain * sides[1];
      return;
    }
    double fromCentre = Math.min(1, Math.abs(pan));
    gains[centre][0] = gain * falling(fromCentre);
    gains[pan < 0 ? left : right][0] = gain * Math.sin(fromCentre * Math.PI / 2);
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

  private static void add(Layout destination, Speaker to, double gain, int column, double[][] out) {
    out[destination.speakers().indexOf(to)][column] += gain;
  }

  private static boolean isFront(Speaker speaker) {
    return switch (speaker) {
      case MONO, LEFT, RIGHT, CENTRE, LEFT_TOP_FRONT, RIGHT_TOP_FRONT -> true;
      default -> false;
    };
  }

  private static boolean isHigh(Speaker speaker) {
    return switch (speaker) {
      case LEFT_TOP_FRONT, RIGHT_TOP_FRONT, LEFT_TOP_REAR, RIGHT_TOP_REAR -> true;
      default -> false;
    };
  }

  /** The speaker of the other side; what has no side is its own. */
  private static Speaker mirrored(Speaker speaker) {
    return switch (speaker) {
      case LEFT -> RIGHT;
      case RIGHT -> LEFT;
      case LEFT_SURROUND -> RIGHT_SURROUND;
      case RIGHT_SURROUND -> LEFT_SURROUND;
      case LEFT_REAR -> RIGHT_REAR;
      case RIGHT_REAR -> LEFT_REAR;
      case LEFT_TOP_FRONT -> RIGHT_TOP_FRONT;
      case RIGHT_TOP_FRONT -> LEFT_TOP_FRONT;
      case LEFT_TOP_REAR -> RIGHT_TOP_REAR;
      case RIGHT_TOP_REAR -> LEFT_TOP_REAR;
      case MONO, CENTRE, LFE -> speaker;
    };
  }

  private static boolean isLeft(Speaker speaker) {
    return speaker.name().startsWith("LEFT");
  }

  private static boolean isRight(Speaker speaker) {
    return speaker.name().startsWith("RIGHT");
  }
}
