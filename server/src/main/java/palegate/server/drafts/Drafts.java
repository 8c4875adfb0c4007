package palegate.server.drafts;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.Refusal;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.Transactions;

/** Drafting and rehearsing (access rules, section 8). */
@Service
public class Drafts {
  /** A draft rehearsed on the current state. */
  public record Rehearsed(DraftStore.Draft draft, long change, Rehearsal rehearsal) {
    public boolean isEmpty() {
      return draft == null || draft.items().isEmpty();
    }
  }

  /** Somebody who could be named to govern a place. */
  public record Candidate(String id, String name) {}

  private static final int TRIES = 8;

  private final DraftStore store;
  private final Rehearsals rehearsals;
  private final Snapshots snapshots;
  private final ChangeLog log;
  private final Accounts accounts;
  private final Transactions transactions;
  private final Clock clock;

  Drafts(DraftStore store, Rehearsals rehearsals, Snapshots snapshots, ChangeLog log, Accounts accounts, Transactions transactions, Clock clock) {
    this.store = store;
    this.rehearsals = rehearsals;
    this.snapshots = snapshots;
    this.log = log;
    this.accounts = accounts;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** The draft that its owner has in hand, rehearsed; without one, the rehearsal of nothing. */
  public Rehearsed rehearse(String owner) {
    return rehearse(store.find(owner));
  }

  /** Any draft, rehearsed. */
  public Rehearsed rehearse(Optional<DraftStore.Draft> draft) {
    Snapshots.Numbered state = snapshots.current();
    if (draft.isEmpty()) {
      return new Rehearsed(null, state.change(), rehearsals.ofNothing(state));
    }
    return new Rehearsed(draft.get(), state.change(), rehearsals.now(draft.get(), state));
  }

  /** The state to show: the current one, or what the owner's draft would make of it. */
  public Snapshot shown(String owner, boolean drafted) {
    Optional<DraftStore.Draft> draft = drafted ? store.find(owner) : Optional.empty();
    return draft.isPresent() ? rehearse(draft).rehearsal().after() : snapshots.current().snapshot();
  }

  /**
   * Adds changes to the draft in hand: all of them, or none if any cannot be made. They are rehearsed first; then a short
   * transaction writes them, if the draft is still the one they were rehearsed on.
   */
  public void add(String owner, List<Change> added) {
    added.forEach(change -> refuseWithoutDuty(owner, change));
    for (int tries = 1; tries <= TRIES; tries++) {
      Optional<DraftStore.Draft> draft = store.find(owner);
      Snapshots.Numbered state = snapshots.current();
      Rehearsal rehearsal = rehearseWith(owner, draft, added, state);
      for (Change change : added) {
        if (change instanceof AccessChange.BreakPlace broken) {
          refuseBreakWithoutKeeper(rehearsal, broken.place());
        }
      }
      Optional<DraftStore.Draft> written = transactions.write(() -> write(owner, draft, added, state));
      if (written.isPresent()) {
        // The tray asks for this very rehearsal next.
        rehearsals.keep(written.get(), state, rehearsal);
        return;
      }
    }
    throw moved("Look at it again, then repeat what you did.");
  }

  private Rehearsal rehearseWith(String owner, Optional<DraftStore.Draft> draft, List<Change> added, Snapshots.Numbered state) {
    List<Change> changes = new ArrayList<>(draft.map(Drafts::changes).orElse(List.of()));
    int known = changes.size();
    changes.addAll(added);
    Rehearsal rehearsal = rehearsals.of(owner, state, changes, clock.instant());
    List<Problem.Fault> faults = rehearsal.refusals().stream().filter(refusal -> refusal.change() >= known)
        .map(refusal -> new Problem.Fault(added.size() == 1 ? refusal.thing().replace(':', ' ') : "change " + (refusal.change() - known + 1),
            refusal.what(), refusal.remedy(), refusal.cycle())).toList();
    if (!faults.isEmpty()) {
      throw Problem.faults(faults.get(0).what() + " " + faults.get(0).remedy(), faults);
    }
    return rehearsal;
  }

  /** The draft as it is then; empty if it has become another than it was. */
  private Optional<DraftStore.Draft> write(String owner, Optional<DraftStore.Draft> known, List<Change> added, Snapshots.Numbered state) {
    DraftStore.Draft locked = store.lockOrBegin(owner, state.change(), clock.instant());
    boolean same = known.map(draft -> draft.id() == locked.id() && draft.version() == locked.version()).orElse(locked.version() == 0 && locked.items().isEmpty());
    return same ? Optional.of(store.add(locked, added)) : Optional.empty();
  }

  /** What some changes would do on top of the draft in hand; nothing is kept. */
  public Previewed preview(String owner, List<Change> added) {
    Snapshots.Numbered state = snapshots.current();
    Instant now = clock.instant();
    List<Change> changes = new ArrayList<>(store.find(owner).map(Drafts::changes).orElse(List.of()));
    int known = changes.size();
    Snapshot drafted = known == 0 ? state.snapshot() : rehearsals.of(owner, state, List.copyOf(changes), now).after();
    changes.addAll(added);
    Rehearsal whole = rehearsals.of(owner, state, changes, now);
    return new Previewed(drafted, whole, RightsDifference.between(drafted, whole.after(), now),
        whole.refusals().stream().filter(refusal -> refusal.change() >= known).toList());
  }

  /** The draft in hand and, on top of it, some changes: what they do by themselves. */
  public record Previewed(Snapshot drafted, Rehearsal whole, RightsDifference difference, List<Refusal> refusals) {}

  private void refuseWithoutDuty(String account, Change change) {
    if (!accounts.holdsAny(account, change.duty())) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed",
          "This change takes the duty [" + change.duty().word() + "], which is not among yours. Ask somebody who has it.");
    }
  }

  public void refuseWithoutDuties(DraftStore.Draft draft) {
    draft.items().stream().map(DraftStore.Item::change).collect(Collectors.toMap(Change::duty, change -> change, (one, other) -> one)).values()
        .forEach(change -> refuseWithoutDuty(draft.owner(), change));
  }

  public void remove(String owner, long item) {
    transactions.run(() -> {
      DraftStore.Draft draft = store.lock(owner).orElseThrow(() -> Problem.notFound("change in your draft", Long.toString(item)));
      if (!store.remove(draft, item)) {
        throw Problem.notFound("change in your draft", Long.toString(item));
      }
      if (draft.items().size() == 1 && draft.name().equals("Draft")) {
        store.discard(draft.id());
      }
    });
  }

  /** Puts the changes of the draft in hand in another order. */
  public void reorder(String owner, List<Long> items) {
    transactions.run(() -> {
      DraftStore.Draft draft = store.lock(owner).orElseThrow(Drafts::nothingDrafted);
      Set<Long> known = draft.items().stream().map(DraftStore.Item::id).collect(Collectors.toSet());
      if (items.size() != known.size() || !known.equals(Set.copyOf(items))) {
        throw moved("Look at it again, then put it in order.");
      }
      store.reorder(draft, items);
    });
  }

  public void discard(String owner) {
    transactions.run(() -> store.discard(owner));
  }

  /** Takes the draft to the current state: whatever clashed has been looked at. */
  public void renew(String owner) {
    long change = snapshots.current().change();
    transactions.run(() -> store.rebase(store.lock(owner).orElseThrow(Drafts::nothingDrafted), change));
  }

  public List<ChangeLog.Clash> clashes(Rehearsed rehearsed) {
    return rehearsed.draft() == null ? List.of() : clashes(rehearsed.draft(), rehearsed.rehearsal());
  }

  public List<ChangeLog.Clash> clashes(DraftStore.Draft draft, Rehearsal rehearsal) {
    Set<String> touched = rehearsal.altered().things();
    // A change that can no longer be made leaves no difference, and yet what it is about is touched.
    draft.items().forEach(item -> touched.add(item.change().thing()));
    return log.clashes(draft.base(), touched);
  }

  public static void refuseBreakWithoutKeeper(Rehearsal rehearsal, String place) {
    rehearsal.refusedBreaks().stream().filter(refused -> refused.place().id().equals(place)).findFirst().ifPresent(refused -> {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "break-without-keeper", "Nobody would be left to govern",
          "The break at " + refused.place().name() + " would leave nobody active and on staff with govern, there or below. "
              + "Name who governs it from then on.")
          .with("candidates", refused.candidates().stream().map(person -> new Candidate(person.id(), person.name())).toList());
    });
  }

  public static List<Change> changes(DraftStore.Draft draft) {
    return draft.items().stream().map(DraftStore.Item::change).toList();
  }

  public static Problem nothingDrafted() {
    return Problem.of(HttpStatus.CONFLICT, "no-draft", "There is nothing in your draft",
        "It may have been put in force or discarded already, perhaps in another window.");
  }

  /** @param then what to do about it */
  public static Problem moved(String then) {
    return Problem.of(HttpStatus.CONFLICT, "draft-moved", "The draft is not what you saw", "It has been edited since, perhaps in another window. " + then);
  }
}
