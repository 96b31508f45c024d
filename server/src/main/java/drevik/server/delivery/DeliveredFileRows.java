package drevik.server.delivery;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface DeliveredFileRows extends JpaRepository<DeliveredFileRow, String> {
  List<DeliveredFileRow> findByDeliveryIdOrderByName(String deliveryId);

  List<DeliveredFileRow> findByDeliveryIdIn(List<String> deliveryIds);

  List<DeliveredFileRow> findBySha256(String sha256);

  Optional<DeliveredFileRow> findFirstByDeliveryIdAndNameAndSha256(
      String deliveryId, String name, String sha256);
}
