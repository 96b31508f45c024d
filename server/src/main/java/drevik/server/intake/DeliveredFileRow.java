package drevik.server.intake;

import drevik.category.Sorting;
import drevik.intake.conform.SeatWish;
import drevik.intake.measure.PairFinding;
import drevik.intake.measure.SwappedSides;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/**
 * A file of a delivery: taken (with its content) or refused (with the fault). Only what has changed
 * is written, since a person and a job may change different things of one file at once.
 */
@Entity
@DynamicUpdate
@Table(name = "delivered_file")
class DeliveredFileRow {
  @Id String id;

  @Column(nullable = false)
  String deliveryId;

  @Column(nullable = false)
  String name;

  @Column(nullable = false)
  Instant receivedAt;

  @Nullable String sha256;
  @Nullable String fault;

  @Column(nullable = false)
  String category;

  double confidence;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  List<String> because;

  @Enumerated(EnumType.STRING)
  @Column(nullable = false)
  Sorting.Source sortedBy;

  /** Id of the microphone that it was compared with. */
  @Nullable String beside;

  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable PairFinding pair;

  /** How its sides stand to those of another recording of its source. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable SwappedSides swapped;

  /** Kinds of conforming that a person left out. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Column(nullable = false)
  List<String> stepsOff = List.of();

  /** Where a person wants it; null for where the plan puts it. */
  @JdbcTypeCode(SqlTypes.JSON)
  @Nullable SeatWish wish;

  /** For Hibernate, which fills the fields in. */
  @SuppressWarnings("NullAway.Init")
  protected DeliveredFileRow() {}

  DeliveredFileRow(String id, String deliveryId, String name, Instant receivedAt, Sorting sorting) {
    this.id = id;
    this.deliveryId = deliveryId;
    this.name = name;
    this.receivedAt = receivedAt;
    sort(sorting);
  }

  final void sort(Sorting sorting) {
    category = sorting.category();
    confidence = sorting.confidence();
    sortedBy = sorting.source();
    because = sorting.because();
  }

  Sorting sorting() {
    return new Sorting(category, confidence, sortedBy, because);
  }

  boolean isSortedByHand() {
    return sortedBy == Sorting.Source.PERSON;
  }
}
