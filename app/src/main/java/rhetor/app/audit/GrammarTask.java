package rhetor.app.audit;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background task that checks the grammar of texts. */
@Configuration
@ConditionalOnProperty(name = "rhetor.grammar", havingValue = "true")
class GrammarTask {
  private static final int AT_ONCE = 50;
  private static final int SECONDS = 20;

  @Bean
  Task<Void> checkGrammar(GrammarWork work) {
    return Tasks.recurring("check-grammar", FixedDelay.ofSeconds(SECONDS))
        .execute(
            (instance, context) -> {
              while (!context.getSchedulerState().isShuttingDown() && work.next(AT_ONCE) > 0) {
                // Texts that came meanwhile are next.
              }
              work.rest();
            });
  }
}
