package drevik.server.mix;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One immutable state of a Mix, and what made it. */
@Entity
@Immutable
@Table(name = "mix_revision")
class RevisionRow {
  /** Which Mix, which number. */
  @Embeddable
  record Key(String mixId, int number) implements Serializable {}

  @EmbeddedId Key key;

  @Nullable Integer parent;

  @Column(nullable = false)
  Instant at;

  @Column(nullable = false)
  String says;

  /** The Mix as text: what a newer program wrote can be listed, and is refused when it is read. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  String document;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected RevisionRow() {}

  RevisionRow(
      String mixId,
      int number,
      @Nullable Integer parent,
      Instant at,
      String says,
      String document) {
    this.key = new Key(mixId, number);
    this.parent = parent;
    this.at = at;
    this.says = says;
    this.document = document;
  }
}
