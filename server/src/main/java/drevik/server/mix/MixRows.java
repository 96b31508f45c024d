package drevik.server.mix;

import drevik.mix.MixKind;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface MixRows extends JpaRepository<MixRow, String> {
  List<MixRow> findAllByOrderByKindDescChangedAtDescNameAsc();

  Optional<MixRow> findFirstByNameAndKindOrderByCreatedAt(String name, MixKind kind);

  List<MixRow> findByKindAndArchivedFalse(MixKind kind);
}
