package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.category.NameWords;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.StereoPairs;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Slot;
import drevik.reassign.Answer;
import drevik.reassign.Asked;
import drevik.reassign.MapAnswers;
import drevik.route.SignalGraph;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
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
  private final @Nullable String person;
  private final Songs.@Nullable Song song;
  private final Optional<Answer> mapped;
  private final Optional<Channel> neighbour;
  private final Optional<Channel> sum;

  /**
   * @param wished the bus that a person chose, or null
   * @param song the one that the file belongs to, or null: it is seated there and nowhere else
   */
  NewSeat(Mix mix, DeliveredFile file, @Nullable Channel wished, Songs.@Nullable Song song) {
    this.mix = mix;
    this.song = song;
    this.file = file;
    this.wished = wished;
    map = MapAnswers.of(mix);
    person = personOf(file, mix).orElse(null);
    mapped = map.destinationOf(asked()).filter(answer -> isOfItsSong(answer.text()));
    neighbour = findNeighbour();
    sum = findSum();
  }

  private Asked asked() {
    return new Asked(file.category(), file.name(), file.layout(), person, file.deliveredBy());
  }

  /** Of the persons of a Mix the one whom a file names. */
  static Optional<String> personOf(DeliveredFile file, Mix mix) {
    Set<String> words = NameWords.of(file.name());
    return mix.channels().stream()
        .map(Channel::person)
        .filter(Objects::nonNull)
        // A person of signs alone is nobody whom a name could say.
        .filter(person -> !NameWords.of(person).isEmpty())
        .filter(person -> words.containsAll(NameWords.of(person)))
        .max(Comparator.comparingInt(String::length));
  }

  /** What is to be compared with needs no way: it is added where none waits for it. */
  boolean isReference() {
    return wished == null && CategoryTree.isWithin(file.category(), "reference");
  }

  /** What other references are compared on, if they all are on one; null for nothing. */
  private @Nullable String comparison() {
    List<String> fed =
        mix.channels().stream()
            .filter(one -> one.kind() == ChannelKind.REFERENCE && !one.stowed())
            .map(Channel::output)
            .filter(Objects::nonNull)
            .distinct()
            .toList();
    return fed.size() == 1 ? fed.get(0) : null;
  }

  Optional<String> reasonToLeaveOut() {
    if (isReference()) {
      return Optional.empty();
    }
    boolean special = CategoryTree.isWithin(file.category(), "click");
    // Where nothing is routed yet, files are seated all the same, and routed later.
    boolean unrouted = mix.channels().stream().noneMatch(Channel::takesSound);
    if (wished != null || ((destination().isPresent() || unrouted) && !special)) {
      return Optional.empty();
    }
    return Optional.of(
        special
            ? "no free channel for " + file.category() + " in this Mix"
            : "the category map has no destination for " + file.category());
  }

  /** The seat, without a name yet. */
  Channel channel() {
    if (isReference()) {
      return Channel.of(
              "seat-" + file.id(), ChannelKind.REFERENCE, "", file.layout(), file.category())
          .withOutput(comparison())
          .withDeliveredBy(file.deliveredBy());
    }
    return neighbour
        .map(
            c ->
                (chosen().isPresent() ? c : leftToTheMap(c))
                    .withClips(List.of())
                    .withStowed(false)
                    .withMute(false))
        .orElseGet(() -> Channel.of("", ChannelKind.SEAT, "", file.layout(), file.category()))
        .with()
        .id("seat-" + file.id())
        .name("")
        .layout(file.layout())
        .category(file.category())
        .output(destination().orElse(null))
        .pan(file.joined() == null ? StereoPairs.panOf(file.name()) : 0)
        .invertPolarity(false)
        .person(person)
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
    return isReference() ? null : neighbour.or(this::lastOfItsBus).map(Channel::id).orElse(null);
  }

  /** Without a neighbour of its family it stands with those that it is heard with. */
  private Optional<Channel> lastOfItsBus() {
    String bus = destination().orElse(null);
    return bus == null
        ? Optional.empty()
        : seats().stream().filter(c -> bus.equals(c.output())).reduce((a, b) -> b);
  }

  String because() {
    if (wished != null) {
      return "you chose a new seat on “" + wished.name() + "”";
    }
    if (isReference()) {
      return "a new reference, to compare";
    }
    return "no free seat left; "
        + chosen()
            .map(one -> "like “" + one.name() + "”, which was put there by hand")
            .or(() -> sum.map(bus -> "into “" + bus.name() + "”, which sums such microphones"))
            .or(() -> mapped.map(Answer::words))
            .or(() -> neighbour.map(one -> "like “" + one.name() + "”"))
            .or(() -> Optional.ofNullable(song).map(one -> "to “" + one.bus().name() + "”"))
            .orElse("sent nowhere yet, as this Mix has no bus");
  }

  private Optional<String> destination() {
    return Optional.ofNullable(wished)
        .map(Channel::id)
        .or(() -> chosen().map(Channel::output))
        .or(() -> sum.map(Channel::id))
        .or(() -> mapped.map(Answer::text))
        .or(() -> neighbour.map(Channel::output))
        .or(() -> Optional.ofNullable(song).map(one -> one.bus().id()));
  }

  private boolean isOfItsSong(@Nullable String channel) {
    return song == null || song.holds(String.valueOf(channel));
  }

  /**
   * A bus of the file's own category that is nearer than what the category map says, such as a
   * snare's sum below the drum bus.
   */
  private Optional<Channel> findSum() {
    String category = file.category();
    boolean mapSaysSo =
        mapped.map(Answer::by).filter(by -> by.category().equals(category)).isPresent();
    boolean leaf = category.contains("/");
    if (mapSaysSo || !leaf) {
      return Optional.empty();
    }
    Set<String> forKeys = SignalGraph.of(mix).heardByKeysAlone();
    return mix.channels().stream()
        .filter(c -> c.kind() == ChannelKind.BUS && c.category().equals(category))
        .filter(bus -> !forKeys.contains(bus.id()) && isOfItsSong(bus.id()))
        .filter(bus -> seats().stream().anyMatch(seat -> bus.id().equals(seat.output())))
        .findFirst();
  }

  /** Where all of this category were sent to one place by hand, the last of them. */
  private Optional<Channel> chosen() {
    Slot output = Slot.OUTPUT;
    List<Channel> alike =
        seats().stream().filter(c -> c.category().equals(file.category())).toList();
    boolean byHand = alike.stream().allMatch(c -> c.isPinned(output) && c.output() != null);
    return byHand && alike.stream().map(Channel::output).distinct().count() == 1
        ? neighbour
        : Optional.empty();
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
    return mix.channels().stream()
        .filter(c -> c.kind() == ChannelKind.SEAT && isOfItsSong(c.id()))
        .toList();
  }
}
