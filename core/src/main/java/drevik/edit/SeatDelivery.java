package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Carries out a seating plan: puts clips on seats, adds seats, stows those that nothing came for.
 * One edit, so that one undo takes all of it back.
 *
 * @param delivery the delivery's name, for the words
 * @param seatings what goes where
 * @param stow ids of seats that stay empty
 */
public record SeatDelivery(String delivery, List<Seating> seatings, List<String> stow)
    implements Edit {

  /**
   * One file on one seat.
   *
   * @param seat the seat as it is to be; a seat that the Mix does not have yet is added
   * @param addedAfter where a new seat goes: behind this channel, or null for the end
   * @param clips the audio
   * @param replaces ids of the clips whose place they take; none for a seat that is free
   */
  public record Seating(
      Channel seat, @Nullable String addedAfter, List<Clip> clips, List<String> replaces) {
    public Seating {
      clips = List.copyOf(clips);
      replaces = replaces == null ? List.of() : List.copyOf(replaces);
    }

    public Seating withName(String name) {
      return new Seating(seat.withName(name), addedAfter, clips, replaces);
    }

    /**
     * @param gainDb of every clip, dB
     */
    public Seating withGainDb(double gainDb) {
      List<Clip> louder = clips.stream().map(clip -> clip.withGainDb(gainDb)).toList();
      return new Seating(seat, addedAfter, louder, replaces);
    }
  }

  @Override
  public Mix applyTo(Mix mix) {
    if (mix.kind() == MixKind.TEMPLATE) {
      throw new Refused(
          "A template holds no audio. Start a session from it, and seat the delivery there.");
    }
    Map<String, Channel> byId = mix.channelsById();
    List<Channel> added = new ArrayList<>();
    Map<String, List<Channel>> addedBehind = new LinkedHashMap<>();
    for (Seating seating : seatings) {
      Channel now = byId.get(seating.seat().id());
      if (!seating.replaces().isEmpty()) {
        byId.put(seating.seat().id(), replaced(now, seating));
        continue;
      }
      Channel taken = seating.seat().withClips(seating.clips()).withStowed(false);
      if (now == null) {
        added.add(taken);
        addedBehind.computeIfAbsent(seating.addedAfter(), k -> new ArrayList<>()).add(taken);
      } else if (!now.awaitsAudio()) {
        throw new Refused(
            "“" + now.name() + "” holds audio already; free it first or choose another seat.");
      } else {
        byId.put(taken.id(), taken);
      }
    }
    for (Channel channel : added) {
      if (channel.output() != null && !byId.containsKey(channel.output())) {
        throw new Refused(
            "The destination of “" + channel.name() + "” was removed meanwhile; plan again.");
      }
    }
    Set<String> stowed = Set.copyOf(stow);
    List<Channel> all = new ArrayList<>();
    byId.values()
        .forEach(
            channel -> {
              all.add(stowed.contains(channel.id()) ? channel.withStowed(true) : channel);
              all.addAll(addedBehind.getOrDefault(channel.id(), List.of()));
            });
    all.addAll(addedBehind.getOrDefault(null, List.of()));
    return mix.withChannels(all);
  }

  /** The seat with the clips in the place of those that they replace, everything else as it is. */
  private static Channel replaced(@Nullable Channel now, Seating seating) {
    Set<String> gone = Set.copyOf(seating.replaces());
    boolean there = now != null && now.clips().stream().anyMatch(c -> gone.contains(c.id()));
    if (!there) {
      throw new Refused(
          "“" + seating.seat().name() + "” no longer plays the earlier version; plan again.");
    }
    List<Clip> clips = new ArrayList<>(now.clips());
    clips.removeIf(clip -> gone.contains(clip.id()));
    clips.addAll(seating.clips());
    clips.sort(Comparator.comparingLong(Clip::startFrame));
    return now.withClips(clips);
  }

  @Override
  public String says(Mix before) {
    return "seat " + seatings.size() + " files of “" + delivery + "”";
  }
}
