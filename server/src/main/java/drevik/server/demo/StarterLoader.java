package drevik.server.demo;

import drevik.mix.Mix;
import drevik.server.mix.Shelf;
import drevik.starters.Starters;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Puts each starter on the shelf once, with the demo or without: one that a person has removed or
 * changed does not come back, and one that a later version brings is added.
 */
@Component
@Order(1)
class StarterLoader implements ApplicationRunner {
  private final Shelf shelf;
  private final Milestones milestones;
  private final TransactionTemplate transaction;

  StarterLoader(Shelf shelf, Milestones milestones, TransactionTemplate transaction) {
    this.shelf = shelf;
    this.milestones = milestones;
    this.transaction = transaction;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    for (Mix starter : Starters.all()) {
      String milestone = "starter " + starter.name();
      if (!milestones.isReached(milestone)) {
        transaction.executeWithoutResult(
            status -> {
              if (shelf.find(starter.name()).isEmpty()) {
                shelf.create(starter, "starter");
              }
              milestones.reach(milestone);
            });
      }
    }
  }
}
