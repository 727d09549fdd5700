package rhetor.app.audit;

import com.github.kagkarlsson.scheduler.task.Task;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import rhetor.app.house.LastingTask;

/** The background task that holds all texts to what the house has decided. */
@Configuration
class RecheckTask {
  @Bean
  Task<Void> recheck(AuditService audits) {
    return LastingTask.of(AuditService.RECHECK, (nothing, stops) -> audits.recheckAll(stops));
  }
}
