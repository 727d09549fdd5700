package rhetor.app.house;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadFactory;
import javax.sql.DataSource;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

/**
 * Background work in the same database: a task is scheduled in the transaction that asks for it,
 * and goes on after a restart. One process has the database, so whatever was under way when it
 * starts is nobody's.
 */
@Configuration
class BackgroundWork {
  /** A long run and a check of all texts keep no edition waiting. */
  private static final int THREADS = 4;

  @Bean(destroyMethod = "stop")
  Scheduler scheduler(DataSource database, List<Task<?>> tasks) {
    List<RecurringTask<?>> recurring = new ArrayList<>();
    List<Task<?>> asked = new ArrayList<>();
    for (Task<?> task : tasks) {
      if (task instanceof RecurringTask<?> always) {
        recurring.add(always);
      } else {
        asked.add(task);
      }
    }
    return Scheduler.create(new TransactionAwareDataSourceProxy(database), asked)
        .startTasks(recurring)
        .threads(THREADS)
        .executorService(Executors.newFixedThreadPool(THREADS, behindPeople()))
        .pollingInterval(Duration.ofMillis(500))
        // A machine that stands still for a while makes nothing dead that lives in this process.
        .heartbeatInterval(Duration.ofMinutes(1))
        .missedHeartbeatsLimit(10)
        .enableImmediateExecution()
        .shutdownMaxWait(Duration.ofSeconds(5))
        .build();
  }

  /**
   * Threads that work when people leave them the machine; where Java isn't told to heed priorities
   * ({@code -XX:ThreadPriorityPolicy}), beside them.
   */
  private static ThreadFactory behindPeople() {
    return Thread.ofPlatform().name("background-", 1).priority(Thread.MIN_PRIORITY).factory();
  }

  /** Work begins when the server can answer, not before. */
  @Configuration
  static class Begin {
    private final Scheduler scheduler;
    private final JdbcClient jdbc;

    Begin(Scheduler scheduler, JdbcClient jdbc) {
      this.scheduler = scheduler;
      this.jdbc = jdbc;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
      jdbc.sql(
              "update scheduled_tasks set picked = false, picked_by = null, last_heartbeat = null, version = version + 1 where picked")
          .update();
      scheduler.start();
    }
  }
}
