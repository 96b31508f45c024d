package drevik.server.intake;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface DeliveredFileRows extends JpaRepository<DeliveredFileRow, String> {
  List<DeliveredFileRow> findByDeliveryIdOrderByName(String deliveryId);

  long countByDeliveryId(String deliveryId);

  /** How many of a delivery's files are neither measured nor refused. */
  @Query(
      "select count(f) from DeliveredFileRow f left join AudioFileRow a on a.sha256 = f.sha256"
          + " where f.deliveryId = :deliveryId and f.fault is null and a.inspection is null")
  long measuring(String deliveryId);

  List<DeliveredFileRow> findByDeliveryIdIn(List<String> deliveryIds);

  List<DeliveredFileRow> findBySha256(String sha256);

  /** Lists what was refused, or what it was refused for this time. */
  @Transactional
  @Modifying
  @Query(
      value =
          "insert into delivered_file (id, delivery_id, name, received_at, fault, category,"
              + " confidence, because, sorted_by, steps_off)"
              + " values (?1, ?2, ?3, ?4, ?5, ?6, ?7, '[]', 'NAME', '[]')"
              + " on conflict (delivery_id, name) where sha256 is null"
              + " do update set fault = excluded.fault, received_at = excluded.received_at",
      nativeQuery = true)
  void addRefused(
      String id,
      String deliveryId,
      String name,
      Instant receivedAt,
      String fault,
      String category,
      double confidence);

  @Query(
      "select f from DeliveredFileRow f"
          + " where f.deliveryId = ?1 and f.name = ?2 and f.sha256 is null")
  Optional<DeliveredFileRow> refused(String deliveryId, String name);

  Optional<DeliveredFileRow> findFirstByDeliveryIdAndNameAndSha256(
      String deliveryId, String name, String sha256);
}
