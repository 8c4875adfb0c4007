package palegate.server.statements;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Profile;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import palegate.server.jobs.JobQueue;
import palegate.server.jobs.RecurringJob;
import palegate.server.store.PreparedFileRecords;

/** Asks for the files that are due, throws away those that have ended, and sees to it that each that is to be made waits in the queue. */
@Component
@Profile("!describe")
class FileUpkeep implements RecurringJob {
  private static final Logger LOG = LoggerFactory.getLogger(FileUpkeep.class);

  private final RegularStatements regular;
  private final PreparedFileRecords records;
  private final JobQueue queue;
  private final Clock clock;

  FileUpkeep(RegularStatements regular, PreparedFileRecords records, JobQueue queue, Clock clock) {
    this.regular = regular;
    this.records = records;
    this.queue = queue;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "upkeep-of-files";
  }

  @Override
  public Duration every() {
    return Duration.ofSeconds(2);
  }

  @Override
  public void run() {
    try {
      Instant now = clock.instant();
      regular.askForDue(now);
      records.forgetEnded(now);
      records.notQueued(PreparedFiles.NAME).forEach(file -> queue.ask(PreparedFiles.NAME, Long.toString(file)));
    } catch (DataAccessException outage) {
      // The next time tries again; the outage itself is told by what meets it first.
      LOG.warn("Prepared files wait: the database does not answer");
    }
  }
}
