package drevik.server.intake;

import java.time.Instant;
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
}
