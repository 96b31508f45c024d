package drevik.server.delivery;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface DeliveryRows extends JpaRepository<DeliveryRow, String> {
  List<DeliveryRow> findByMixIdOrderByAtDesc(String mixId);
}
