package drevik.intake.seat;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Every seat and reference as a plan leaves it, in the order in which they will stand. */
public final class SeatPicture {
  /** What a plan does with a seat. */
  public enum State {
    NEW,
    TAKEN,
    /** A new version takes the place of the old one. */
    REPLACED,
    /** It has audio, and keeps it. */
    HOLDS,
    /** A reference that nothing came for. */
    EMPTY,
    /** Nothing came for it, now or before. */
    STOWED;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * One seat.
   *
   * @param calledBefore what it is called now, if it gets another name; else null
   * @param destination id of the channel that it feeds, or null
   * @param files ids of the delivered files that come to it
   * @param free a person may put a file on it
   * @param touched the plan does something with it
   */
  public record Seat(
      String id,
      String name,
      @Nullable String calledBefore,
      String category,
      Layout layout,
      @Nullable String destination,
      State state,
      List<String> files,
      boolean free,
      boolean touched) {}

  private SeatPicture() {}

  /**
   * Seats as they will be, with what comes onto each.
   *
   * @param after the Mix as it is once the plan has been carried out
   */
  public static List<Seat> of(Mix mix, SeatingPlan plan, Mix after) {
    Map<String, List<String>> files = new HashMap<>();
    Set<String> replaced = new HashSet<>();
    for (SeatingPlan.Place place : plan.places()) {
      if (place.seat() != null) {
        files.computeIfAbsent(place.seat(), seat -> new ArrayList<>()).add(place.file());
        if (place.act() == SeatingPlan.Act.REPLACES) {
          replaced.add(place.seat());
        }
      }
    }
    Set<String> stowed =
        plan.stow().stream().map(SeatingPlan.Stowed::id).collect(Collectors.toSet());
    Map<String, Channel> before = mix.channelsById();
    List<Seat> seats = new ArrayList<>();
    for (Channel channel : after.channels()) {
      if (channel.kind().holdsClips()) {
        Channel was = before.get(channel.id());
        State state =
            was == null
                ? State.NEW
                : replaced.contains(channel.id())
                    ? State.REPLACED
                    : files.containsKey(channel.id()) ? State.TAKEN : withoutFile(channel);
        seats.add(
            new Seat(
                channel.id(),
                channel.name(),
                was == null || was.name().equals(channel.name()) ? null : was.name(),
                channel.category(),
                channel.layout(),
                channel.output(),
                state,
                files.getOrDefault(channel.id(), List.of()),
                was != null && was.awaitsAudio(),
                switch (state) {
                  case HOLDS -> false;
                  case STOWED -> stowed.contains(channel.id());
                  default -> true;
                }));
      }
    }
    return seats;
  }

  private static State withoutFile(Channel channel) {
    if (!channel.clips().isEmpty()) {
      return State.HOLDS;
    }
    return channel.kind() == ChannelKind.SEAT ? State.STOWED : State.EMPTY;
  }
}
