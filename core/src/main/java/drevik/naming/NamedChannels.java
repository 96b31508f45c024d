package drevik.naming;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.reassign.Actor;
import drevik.reassign.Asked;
import drevik.reassign.Following;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Makes channels of names: what was said of all of them holds, what was not is read from each name,
 * and what neither says is as on the channel that they stand behind. Buses are looked at first, so
 * that the seats of the same lines find them.
 */
public final class NamedChannels {
  /**
   * What was said of all of them; null where each name says it.
   *
   * @param output {@link #NOWHERE} for channels that are not sent anywhere yet
   * @param like what they stand behind, or null
   */
  public record Said(
      @Nullable ChannelKind kind,
      @Nullable Layout layout,
      @Nullable String category,
      @Nullable String output,
      @Nullable Channel like) {}

  public static final String NOWHERE = "";

  private final Said said;
  private final Map<String, ChannelName> read = new HashMap<>();
  private Mix mix;

  private NamedChannels(Mix mix, Said said) {
    this.mix = mix;
    this.said = said;
  }

  /**
   * Channels as their names say.
   *
   * @param ids one for each name, new to the Mix
   */
  public static List<NamedChannel> of(Mix mix, List<String> names, List<String> ids, Said said) {
    return new NamedChannels(mix, said).all(names, ids);
  }

  private List<NamedChannel> all(List<String> names, List<String> ids) {
    Map<Integer, NamedChannel> made = new HashMap<>();
    IntStream.range(0, names.size())
        .boxed()
        .sorted(Comparator.comparingInt((Integer i) -> rank(read(names.get(i)))))
        .forEach(
            i -> {
              NamedChannel one = one(ids.get(i), names.get(i));
              made.put(i, one);
              List<Channel> grown = new ArrayList<>(mix.channels());
              grown.add(one.channel());
              mix = mix.withChannels(grown);
            });
    return IntStream.range(0, names.size()).mapToObj(i -> made.get(i)).toList();
  }

  /** What others are sent to comes before them. */
  private int rank(ChannelName name) {
    return switch (kindOf(name)) {
      case MASTER -> 0;
      case BUS -> name.isMix() ? 1 : 2;
      case RETURN -> 3;
      case SEAT, REFERENCE -> 4;
    };
  }

  private ChannelKind kindOf(ChannelName name) {
    return said.kind() != null
        ? said.kind()
        : name.kind().orElseGet(() -> said.like() == null ? ChannelKind.SEAT : said.like().kind());
  }

  /** Sorting takes its time, and names are asked again and again. */
  private ChannelName read(String name) {
    return read.computeIfAbsent(name, ChannelName::of);
  }

  private NamedChannel one(String id, String name) {
    ChannelName read = read(name);
    List<String> because = new ArrayList<>();
    ChannelKind kind = kindOf(read);
    String category = categoryOf(kind, read, because);
    Destination to = destinationOf(kind, category, name, read.isMix(), because);
    Layout layout = layoutOf(kind, category, name, read, to.channel());
    Channel model = said.like();
    String like = null;
    if (model != null
        && model.kind() == kind
        && model.layout() == layout
        && model.category().equals(category)
        && Objects.equals(model.output(), to.id())
        && (kind == ChannelKind.SEAT || FreshNames.isNext(model.name(), name))) {
      like = model.id();
      because.add("all else as “" + model.name() + "”");
    }
    String own = ChannelName.saysParallel(name) ? null : ownCategory(kind, category);
    NamedChannel made =
        new NamedChannel(id, name, kind, layout, category, to.id(), own, List.of(), like, because);
    return own == null ? made : made.movedBy(moved(made, own));
  }

  /** Channels that have a place, and another one as soon as their category goes to the new bus. */
  private List<String> moved(NamedChannel bus, String category) {
    List<Channel> grown = new ArrayList<>(mix.channels());
    grown.add(bus.channel());
    Mix before = mix.withChannels(grown);
    Map<String, Channel> was = before.channelsById();
    return Following.after(
            before,
            before.withCategoryMap(before.categoryMap().sending(category, bus.id())),
            Actor.MAP)
        .channels()
        .stream()
        .filter(one -> Lookup.in(was, one.id()).output() != null)
        .filter(one -> !Objects.equals(Lookup.in(was, one.id()).output(), one.output()))
        .map(Channel::name)
        .toList();
  }

  /** Only what is of one kind is of one category where no name says it: a master is no kick. */
  private String categoryOf(ChannelKind kind, ChannelName read, List<String> because) {
    if (said.category() != null) {
      return said.category();
    }
    Channel like = said.like();
    boolean silent = read.sorting().category().equals(CategoryTree.UNKNOWN) && !read.isMix();
    if (silent && like != null && like.kind() == kind) {
      if (!like.category().equals(CategoryTree.UNKNOWN)) {
        because.add(like.category() + " as “" + like.name() + "”");
      }
      return like.category();
    }
    because.addAll(read.sorting().because());
    return read.sorting().category();
  }

  private record Destination(@Nullable Channel channel) {
    static final Destination NONE = new Destination(null);

    @Nullable String id() {
      return channel == null ? null : channel.id();
    }
  }

  private Destination destinationOf(
      ChannelKind kind, String category, String name, boolean isMix, List<String> because) {
    if (said.output() != null) {
      return new Destination(mix.channel(said.output()).orElse(null));
    }
    Optional<Channel> to =
        switch (kind) {
          case MASTER, REFERENCE -> Optional.empty();
          case SEAT -> seatGoesTo(category, name, because);
          case BUS -> isMix ? theOnly(ChannelKind.MASTER) : busGoesTo(category, because);
          case RETURN -> returnsBus(because).or(this::mixBus);
        };
    return to.map(Destination::new).orElse(Destination.NONE);
  }

  private Optional<Channel> seatGoesTo(String category, String name, List<String> because) {
    MapAnswers map = MapAnswers.of(mix);
    Optional<Channel> mapped =
        map.destinationOf(new Asked(category, name, Layout.MONO, null, null))
            .flatMap(answer -> mix.channel(answer.text()))
            .filter(Channel::takesSound);
    if (mapped.isPresent()) {
      because.add("goes to “" + mapped.get().name() + "”, as the category map says");
      return mapped;
    }
    for (Optional<String> at = Optional.of(category);
        at.isPresent();
        at = at.flatMap(CategoryTree::parentOf)) {
      Optional<Channel> bus = theBusOf(at.get());
      if (bus.isPresent()) {
        because.add("goes to “" + bus.get().name() + "”, the one bus of " + at.get());
        return bus;
      }
    }
    return Optional.ofNullable(said.like()).map(Channel::output).flatMap(mix::channel);
  }

  /** A sub-sum goes to the bus of what its category belongs to; a group to the mix. */
  private Optional<Channel> busGoesTo(String category, List<String> because) {
    Optional<Channel> parent = CategoryTree.parentOf(category).flatMap(this::theBusOf);
    parent.ifPresent(
        bus -> because.add("goes to “" + bus.name() + "”, the one bus of " + bus.category()));
    return parent.or(this::mixBus);
  }

  /** The bus that gathers the returns, so that a new one is in their stem: fed by nothing else. */
  private Optional<Channel> returnsBus(List<String> because) {
    Map<String, Set<ChannelKind>> fedBy = new HashMap<>();
    for (Channel one : mix.channels()) {
      if (one.output() != null) {
        fedBy.computeIfAbsent(one.output(), to -> new HashSet<>()).add(one.kind());
      }
    }
    Optional<Channel> bus =
        only(
            mix.channels().stream()
                .filter(one -> one.kind() == ChannelKind.BUS && one.takesSound())
                .filter(one -> Set.of(ChannelKind.RETURN).equals(fedBy.get(one.id())))
                .toList());
    bus.ifPresent(one -> because.add("goes to “" + one.name() + "”, as other returns do"));
    return bus;
  }

  /** Empty where there is none, or several among which only a person can choose. */
  private Optional<Channel> theBusOf(String category) {
    return category.equals(CategoryTree.UNKNOWN)
        ? Optional.empty()
        : only(
            mix.channels().stream()
                .filter(one -> one.kind() == ChannelKind.BUS && one.takesSound())
                .filter(one -> one.category().equals(category))
                .toList());
  }

  /** What is called the mix; else what all groups go to, or the one master. */
  private Optional<Channel> mixBus() {
    List<Channel> buses =
        mix.channels().stream()
            .filter(one -> one.kind() == ChannelKind.BUS && one.takesSound())
            .toList();
    Optional<Channel> named = only(buses.stream().filter(one -> read(one.name()).isMix()).toList());
    return named
        .or(
            () ->
                only(
                    buses.stream()
                        .map(Channel::output)
                        .distinct()
                        .flatMap(id -> Optional.ofNullable(id).flatMap(mix::channel).stream())
                        .toList()))
        .or(() -> theOnly(ChannelKind.MASTER));
  }

  private Optional<Channel> theOnly(ChannelKind kind) {
    return only(
        mix.channels().stream().filter(one -> one.kind() == kind && one.takesSound()).toList());
  }

  private static Optional<Channel> only(List<Channel> some) {
    return some.size() == 1 ? Optional.of(some.get(0)) : Optional.empty();
  }

  private Layout layoutOf(
      ChannelKind kind, String category, String name, ChannelName read, @Nullable Channel to) {
    if (said.layout() != null) {
      return said.layout();
    }
    if (read.layout().isPresent()) {
      return read.layout().get();
    }
    Channel like = said.like();
    if (like != null && like.kind() == kind) {
      return like.layout();
    }
    return switch (kind) {
      case SEAT ->
          MapAnswers.of(mix)
              .layoutOf(new Asked(category, name, Layout.MONO, null, null))
              .map(answer -> (Layout) answer.value())
              .orElse(Layout.MONO);
      case REFERENCE -> Layout.STEREO;
      case BUS, RETURN, MASTER ->
          Optional.ofNullable(to)
              .map(Channel::layout)
              .or(() -> mix.outputs().stream().map(Output::layout).findFirst())
              .orElse(Layout.STEREO);
    };
  }

  private @Nullable String ownCategory(ChannelKind kind, String category) {
    boolean offers =
        kind == ChannelKind.BUS
            && !category.equals(CategoryTree.UNKNOWN)
            && !mix.categoryMap().hasDestination(category)
            && theBusOf(category).isEmpty();
    return offers ? category : null;
  }
}
