package rhetor.app.web;

import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Runs what is true only once a transaction is kept. */
public final class AfterCommit {
  private AfterCommit() {}

  /** Runs it when the transaction that is open commits, or now if there is none. */
  public static void run(Runnable what) {
    if (!TransactionSynchronizationManager.isSynchronizationActive()) {
      what.run();
      return;
    }
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            what.run();
          }
        });
  }
}
