package drevik.server.chain;

import drevik.shelf.KeptChain;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A chain on the shelf. What was removed is shown as such for a while, and can be brought back. */
@Entity
@Table(name = "kept_chain")
class KeptChainRow {
  @Id String id;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  KeptChain chain;

  @Column(nullable = false)
  Instant at;

  @Column(insertable = false, updatable = false)
  @Nullable Instant removedAt;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected KeptChainRow() {}

  KeptChainRow(String id, KeptChain chain, Instant at) {
    this.id = id;
    this.chain = chain;
    this.at = at;
  }
}
