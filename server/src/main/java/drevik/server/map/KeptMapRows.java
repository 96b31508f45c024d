package drevik.server.map;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface KeptMapRows extends JpaRepository<KeptMapRow, String> {
  List<KeptMapRow> findAllByOrderByAtDesc();
}
