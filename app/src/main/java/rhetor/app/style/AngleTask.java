package rhetor.app.style;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The background task that notices when an angle begins or ends. */
@Configuration
class AngleTask {
  private static final int MINUTES = 5;

  @Bean
  Task<Void> turnAngles(Angles angles) {
    return Tasks.recurring("turn-angles", FixedDelay.ofMinutes(MINUTES))
        .execute((instance, context) -> angles.turn());
  }
}
