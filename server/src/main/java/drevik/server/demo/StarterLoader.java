package drevik.server.demo;

import drevik.mix.Mix;
import drevik.server.chain.KeptChains;
import drevik.server.mix.Shelf;
import drevik.shelf.KeptChain;
import drevik.starters.StarterChains;
import drevik.starters.Starters;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Puts each starter and each chain on the shelf once, with the demo or without: one that a person
 * has removed or changed does not come back, and one that a later version brings is added.
 */
@Component
@Order(1)
class StarterLoader implements ApplicationRunner {
  private final Shelf shelf;
  private final KeptChains chains;
  private final Milestones milestones;
  private final TransactionTemplate transaction;

  StarterLoader(
      Shelf shelf, KeptChains chains, Milestones milestones, TransactionTemplate transaction) {
    this.shelf = shelf;
    this.chains = chains;
    this.milestones = milestones;
    this.transaction = transaction;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    for (Mix starter : Starters.all()) {
      once(
          "starter " + starter.name(),
          () -> {
            if (shelf.find(starter.name()).isEmpty()) {
              shelf.create(starter, "starter");
            }
          });
    }
    for (KeptChain chain : StarterChains.all()) {
      once("chain " + chain.name(), () -> chains.keep(chain));
    }
  }

  private void once(String milestone, Runnable put) {
    if (!milestones.isReached(milestone)) {
      transaction.executeWithoutResult(
          status -> {
            put.run();
            milestones.reach(milestone);
          });
    }
  }
}
