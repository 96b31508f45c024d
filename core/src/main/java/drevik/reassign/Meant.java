package drevik.reassign;

import drevik.category.CategoryTree;
import drevik.category.NameWords;
import drevik.mix.Channel;
import drevik.mix.MapEntry;
import drevik.mix.MapEntryBuilder;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Which channels somebody means: those that are picked, or the seats and references of a category,
 * of a person, or whose names have some words. Exactly one of these is said.
 *
 * @param channels ids; empty if another is said
 * @param category a path of the tree; what is below it is meant too
 * @param words all of which the name has, apart by blanks, as an entry of a category map asks
 */
public record Meant(
    List<String> channels,
    @Nullable String category,
    @Nullable String person,
    @Nullable String words) {

  public Meant {
    channels = channels == null ? List.of() : List.copyOf(channels);
    category = said(category);
    person = said(person);
    words = said(words);
  }

  public static Meant picked(List<String> channels) {
    return new Meant(channels, null, null, null);
  }

  public static Meant ofCategory(String category) {
    return new Meant(List.of(), category, null, null);
  }

  private static @Nullable String said(@Nullable String word) {
    return word == null || word.isBlank() ? null : word.strip();
  }

  /**
   * The ids of the channels that are meant now.
   *
   * @throws Refused if not one thing is said, or the Mix has no such channel
   */
  public List<String> in(Mix mix) {
    long things =
        Stream.of(category, person, words).filter(Objects::nonNull).count()
            + (channels.isEmpty() ? 0 : 1);
    if (things != 1) {
      throw new Refused("Say one thing: channels, a category, a person, or words of the name.");
    }
    if (!channels.isEmpty()) {
      mix.requireChannels(channels);
      return channels;
    }
    if (words != null && NameWords.of(words).isEmpty()) {
      throw new Refused("“" + words + "” has no word in it; say letters or digits of the name.");
    }
    if (category != null && !CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    return mix.channels().stream().filter(this::means).map(Channel::id).toList();
  }

  private boolean means(Channel channel) {
    return MapAnswers.decidesOf(channel)
        && (category == null || CategoryTree.isWithin(channel.category(), category))
        && (category != null || MapAnswers.speaksOf(entry(channel.category()), Asked.of(channel)));
  }

  /**
   * What entries of a category map ask for that speak of these channels.
   *
   * @param filed the Mix, the channels in the categories that they are to have
   * @param ids of the channels that are meant
   * @param to the category that they were all filed under, or null if each keeps its own
   * @throws Refused if a channel has no category
   */
  public List<MapEntry> entries(Mix filed, List<String> ids, @Nullable String to) {
    if (category != null) {
      return List.of(MapEntry.of(to == null ? category : to));
    }
    Set<String> wanted = Set.copyOf(ids);
    Set<String> categories = new LinkedHashSet<>();
    filed.channels().stream()
        .filter(channel -> wanted.contains(channel.id()))
        .map(Channel::category)
        .forEach(categories::add);
    if (categories.contains(CategoryTree.UNKNOWN)) {
      throw new Refused("Some of these channels have no category yet; give them one first.");
    }
    return categories.stream().map(this::entry).toList();
  }

  private MapEntry entry(String of) {
    String id = of + (person == null ? "" : ":" + person) + (words == null ? "" : ":" + words);
    return MapEntryBuilder.builder(MapEntry.of(of)).id(id).person(person).words(words).build();
  }

  /** Who is meant by something else than being picked, in words. */
  public String says() {
    if (category != null) {
      return "all of " + category;
    }
    return person != null ? "all of " + person : "all that are called “" + words + "”";
  }
}
