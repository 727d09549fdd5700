package rhetor.app.run;

import com.github.kagkarlsson.scheduler.task.Task;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import rhetor.app.house.LastingTask;

/** The background task that carries runs out; it survives a restart of the server. */
@Configuration
class RunTask {
  @Bean
  Task<Long> writeRun(RunWork work) {
    return LastingTask.waiting(RunService.TASK, work::carryOut);
  }
}
