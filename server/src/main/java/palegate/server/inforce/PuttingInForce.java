package palegate.server.inforce;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeJson;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.Refusal;
import palegate.core.rehearsal.ApprovalsNeeded;
import palegate.core.rehearsal.GuardedChanges;
import palegate.core.rehearsal.PlaceSet;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.server.approvals.Approvals;
import palegate.server.drafts.DraftStore;
import palegate.server.drafts.Drafts;
import palegate.server.drafts.Rehearsals;
import palegate.server.drafts.Seen;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;
import palegate.server.store.Transactions;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;

/**
 * Putting drafts in force (access rules, section 8). Everything is worked out first, on the newest state; then a short
 * transaction checks that neither the state nor the draft has become another, and writes. If one has, it begins again.
 */
@Service
public class PuttingInForce {
  private static final int TRIES = 8;

  /**
   * How a draft is to be put in force.
   *
   * @param version the version that was seen; another one is refused
   * @param seen the rehearsal that was seen; what would do something else is refused
   * @param acceptLockOuts that places left without a keeper are meant: those of the rehearsal that was seen
   * @param request names the request, so that the same one sent twice is carried out once; may be null
   */
  public record Order(int version, Seen seen, String note, boolean acceptLockOuts, String request) {}

  /** The state or the draft became another between working out and writing. */
  private static final class Overtaken extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Overtaken() {
      super("Overtaken by another change", null, false, false);
    }
  }

  private final Drafts drafts;
  private final DraftStore store;
  private final Rehearsals rehearsals;
  private final Snapshots snapshots;
  private final Viewpoints viewpoints;
  private final KnownChanges changes;
  private final StructureStore structures;
  private final ChangeLog log;
  private final Accounts accounts;
  private final Approvals approvals;
  private final IdempotencyKeys requests;
  private final Transactions transactions;
  private final Clock clock;

  PuttingInForce(Drafts drafts, DraftStore store, Rehearsals rehearsals, Snapshots snapshots, Viewpoints viewpoints, KnownChanges changes, StructureStore structures, ChangeLog log, Accounts accounts,
      Approvals approvals, IdempotencyKeys requests, Transactions transactions, Clock clock) {
    this.drafts = drafts;
    this.store = store;
    this.rehearsals = rehearsals;
    this.snapshots = snapshots;
    this.viewpoints = viewpoints;
    this.changes = changes;
    this.structures = structures;
    this.log = log;
    this.accounts = accounts;
    this.approvals = approvals;
    this.requests = requests;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * Puts the draft that its owner has in hand in force as the next change; everything or nothing.
   *
   * @return the number of the change
   */
  public long inHand(String owner, Order order) {
    return untilNotOvertaken(() -> answered(owner, order).orElseGet(() ->
        put(store.find(owner).orElseThrow(Drafts::nothingDrafted), order, null)));
  }

  /** Puts a draft in force whose time has come, by its id; {@code scheduledFor} is kept with the change. */
  public long due(long draft, Order order, Instant scheduledFor) {
    return untilNotOvertaken(() -> put(store.find(draft).orElseThrow(Drafts::nothingDrafted), order, scheduledFor));
  }

  /**
   * Puts in force at once what a person's own rights let them do, without a draft. What walls, clearances or rules of approval hang on is
   * not changed so (access rules, section 7).
   *
   * @param decided decides on the newest state whether they may, and refuses if not; asked again if that state is overtaken
   */
  public void byRight(String account, String note, Supplier<List<Change>> decided) {
    untilNotOvertaken(() -> {
      Snapshots.Numbered state = snapshots.current();
      List<Change> steps = decided.get();
      Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
      Rehearsal rehearsal = rehearsals.of(account, state, steps, now);
      if (!rehearsal.obstacles().isEmpty() && steps.stream().anyMatch(step -> step instanceof PlaceChange.RemovePlace)) {
        // What still hangs on it may be something that they may not know of.
        throw Drafts.inTheWay();
      }
      refuse(rehearsal.obstacles());
      Set<String> touches = rehearsal.altered().things();
      if (touches.isEmpty()) {
        return state.change();
      }
      if (!GuardedChanges.of(rehearsal).isEmpty() || !ApprovalsNeeded.of(rehearsal, steps).isEmpty()) {
        throw Problem.of(HttpStatus.CONFLICT, "needs-somebody-else", "This is not for you alone to change",
            "Who may see what hangs on it. Ask whoever looks after this place: they can draft it, and have it approved.");
      }
      Accounts.Account author = accounts.find(account).orElseThrow();
      long number = state.change() + 1;
      ChangeLog.Logged logged = new ChangeLog.Logged(number, account, author.name(), now, note, "papers");
      transactions.run(() -> {
        if (log.takeNextNumber() != number) {
          throw new Overtaken();
        }
        log.write(logged, ChangeJson.written(steps), touches);
        structures.write(rehearsal.altered(), number);
      });
      snapshots.publish(new Snapshots.Numbered(number, rehearsal.after().detached()));
      return number;
    });
  }

  /** The change that a request of this account led to, if it was carried out. */
  public Optional<Long> answered(String account, String request) {
    return requests.answered(request, account);
  }

  private Optional<Long> answered(String owner, Order order) {
    return order.request() == null ? Optional.empty() : requests.answered(order.request(), owner);
  }

  private static <T> T untilNotOvertaken(Supplier<T> work) {
    for (int tries = 1; ; tries++) {
      try {
        return work.get();
      } catch (Overtaken again) {
        if (tries == TRIES) {
          throw Problem.of(HttpStatus.CONFLICT, "overtaken", "Others are faster just now",
              "Change after change was put in force while this was worked out. Nothing was done, and your draft is kept: try again.");
        }
      }
    }
  }

  private long put(DraftStore.Draft draft, Order order, Instant scheduledFor) {
    if (draft.items().isEmpty()) {
      throw Drafts.nothingDrafted();
    }
    if (draft.version() != order.version()) {
      throw Drafts.moved("Look at the rehearsal again, then put it in force.");
    }
    drafts.refuseWithoutDuties(draft);
    Snapshots.Numbered state = snapshots.current();
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    Snapshots.Numbered known = viewpoints.known(draft.owner(), state);
    // What is put in force is the whole; what is shown, and what must have been seen, is what the author may know of it.
    Rehearsal rehearsal = rehearsals.now(draft, state);
    Rehearsal shown = rehearsals.now(draft, known);
    refuseClash(draft, rehearsal, known.snapshot());
    refuse(shown.refusals());
    if (!rehearsal.obstacles().isEmpty()) {
      throw Drafts.inTheWay();
    }
    drafts.refuseBeyond(draft, rehearsal);
    shown.refusedBreaks().forEach(refused -> Drafts.refuseBreakWithoutKeeper(shown, refused.place().id()));
    if (!order.seen().is(shown)) {
      throw Seen.other(Seen.of(state.change(), shown), shown, then(draft, order.seen()));
    }
    refuseUnseenLockOuts(shown, order.acceptLockOuts());
    Approvals.Needed needed = approvals.needed(draft, rehearsal);
    Set<String> touches = rehearsal.altered().things();
    if (touches.isEmpty()) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-difference", "The draft alters nothing",
          "All that it says is so already. Discard it, or draft something else.");
    }
    Accounts.Account author = accounts.find(draft.owner()).orElseThrow();
    long number = state.change() + 1;
    ChangeLog.Logged logged = new ChangeLog.Logged(number, draft.owner(), author.name(), now, order.note(), "draft", scheduledFor);
    String content = store.asJson(draft.items());
    transactions.run(() -> {
      if (log.takeNextNumber() != number || store.lockedVersion(draft.id()) != draft.version() || answered(draft.owner(), order).isPresent()) {
        throw new Overtaken();
      }
      // Read under the lock: a duty or an approval taken away meanwhile counts.
      drafts.refuseWithoutDuties(draft);
      approvals.refuseUnapproved(draft, needed, rehearsal.digest());
      log.write(logged, content, touches);
      log.writeApprovals(number, approvals.of(draft, rehearsal).stream().map(given -> new ChangeLog.Approved(given.approver(), given.name(), given.at())).toList());
      structures.write(rehearsal.altered(), number);
      store.discard(draft.id());
      if (order.request() != null) {
        requests.remember(order.request(), draft.owner(), number, now);
      }
    });
    snapshots.publish(new Snapshots.Numbered(number, rehearsal.after().detached()));
    return number;
  }

  /** What was shown, worked out again; null if the order names what was never there. */
  private Rehearsal then(DraftStore.Draft draft, Seen seen) {
    if (seen.change() < 1 || seen.change() > snapshots.current().change()) {
      return null;
    }
    Rehearsal then = rehearsals.at(draft, viewpoints.knownAsOf(draft.owner(), seen.change()), seen.at());
    return seen.is(then) ? then : null;
  }

  private void refuseClash(DraftStore.Draft draft, Rehearsal rehearsal, Snapshot current) {
    List<ChangeLog.Clash> clashes = drafts.clashes(draft, rehearsal);
    if (!clashes.isEmpty()) {
      ChangeLog.Clash first = clashes.get(0);
      throw Problem.of(HttpStatus.CONFLICT, "clash", "Somebody was there before you",
          first.authorName() + " changed " + ClashView.nameOf(first.thing(), current) + " with change " + first.number()
              + " since you began. Your draft is kept: look at what it would do now, then put it in force.")
          .with("clashes", clashes.stream().map(clash -> ClashView.of(clash, current, changes.to(draft.owner()))).toList());
    }
  }

  private static void refuse(List<Refusal> refusals) {
    if (!refusals.isEmpty()) {
      throw Problem.faults("Some changes of the draft cannot be made any more. Nothing was put in force.", refusals.stream()
          .map(refusal -> new Problem.Fault("change " + (refusal.change() + 1), refusal.what(), refusal.remedy(), refusal.cycle())).toList());
    }
  }

  public static void refuseUnseenLockOuts(Rehearsal rehearsal, boolean accepted) {
    PlaceSet lockOuts = rehearsal.lockOuts();
    if (!lockOuts.isEmpty() && !accepted) {
      throw Problem.of(HttpStatus.CONFLICT, "lock-outs", "Places would be left without a keeper",
          lockOuts.size() + (lockOuts.size() == 1 ? " place" : " places") + " would have nobody active and on staff with govern, beginning with "
              + lockOuts.stream().findFirst().orElseThrow().name() + ". Name a keeper, or confirm that this is meant.");
    }
  }
}
