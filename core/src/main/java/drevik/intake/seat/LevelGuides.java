package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.edit.SeatDelivery.Seating;
import drevik.intake.conform.DeliveredFile;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How much louder clips are to be played so that what is seated begins as loud as the category map
 * says. A voice is set by itself; microphones of one instrument keep their balance, so that the
 * loudest of them is set.
 */
final class LevelGuides {
  /** No clip is made louder or softer by more, dB: what is further off is looked at by ear. */
  private static final double MOST_DB = 24;

  private static final Set<String> EACH_BY_ITSELF =
      Set.of("vocals", "dialogue", "narration", "interview", "natural", "score");

  private final MapAnswers map;
  private final Map<String, Channel> channels;

  LevelGuides(Mix mix) {
    this.map = MapAnswers.of(mix);
    this.channels = mix.channelsById();
  }

  /**
   * File → gain of its clips, dB; those of which the map says nothing are not in it.
   *
   * @param seatings file → where it goes
   */
  Map<String, Double> gains(List<DeliveredFile> files, Map<String, Seating> seatings) {
    Map<String, Double> loudest = new HashMap<>();
    Map<String, String> groupOf = new LinkedHashMap<>();
    Map<String, Double> guides = new HashMap<>();
    for (DeliveredFile file : files) {
      Channel seat = seat(seatings.get(file.id()));
      Double loudness = file.loudness();
      if (seat == null || loudness == null) {
        continue;
      }
      map.guideOf(Asked.of(seat))
          .ifPresent(
              guide -> {
                boolean itself = EACH_BY_ITSELF.contains(CategoryTree.topOf(seat.category()));
                String group = itself ? file.id() : seat.category();
                groupOf.put(file.id(), group);
                guides.put(file.id(), guide);
                loudest.merge(group, loudness, Math::max);
              });
    }
    Map<String, Double> gains = new LinkedHashMap<>();
    groupOf.forEach(
        (file, group) -> {
          double gain = guides.getOrDefault(file, 0.0) - loudest.getOrDefault(group, 0.0);
          gains.put(file, Math.round(Math.max(-MOST_DB, Math.min(MOST_DB, gain)) * 10) / 10.0);
        });
    return gains;
  }

  private @Nullable Channel seat(@Nullable Seating seating) {
    if (seating == null) {
      return null;
    }
    return seating.added() != null ? seating.added() : channels.get(seating.seat());
  }
}
