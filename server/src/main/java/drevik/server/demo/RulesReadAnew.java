package drevik.server.demo;

import drevik.category.SorterWords;
import drevik.server.intake.LearnedSorting;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Once for each state of the sorter's words: what was learned is read by the words of today. */
@Component
@Order(0)
class RulesReadAnew implements ApplicationRunner {
  private final LearnedSorting sorting;
  private final Milestones milestones;
  private final TransactionTemplate transaction;

  RulesReadAnew(LearnedSorting sorting, Milestones milestones, TransactionTemplate transaction) {
    this.sorting = sorting;
    this.milestones = milestones;
    this.transaction = transaction;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    String milestone = "rules read by words " + SorterWords.version();
    if (!milestones.isReached(milestone)) {
      transaction.executeWithoutResult(
          status -> {
            sorting.readAnew();
            milestones.reach(milestone);
          });
    }
  }
}
