package drevik.server.print;

import drevik.render.PrintReport;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.SoftDelete;
import org.hibernate.annotations.SoftDeleteType;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One print run: what was asked, how far it is, what came of it. */
@Entity
@SoftDelete(strategy = SoftDeleteType.TIMESTAMP, columnName = "removed_at")
@Table(name = "print_run")
class PrintRunRow {
  @Id String id;

  @Column(nullable = false)
  String mixId;

  int revision;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  List<String> outputs;

  @Enumerated(EnumType.STRING)
  @Column(nullable = false)
  PrintState state;

  double done;
  boolean cancelAsked;
  @Nullable String message;

  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable PrintReport report;

  @Column(nullable = false)
  Instant askedAt;

  @Nullable Instant startedAt;
  @Nullable Instant endedAt;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected PrintRunRow() {}

  PrintRunRow(String id, String mixId, int revision, List<String> outputs, Instant askedAt) {
    this.id = id;
    this.mixId = mixId;
    this.revision = revision;
    this.outputs = outputs;
    this.state = PrintState.WAITING;
    this.askedAt = askedAt;
  }
}
