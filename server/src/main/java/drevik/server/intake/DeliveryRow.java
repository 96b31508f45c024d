package drevik.server.intake;

import drevik.intake.conform.DeadAir;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.SoftDelete;
import org.hibernate.annotations.SoftDeleteType;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A batch of received files. */
@Entity
@SoftDelete(strategy = SoftDeleteType.TIMESTAMP, columnName = "removed_at")
@Table(name = "delivery")
class DeliveryRow {
  @Id String id;

  @Column(nullable = false)
  String mixId;

  @Column(nullable = false)
  String name;

  @Column(nullable = false)
  Instant at;

  @Nullable String client;
  @Nullable String artist;
  @Nullable String project;

  /** Pattern that seats are named by; null for the usual one. */
  @Nullable String seatNames;

  /** What of its files is cut away; null for the usual. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable DeadAir deadAir;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected DeliveryRow() {}

  DeadAir deadAir() {
    return deadAir == null ? DeadAir.USUAL : deadAir;
  }

  DeliveryRow(String id, String mixId, String name, Instant at) {
    this.id = id;
    this.mixId = mixId;
    this.name = name;
    this.at = at;
  }
}
