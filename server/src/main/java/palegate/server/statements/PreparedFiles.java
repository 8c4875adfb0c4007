package palegate.server.statements;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Profile;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import palegate.exports.TooManyRows;
import palegate.server.jobs.QueuedJob;
import palegate.server.shell.Outage;
import palegate.server.shell.Problem;
import palegate.server.store.PreparedFileRecords;

/**
 * Makes files in the background, one at a time in each instance, oldest first. One that an instance left half-made – it was ended, or cut
 * off – is gone on with by another; one that breaks off whoever makes it again and again is given up.
 */
@Component
@Profile("!describe")
class PreparedFiles implements QueuedJob {
  static final String NAME = "prepared-files";
  private static final Logger LOG = LoggerFactory.getLogger(PreparedFiles.class);
  private static final int TRIES = 3;
  /** An account's files together may have so many times the bytes of one. */
  private static final int FILES_FULL = 2;
  private static final Duration FAILURES_KEPT = Duration.ofDays(7);
  private static final Optional<Duration> DONE = Optional.empty();
  private static final Optional<Duration> ONCE_THE_DATABASE_ANSWERS = Optional.of(Duration.ofSeconds(10));
  private static final Optional<Duration> BY_ANOTHER_INSTANCE = Optional.of(Duration.ZERO);

  private final PreparedFileRecords records;
  private final FileMaking making;
  private final RegularStatements regular;
  private final Clock clock;
  private final long bytesAtMost;
  private final AtomicReference<FileMaking.Progress> current = new AtomicReference<>();
  private volatile boolean ending;

  PreparedFiles(PreparedFileRecords records, FileMaking making, RegularStatements regular, Clock clock, @Value("${palegate.prepared-file-bytes:8589934592}") long bytesAtMost) {
    this.records = records;
    this.making = making;
    this.regular = regular;
    this.clock = clock;
    this.bytesAtMost = bytesAtMost;
  }

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public Optional<Duration> run(String file) {
    PreparedFileRecords.Taken taken;
    try {
      taken = ending ? null : records.take(Long.parseLong(file), clock.instant()).orElse(null);
    } catch (DataAccessException outage) {
      LOG.warn("A prepared file waits: the database does not answer");
      return ONCE_THE_DATABASE_ANSWERS;
    }
    if (taken == null) {
      return ending ? BY_ANOTHER_INSTANCE : DONE;
    }
    FileMaking.Progress progress = new FileMaking.Progress(taken);
    current.set(progress);
    try {
      return make(progress);
    } finally {
      current.set(null);
    }
  }

  /** Says how far what is being made here is, and calls it off if it is not wanted any more. */
  @Scheduled(fixedDelayString = "${palegate.prepared-files-every:PT1S}")
  void tell() {
    try {
      FileMaking.Progress under = current.get();
      if (under != null && !records.tell(under.taken(), under.rows(), under.expected(), under.title())) {
        under.callOff();
      }
    } catch (DataAccessException outage) {
      // The next time tries again; the outage itself is told by what meets it first.
      LOG.warn("It cannot be said how far a prepared file is: the database does not answer");
    }
  }

  private Optional<Duration> make(FileMaking.Progress progress) {
    PreparedFileRecords.Taken taken = progress.taken();
    try {
      if (taken.file().tries() > TRIES) {
        fail(taken, "Whoever made it was broken off " + TRIES + " times. Ask for fewer rows, or for another kind of file.");
        return DONE;
      }
      making.make(progress, Math.max(0, Math.min(bytesAtMost, FILES_FULL * bytesAtMost - records.bytesOf(taken.file().account()))));
    } catch (FileMaking.CalledOff calledOff) {
      LOG.info("Prepared file {} was called off", taken.file().id());
      return ending ? BY_ANOTHER_INSTANCE : DONE;
    } catch (Problem refused) {
      fail(taken, refused.getBody().getDetail());
    } catch (TooManyRows tooMany) {
      fail(taken, "A PDF holds at most " + tooMany.most() + " rows. Put the rows together, leave documents out, or take the workbook.");
    } catch (PartsStream.TooLarge tooLarge) {
      fail(taken, "A file has at most " + bytesAtMost / 1024 / 1024 + " MB, and all of yours together at most " + FILES_FULL * bytesAtMost / 1024 / 1024 + ". Ask for fewer rows, put them together, or delete some of your files.");
    } catch (IOException | RuntimeException failed) {
      if (Outage.caused(failed)) {
        LOG.warn("A prepared file waits: the database does not answer");
        return ONCE_THE_DATABASE_ANSWERS;
      } else {
        LOG.error("The prepared file {} could not be made", taken.file().id(), failed);
        fail(taken, "Pale Gate could not make it, and the application's log says why.");
      }
    } catch (OutOfMemoryError tooMuch) {
      LOG.error("The prepared file {} took more memory than there is", taken.file().id(), tooMuch);
      fail(taken, "It took more memory than there is. Ask for fewer rows, or for another kind of file.");
    }
    return DONE;
  }

  private void fail(PreparedFileRecords.Taken taken, String why) {
    try {
      Instant now = clock.instant();
      if (records.fail(taken, why, now, now.plus(FAILURES_KEPT))) {
        Optional.ofNullable(taken.file().regular()).ifPresent(id -> regular.sayFailed(taken.file(), why, now));
      }
    } catch (DataAccessException outage) {
      LOG.warn("It cannot be said yet that a prepared file failed: the database does not answer");
    }
  }

  /** What is being made is given back, before the jobs are waited for: to end an instance in order is no fault of the file. */
  @EventListener(ContextClosedEvent.class)
  void end() {
    ending = true;
    FileMaking.Progress under = current.get();
    if (under != null) {
      under.callOff();
      try {
        records.giveBack(under.taken());
      } catch (DataAccessException outage) {
        LOG.warn("A prepared file cannot be given back: the database does not answer");
      }
    }
  }
}
