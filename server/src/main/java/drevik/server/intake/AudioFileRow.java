package drevik.server.intake;

import drevik.intake.measure.Inspection;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One content of the audio store, with what its inspection found. */
@Entity
@Table(name = "audio_file")
class AudioFileRow {
  @Id String sha256;
  long bytes;

  @Column(nullable = false)
  Instant receivedAt;

  /** Null until the job has measured it, and for ever if it turned out to be broken. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable Inspection inspection;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected AudioFileRow() {}

  AudioFileRow(String sha256, long bytes, Instant receivedAt, @Nullable Inspection inspection) {
    this.sha256 = sha256;
    this.bytes = bytes;
    this.receivedAt = receivedAt;
    this.inspection = inspection;
  }
}
