package drevik.reassign;

import drevik.category.CategoryTree;
import drevik.category.Colour;
import drevik.category.NameWords;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.Taken;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.Slots;
import drevik.reassign.SlotValues.Sent;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * What the category map of a Mix says of its channels, asked in one way by all who ask. Of the
 * entries that speak of a channel the most specific one wins, for each thing that they say: the one
 * that asks for more than a category, then the one of the nearer category, then the one that stands
 * first.
 *
 * <p>It decides of seats and references. What a bus is and where it goes, the template says.
 */
public final class MapAnswers {
  private static final Comparator<MapEntry> MOST_SPECIFIC =
      Comparator.comparingInt(MapEntry::conditions)
          .thenComparingInt(entry -> CategoryTree.depthOf(entry.category()))
          .reversed();

  private final CategoryMap map;
  private final Map<String, Channel> channels;
  private final Map<String, String> stems = new HashMap<>();
  private final Map<String, List<MapEntry>> byCategory = new HashMap<>();

  /** Category → the entries of it and of what it stands under, the most specific first. */
  private final Map<String, List<MapEntry>> families = new HashMap<>();

  private MapAnswers(Mix mix) {
    this.map = mix.categoryMap();
    this.channels = mix.channelsById();
    mix.outputs().stream()
        .filter(output -> channels.containsKey(output.channel()))
        .forEach(output -> stems.put(output.id(), output.channel()));
    map.entries()
        .forEach(
            entry ->
                byCategory
                    .computeIfAbsent(entry.category(), category -> new ArrayList<>())
                    .add(entry));
  }

  public static MapAnswers of(Mix mix) {
    return new MapAnswers(mix);
  }

  /** True if the map says anything at all. */
  public boolean isUsed() {
    return !map.saysNothing();
  }

  boolean knows(String channel) {
    return channels.containsKey(channel);
  }

  /** True if the map decides of such a channel. */
  public static boolean decidesOf(Channel channel) {
    return channel.kind().holdsClips();
  }

  /** The entries that speak of what is asked, the most specific first. */
  public List<MapEntry> entriesFor(Asked asked) {
    List<MapEntry> family = families.computeIfAbsent(asked.category(), this::family);
    if (family.stream().allMatch(MapEntry::asksForCategoryAlone)) {
      return family;
    }
    Words words = new Words(asked.name());
    return family.stream().filter(entry -> speaksOf(entry, asked, words)).toList();
  }

  private List<MapEntry> family(String category) {
    List<MapEntry> family = new ArrayList<>();
    for (Optional<String> at = Optional.of(category);
        at.isPresent();
        at = at.flatMap(CategoryTree::parentOf)) {
      family.addAll(byCategory.getOrDefault(at.get(), List.of()));
    }
    family.sort(MOST_SPECIFIC);
    return List.copyOf(family);
  }

  /** A name's words, looked for once. */
  private static final class Words {
    private final String name;
    private @Nullable Set<String> words;

    Words(String name) {
      this.name = name;
    }

    boolean haveAll(String asked) {
      if (words == null) {
        words = NameWords.of(name);
      }
      Set<String> wanted = NameWords.of(asked);
      // Signs alone are no words: they ask for nothing, and mean nobody.
      return !wanted.isEmpty() && words.containsAll(wanted);
    }
  }

  /** True if all is so that an entry asks for beside the category. */
  static boolean speaksOf(MapEntry entry, Asked asked) {
    return speaksOf(entry, asked, new Words(asked.name()));
  }

  private static boolean speaksOf(MapEntry entry, Asked asked, Words words) {
    return (entry.person() == null || entry.person().equalsIgnoreCase(asked.person()))
        && (entry.layout() == null || entry.layout() == asked.layout())
        && (entry.deliveredBy() == null
            || entry.deliveredBy().equalsIgnoreCase(asked.deliveredBy()))
        && (entry.words() == null || words.haveAll(entry.words()))
        && (entry.position() == null || NameWords.standsAt(asked.name(), entry.position()));
  }

  /** What is to stand in a channel: what was taken over, else what the map says. */
  public Map<Slot, Answer> answers(Channel channel) {
    if ((map.saysNothing() && channel.taken().isEmpty()) || !decidesOf(channel)) {
      return Map.of();
    }
    Map<Slot, Answer> answers = new LinkedHashMap<>();
    for (Taken taken : channel.taken()) {
      Slots.byId(taken.id())
          .map(slot -> Answer.of(slot, taken))
          .filter(this::canBe)
          .ifPresent(answer -> answers.put(answer.slot(), answer));
    }
    for (MapEntry entry : entriesFor(Asked.of(channel))) {
      for (Slots.Kind kind : Slots.kinds()) {
        if (!kind.ofMany()) {
          Slot slot = Slot.of(kind.id());
          Object value = said(entry, slot, kind, channel);
          if (value != null) {
            say(answers, slot, value, entry);
          }
        }
      }
      for (MapSend send : entry.sends()) {
        Sent sent = send.none() ? null : new Sent(send.tap(), send.levelDb(), true);
        say(answers, Slot.send(send.destinations()), sent, entry);
      }
      entry.controls().forEach(control -> say(answers, Slot.control(control), true, entry));
    }
    return answers;
  }

  /** False for what was taken over and points at a channel that has gone since. */
  private boolean canBe(Answer answer) {
    Field<Channel, ?> field = Slots.kindOf(answer.slot()).field();
    boolean points = field != null && field.targets().contains(Field.Target.CHANNEL);
    return !points || !(answer.value() instanceof String to) || knows(to);
  }

  /** What an entry says of a channel in a slot that is one thing; null if it says nothing. */
  private @Nullable Object said(MapEntry entry, Slot slot, Slots.Kind kind, Channel channel) {
    if (slot.equals(Slot.OUTPUT)) {
      return destination(entry).filter(to -> !to.equals(channel.id())).orElse(null);
    }
    if (kind.field() == ChannelField.CHAIN) {
      return entry.chain().isEmpty() ? null : SlotValues.bare(entry.chain());
    }
    boolean seated = slot.equals(Slot.LAYOUT) && !channel.awaitsAudio();
    return seated ? null : kind.saidBy().get(entry);
  }

  /** The first that says something of a slot is the most specific. */
  private static void say(
      Map<Slot, Answer> answers, Slot slot, @Nullable Object value, MapEntry entry) {
    answers.putIfAbsent(slot, Answer.of(slot, value, entry));
  }

  /** A channel without what a map says in some slots, so that it follows its own answers. */
  public static Channel unsaid(Channel channel, Set<Slot> slots) {
    Channel after = channel;
    for (Slot slot : slots) {
      Field<Channel, ?> field = Slots.kindOf(slot).field();
      if (field == ChannelField.SENDS) {
        List<Send> left = new ArrayList<>(after.sends());
        left.removeIf(send -> Slot.send(send.destinations()).equals(slot));
        after = after.withSends(left);
      } else if (field != null
          && (field.byDefault().isPresent() || ChannelField.ALL.isNullable(field))) {
        after = SlotWriter.with(after, field, field.byDefault().orElse(null));
      }
    }
    return after;
  }

  /** Where an entry sends: its destination, else where its stem is taken. */
  private Optional<String> destination(MapEntry entry) {
    return Optional.ofNullable(entry.destination())
        .or(() -> Optional.ofNullable(entry.stem()).map(stems::get));
  }

  /** Where something goes; empty if the map is silent. */
  public Optional<Answer> destinationOf(Asked asked) {
    return first(asked, entry -> destination(entry).orElse(null), Slot.OUTPUT);
  }

  /** The layout that seats of this kind are wanted in. */
  public Optional<Answer> layoutOf(Asked asked) {
    return first(asked, MapEntry::wantedLayout, Slot.LAYOUT);
  }

  /** How loud what is seated there begins, LUFS; empty if the map is silent. */
  public Optional<Double> guideOf(Asked asked) {
    return entriesFor(asked).stream().map(MapEntry::guideLufs).filter(Objects::nonNull).findFirst();
  }

  /** The place of a channel among others; empty if the map is silent. */
  Optional<Integer> orderOf(Channel channel) {
    return entriesFor(Asked.of(channel)).stream()
        .map(MapEntry::order)
        .filter(Objects::nonNull)
        .findFirst();
  }

  private Optional<Answer> first(
      Asked asked, Function<MapEntry, @Nullable Object> says, Slot slot) {
    for (MapEntry entry : entriesFor(asked)) {
      Object value = says.apply(entry);
      if (value != null) {
        return Optional.of(Answer.of(slot, value, entry));
      }
    }
    return Optional.empty();
  }

  /**
   * Where the map would send a channel: somewhere that is there and active, and not the channel
   * itself.
   */
  public Optional<Channel> usableDestination(Channel channel) {
    return destinationOf(Asked.of(channel))
        .map(answer -> channels.get(answer.text()))
        .filter(to -> !to.id().equals(channel.id()) && !to.stowed());
  }

  /**
   * A colour's id: the channel's own, else the map's, else that of its category. What is coloured
   * as its bus has the first colour that stands on the way on.
   */
  public String colourOf(Channel channel) {
    Set<String> passed = new HashSet<>();
    Channel at = channel;
    while (passed.add(at.id())) {
      Optional<String> said = saidColour(at);
      if (said.isPresent() && !said.get().equals(Colour.AS_ITS_BUS.toString())) {
        return said.get();
      }
      Channel bus = at.output() == null ? null : channels.get(at.output());
      if (said.isEmpty() || bus == null) {
        break;
      }
      at = bus;
    }
    return Colour.ofCategory(at.category()).toString();
  }

  private Optional<String> saidColour(Channel channel) {
    boolean own = channel.colour() != null || channel.isPinned(Slot.COLOUR);
    return own ? Optional.ofNullable(channel.colour()) : mappedColour(channel);
  }

  private Optional<String> mappedColour(Channel channel) {
    return entriesFor(Asked.of(channel)).stream()
        .map(MapEntry::colour)
        .filter(Objects::nonNull)
        .findFirst();
  }

  /** Why a channel goes where it goes; null if it goes nowhere. */
  public @Nullable String whyThere(Channel channel) {
    if (channel.output() == null) {
      return null;
    }
    if (channel.isPinned(Slot.OUTPUT)) {
      return "pinned by hand";
    }
    Optional<Taken> taken = channel.taken(Slot.OUTPUT);
    if (taken.isPresent()) {
      return Answer.of(Slot.OUTPUT, taken.get()).words();
    }
    return destinationOf(Asked.of(channel))
        .filter(answer -> Objects.equals(answer.value(), channel.output()))
        .map(Answer::words)
        .orElse("set by hand");
  }
}
