package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Refused;
import drevik.mix.Slot;
import drevik.reassign.Following;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Carries out a seating plan: puts clips on seats, adds seats, stows those that nothing came for.
 * One edit, so that one undo takes all of it back. Of a seat that is there only what the plan
 * decides is said; a fader that was set meanwhile stays where it is.
 *
 * @param delivery the delivery's name, for the words
 * @param deliveredBy whom it came from; null where nobody said
 * @param seatings what goes where
 * @param stow ids of seats that stay empty
 */
public record SeatDelivery(
    String delivery, @Nullable String deliveredBy, List<Seating> seatings, List<String> stow)
    implements Edit {

  /**
   * One file on one seat.
   *
   * @param seat the seat's id
   * @param added the seat, where the Mix does not have it yet
   * @param addedAfter where a new seat goes: behind this channel, or null for the end
   * @param name what it is called from now on; null if that stays
   * @param inverted whether it turns the polarity from now on; null if that stays
   * @param category what the seat is filed under from now on; null if that stays
   * @param person whose voice is on it from now on; null if that stays
   * @param chosen a person put it there: what the map would now change stays, pinned
   * @param clips the audio
   * @param replaces ids of the clips whose place they take; none for a seat that is free
   */
  @RecordBuilder
  public record Seating(
      String seat,
      @Nullable Channel added,
      @Nullable String addedAfter,
      @Nullable String name,
      @Nullable Boolean inverted,
      @Nullable String category,
      @Nullable String person,
      boolean chosen,
      List<Clip> clips,
      List<String> replaces)
      implements SeatDeliverySeatingBuilder.With {
    public Seating {
      clips = List.copyOf(clips);
      replaces = replaces == null ? List.of() : List.copyOf(replaces);
    }

    /** Audio on a free seat that the Mix has. */
    public static Seating onto(String seat, List<Clip> clips) {
      return new Seating(seat, null, null, null, null, null, null, false, clips, List.of());
    }

    /** Audio on a seat that is added behind another, or at the end. */
    public static Seating adding(Channel seat, @Nullable String after, List<Clip> clips) {
      return new Seating(seat.id(), seat, after, null, null, null, null, false, clips, List.of());
    }

    /** New audio in the place of earlier clips. */
    public static Seating replacing(String seat, List<Clip> clips, List<String> replaces) {
      return new Seating(seat, null, null, null, null, null, null, false, clips, replaces);
    }

    /**
     * The same seating at another gain.
     *
     * @param gainDb of every clip, dB
     */
    public Seating withGainDb(double gainDb) {
      return withClips(clips.stream().map(clip -> clip.withGainDb(gainDb)).toList());
    }

    private Channel named(Channel channel) {
      return channel
          .withName(name == null ? channel.name() : ChannelsById.cleanName(name))
          .withInvertPolarity(inverted == null ? channel.invertPolarity() : inverted)
          .withCategory(category == null ? channel.category() : category)
          .withPerson(person == null ? channel.person() : person);
    }
  }

  @Override
  public Mix changed(Mix mix) {
    if (mix.kind() == MixKind.TEMPLATE) {
      throw new Refused(
          "A template holds no audio. Start a session from it, and seat the delivery there.");
    }
    FreshIds fresh = new FreshIds(mix);
    Map<String, Channel> byId = mix.channelsById();
    Map<String, List<Channel>> addedBehind = new LinkedHashMap<>();
    for (Seating seating : seatings) {
      if (seating.added() != null && !byId.containsKey(seating.seat())) {
        Channel seat = fresh.renewed(seating.named(seating.added()));
        addedBehind
            .computeIfAbsent(seating.addedAfter(), k -> new ArrayList<>())
            .add(by(seat).withClips(seating.clips()).withStowed(false));
      } else {
        byId.put(seating.seat(), by(seated(byId.get(seating.seat()), seating)));
      }
    }
    requireDestinations(mix, addedBehind);
    Set<String> stowed = Set.copyOf(stow);
    List<Channel> all = new ArrayList<>();
    byId.values()
        .forEach(
            channel -> {
              // Somebody may have put something else there meanwhile.
              boolean empty = stowed.contains(channel.id()) && channel.awaitsAudio();
              all.add(empty ? channel.withStowed(true) : channel);
              all.addAll(addedBehind.getOrDefault(channel.id(), List.of()));
            });
    addedBehind.forEach(
        (after, seats) -> {
          if (after == null || !byId.containsKey(after)) {
            all.addAll(seats);
          }
        });
    return mapped(mix.withChannels(all));
  }

  /** What is filed anew follows the map in all that it says; what a person chose stays. */
  private Mix mapped(Mix seated) {
    Map<Boolean, List<String>> filed =
        seatings.stream()
            .filter(seating -> seating.added() == null)
            .filter(seating -> seating.category() != null || seating.person() != null)
            .collect(
                Collectors.partitioningBy(
                    Seating::chosen, Collectors.mapping(Seating::seat, Collectors.toList())));
    Map<String, Set<Slot>> kept = Following.departures(seated);
    kept.keySet().retainAll(filed.getOrDefault(true, List.of()));
    return Following.all(Following.pinned(seated, kept), filed.getOrDefault(false, List.of()));
  }

  private Channel by(Channel seat) {
    return deliveredBy == null ? seat : seat.withDeliveredBy(deliveredBy);
  }

  private static void requireDestinations(Mix mix, Map<String, List<Channel>> added) {
    Map<String, Channel> there = mix.channelsById();
    added.values().stream()
        .flatMap(List::stream)
        .filter(
            seat ->
                (seat.output() != null && !there.containsKey(seat.output()))
                    || seat.sends().stream()
                        .anyMatch(send -> !there.keySet().containsAll(send.destinations())))
        .findFirst()
        .ifPresent(
            seat -> {
              throw Refused.about(
                  seat.id(),
                  "A destination of “" + seat.name() + "” was removed meanwhile; plan again.");
            });
  }

  /** The seat with its audio, everything that the plan does not decide as it is. */
  private static Channel seated(@Nullable Channel now, Seating seating) {
    if (now == null) {
      throw Refused.about(
          seating.seat(),
          "A seat of this plan (“" + seating.seat() + "”) was removed meanwhile; plan again.");
    }
    if (!seating.replaces().isEmpty()) {
      return replaced(now, seating);
    }
    if (!now.awaitsAudio()) {
      throw Refused.about(
          now.id(),
          "“" + now.name() + "” holds audio already; free it first or choose another seat.");
    }
    return seating.named(now).withClips(seating.clips()).withStowed(false);
  }

  /** The seat with the clips in the place of those that they replace. */
  private static Channel replaced(Channel now, Seating seating) {
    Set<String> gone = Set.copyOf(seating.replaces());
    if (now.clips().stream().noneMatch(clip -> gone.contains(clip.id()))) {
      throw Refused.about(
          now.id(), "“" + now.name() + "” no longer plays the earlier version; plan again.");
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
