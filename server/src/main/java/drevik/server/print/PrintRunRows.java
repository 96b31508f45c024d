package drevik.server.print;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface PrintRunRows extends JpaRepository<PrintRunRow, String> {
  List<PrintRunRow> findByMixIdOrderByAskedAtDesc(String mixId);

  @Query("select r.cancelAsked from PrintRunRow r where r.id = :id")
  boolean cancelAsked(String id);

  @Transactional
  @Modifying
  @Query(
      "update PrintRunRow r set r.state = drevik.server.print.PrintState.RUNNING, r.done = 0,"
          + " r.startedAt = :now where r.id = :id")
  void start(String id, Instant now);

  @Transactional
  @Modifying
  @Query("update PrintRunRow r set r.done = :done where r.id = :id")
  void progress(String id, double done);

  @Transactional
  @Modifying
  @Query("update PrintRunRow r set r.cancelAsked = true where r.id = :id")
  void askToCancel(String id);
}
