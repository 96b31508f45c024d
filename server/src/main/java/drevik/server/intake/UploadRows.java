package drevik.server.intake;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface UploadRows extends JpaRepository<UploadRow, String> {
  Optional<UploadRow> findByDeliveryIdAndNameAndBytesAndChangedAndDoneFalse(
      String deliveryId, String name, long bytes, long changed);

  List<UploadRow> findByDoneFalse();

  /** Two pages may begin the same upload at the same moment. */
  @Transactional
  @Modifying
  @Query(
      value =
          "insert into upload (id, delivery_id, name, bytes, changed, at) values (?1, ?2, ?3, ?4, ?5, ?6)"
              + " on conflict do nothing",
      nativeQuery = true)
  void addIfNew(String id, String deliveryId, String name, long bytes, long changed, Instant at);

  List<UploadRow> findByAtBefore(Instant at);
}
