package drevik.intake.seat;

import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.Stretch;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.route.Coverage;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * About how loud a Mix is before anything has been printed: the loudness of each track through the
 * faders on its way to the mix output, added up as powers, as of sounds that have nothing in
 * common. What chains do is not known here. Good enough to set a rough mix beside it.
 */
final class LevelMatch {
  private static final double MOST_DB = 24;

  private LevelMatch() {}

  /**
   * The gain with which the reference stands as loud as the tracks, in dB, to a tenth.
   *
   * @param seated the Mix with the delivery on its seats
   * @param files what was seated, by the id of the seat
   * @return empty if a track's loudness is not known, or there is no mix output
   */
  static OptionalDouble gainOf(
      DeliveredFile reference, Mix seated, Map<String, DeliveredFile> files) {
    Output whole =
        seated.outputs().stream()
            .filter(output -> output.kind() == OutputKind.MIX)
            .findFirst()
            .orElse(null);
    if (whole == null || reference.loudness() == null) {
      return OptionalDouble.empty();
    }
    Coverage coverage = Coverage.of(seated);
    double longest = files.values().stream().mapToLong(DeliveredFile::frames).max().orElse(1);
    double power = 0;
    for (Channel channel : seated.channels()) {
      if (channel.kind() != ChannelKind.SEAT || channel.clips().isEmpty()) {
        continue;
      }
      DeliveredFile file = files.get(channel.id());
      if (file == null) {
        return OptionalDouble.empty();
      }
      Coverage.Cell cell = coverage.cell(channel.id(), whole.id());
      Double gainDb = cell == null ? null : cell.gainDb();
      if (gainDb != null && file.loudness() != null) {
        // A gated loudness says nothing of the pauses; the whole is as loud as its share of sound.
        double share = file.parts().stream().mapToLong(Stretch::frames).sum() / longest;
        power += Math.pow(10, (file.loudness() + gainDb) / 10) * Math.min(1, share);
      }
    }
    if (power <= 0) {
      return OptionalDouble.empty();
    }
    double gain = 10 * Math.log10(power) - reference.loudness();
    return OptionalDouble.of(Math.rint(10 * Math.max(-MOST_DB, Math.min(MOST_DB, gain))) / 10);
  }
}
