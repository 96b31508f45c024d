package drevik.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

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

  @Column(nullable = false)
  Instant at;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected UploadRow() {}

  UploadRow(String id, String deliveryId, String name, long bytes, Instant at) {
    this.id = id;
    this.deliveryId = deliveryId;
    this.name = name;
    this.bytes = bytes;
    this.at = at;
  }
}
