package drevik.server.mix;

import drevik.mix.Mix;
import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;

/** One immutable state of a Mix, and what made it. */
@Entity
@Immutable
@Table(name = "mix_revision")
class RevisionRow {
  /** Which Mix, which number. */
  @Embeddable
  record Key(String mixId, int number) implements Serializable {}

  @EmbeddedId Key key;

  Integer parent;

  @Column(nullable = false)
  Instant at;

  @Column(nullable = false)
  String says;

  // A Mix never changes: Hibernate need not copy it, by way of JSON, to find out whether it did.
  @Mutability(Immutability.class)
  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  Mix document;

  protected RevisionRow() {}

  RevisionRow(String mixId, int number, Integer parent, Instant at, String says, Mix document) {
    this.key = new Key(mixId, number);
    this.parent = parent;
    this.at = at;
    this.says = says;
    this.document = document;
  }
}
