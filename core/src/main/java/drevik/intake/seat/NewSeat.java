package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.StereoPairs;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.reassign.Answer;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The seat that is added for a file that no free seat is left for: like its neighbours, behind
 * them, and sent where a person, a sum of such microphones, the category map or the neighbours say.
 */
final class NewSeat {
  private final Mix mix;
  private final DeliveredFile file;
  private final @Nullable Channel wished;
  private final MapAnswers map;
  private final Optional<Answer> mapped;
  private final Optional<Channel> neighbour;
  private final Optional<Channel> sum;

  /**
   * @param wished the bus that a person chose, or null
   */
  NewSeat(Mix mix, DeliveredFile file, @Nullable Channel wished) {
    this.mix = mix;
    this.file = file;
    this.wished = wished;
    map = MapAnswers.of(mix);
    mapped = map.destinationOf(asked(file));
    neighbour = findNeighbour();
    sum = findSum();
  }

  private static Asked asked(DeliveredFile file) {
    return new Asked(file.category(), file.name(), file.layout(), null, file.deliveredBy());
  }

  Optional<String> reasonToLeaveOut() {
    boolean special =
        CategoryTree.isWithin(file.category(), "reference")
            || CategoryTree.isWithin(file.category(), "click");
    // Where nothing is routed yet, files are seated all the same, and routed later.
    boolean unrouted = mix.channels().stream().noneMatch(Channel::takesSound);
    if (wished != null || (destination().isPresent() || unrouted) && !special) {
      return Optional.empty();
    }
    return Optional.of(
        special
            ? "no free channel for " + file.category() + " in this Mix"
            : "the category map has no destination for " + file.category());
  }

  /** The seat, without a name yet. */
  Channel channel() {
    return neighbour
        .map(c -> leftToTheMap(c).withClips(List.of()).withStowed(false).withMute(false))
        .orElseGet(() -> Channel.of("", ChannelKind.SEAT, "", file.layout(), file.category()))
        .with()
        .id("seat-" + file.id())
        .name("")
        .layout(file.layout())
        .category(file.category())
        .output(destination().orElse(null))
        .pan(file.joined() == null ? StereoPairs.panOf(file.name()) : 0)
        .invertPolarity(false)
        .person(null)
        .deliveredBy(file.deliveredBy())
        .comment("")
        .build();
  }

  /** Like its neighbour, but for what the map decides of the neighbour and may not of it. */
  private Channel leftToTheMap(Channel like) {
    Channel seat = like.withPins(List.of()).withFallbacks(List.of());
    return MapAnswers.unsaid(seat, map.answers(like).keySet());
  }

  /** Id of the channel that it stands behind, or null. */
  @Nullable String standsBehind() {
    return neighbour.map(Channel::id).orElse(null);
  }

  String because() {
    if (wished != null) {
      return "you chose a new seat on “" + wished.name() + "”";
    }
    return "no free seat left; "
        + sum.map(bus -> "into “" + bus.name() + "”, which sums such microphones")
            .or(() -> mapped.map(Answer::words))
            .or(() -> neighbour.map(one -> "like “" + one.name() + "”"))
            .orElse("sent nowhere yet, as this Mix has no bus");
  }

  private Optional<String> destination() {
    return Optional.ofNullable(wished)
        .or(() -> sum)
        .map(Channel::id)
        .or(() -> mapped.map(Answer::text))
        .or(() -> neighbour.map(Channel::output));
  }

  /**
   * A bus of the file's own category that is nearer than what the category map says, such as a
   * snare's sum below the drum bus.
   */
  private Optional<Channel> findSum() {
    String category = file.category();
    boolean mapSaysSo = mapped.isPresent() && mapped.get().by().category().equals(category);
    boolean leaf = category.contains("/");
    return mapSaysSo || !leaf
        ? Optional.empty()
        : mix.channels().stream()
            .filter(c -> c.kind() == ChannelKind.BUS && c.category().equals(category))
            .filter(bus -> seats().stream().anyMatch(seat -> bus.id().equals(seat.output())))
            .findFirst();
  }

  /** The last seat of the same category, or of the same family. */
  private Optional<Channel> findNeighbour() {
    Optional<Channel> same =
        seats().stream().filter(c -> c.category().equals(file.category())).reduce((a, b) -> b);
    String family = CategoryTree.topOf(file.category());
    return same.or(
        () ->
            seats().stream()
                .filter(c -> CategoryTree.topOf(c.category()).equals(family))
                .reduce((a, b) -> b));
  }

  private List<Channel> seats() {
    return mix.channels().stream().filter(c -> c.kind() == ChannelKind.SEAT).toList();
  }
}
