package drevik.server.mix;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface MixRows extends JpaRepository<MixRow, String> {
  List<MixRow> findAllByOrderByKindDescChangedAtDescNameAsc();
}
