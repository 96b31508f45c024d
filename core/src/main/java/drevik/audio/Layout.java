package drevik.audio;

import static drevik.audio.Speaker.*;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Speaker layouts, in file order. 5.1 is L R C LFE Ls Rs; 7.1 adds the rear pair after the LFE as
 * WAVE files order it: L R C LFE Lrs Rrs Ls Rs.
 */
public enum Layout {
  MONO("mono", "M", Speaker.MONO),
  STEREO("stereo", "St", LEFT, RIGHT),
  LCR("lcr", "LCR", LEFT, RIGHT, CENTRE),
  QUAD("quad", "Qd", LEFT, RIGHT, LEFT_SURROUND, RIGHT_SURROUND),
  SURROUND_5_0("5.0", "5.0", LEFT, RIGHT, CENTRE, LEFT_SURROUND, RIGHT_SURROUND),
  SURROUND_5_1("5.1", "5.1", LEFT, RIGHT, CENTRE, Speaker.LFE, LEFT_SURROUND, RIGHT_SURROUND),
  SURROUND_7_1(
      "7.1",
      "7.1",
      LEFT,
      RIGHT,
      CENTRE,
      Speaker.LFE,
      LEFT_REAR,
      RIGHT_REAR,
      LEFT_SURROUND,
      RIGHT_SURROUND),
  SURROUND_7_1_4(
      "7.1.4",
      "7.1.4",
      LEFT,
      RIGHT,
      CENTRE,
      Speaker.LFE,
      LEFT_REAR,
      RIGHT_REAR,
      LEFT_SURROUND,
      RIGHT_SURROUND,
      LEFT_TOP_FRONT,
      RIGHT_TOP_FRONT,
      LEFT_TOP_REAR,
      RIGHT_TOP_REAR);

  private final String id;
  private final String shortName;

  @SuppressWarnings("ImmutableEnumChecker") // made by List.of
  private final List<Speaker> speakers;

  Layout(String id, String shortName, Speaker... speakers) {
    this.id = id;
    this.shortName = shortName;
    this.speakers = List.of(speakers);
  }

  public int channels() {
    return speakers.size();
  }

  public List<Speaker> speakers() {
    return speakers;
  }

  /** True if something can stand behind the listener. */
  public boolean hasSurround() {
    return speakers.contains(LEFT_SURROUND);
  }

  /** True if something can stand above the listener. */
  public boolean hasHeight() {
    return speakers.contains(LEFT_TOP_FRONT);
  }

  public boolean hasLfe() {
    return speakers.contains(Speaker.LFE);
  }

  /** Two or three letters for dense rows. */
  public String shortName() {
    return shortName;
  }

  /** The channel mask to write into an extensible {@code fmt } chunk. */
  public int mask() {
    return speakers.stream().mapToInt(Speaker::maskBit).reduce(0, (a, b) -> a | b);
  }

  /**
   * The usual layout of a file with so many channels.
   *
   * @throws AudioException for a count that no layout has
   */
  public static Layout ofChannels(int channels) {
    return switch (channels) {
      case 1 -> MONO;
      case 2 -> STEREO;
      case 3 -> LCR;
      case 4 -> QUAD;
      case 5 -> SURROUND_5_0;
      case 6 -> SURROUND_5_1;
      case 8 -> SURROUND_7_1;
      case 12 -> SURROUND_7_1_4;
      default ->
          throw new AudioException(
              "has "
                  + channels
                  + " channels, which is no layout that Drevik knows (1, 2, 3, 4, 5, 6, 8 or 12);"
                  + " export it as mono, stereo or surround files");
    };
  }

  /** Names of the bits of a channel mask, from the lowest (WAVEFORMATEXTENSIBLE). */
  private static final List<String> POSITIONS =
      List.of(
          "L", "R", "C", "LFE", "Lrs", "Rrs", "Lc", "Rc", "Cs", "Ls", "Rs", "Top", "Ltf", "Ctf",
          "Rtf", "Ltr", "Ctr", "Rtr");

  /** What a pair behind the listener is called where there is one alone. */
  private static final int REAR = LEFT_REAR.maskBit() | RIGHT_REAR.maskBit();

  private static final int SIDE = LEFT_SURROUND.maskBit() | RIGHT_SURROUND.maskBit();

  /**
   * The layout of a file that says where its channels belong.
   *
   * @param mask {@code dwChannelMask}; 0, or of another count of channels, where it says nothing
   * @throws AudioException for a mask or a count that no layout has
   */
  public static Layout of(int channels, int mask) {
    if (channels < LCR.channels() || Integer.bitCount(mask) != channels) {
      return ofChannels(channels);
    }
    // One pair behind the listener is the surrounds, whether it is called rear or side.
    int plain = (mask & SIDE) == 0 && (mask & REAR) == REAR ? (mask & ~REAR) | SIDE : mask;
    return Arrays.stream(values())
        .filter(layout -> layout.mask() == plain)
        .findFirst()
        .orElseThrow(
            () ->
                new AudioException(
                    "has channels for "
                        + named(mask)
                        + ", which is no layout that Drevik knows; export it as mono, stereo, lcr,"
                        + " quad, 5.0, 5.1, 7.1 or 7.1.4, or each channel as a file of its own"));
  }

  private static String named(int mask) {
    return IntStream.range(0, Integer.SIZE)
        .filter(bit -> (mask >> bit & 1) == 1)
        .mapToObj(bit -> bit < POSITIONS.size() ? POSITIONS.get(bit) : "bit " + bit)
        .collect(Collectors.joining(" "));
  }

  /** The name used in documents. */
  @Override
  public String toString() {
    return id;
  }
}
