package rhetor.app.house;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.github.kagkarlsson.scheduler.ScheduledExecution;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceException;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class LastingTaskTest {
  private static final Instant NOW = Instant.parse("2026-05-04T09:00:00Z");
  private static final TaskInstance<Long> TASK =
      TaskDescriptor.of("write-run", Long.class).instance("7").data(7L).build();

  private final SchedulerClient scheduler = mock(SchedulerClient.class);

  @SuppressWarnings("unchecked")
  private static Optional<ScheduledExecution<Object>> execution(boolean isPicked) {
    ScheduledExecution<Object> execution = mock(ScheduledExecution.class);
    when(execution.isPicked()).thenReturn(isPicked);
    return Optional.of(execution);
  }

  @Test
  void what_waits_is_carried_out_now() {
    var waiting = execution(false);
    when(scheduler.getScheduledExecution(TASK)).thenReturn(waiting);
    LastingTask.wake(scheduler, TASK, NOW);
    verify(scheduler).reschedule(TASK, NOW);
  }

  @Test
  void what_is_not_there_is_scheduled() {
    when(scheduler.getScheduledExecution(TASK)).thenReturn(Optional.empty());
    when(scheduler.scheduleIfNotExists(TASK, NOW)).thenReturn(true);
    LastingTask.wake(scheduler, TASK, NOW);
    verify(scheduler).scheduleIfNotExists(TASK, NOW);
    verify(scheduler, never()).reschedule(any(), any());
  }

  @Test
  void what_was_begun_between_looking_and_waking_is_let_be() {
    var waiting = execution(false);
    var begun = execution(true);
    when(scheduler.getScheduledExecution(TASK)).thenReturn(waiting).thenReturn(begun);
    when(scheduler.reschedule(TASK, NOW))
        .thenThrow(new TaskInstanceException("updated 0", "write-run", "7"));
    LastingTask.wake(scheduler, TASK, NOW);
    verify(scheduler, times(1)).reschedule(TASK, NOW);
    verify(scheduler, times(2)).getScheduledExecution(TASK);
  }

  @Test
  void what_ended_between_looking_and_waking_is_scheduled_anew() {
    var waiting = execution(false);
    when(scheduler.getScheduledExecution(TASK)).thenReturn(waiting).thenReturn(Optional.empty());
    when(scheduler.reschedule(TASK, NOW))
        .thenThrow(new TaskInstanceException("not found", "write-run", "7"));
    when(scheduler.scheduleIfNotExists(TASK, NOW)).thenReturn(true);
    LastingTask.wake(scheduler, TASK, NOW);
    verify(scheduler).scheduleIfNotExists(TASK, NOW);
  }
}
