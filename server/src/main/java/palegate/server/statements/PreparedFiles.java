package palegate.server.statements;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Profile;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import palegate.exports.TooManyRows;
import palegate.server.shell.Outage;
import palegate.server.shell.Problem;
import palegate.server.store.PreparedFileRecords;

/**
 * Makes files in the background, one at a time in each instance, oldest first. One that an instance left half-made – it was ended, or cut
 * off – is gone on with by whichever instance notices first; one that breaks off whoever makes it again and again is given up.
 */
@Component
@Profile("!describe")
class PreparedFiles implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(PreparedFiles.class);
  private static final int TRIES = 3;
  /** An account's files together may have so many times the bytes of one. */
  private static final int FILES_FULL = 2;
  private static final Duration FAILURES_KEPT = Duration.ofDays(7);

  private final PreparedFileRecords records;
  private final FileMaking making;
  private final RegularStatements regular;
  private final Clock clock;
  private final long bytesAtMost;
  private final ExecutorService worker = Executors.newSingleThreadExecutor(work -> {
    Thread thread = new Thread(work, "prepared-files");
    thread.setDaemon(true);
    return thread;
  });
  private final AtomicReference<FileMaking.Progress> current = new AtomicReference<>();

  PreparedFiles(PreparedFileRecords records, FileMaking making, RegularStatements regular, Clock clock, @Value("${palegate.prepared-file-bytes:4294967296}") long bytesAtMost) {
    this.records = records;
    this.making = making;
    this.regular = regular;
    this.clock = clock;
    this.bytesAtMost = bytesAtMost;
  }

  /** Asks for what is due, throws away what has ended, says how far what is being made is, and takes up the next. */
  @Scheduled(fixedDelayString = "${palegate.prepared-files-every:PT1S}")
  public void run() {
    try {
      Instant now = clock.instant();
      FileMaking.Progress under = current.get();
      if (under != null && !records.hold(under.taken(), under.rows(), under.expected(), under.title(), now)) {
        under.callOff();
      }
      regular.askForDue(now);
      records.forgetEnded(now);
      if (under == null) {
        records.take(now).ifPresent(this::begin);
      }
    } catch (DataAccessException outage) {
      // The next run tries again; the outage itself is told by what meets it first.
      LOG.warn("Prepared files wait: the database does not answer");
    }
  }

  private void begin(PreparedFileRecords.Taken taken) {
    FileMaking.Progress progress = new FileMaking.Progress(taken);
    current.set(progress);
    worker.execute(() -> {
      try {
        make(progress);
      } finally {
        current.set(null);
      }
    });
  }

  private void make(FileMaking.Progress progress) {
    PreparedFileRecords.Taken taken = progress.taken();
    try {
      if (taken.file().tries() > TRIES) {
        fail(taken, "Whoever made it was broken off " + TRIES + " times. Ask for fewer rows, or for another kind of file.");
        return;
      }
      making.make(progress, Math.max(0, Math.min(bytesAtMost, FILES_FULL * bytesAtMost - records.bytesOf(taken.file().account()))));
    } catch (FileMaking.CalledOff calledOff) {
      LOG.info("Prepared file {} was called off", taken.file().id());
    } catch (Problem refused) {
      fail(taken, refused.getBody().getDetail());
    } catch (TooManyRows tooMany) {
      fail(taken, "A PDF holds at most " + tooMany.most() + " rows. Put the rows together, leave documents out, or take the workbook.");
    } catch (PartsStream.TooLarge tooLarge) {
      fail(taken, "A file has at most " + bytesAtMost / 1024 / 1024 + " MB, and all of yours together at most " + FILES_FULL * bytesAtMost / 1024 / 1024 + ". Ask for fewer rows, put them together, or delete some of your files.");
    } catch (IOException | RuntimeException failed) {
      if (Outage.caused(failed)) {
        LOG.warn("A prepared file waits: the database does not answer");
      } else {
        LOG.error("The prepared file {} could not be made", taken.file().id(), failed);
        fail(taken, "Pale Gate could not make it, and the application's log says why.");
      }
    } catch (OutOfMemoryError tooMuch) {
      LOG.error("The prepared file {} took more memory than there is", taken.file().id(), tooMuch);
      fail(taken, "It took more memory than there is. Ask for fewer rows, or for another kind of file.");
    }
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

  /** What is being made is given back: to end an instance in order is no fault of the file. */
  @Override
  public void destroy() throws InterruptedException {
    FileMaking.Progress under = current.get();
    if (under != null) {
      under.callOff();
      try {
        records.giveBack(under.taken());
      } catch (DataAccessException outage) {
        LOG.warn("A prepared file cannot be given back: the database does not answer");
      }
    }
    worker.shutdownNow();
    if (!worker.awaitTermination(5, TimeUnit.SECONDS)) {
      LOG.warn("A prepared file was left while it was being written");
    }
  }
}
