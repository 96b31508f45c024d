package drevik.audio;

import static drevik.audio.Speaker.*;

import java.util.List;

/**
 * Gains that carry one layout into another. Fold-downs follow ITU-R BS.775-4, annex 4: centre and
 * surrounds at 0.7071, LFE left out; 7.1 to 5.1 sums side and rear at 0.7071 each; stereo to mono
 * is 0.5·(L+R).
 */
public final class ChannelMatrix {
  private static final double HALF_POWER = Math.sqrt(0.5);

  private ChannelMatrix() {}

  /**
   * Gains {@code [destination channel][source channel]} for a source panned by {@code pan}.
   *
   * <p>Mono into two speakers follows the pan law; mono into a layout with a centre is panned from
   * left over centre to right at constant power; wider sources are balanced, then matched speaker
   * by speaker.
   *
   * @param pan −1 (left) to 1 (right)
   */
  public static double[][] of(Layout source, Layout destination, double pan, PanLaw law) {
    double[][] gains = new double[destination.channels()][source.channels()];
    if (source == Layout.MONO) {
      panMono(destination, pan, law, gains);
      return gains;
    }
    double[] balance = PanLaw.balance(pan);
    for (int s = 0; s < source.channels(); s++) {
      Speaker speaker = source.speakers().get(s);
      double side = isLeft(speaker) ? balance[0] : isRight(speaker) ? balance[1] : 1.0;
      place(source, speaker, side, destination, s, gains);
    }
    return gains;
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
    int row = destination.speakers().indexOf(from);
    if (row >= 0) {
      boolean sharesWithRear =
          (from == LEFT_SURROUND || from == RIGHT_SURROUND)
              && source.speakers().contains(LEFT_REAR)
              && !destination.speakers().contains(LEFT_REAR);
      out[row][column] += sharesWithRear ? gain * HALF_POWER : gain;
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
      case LEFT_REAR -> placeRear(source, LEFT_SURROUND, LEFT, g, destination, column, out);
      case RIGHT_REAR -> placeRear(source, RIGHT_SURROUND, RIGHT, g, destination, column, out);
      case LEFT_SURROUND, LEFT_TOP_FRONT -> place(source, LEFT, g, destination, column, out);
      case RIGHT_SURROUND, RIGHT_TOP_FRONT -> place(source, RIGHT, g, destination, column, out);
      case LEFT_TOP_REAR -> placeRear(source, LEFT_SURROUND, LEFT, g, destination, column, out);
      case RIGHT_TOP_REAR -> placeRear(source, RIGHT_SURROUND, RIGHT, g, destination, column, out);
      default -> {
        // The LFE is left out of every fold-down (BS.775-4, annex 4, note 1).
      }
    }
  }

  private static void placeRear(
      Layout source,
      Speaker surround,
      Speaker front,
      double gain,
      Layout destination,
      int column,
      double[][] out) {
    int row = destination.speakers().indexOf(surround);
    if (row >= 0) {
      out[row][column] += gain;
    } else {
      place(source, front, gain, destination, column, out);
    }
  }

  private static boolean isLeft(Speaker speaker) {
    return speaker.name().startsWith("LEFT");
  }

  private static boolean isRight(Speaker speaker) {
    return speaker.name().startsWith("RIGHT");
  }
}
