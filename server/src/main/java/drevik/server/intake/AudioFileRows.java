package drevik.server.intake;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface AudioFileRows extends JpaRepository<AudioFileRow, String> {
  /** Two senders may bring the same content at the same moment. */
  @Modifying
  @Query(
      value =
          "insert into audio_file (sha256, bytes, received_at) values (?1, ?2, ?3)"
              + " on conflict do nothing",
      nativeQuery = true)
  void addIfNew(String sha256, long bytes, Instant at);

  /** Contents that are waited for and that nobody has measured. */
  @Query(
      "select distinct a.sha256 from AudioFileRow a, DeliveredFileRow f"
          + " where f.sha256 = a.sha256 and f.fault is null and a.inspection is null")
  List<String> unmeasured();

  boolean existsBySha256AndInspectionIsNull(String sha256);
}
