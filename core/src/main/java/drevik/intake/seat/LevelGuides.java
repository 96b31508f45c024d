package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.SeatDelivery.Seating;
import drevik.edit.Together;
import drevik.intake.conform.DeliveredFile;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ClipField;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How much louder clips are to be played so that what is seated begins as loud as the category map
 * says. A voice is set by itself; microphones of one instrument keep their balance, so that the
 * loudest of them is set.
 */
public final class LevelGuides {
  /** No clip is made louder or softer by more, dB: what is further off is looked at by ear. */
  private static final double MOST_DB = 24;

  /** Less is none that anybody sets, dB. */
  private static final double LEAST_DB = 0.1;

  private static final Set<String> EACH_BY_ITSELF =
      Set.of("vocals", "dialogue", "narration", "interview", "natural", "score");

  private final MapAnswers map;
  private final Map<String, Channel> channels;

  LevelGuides(Mix mix) {
    this.map = MapAnswers.of(mix);
    this.channels = mix.channelsById();
  }

  /**
   * Something that was measured, and the seat that plays it.
   *
   * @param loudness integrated, LUFS
   */
  private record Heard(String id, Channel seat, double loudness) {}

  /**
   * File → gain of its clips, dB; those of which the map says nothing are not in it.
   *
   * @param seatings file → where it goes
   */
  Map<String, Double> gains(List<DeliveredFile> files, Map<String, Seating> seatings) {
    List<Heard> heard = new ArrayList<>();
    for (DeliveredFile file : files) {
      Channel seat = seat(seatings.get(file.id()));
      Double loudness = file.loudness();
      if (seat != null && loudness != null) {
        heard.add(new Heard(file.id(), seat, loudness));
      }
    }
    return gains(heard);
  }

  private Map<String, Double> gains(List<Heard> heard) {
    Map<String, Double> loudest = new HashMap<>();
    Map<String, String> groupOf = new LinkedHashMap<>();
    Map<String, Double> guides = new HashMap<>();
    for (Heard one : heard) {
      map.guideOf(Asked.of(one.seat()))
          .ifPresent(
              guide -> {
                String category = one.seat().category();
                boolean itself = EACH_BY_ITSELF.contains(CategoryTree.topOf(category));
                String group = itself ? one.id() : category;
                groupOf.put(one.id(), group);
                guides.put(one.id(), guide);
                loudest.merge(group, one.loudness(), Math::max);
              });
    }
    Map<String, Double> gains = new LinkedHashMap<>();
    groupOf.forEach(
        (id, group) -> {
          double gain = guides.getOrDefault(id, 0.0) - loudest.getOrDefault(group, 0.0);
          gains.put(id, Math.round(Math.max(-MOST_DB, Math.min(MOST_DB, gain)) * 10) / 10.0);
        });
    return gains;
  }

  /**
   * What would set seats that play already to their guides. Clips of one seat keep their balance.
   *
   * @param before the Mix before its guides were others; seats whose guide is the same are left
   *     alone. Null for all
   * @param loudness delivered file → integrated loudness, LUFS
   * @return empty where every clip stands there already
   */
  public static Optional<Edit> offer(Mix mix, @Nullable Mix before, Map<String, Double> loudness) {
    LevelGuides guides = new LevelGuides(mix);
    MapAnswers was = before == null ? null : MapAnswers.of(before);
    List<Heard> heard = new ArrayList<>();
    for (Channel seat : mix.channels()) {
      Double lufs =
          seat.clips().isEmpty()
              ? null
              : seat.clips().get(0).delivered().stream()
                  .findFirst()
                  .map(loudness::get)
                  .orElse(null);
      if (lufs != null && seat.kind() == ChannelKind.SEAT) {
        heard.add(new Heard(seat.id(), seat, lufs));
      }
    }
    List<Edit> edits = new ArrayList<>();
    guides
        .gains(heard)
        .forEach(
            (id, gain) -> {
              Channel seat = Lookup.in(guides.channels, id);
              Asked asked = Asked.of(seat);
              boolean same = was != null && was.guideOf(asked).equals(guides.map.guideOf(asked));
              double turn = gain - seat.clips().get(0).gainDb();
              if (!same && Math.abs(turn) >= LEAST_DB) {
                edits.add(ChangeMix.channel(id, turned(seat, turn)));
              }
            });
    return edits.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Together(
                edits,
                "set "
                    + (edits.size() == 1 ? "1 seat" : edits.size() + " seats")
                    + " to the level guides"));
  }

  private static Changes<Channel> turned(Channel seat, double turnDb) {
    Map<String, Changes<Clip>> clips = new LinkedHashMap<>();
    for (Clip clip : seat.clips()) {
      double gain = Math.round((clip.gainDb() + turnDb) * 10) / 10.0;
      clips.put(clip.id(), Changes.of(ClipField.ALL, ClipField.GAIN, gain));
    }
    return Changes.ofMembers(ChannelField.ALL, ChannelField.CLIPS, clips);
  }

  private @Nullable Channel seat(@Nullable Seating seating) {
    if (seating == null) {
      return null;
    }
    return seating.added() != null ? seating.added() : channels.get(seating.seat());
  }
}
