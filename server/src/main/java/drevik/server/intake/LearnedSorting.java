package drevik.server.intake;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.server.Ids;
import drevik.server.NotFound;
import java.time.Clock;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/**
 * Sorting with what was learned from corrections. A correction holds for names of the same words,
 * numbers and sides left aside: “Zork 2” goes where “Zork L 1” was put, “Zork low” does not.
 */
@Service
class LearnedSorting {
  /** A rule as it is shown. */
  record Rule(String id, String words, String category) {}

  private static final double LEARNED = 0.97;
  private static final int LONGEST_WORDS = 200;

  private final SortingRuleRows rules;
  private final Clock clock;

  LearnedSorting(SortingRuleRows rules, Clock clock) {
    this.rules = rules;
    this.clock = clock;
  }

  static String clientOf(DeliveryRow delivery) {
    return delivery.client == null ? "" : delivery.client;
  }

  static String wordsOf(String name) {
    return String.join(" ", NameSorter.wordsOf(name));
  }

  Sorting sort(String client, String name) {
    return ruleFor(client, name).orElseGet(() -> NameSorter.sort(name));
  }

  /** Everything that was learned of a client, asked for once and used for many names. */
  record Known(Map<String, String> categories) {
    /** What was learned for names like this one. */
    Optional<Sorting> of(String name) {
      String words = wordsOf(name);
      return Optional.ofNullable(categories.get(words)).map(category -> learned(category, words));
    }
  }

  Known known(String client) {
    return new Known(
        rules.findByClientOrderByWords(client).stream()
            .filter(rule -> CategoryTree.has(rule.category))
            .collect(Collectors.toMap(rule -> rule.words, rule -> rule.category)));
  }

  private static Sorting learned(String category, String words) {
    return new Sorting(category, LEARNED, List.of("you put “" + words + "” there before"));
  }

  /** What was learned for names like this one. */
  Optional<Sorting> ruleFor(String client, String name) {
    String words = wordsOf(name);
    return rules
        .findByClientAndWords(client, words)
        .filter(rule -> CategoryTree.has(rule.category))
        .map(rule -> learned(rule.category, words));
  }

  /** Remembers a correction; names that have no word of their own teach nothing. */
  void learn(String client, Collection<String> names, String category) {
    Set<String> words = new LinkedHashSet<>();
    for (String name : names) {
      String own = wordsOf(name);
      if (!own.isEmpty() && own.length() <= LONGEST_WORDS) {
        words.add(own);
      }
    }
    for (SortingRuleRow rule : rules.findByClientAndWordsIn(client, words)) {
      rule.category = category;
      words.remove(rule.words);
    }
    rules.saveAll(
        words.stream()
            .map(own -> new SortingRuleRow(Ids.next(), client, own, category, clock.instant()))
            .toList());
  }

  List<Rule> list(String client) {
    return rules.findByClientOrderByWords(client).stream()
        .map(rule -> new Rule(rule.id, rule.words, rule.category))
        .toList();
  }

  void forget(String id) {
    rules.delete(rule(id));
  }

  /** A rule says something else from now on; the words that it is about. */
  String change(String id, String category) {
    SortingRuleRow rule = rule(id);
    rule.category = category;
    rules.save(rule);
    return rule.words;
  }

  private SortingRuleRow rule(String id) {
    return rules.findById(id).orElseThrow(() -> new NotFound("There is no rule “" + id + "”."));
  }
}
