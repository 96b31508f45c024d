package drevik.server.intake;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.server.Ids;
import drevik.server.NotFound;
import java.time.Clock;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Sorting with what was learned from corrections. A correction holds for names of the same words,
 * numbers and sides left aside: “Zork 2” goes where “Zork L 1” was put, “Zork low” does not.
 */
@Service
public class LearnedSorting {
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
    return new Sorting(
        category, LEARNED, Sorting.Source.LEARNED, List.of("you put “" + words + "” there before"));
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
    Map<String, String> taught = new LinkedHashMap<>();
    for (String name : names) {
      String own = wordsOf(name);
      if (!own.isEmpty() && own.length() <= LONGEST_WORDS) {
        taught.putIfAbsent(own, name);
      }
    }
    for (SortingRuleRow rule : rules.findByClientAndWordsIn(client, taught.keySet())) {
      rule.category = category;
      rule.at = clock.instant();
      taught.remove(rule.words);
    }
    rules.saveAll(
        taught.entrySet().stream()
            .map(
                one ->
                    new SortingRuleRow(
                        Ids.next(),
                        client,
                        one.getKey(),
                        one.getValue(),
                        category,
                        clock.instant()))
            .toList());
  }

  /**
   * Reads what rules were learned of by the words of today. A word that says nothing by now would
   * otherwise stand in a rule, and in no name that it is for. Of two that have become the same the
   * newer one stays; one of which nothing is left stays as it is.
   */
  @Transactional
  public void readAnew() {
    List<SortingRuleRow> all = rules.findAll(Sort.by("at"));
    Map<List<String>, SortingRuleRow> newest = new LinkedHashMap<>();
    for (SortingRuleRow rule : all) {
      String words = wordsOf(rule.taught);
      SortingRuleRow read = rule.reading(words.isEmpty() ? rule.words : words);
      newest.put(List.of(read.client, read.words), read);
    }
    // No two may ever have the same words, not even on the way.
    rules.deleteAllInBatch();
    rules.saveAll(newest.values());
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
