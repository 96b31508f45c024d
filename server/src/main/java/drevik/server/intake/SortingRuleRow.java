package drevik.server.intake;

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

  @Column(nullable = false)
  String words;

  @Column(nullable = false)
  String category;

  @Column(nullable = false)
  Instant at;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected SortingRuleRow() {}

  SortingRuleRow(String id, String client, String words, String category, Instant at) {
    this.id = id;
    this.client = client;
    this.words = words;
    this.category = category;
    this.at = at;
  }
}
