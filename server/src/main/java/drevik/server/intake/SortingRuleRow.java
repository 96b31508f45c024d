package drevik.server.intake;

import drevik.server.Ids;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What a person corrected: names of just these words belong in this category, for this client. */
@Entity
@Table(name = "sorting_rule")
class SortingRuleRow {
  @Id String id;

  /** Empty for deliveries without a client. */
  @Column(nullable = false)
  String client;

  /** Of the name, as the sorter reads it today. */
  @Column(nullable = false)
  String words;

  /** The name that it was learned of; of rules that are older, its words then. */
  @Column(nullable = false)
  String taught;

  @Column(nullable = false)
  String category;

  @Column(nullable = false)
  Instant at;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected SortingRuleRow() {}

  SortingRuleRow(
      String id, String client, String words, String taught, String category, Instant at) {
    this.id = id;
    this.client = client;
    this.words = words;
    this.taught = taught;
    this.category = category;
    this.at = at;
  }

  /** The same rule, as a row of its own, read by other words. */
  SortingRuleRow reading(String words) {
    return new SortingRuleRow(Ids.next(), client, words, taught, category, at);
  }
}
