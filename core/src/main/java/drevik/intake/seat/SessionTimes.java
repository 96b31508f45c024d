package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.edit.ChangeMix;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Mix;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * Start, end and tempo that what was delivered asks for.
 *
 * @param startFrame where the first seat begins to play, in frames of the Mix
 * @param endFrame where the last one has ended, and what it leaves in returns has died away
 * @param tempo beats a minute
 */
public record SessionTimes(long startFrame, long endFrame, double tempo) {
  /** Left behind the last clip for what reverberates. */
  static final double TAIL_SECONDS = 3;

  /**
   * When the material of a session begins and ends.
   *
   * @param seated the Mix with the delivery on its seats
   * @return empty if nothing is seated
   */
  public static Optional<SessionTimes> of(Mix seated, SessionFacts facts) {
    List<Clip> clips =
        seated.channels().stream()
            .filter(SessionTimes::isMixed)
            .flatMap(channel -> channel.clips().stream())
            .toList();
    if (clips.isEmpty()) {
      return Optional.empty();
    }
    long start = clips.stream().mapToLong(Clip::startFrame).min().orElseThrow();
    long end = clips.stream().mapToLong(Clip::endFrame).max().orElseThrow();
    long tail = Math.round(TAIL_SECONDS * seated.sampleRate());
    double tempo = facts.tempoBpm() == null ? seated.tempo() : facts.tempoBpm();
    return Optional.of(new SessionTimes(start, end + tail, tempo));
  }

  /** A click or a guide goes on before and behind the song. */
  private static boolean isMixed(Channel channel) {
    return channel.kind() == ChannelKind.SEAT
        && !channel.stowed()
        && !List.of("click", "reference").contains(CategoryTree.topOf(channel.category()));
  }

  public boolean areSetIn(Mix mix) {
    return mix.startFrame() == startFrame
        && Objects.equals(mix.endFrame(), endFrame)
        && mix.tempo() == tempo;
  }

  public ChangeMix toEdit() {
    return ChangeMix.times(tempo, startFrame, endFrame);
  }
}
