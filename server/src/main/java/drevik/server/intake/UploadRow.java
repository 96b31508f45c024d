package drevik.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A large file on its way, in pieces. */
@Entity
@Table(name = "upload")
class UploadRow {
  @Id String id;

  @Column(nullable = false)
  String deliveryId;

  @Column(nullable = false)
  String name;

  long bytes;

  /** When the sender's file was last changed, milliseconds since 1970; 0 where nobody said. */
  long changed;

  /** All of it has been taken in, or refused. */
  boolean done;

  /** Ids of the files that came of it. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  List<String> files = List.of();

  /** Why nothing came of it. */
  @Nullable String fault;

  @Column(nullable = false)
  Instant at;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected UploadRow() {}

  /** What became of it. */
  void end(List<String> files, @Nullable String fault) {
    this.done = true;
    this.files = files;
    this.fault = fault;
  }
}
