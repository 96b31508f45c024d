package drevik.server.mix;

import drevik.mix.MixKind;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.SoftDelete;
import org.hibernate.annotations.SoftDeleteType;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A Mix on the shelf: its head revision, and what the shelf shows of it. */
@Entity
@SoftDelete(strategy = SoftDeleteType.TIMESTAMP, columnName = "removed_at")
@Table(name = "mix")
class MixRow {
  @Id String id;

  @Column(nullable = false)
  String name = "";

  @Enumerated(EnumType.STRING)
  @Column(nullable = false)
  MixKind kind;

  int head;

  /** The number of the newest revision; the head is an older one after undo. */
  int last;

  boolean archived;

  /** Null for a row of an earlier program, until its head moves, and for what cannot be read. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable ShelfSummary summary;

  @Version long version;

  @Column(nullable = false)
  Instant createdAt;

  @Column(nullable = false)
  Instant changedAt;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected MixRow() {}

  MixRow(String id, MixKind kind, Instant now) {
    this.id = id;
    this.kind = kind;
    this.createdAt = now;
    this.changedAt = now;
  }
}
