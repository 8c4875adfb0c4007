package palegate.server.drafts;

import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Profile;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import palegate.server.shell.Problem;

/** Puts drafts in force whose time has come, with the checks that their authors would meet; or stops them and keeps why. */
@Component
@Profile("!describe")
class DueDrafts {
  private static final Logger LOG = LoggerFactory.getLogger(DueDrafts.class);

  private final DraftStore store;
  private final Drafts drafts;
  private final Clock clock;

  DueDrafts(DraftStore store, Drafts drafts, Clock clock) {
    this.store = store;
    this.drafts = drafts;
    this.clock = clock;
  }

  @Scheduled(fixedDelayString = "${palegate.due-drafts-every:PT5S}")
  void run() {
    try {
      store.dueAt(clock.instant()).forEach(this::putInForce);
    } catch (DataAccessException outage) {
      // The next run tries again; the outage itself is told by what meets it first.
      LOG.warn("Scheduled drafts wait: the database does not answer");
    }
  }

  private void putInForce(DraftStore.Draft draft) {
    try {
      long change = drafts.putInForce(draft.id(), new Drafts.Order(draft.due().version(), draft.due().note(), false, null));
      LOG.info("Change {} was put in force as scheduled", change);
    } catch (Problem refused) {
      store.stop(draft.id(), refused.getBody().getDetail());
    }
  }
}
