package drevik.server.delivery;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface DeliveredFileRows extends JpaRepository<DeliveredFileRow, String> {
  List<DeliveredFileRow> findByDeliveryIdOrderByName(String deliveryId);
}
