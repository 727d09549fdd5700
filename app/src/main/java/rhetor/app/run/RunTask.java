package rhetor.app.run;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background task that carries runs out; it survives a restart of the server. */
@Configuration
class RunTask {
  @Bean
  Task<Long> writeRun(RunService runs) {
    return Tasks.oneTime(RunService.TASK)
        .execute((instance, context) -> runs.carryOut(instance.getData()));
  }
}
