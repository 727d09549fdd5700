package rhetor.app.house;

import com.github.kagkarlsson.scheduler.ScheduledExecution;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceException;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Makes background tasks that may last long: asked to stop with the server they leave off between
 * two pieces of their work, and go on with the next start.
 */
public final class LastingTask {
  private static final Logger LOG = LoggerFactory.getLogger(LastingTask.class);
  private static final Duration TRY_AGAIN = Duration.ofSeconds(10);

  /** A task that changes hands so often in a moment is being carried out. */
  private static final int WAKING_TRIES = 5;

  private LastingTask() {}

  /** A piece of work that remembers itself how far it is. */
  public interface Work<T> {
    /**
     * Carries it out, or what is left of it.
     *
     * @param stops whether the server is being stopped, asked between two pieces
     * @return whether all of it is done
     */
    boolean carryOut(T data, BooleanSupplier stops);
  }

  /** A piece of work that may have to wait for something outside. */
  public interface WaitingWork<T> {
    /**
     * Carries it out, or what is left of it.
     *
     * @param stops whether the server is being stopped, asked between two pieces
     * @return when to go on with what is left, empty if all of it is done
     */
    Optional<Instant> carryOut(T data, BooleanSupplier stops);
  }

  /** A task for work that need not wait. */
  public static <T> Task<T> of(TaskDescriptor<T> descriptor, Work<T> work) {
    return waiting(
        descriptor,
        (data, stops) ->
            work.carryOut(data, stops) ? Optional.empty() : Optional.of(Instant.now()));
  }

  /** A task for work that may have to wait. */
  public static <T> Task<T> waiting(TaskDescriptor<T> descriptor, WaitingWork<T> work) {
    return Tasks.custom(descriptor)
        .onFailure(new FailureHandler.OnFailureRetryLater<>(TRY_AGAIN))
        .onDeadExecutionRevive()
        .execute(
            (instance, context) -> {
              Optional<Instant> goesOn =
                  work.carryOut(
                      instance.getData(), () -> context.getSchedulerState().isShuttingDown());
              return goesOn.isEmpty()
                  ? new CompletionHandler.OnCompleteRemove<T>()
                  : (complete, operations) -> operations.reschedule(complete, goesOn.get());
            });
  }

  /**
   * Has a task carried out at once that may be waiting, or isn't there yet. What is under way is
   * let be: it looks by itself what is left to do.
   */
  public static <T> void wake(SchedulerClient scheduler, TaskInstance<T> task, Instant now) {
    for (int tries = 0; tries < WAKING_TRIES; tries++) {
      Optional<ScheduledExecution<Object>> found = scheduler.getScheduledExecution(task);
      if (found.isEmpty()) {
        if (scheduler.scheduleIfNotExists(task, now)) {
          return;
        }
      } else if (found.get().isPicked()) {
        return;
      } else {
        try {
          scheduler.reschedule(task, now);
          return;
        } catch (TaskInstanceException e) {
          LOG.debug("{} was begun or ended while it was woken; looking again", task, e);
        }
      }
    }
  }
}
