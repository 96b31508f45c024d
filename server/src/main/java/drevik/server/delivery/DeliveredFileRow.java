package drevik.server.delivery;

import drevik.category.Sorting;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A file of a delivery: taken (with its content) or refused (with the fault). */
@Entity
@Table(name = "delivered_file")
class DeliveredFileRow {
  @Id String id;

  @Column(nullable = false)
  String deliveryId;

  @Column(nullable = false)
  String name;

  @Column(nullable = false)
  Instant receivedAt;

  String sha256;
  String fault;

  @Column(nullable = false)
  String category;

  double confidence;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  List<String> because;

  boolean sortedByHand;

  protected DeliveredFileRow() {}

  DeliveredFileRow(String id, String deliveryId, String name, Instant receivedAt, Sorting sorting) {
    this.id = id;
    this.deliveryId = deliveryId;
    this.name = name;
    this.receivedAt = receivedAt;
    this.category = sorting.category();
    this.confidence = sorting.confidence();
    this.because = sorting.because();
  }
}
