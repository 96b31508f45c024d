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

  /**
   * The Mix as text: what a newer program wrote can be listed, and is refused when it is read. Null
   * where the changes say it.
   */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable String document;

  /** What makes it of its parent, a JSON Patch; null for a whole one. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable String changes;

  /** How many changes it is away from a whole one. */
  int steps;

  /** The format of that whole one; null where nobody noted it. */
  @Nullable Integer format;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected RevisionRow() {}

  private RevisionRow(String mixId, int number, @Nullable Integer parent, Instant at, String says) {
    this.key = new Key(mixId, number);
    this.parent = parent;
    this.at = at;
    this.says = says;
    this.format = Mix.CURRENT_VERSION;
  }

  static RevisionRow whole(
      String mixId,
      int number,
      @Nullable Integer parent,
      Instant at,
      String says,
      String document) {
    RevisionRow row = new RevisionRow(mixId, number, parent, at, says);
    row.document = document;
    return row;
  }

  /**
   * One that is kept as what is different from its parent.
   *
   * @param steps how many changes it is away from a whole one
   */
  static RevisionRow of(
      String mixId, int number, int parent, Instant at, String says, String changes, int steps) {
    RevisionRow row = new RevisionRow(mixId, number, parent, at, says);
    row.changes = changes;
    row.steps = steps;
    return row;
  }
}
