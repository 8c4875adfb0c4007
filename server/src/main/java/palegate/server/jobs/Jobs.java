package palegate.server.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerBuilder;
import com.github.kagkarlsson.scheduler.SchedulerName;
import com.github.kagkarlsson.scheduler.logging.LogLevel;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Profile;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Does the jobs that recur and those that wait. An instance says every few seconds what it is at; what one has been silent about for half a
 * minute is done by another. The scheduler's clock is the machine's: a job that asks what is due asks its own.
 */
@Component
@Profile("!describe")
class Jobs implements SmartLifecycle {
  private static final String RECURRING = "recurring_jobs";
  private static final Duration LOOKS_EVERY = Duration.ofSeconds(1);
  private static final Duration HEARTBEAT = Duration.ofSeconds(5);
  private static final int MISSED_AT_MOST = 6;
  private static final Duration ENDS_WITHIN = Duration.ofSeconds(5);
  private static final int RECURRING_AT_ONCE = 2;

  private final List<Scheduler> schedulers;
  private final Scheduler pieces;
  private volatile boolean running;

  Jobs(DataSource database, List<RecurringJob> recurring, List<QueuedJob> queued) {
    String instance = "instance-" + UUID.randomUUID();
    Scheduler again = with(Scheduler.create(database).startTasks(recurring.stream().map(Jobs::task).toList()), RECURRING, instance).threads(RECURRING_AT_ONCE).build();
    // One piece at a time: what is made may take much memory.
    pieces = with(Scheduler.create(database, queued.stream().<Task<?>>map(Jobs::task).toList()), JobQueue.TABLE, instance).threads(1).build();
    schedulers = List.of(again, pieces);
  }

  private static SchedulerBuilder with(SchedulerBuilder builder, String table, String instance) {
    return builder.tableName(table).schedulerName(new SchedulerName.Fixed(instance)).pollingInterval(LOOKS_EVERY).heartbeatInterval(HEARTBEAT).missedHeartbeatsLimit(MISSED_AT_MOST)
        .shutdownMaxWait(ENDS_WITHIN).jdbcCustomization(JobQueue.IN_UTC).failureLogging(LogLevel.WARN, true);
  }

  private static RecurringTask<Void> task(RecurringJob job) {
    return Tasks.recurring(job.name(), FixedDelay.of(job.every())).execute((piece, context) -> job.run());
  }

  private static Task<Void> task(QueuedJob job) {
    return Tasks.custom(job.name(), Void.class).onDeadExecutionRevive().execute((piece, context) -> job.run(piece.getId())
        .<CompletionHandler<Void>>map(pause -> new CompletionHandler.OnCompleteReschedule<>(FixedDelay.of(pause))).orElseGet(CompletionHandler.OnCompleteRemove::new));
  }

  @EventListener
  void look(JobQueue.Asked asked) {
    pieces.triggerCheckForDueExecutions();
  }

  @Override
  public void start() {
    schedulers.forEach(Scheduler::start);
    running = true;
  }

  @Override
  public void stop() {
    running = false;
    schedulers.forEach(Scheduler::stop);
  }

  @Override
  public boolean isRunning() {
    return running;
  }
}
