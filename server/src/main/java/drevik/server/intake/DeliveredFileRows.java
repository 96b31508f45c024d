package drevik.server.intake;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

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

  Optional<DeliveredFileRow> findFirstByDeliveryIdAndNameAndSha256(
      String deliveryId, String name, String sha256);
}
