package drevik.server.mix;

import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** The name that somebody gave to a revision. */
@Entity
@Table(name = "revision_name")
class RevisionNameRow {
  @EmbeddedId RevisionRow.Key key;

  @Column(nullable = false)
  String name;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected RevisionNameRow() {}

  RevisionNameRow(RevisionRow.Key key, String name) {
    this.key = key;
    this.name = name;
  }
}
