package palegate.server.drafts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import palegate.core.drafts.Change;
import palegate.core.drafts.Refusal;
import palegate.core.drafts.PlaceSet;
import palegate.core.drafts.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;

/** Drafting, rehearsing and putting in force (access rules, section 8). */
@Service
public class Drafts {
  /** A draft rehearsed on the current state. */
  public record Rehearsed(DraftStore.Draft draft, long change, Rehearsal rehearsal, List<ChangeLog.Clash> clashes) {
    boolean isEmpty() {
      return draft == null || draft.items().isEmpty();
    }
  }

  private record Key(long draft, int version, long change, Instant minute) {}

  private final DraftStore store;
  private final Snapshots snapshots;
  private final StructureStore structures;
  private final ChangeLog log;
  private final Accounts accounts;
  private final Clock clock;
  /** The tray, the tree and the lists of one screen ask for the same rehearsal within moments. */
  private final Cache<Key, Rehearsal> rehearsals =
      Caffeine.newBuilder().maximumSize(20).expireAfterWrite(Duration.ofMinutes(2)).build();

  Drafts(DraftStore store, Snapshots snapshots, StructureStore structures, ChangeLog log, Accounts accounts, Clock clock) {
    this.store = store;
    this.snapshots = snapshots;
    this.structures = structures;
    this.log = log;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** The owner's draft, rehearsed; without one, the rehearsal of nothing. */
  public Rehearsed rehearse(String owner) {
    Optional<DraftStore.Draft> draft = store.find(owner);
    Snapshots.Numbered state = snapshots.current();
    if (draft.isEmpty()) {
      return new Rehearsed(null, state.change(), Rehearsal.of(state.snapshot(), List.of(), clock.instant(), null), List.of());
    }
    Rehearsal rehearsal = rehearse(draft.get(), state);
    return new Rehearsed(draft.get(), state.change(), rehearsal, clashes(draft.get(), rehearsal));
  }

  /** The state to show: the current one, or what the owner's draft would make of it. */
  public Snapshot shown(String owner, boolean drafted) {
    return drafted ? rehearse(owner).rehearsal().after() : snapshots.current().snapshot();
  }

  @Transactional
  public void add(String owner, ChangeBody body) {
    Snapshots.Numbered state = snapshots.current();
    DraftStore.Draft draft = store.lockOrBegin(owner, state.change(), clock.instant());
    ChangeBody complete = body.withEntry();
    List<Change> changes = new ArrayList<>(changes(draft));
    changes.add(coreOf(complete));
    Rehearsal rehearsal = Rehearsal.of(state.snapshot(), changes, clock.instant(), null);
    List<Problem.Fault> faults = rehearsal.refusals().stream().filter(refusal -> refusal.change() == changes.size() - 1)
        .map(refusal -> new Problem.Fault(refusal.thing().replace(':', ' '), refusal.what(), refusal.remedy())).toList();
    if (!faults.isEmpty()) {
      throw Problem.faults(faults.get(0).what() + " " + faults.get(0).remedy(), faults);
    }
    if (complete instanceof ChangeBody.BreakPlace broken) {
      refuseBreakWithoutKeeper(rehearsal, broken.place());
    }
    store.add(draft, complete);
  }

  @Transactional
  public void remove(String owner, long item) {
    DraftStore.Draft draft = store.lock(owner).orElseThrow(() -> Problem.notFound("change in your draft", Long.toString(item)));
    if (!store.remove(draft, item)) {
      throw Problem.notFound("change in your draft", Long.toString(item));
    }
    if (draft.items().size() == 1) {
      store.discard(owner);
    }
  }

  public void discard(String owner) {
    store.discard(owner);
  }

  /** Takes the draft to the current state: whatever clashed has been looked at. */
  @Transactional
  public void renew(String owner) {
    store.rebase(store.lock(owner).orElseThrow(Drafts::nothingDrafted), snapshots.current().change());
  }

  /**
   * Puts a draft in force as the next change; everything or nothing.
   *
   * @param version the version that the author has seen; another one is refused
   * @param acceptLockOuts that places left without a keeper are meant
   * @return the number of the change
   */
  @Transactional
  public long putInForce(String owner, int version, String note, boolean acceptLockOuts) {
    long number = log.takeNextNumber();
    DraftStore.Draft draft = store.lock(owner).filter(found -> !found.items().isEmpty()).orElseThrow(Drafts::nothingDrafted);
    if (draft.version() != version) {
      throw Problem.of(HttpStatus.CONFLICT, "draft-moved", "The draft is not what you saw",
          "It has been edited since, perhaps in another window. Look at the rehearsal again, then put it in force.");
    }
    Snapshots.Numbered state = snapshots.current();
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    Accounts.Account author = accounts.find(owner).orElseThrow();
    Rehearsal rehearsal = Rehearsal.of(state.snapshot(), changes(draft), now, author.person());
    refuseClash(draft, rehearsal, state.snapshot());
    refuseWhatCannotBeMade(rehearsal);
    rehearsal.refusedBreaks().forEach(refused -> refuseBreakWithoutKeeper(rehearsal, refused.place().id()));
    refuseUnseenLockOuts(rehearsal, acceptLockOuts);
    Set<String> touches = Touches.between(rehearsal.before().structure(), rehearsal.after().structure());
    log.write(new ChangeLog.Logged(number, owner, author.name(), now, note, "draft", store.asJson(draft.items())), touches);
    structures.write(rehearsal.before().structure(), rehearsal.after().structure(), number);
    store.discard(owner);
    publishAfterCommit(new Snapshots.Numbered(number, rehearsal.after().detached()));
    return number;
  }

  private void publishAfterCommit(Snapshots.Numbered state) {
    TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
      @Override
      public void afterCommit() {
        snapshots.publish(state);
      }
    });
  }

  private Rehearsal rehearse(DraftStore.Draft draft, Snapshots.Numbered state) {
    Instant now = clock.instant();
    String author = accounts.find(draft.owner()).map(Accounts.Account::person).orElse(null);
    return rehearsals.get(new Key(draft.id(), draft.version(), state.change(), now.truncatedTo(ChronoUnit.MINUTES)),
        key -> Rehearsal.of(state.snapshot(), changes(draft), now, author));
  }

  private List<ChangeLog.Clash> clashes(DraftStore.Draft draft, Rehearsal rehearsal) {
    Set<String> touched = Touches.between(rehearsal.before().structure(), rehearsal.after().structure());
    // A change that can no longer be made leaves no difference, and yet its place is touched.
    draft.items().forEach(item -> touched.add(Touches.place(item.body().place())));
    return log.clashes(draft.base(), touched);
  }

  private void refuseClash(DraftStore.Draft draft, Rehearsal rehearsal, Snapshot current) {
    List<ChangeLog.Clash> clashes = clashes(draft, rehearsal);
    if (!clashes.isEmpty()) {
      ChangeLog.Clash first = clashes.get(0);
      throw Problem.of(HttpStatus.CONFLICT, "clash", "Somebody was there before you",
          first.authorName() + " changed " + ClashView.nameOf(first.thing(), current) + " with change " + first.number()
              + " since you began. Your draft is kept: look at what it would do now, then put it in force.")
          .with("clashes", clashes.stream().map(clash -> ClashView.of(clash, current)).toList());
    }
  }

  private static void refuseWhatCannotBeMade(Rehearsal rehearsal) {
    List<Refusal> refusals = rehearsal.refusals();
    if (!refusals.isEmpty()) {
      throw Problem.faults("Some changes of the draft cannot be made any more. Nothing was put in force.", refusals.stream()
          .map(refusal -> new Problem.Fault("change " + (refusal.change() + 1), refusal.what(), refusal.remedy())).toList());
    }
  }

  private static void refuseBreakWithoutKeeper(Rehearsal rehearsal, String place) {
    rehearsal.refusedBreaks().stream().filter(refused -> refused.place().id().equals(place)).findFirst().ifPresent(refused -> {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "break-without-keeper", "Nobody would be left to govern",
          "The break at " + refused.place().name() + " would leave nobody active and on staff with govern, there or below. "
              + "Name who governs it from then on.")
          .with("candidates", refused.candidates().stream().map(person -> new DraftController.Candidate(person.id(), person.name())).toList());
    });
  }

  private static void refuseUnseenLockOuts(Rehearsal rehearsal, boolean accepted) {
    PlaceSet lockOuts = rehearsal.lockOuts();
    if (!lockOuts.isEmpty() && !accepted) {
      throw Problem.of(HttpStatus.CONFLICT, "lock-outs", "Places would be left without a keeper",
          lockOuts.size() + (lockOuts.size() == 1 ? " place" : " places") + " would have nobody active and on staff with govern, beginning with "
              + lockOuts.stream().findFirst().orElseThrow().name() + ". Name a keeper, or confirm that this is meant.");
    }
  }

  private static List<Change> changes(DraftStore.Draft draft) {
    return draft.items().stream().map(item -> (Change) item.body().toCore()).toList();
  }

  private static Change coreOf(ChangeBody body) {
    try {
      return body.toCore();
    } catch (IllegalArgumentException wrong) {
      throw Problem.faults(wrong.getMessage(), List.of(new Problem.Fault("change", wrong.getMessage(), "Correct it and send it again.")));
    }
  }

  private static Problem nothingDrafted() {
    return Problem.of(HttpStatus.CONFLICT, "no-draft", "There is nothing in your draft",
        "It may have been put in force or discarded already, perhaps in another window.");
  }
}
