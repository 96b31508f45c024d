package drevik.deliver;

import drevik.mix.Lists;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the channels of a printed file are, beside each other and over time.
 *
 * @param channels in the order of the layout
 * @param identical true if all channels are the same sample for sample, and there are several
 * @param longestSilenceSeconds the longest stretch in which no channel exceeds {@link
 *     #SILENCE_DBFS}
 * @param silenceAtSeconds where that begins
 * @param endDbfs power of the last {@link #END_SECONDS}; null if that is silent
 */
public record Shape(
    List<ChannelShape> channels,
    boolean identical,
    double longestSilenceSeconds,
    double silenceAtSeconds,
    @Nullable Double endDbfs) {
  /** Under this nobody hears anything: below the rounding of 16 bits, with its dither. */
  public static final double SILENCE_DBFS = -84;

  /** What is looked at of a file's end, s. */
  public static final double END_SECONDS = 0.05;

  /**
   * One channel.
   *
   * @param speaker its short name
   * @param samplePeakDbfs null if it is silent
   * @param dc the mean of its samples, of full scale
   */
  public record ChannelShape(String speaker, @Nullable Double samplePeakDbfs, double dc) {
    boolean isSilent() {
      return samplePeakDbfs == null || samplePeakDbfs < SILENCE_DBFS;
    }
  }

  public Shape {
    channels = Lists.copy(channels);
  }
}
