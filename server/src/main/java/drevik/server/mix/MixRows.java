package drevik.server.mix;

import drevik.mix.MixKind;
import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface MixRows extends JpaRepository<MixRow, String> {
  /** For a change: the row is locked until the transaction ends. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select m from MixRow m where m.id = :id")
  Optional<MixRow> findLocked(String id);

  /** Keeps what the shelf shows of a head, unless there is another one by now. */
  @Modifying
  @Query("update MixRow m set m.summary = :summary where m.id = :id and m.head = :head")
  void keepSummary(String id, int head, ShelfSummary summary);

  List<MixRow> findAllByOrderByKindDescChangedAtDescNameAsc();

  Optional<MixRow> findFirstByNameAndKindOrderByCreatedAt(String name, MixKind kind);

  List<MixRow> findByKindAndArchivedFalse(MixKind kind);
}
