package drevik.check;

import drevik.check.Finding.Severity;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.Together;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.ClipField;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Songs that do not sound in their place. A section that is called like a bus is the place of what
 * leads to that bus: a song of an album, a reel.
 */
final class SectionNotKept implements LineCheckRule {
  /** Where a section begins, and the next one. */
  private record Place(Marker marker, long end) {
    boolean holds(Clip clip) {
      return clip.startFrame() >= marker.startFrame() && clip.startFrame() < end;
    }
  }

  /** Sections that are the place of a bus, by the bus's id. */
  static Map<String, Marker> sectionsOfBuses(Mix mix) {
    Map<String, Marker> found = new LinkedHashMap<>();
    for (Marker marker : mix.markers()) {
      mix.channels().stream()
          .filter(bus -> bus.kind() == ChannelKind.BUS && !bus.stowed())
          .filter(bus -> bus.name().equalsIgnoreCase(marker.name()))
          .findFirst()
          .ifPresent(bus -> found.put(bus.id(), marker));
    }
    return found;
  }

  @Override
  public void check(Survey survey) {
    Map<String, Marker> songs = sectionsOfBuses(survey.mix);
    List<Marker> inOrder =
        songs.values().stream().sorted(Comparator.comparingLong(Marker::startFrame)).toList();
    songs.forEach(
        (bus, marker) -> {
          int next = inOrder.indexOf(marker) + 1;
          long end = next < inOrder.size() ? inOrder.get(next).startFrame() : Long.MAX_VALUE;
          check(survey, survey.channel(bus), new Place(marker, end));
        });
  }

  private static void check(Survey survey, Channel bus, Place place) {
    List<Channel> seats = leadingTo(survey.mix, bus.id());
    List<Channel> outside =
        seats.stream()
            .filter(seat -> seat.clips().stream().anyMatch(clip -> !place.holds(clip)))
            .toList();
    if (outside.isEmpty()) {
      return;
    }
    List<String> ids = outside.stream().map(Channel::id).toList();
    survey.report(
        Rule.SECTION_NOT_KEPT,
        Severity.WRONG,
        survey.chiefFirst(List.of(bus.id()), ids.get(0)),
        "“"
            + bus.name()
            + "” begins at "
            + clock(place.marker().startFrame(), survey.mix.sampleRate())
            + ", and what "
            + survey.names(ids)
            + " play"
            + (ids.size() == 1 ? "s" : "")
            + " does not stand there.",
        moved(bus, outside, place));
  }

  /** What stands outside is moved together, its first sound to where the section begins. */
  private static Edit moved(Channel bus, List<Channel> outside, Place place) {
    long first =
        outside.stream()
            .flatMap(seat -> seat.clips().stream())
            .filter(clip -> !place.holds(clip))
            .mapToLong(Clip::startFrame)
            .min()
            .orElse(0);
    long by = place.marker().startFrame() - first;
    List<Edit> edits = new ArrayList<>();
    for (Channel seat : outside) {
      Map<String, Changes<Clip>> clips = new LinkedHashMap<>();
      for (Clip clip : seat.clips()) {
        if (!place.holds(clip)) {
          clips.put(clip.id(), Changes.of(ClipField.ALL, ClipField.START, clip.startFrame() + by));
        }
      }
      edits.add(
          ChangeMix.channel(
              seat.id(), Changes.ofMembers(ChannelField.ALL, ChannelField.CLIPS, clips)));
    }
    return new Together(edits, "move what “" + bus.name() + "” plays to where its section begins");
  }

  private static List<Channel> leadingTo(Mix mix, String bus) {
    Set<String> group = new HashSet<>(Set.of(bus));
    int before;
    do {
      before = group.size();
      mix.channels().stream()
          .filter(one -> one.output() != null && group.contains(one.output()) && !one.stowed())
          .forEach(one -> group.add(one.id()));
    } while (group.size() > before);
    return mix.channels().stream()
        .filter(one -> group.contains(one.id()) && !one.clips().isEmpty())
        .toList();
  }

  private static String clock(long frames, int rate) {
    long seconds = frames / rate;
    return "%d:%02d".formatted(seconds / 60, seconds % 60);
  }
}
