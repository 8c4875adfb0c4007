package palegate.server.jobs;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.jdbc.JdbcCustomization;
import com.github.kagkarlsson.scheduler.jdbc.MariaDBJdbcCustomization;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Instant;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Where pieces of work wait until an instance has time for them. */
@Component
public class JobQueue {
  /** Something was asked for here: whoever has time here need not wait until they look again. */
  record Asked() {}

  static final String TABLE = "queued_jobs";
  /** Instances may run in different time zones. */
  static final JdbcCustomization IN_UTC = new MariaDBJdbcCustomization(true);

  private final SchedulerClient client;
  private final ApplicationEventPublisher events;

  JobQueue(DataSource database, ApplicationEventPublisher events) {
    this.events = events;
    client = SchedulerClient.Builder.create(database, List.of()).tableName(TABLE).jdbcCustomization(IN_UTC).build();
  }

  /** Asks for a piece; one that waits already, or is being done, is asked for once. */
  public void ask(String job, String piece) {
    if (client.scheduleIfNotExists(new TaskInstance<Void>(job, piece), Instant.now())) {
      events.publishEvent(new Asked());
    }
  }
}
