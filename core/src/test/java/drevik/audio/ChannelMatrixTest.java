package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ChannelMatrixTest {
  private static final double HALF_POWER = Math.sqrt(0.5);
  private static final Layout HIGH = Layout.SURROUND_7_1_4;
  private static final Layout[] SURROUNDS = {
    Layout.QUAD,
    Layout.SURROUND_5_0,
    Layout.SURROUND_5_1,
    Layout.SURROUND_7_1,
    Layout.SURROUND_7_1_4
  };

  @ParameterizedTest
  @CsvSource({"MINUS_3, -3.01", "MINUS_4_5, -4.52", "MINUS_6, -6.02", "NONE, 0"})
  void theLawIsWhatTheCentreLoses(PanLaw law, double db) {
    double[] sides = law.gains(0);
    assertThat(Decibels.ofAmplitude(sides[0])).isCloseTo(db, within(0.01));
    assertThat(sides[0]).isCloseTo(sides[1], within(1e-12));
  }

  @ParameterizedTest
  @ValueSource(doubles = {-1, -0.6, -0.2, 0, 0.3, 0.9, 1})
  void constantPowerIsConstant(double pan) {
    double[][] g =
        ChannelMatrix.of(Layout.MONO, Layout.STEREO, Position.panned(pan), PanLaw.MINUS_3);
    assertThat(g[0][0] * g[0][0] + g[1][0] * g[1][0]).isCloseTo(1, within(1e-12));
    double[][] c = ChannelMatrix.of(Layout.MONO, Layout.LCR, Position.panned(pan), PanLaw.MINUS_3);
    double power = c[0][0] * c[0][0] + c[1][0] * c[1][0] + c[2][0] * c[2][0];
    assertThat(power).isCloseTo(1, within(1e-12));
  }

  @Test
  void surroundFoldsToStereoByTheStandard() {
    double[][] g =
        ChannelMatrix.of(Layout.SURROUND_5_1, Layout.STEREO, Position.FRONT, PanLaw.MINUS_3);
    assertThat(g[0])
        .containsExactly(new double[] {1, 0, HALF_POWER, 0, HALF_POWER, 0}, within(1e-9));
    assertThat(g[1])
        .containsExactly(new double[] {0, 1, HALF_POWER, 0, 0, HALF_POWER}, within(1e-9));
  }

  @Test
  void sevenFoldsToFiveWithSideAndRearAtHalfPower() {
    double[][] g =
        ChannelMatrix.of(Layout.SURROUND_7_1, Layout.SURROUND_5_1, Position.FRONT, PanLaw.MINUS_3);
    assertThat(g[4])
        .containsExactly(new double[] {0, 0, 0, 0, HALF_POWER, 0, HALF_POWER, 0}, within(1e-9));
  }

  @Test
  void stereoFoldsToMonoAtHalf() {
    double[][] g = ChannelMatrix.of(Layout.STEREO, Layout.MONO, Position.FRONT, PanLaw.MINUS_3);
    assertThat(g[0]).containsExactly(new double[] {0.5, 0.5}, within(1e-12));
  }

  @Test
  void balanceLeavesTheSideItTurnsToAlone() {
    double[][] g =
        ChannelMatrix.of(Layout.STEREO, Layout.STEREO, Position.panned(0.5), PanLaw.MINUS_3);
    assertThat(g[0][0]).isCloseTo(HALF_POWER, within(1e-9));
    assertThat(g[1][1]).isEqualTo(1);
    assertThat(g[0][1]).isZero();
  }

  @Test
  void everyPairOfLayoutsHasAMatrixOfItsSize() {
    for (Layout from : Layout.values()) {
      for (Layout to : Layout.values()) {
        double[][] g = ChannelMatrix.of(from, to, Position.FRONT, PanLaw.MINUS_3);
        assertThat(g).hasDimensions(to.channels(), from.channels());
        assertThat(java.util.Arrays.stream(g).flatMapToDouble(java.util.Arrays::stream).sum())
            .as("%s to %s", from, to)
            .isPositive();
      }
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 0.2, 0.5, 0.8, 1})
  void fromFrontToSurroundThePowerIsConstant(double frontBack) {
    for (Layout to : SURROUNDS) {
      for (double pan : new double[] {-1, -0.4, 0, 0.7, 1}) {
        double[][] mono = ChannelMatrix.of(Layout.MONO, to, at(pan, frontBack, 0), PanLaw.MINUS_3);
        assertThat(power(mono, 0)).as("mono to %s at %s", to, pan).isCloseTo(1, within(1e-12));
        for (Layout pair : new Layout[] {Layout.STEREO, Layout.LCR}) {
          double[][] g = ChannelMatrix.of(pair, to, at(0, frontBack, 0), PanLaw.MINUS_3);
          for (int channel = 0; channel < pair.channels(); channel++) {
            assertThat(power(g, channel)).as("%s to %s", pair, to).isCloseTo(1, within(1e-12));
          }
        }
      }
    }
  }

  @Test
  void atTheBackASideStandsInItsOwnSurround() {
    double[][] g =
        ChannelMatrix.of(Layout.STEREO, Layout.SURROUND_5_1, at(0, 1, 0), PanLaw.MINUS_3);
    assertThat(g[4]).containsExactly(new double[] {1, 0}, within(1e-9));
    assertThat(g[5]).containsExactly(new double[] {0, 1}, within(1e-9));
    assertThat(g[0][0] + g[1][1] + g[2][0] + g[3][0]).isCloseTo(0, within(1e-9));
    double[][] seven =
        ChannelMatrix.of(Layout.STEREO, Layout.SURROUND_7_1, at(0, 1, 0), PanLaw.MINUS_3);
    // Side and rear, as a surround of 5.1 stands in 7.1; so folding it down comes to the same.
    assertThat(product(of(Layout.SURROUND_7_1, Layout.SURROUND_5_1), seven)[4])
        .containsExactly(g[4], within(1e-9));
  }

  @Test
  void whatHasSurroundsLosesItsFrontOnly() {
    double[][] g =
        ChannelMatrix.of(Layout.SURROUND_5_1, Layout.SURROUND_5_1, at(0, 1, 0), PanLaw.MINUS_3);
    for (int channel = 0; channel < 6; channel++) {
      assertThat(g[channel][channel]).isEqualTo(channel < 3 ? 0 : 1);
    }
  }

  @Test
  void aLayoutWithoutSurroundHasEverythingInFront() {
    for (Layout to : new Layout[] {Layout.MONO, Layout.STEREO, Layout.LCR}) {
      for (Layout from : new Layout[] {Layout.MONO, Layout.STEREO, Layout.LCR}) {
        double[][] back = ChannelMatrix.of(from, to, at(0.3, 1, 0.5), PanLaw.MINUS_3);
        double[][] front = ChannelMatrix.of(from, to, Position.panned(0.3), PanLaw.MINUS_3);
        assertThat(back).as("%s to %s", from, to).isDeepEqualTo(front);
      }
    }
  }

  @Test
  void theLfeGetsTheFoldToMonoAndKeepsWhatItHas() {
    for (Layout to : SURROUNDS) {
      int lfe = to.speakers().indexOf(Speaker.LFE);
      for (Layout from : Layout.values()) {
        double[][] without = ChannelMatrix.of(from, to, Position.FRONT, PanLaw.MINUS_3);
        double[][] with = ChannelMatrix.of(from, to, at(0, 0, 0.5), PanLaw.MINUS_3);
        double[] mono = of(from, Layout.MONO)[0];
        for (int row = 0; row < to.channels(); row++) {
          for (int s = 0; s < from.channels(); s++) {
            double more = row == lfe ? 0.5 * mono[s] : 0;
            assertThat(with[row][s]).isCloseTo(without[row][s] + more, within(1e-12));
          }
        }
      }
    }
  }

  private static Position at(double pan, double frontBack, double lfe) {
    return new Position(pan, false, frontBack, 0, lfe);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 0.2, 0.5, 0.8, 1})
  void upwardsThePowerIsConstantWhereverItStands(double height) {
    for (double frontBack : new double[] {0, 0.3, 1}) {
      for (double pan : new double[] {-1, -0.4, 0, 0.7, 1}) {
        Position at = Position.panned(pan).withFrontBack(frontBack).withHeight(height);
        double[][] mono = ChannelMatrix.of(Layout.MONO, HIGH, at, PanLaw.MINUS_3);
        assertThat(power(mono, 0)).as("mono at %s", at).isCloseTo(1, within(1e-12));
        assertThat(above(mono, 0))
            .isCloseTo(Math.pow(Math.sin(height * Math.PI / 2), 2), within(1e-12));
      }
      for (Layout wider : new Layout[] {Layout.STEREO, Layout.LCR}) {
        Position at = Position.FRONT.withFrontBack(frontBack).withHeight(height);
        double[][] g = ChannelMatrix.of(wider, HIGH, at, PanLaw.MINUS_3);
        for (int channel = 0; channel < wider.channels(); channel++) {
          assertThat(power(g, channel)).as("%s at %s", wider, at).isCloseTo(1, within(1e-12));
        }
      }
    }
  }

  @Test
  void monoIsPlacedAboveByItsAzimuth() {
    Position frontLeft = Position.panned(-1).withHeight(1);
    assertThat(column(Layout.MONO, frontLeft, 0)).isEqualTo(only(Speaker.LEFT_TOP_FRONT));
    assertThat(column(Layout.MONO, frontLeft.withPan(1).withFrontBack(1), 0))
        .isEqualTo(only(Speaker.RIGHT_TOP_REAR));
    double[] middle = column(Layout.MONO, Position.FRONT.withHeight(1), 0);
    assertThat(middle[HIGH.speakers().indexOf(Speaker.LEFT_TOP_FRONT)])
        .isCloseTo(HALF_POWER, within(1e-12));
    assertThat(middle[HIGH.speakers().indexOf(Speaker.RIGHT_TOP_FRONT)])
        .isCloseTo(HALF_POWER, within(1e-12));
  }

  @Test
  void surroundsRiseToTheUpperRearAndTheLfeStays() {
    Position up = Position.FRONT.withHeight(1);
    assertThat(column(Layout.SURROUND_5_1, up, 0)).isEqualTo(only(Speaker.LEFT_TOP_FRONT));
    assertThat(column(Layout.SURROUND_5_1, up, 3)).isEqualTo(only(Speaker.LFE));
    assertThat(column(Layout.SURROUND_5_1, up, 5)).isEqualTo(only(Speaker.RIGHT_TOP_REAR));
  }

  @Test
  void whatHasHeightsLosesWhatIsLevelWithTheEarOnly() {
    double[][] g = ChannelMatrix.of(HIGH, HIGH, Position.FRONT.withHeight(1), PanLaw.MINUS_3);
    for (int channel = 0; channel < HIGH.channels(); channel++) {
      boolean stays = channel >= 8 || HIGH.speakers().get(channel) == Speaker.LFE;
      assertThat(g[channel][channel]).as("%s", channel).isEqualTo(stays ? 1 : 0);
    }
  }

  @Test
  void aLayoutWithoutHeightsHasEverythingAtTheEar() {
    for (Layout from : Layout.values()) {
      for (Layout to : Layout.values()) {
        if (!from.hasHeight() && !to.hasHeight()) {
          Position low = new Position(0.3, true, 0.4, 0, 0.5);
          assertThat(ChannelMatrix.of(from, to, low.withHeight(0.8), PanLaw.MINUS_4_5))
              .as("%s to %s", from, to)
              .isDeepEqualTo(ChannelMatrix.of(from, to, low, PanLaw.MINUS_4_5));
        }
      }
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {-1, -0.6, 0, 0.3, 1})
  void aWholeImageIsMovedAndLosesNothing(double pan) {
    Position moved = Position.panned(pan).withWholeImage(true);
    for (Layout to : Layout.values()) {
      if (to == Layout.MONO) {
        continue;
      }
      for (double frontBack : new double[] {0, 0.5, 1}) {
        double[][] g =
            ChannelMatrix.of(Layout.STEREO, to, moved.withFrontBack(frontBack), PanLaw.MINUS_3);
        assertThat(power(g, 0)).as("left to %s", to).isCloseTo(1, within(1e-12));
        assertThat(power(g, 1)).as("right to %s", to).isCloseTo(1, within(1e-12));
      }
    }
    // One speaker has no sides.
    assertThat(ChannelMatrix.of(Layout.STEREO, Layout.MONO, moved, PanLaw.MINUS_3))
        .isDeepEqualTo(of(Layout.STEREO, Layout.MONO));
  }

  @Test
  void hardToOneSideBothSidesStandThere() {
    double[][] right =
        ChannelMatrix.of(
            Layout.STEREO, Layout.STEREO, Position.panned(1).withWholeImage(true), PanLaw.MINUS_3);
    assertThat(right).isDeepEqualTo(new double[][] {{0, 0}, {1, 1}});
    double[][] balanced =
        ChannelMatrix.of(Layout.STEREO, Layout.STEREO, Position.panned(1), PanLaw.MINUS_3);
    assertThat(balanced).isDeepEqualTo(new double[][] {{0, 0}, {0, 1}});
  }

  private static double[] column(Layout from, Position at, int channel) {
    double[][] g = ChannelMatrix.of(from, HIGH, at, PanLaw.MINUS_3);
    return java.util.Arrays.stream(g).mapToDouble(row -> row[channel]).toArray();
  }

  private static double[] only(Speaker speaker) {
    double[] gains = new double[HIGH.channels()];
    gains[HIGH.speakers().indexOf(speaker)] = 1;
    return gains;
  }

  private static double above(double[][] gains, int channel) {
    double power = 0;
    for (int row = 8; row < HIGH.channels(); row++) {
      power += gains[row][channel] * gains[row][channel];
    }
    return power;
  }

  private static double power(double[][] gains, int channel) {
    return java.util.Arrays.stream(gains).mapToDouble(row -> row[channel] * row[channel]).sum();
  }

  private static double[][] of(Layout from, Layout to) {
    return ChannelMatrix.of(from, to, Position.FRONT, PanLaw.MINUS_3);
  }

  private static double[][] product(double[][] a, double[][] b) {
    double[][] product = new double[a.length][b[0].length];
    for (int row = 0; row < a.length; row++) {
      for (int column = 0; column < b[0].length; column++) {
        for (int inner = 0; inner < b.length; inner++) {
          product[row][column] += a[row][inner] * b[inner][column];
        }
      }
    }
    return product;
  }

  private static boolean holds(Layout wider, Layout narrower) {
    return wider.speakers().containsAll(narrower.speakers())
        || narrower == Layout.MONO && wider != Layout.MONO;
  }

  @Test
  void everyWayOfFoldingAgrees() {
    int compared = 0;
    for (Layout from : Layout.values()) {
      for (Layout over : Layout.values()) {
        for (Layout to : Layout.values()) {
          if (from != Layout.MONO && holds(from, over) && holds(over, to)) {
            double[][] both = product(of(over, to), of(from, over));
            for (int row = 0; row < both.length; row++) {
              assertThat(both[row])
                  .as("%s over %s to %s, speaker %d", from, over, to, row)
                  .containsExactly(of(from, to)[row], within(1e-12));
            }
            compared++;
          }
        }
      }
    }
    assertThat(compared).isGreaterThan(50);
  }

  @Test
  void whatIsCarriedIntoAWiderLayoutComesBackAsItWas() {
    for (Layout from : Layout.values()) {
      for (Layout over : Layout.values()) {
        if (from != Layout.MONO && holds(over, from)) {
          double[][] back = product(of(over, from), of(from, over));
          for (int row = 0; row < back.length; row++) {
            double[] same = new double[back.length];
            same[row] = 1;
            assertThat(back[row]).as("%s over %s", from, over).containsExactly(same, within(1e-12));
          }
        }
      }
    }
  }
}
