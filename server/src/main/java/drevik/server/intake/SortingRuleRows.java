package drevik.server.intake;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface SortingRuleRows extends JpaRepository<SortingRuleRow, String> {
  List<SortingRuleRow> findByClientOrderByWords(String client);

  Optional<SortingRuleRow> findByClientAndWords(String client, String words);
}
