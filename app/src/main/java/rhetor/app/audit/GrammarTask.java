package rhetor.app.audit;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.util.function.BooleanSupplier;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background task that checks the grammar of texts. */
@Configuration
@ConditionalOnProperty(name = "rhetor.grammar", havingValue = "true")
class GrammarTask {
  /** Whoever looks for them goes through all texts: many at once. */
  private static final int AT_ONCE = 1_000;

  private static final int SECONDS = 20;

  @Bean
  Task<Void> checkGrammar(GrammarWork work) {
    return Tasks.recurring("check-grammar", FixedDelay.ofSeconds(SECONDS))
        .execute(
            (instance, context) -> {
              BooleanSupplier stops = context.getSchedulerState()::isShuttingDown;
              while (!stops.getAsBoolean() && work.next(AT_ONCE, stops) > 0) {
                // Texts that came meanwhile are next.
              }
              work.rest();
            });
  }
}
