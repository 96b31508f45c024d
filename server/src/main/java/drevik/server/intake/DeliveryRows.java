package drevik.server.intake;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface DeliveryRows extends JpaRepository<DeliveryRow, String> {
  List<DeliveryRow> findByMixIdOrderByAtDesc(String mixId);

  /** Deliveries with the number of their files, the newest first. */
  @Query(
      "select new drevik.server.intake.DeliveryView$Line(d.id, d.name, d.at,"
          + " (select count(f) from DeliveredFileRow f where f.deliveryId = d.id))"
          + " from DeliveryRow d where d.mixId = :mixId order by d.at desc")
  List<DeliveryView.Line> lines(String mixId);
}
