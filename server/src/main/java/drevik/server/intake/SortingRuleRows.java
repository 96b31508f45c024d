package drevik.server.intake;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface SortingRuleRows extends JpaRepository<SortingRuleRow, String> {
  List<SortingRuleRow> findByClientOrderByWords(String client);

  List<SortingRuleRow> findByClientAndWordsIn(String client, Collection<String> words);

  Optional<SortingRuleRow> findByClientAndWords(String client, String words);
}
