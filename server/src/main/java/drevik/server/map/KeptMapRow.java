package drevik.server.map;

import drevik.shelf.NamedMap;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A category map on the shelf. What was removed is shown as such for a while. */
@Entity
@Table(name = "kept_map")
class KeptMapRow {
  @Id String id;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  NamedMap map;

  @Column(nullable = false)
  Instant at;

  @Column(insertable = false, updatable = false)
  @Nullable Instant removedAt;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected KeptMapRow() {}

  KeptMapRow(String id, NamedMap map, Instant at) {
    this.id = id;
    this.map = map;
    this.at = at;
  }
}
