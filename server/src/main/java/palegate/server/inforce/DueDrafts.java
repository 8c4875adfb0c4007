package palegate.server.inforce;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Profile;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import palegate.server.drafts.DraftStore;
import palegate.server.drafts.Seen;
import palegate.server.jobs.RecurringJob;
import palegate.server.shell.Outage;
import palegate.server.shell.Problem;

/** Puts drafts in force whose time has come, with the checks that their authors would meet; or stops them and keeps why. */
@Component
@Profile("!describe")
public class DueDrafts implements RecurringJob {
  private static final Logger LOG = LoggerFactory.getLogger(DueDrafts.class);

  private final DraftStore store;
  private final PuttingInForce puttingInForce;
  private final Clock clock;

  DueDrafts(DraftStore store, PuttingInForce puttingInForce, Clock clock) {
    this.store = store;
    this.puttingInForce = puttingInForce;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "due-drafts";
  }

  @Override
  public Duration every() {
    return Duration.ofSeconds(5);
  }

  @Override
  public void run() {
    List<Long> due;
    try {
      due = store.dueAt(clock.instant());
    } catch (DataAccessException outage) {
      // The next run tries again; the outage itself is told by what meets it first.
      LOG.warn("Scheduled drafts wait: the database does not answer");
      return;
    }
    due.forEach(this::putInForce);
  }

  /** Whatever goes wrong with one draft is said to its author and does not keep the others waiting. */
  private void putInForce(long id) {
    try {
      Optional<DraftStore.Draft> found = store.find(id).filter(draft -> draft.due() != null);
      if (found.isPresent()) {
        DraftStore.Due due = found.get().due();
        long change = puttingInForce.due(id, new PuttingInForce.Order(due.version(), new Seen(due.change(), due.digest(), due.at()), due.note(), true, null), due.at());
        LOG.info("Change {} was put in force as scheduled", change);
      }
    } catch (Problem refused) {
      stop(id, refused.getBody().getDetail());
    } catch (RuntimeException failed) {
      if (Outage.caused(failed)) {
        LOG.warn("A scheduled draft waits: the database does not answer");
      } else {
        LOG.error("The scheduled draft {} could not be put in force", id, failed);
        stop(id, "Pale Gate could not put it in force, and the application's log says why. Nothing was done. Open it, and schedule it again once that is mended.");
      }
    }
  }

  private void stop(long draft, String why) {
    try {
      store.stop(draft, why);
    } catch (DataAccessException outage) {
      LOG.warn("A scheduled draft cannot be stopped yet: the database does not answer");
    }
  }
}
