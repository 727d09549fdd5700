package rhetor.app.folder;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Looks into the watched folder every few seconds. */
@Configuration
class FolderTask {
  @Bean
  Task<Void> watchFolder(WatchedFolder folder, @Value("${rhetor.folder-every:3s}") Duration every) {
    return Tasks.recurring("watch-folder", FixedDelay.of(every))
        .execute((instance, context) -> folder.look());
  }
}
