package drevik.server.delivery;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface UploadRows extends JpaRepository<UploadRow, String> {
  Optional<UploadRow> findByDeliveryIdAndNameAndBytes(String deliveryId, String name, long bytes);

  List<UploadRow> findByAtBefore(Instant at);
}
