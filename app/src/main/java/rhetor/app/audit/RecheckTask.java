package rhetor.app.audit;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background task that holds all texts to what the house has decided. */
@Configuration
class RecheckTask {
  @Bean
  Task<Void> recheck(AuditService audits) {
    return Tasks.oneTime(AuditService.RECHECK).execute((instance, context) -> audits.recheckAll());
  }
}
