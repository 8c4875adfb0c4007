package palegate.server.drafts;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.OversightChange;
import palegate.core.changes.Refusal;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.viewpoint.Authority;
import palegate.core.viewpoint.SystemHolders;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.changes.ChangeBody;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.Transactions;
import palegate.server.viewpoint.Viewpoints;

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
  private final Viewpoints viewpoints;
  private final ChangeLog log;
  private final Accounts accounts;
  private final Transactions transactions;
  private final Clock clock;

  Drafts(DraftStore store, Rehearsals rehearsals, Snapshots snapshots, Viewpoints viewpoints, ChangeLog log, Accounts accounts, Transactions transactions, Clock clock) {
    this.store = store;
    this.rehearsals = rehearsals;
    this.snapshots = snapshots;
    this.viewpoints = viewpoints;
    this.log = log;
    this.accounts = accounts;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** The draft that its owner has in hand, rehearsed; without one, the rehearsal of nothing. */
  public Rehearsed rehearse(String owner) {
    return rehearse(store.find(owner), owner);
  }

  /** Any draft, rehearsed on what whoever looks at it may know. */
  public Rehearsed rehearse(Optional<DraftStore.Draft> draft, String account) {
    Snapshots.Numbered state = viewpoints.known(account);
    if (draft.isEmpty()) {
      return new Rehearsed(null, state.change(), rehearsals.ofNothing(state));
    }
    return new Rehearsed(draft.get(), state.change(), rehearsals.now(draft.get(), state));
  }

  /** What a draft would really do, whoever may know it: for deciding, never for showing. */
  public Rehearsal whole(DraftStore.Draft draft) {
    return rehearsals.now(draft, snapshots.current());
  }

  /** The state to show: the current one, or what the owner's draft would make of it. */
  public Snapshot shown(String owner, boolean drafted) {
    Optional<DraftStore.Draft> draft = drafted ? store.find(owner) : Optional.empty();
    return draft.isPresent() ? rehearse(draft, owner).rehearsal().after() : viewpoints.known(owner).snapshot();
  }

  /**
   * Adds changes to the draft in hand: all of them, or none if any cannot be made. They are rehearsed first; then a short
   * transaction writes them, if the draft is still the one they were rehearsed on.
   */
  public void add(String owner, List<Change> added) {
    added.forEach(change -> refuseWithoutDuty(owner, change));
    for (int tries = 1; tries <= TRIES; tries++) {
      Optional<DraftStore.Draft> draft = store.find(owner);
      Snapshots.Numbered all = snapshots.current();
      Snapshots.Numbered state = viewpoints.known(owner);
      Rehearsal rehearsal = rehearseWith(owner, draft, added, state);
      Rehearsal whole = rehearsal;
      if (all.snapshot() != state.snapshot()) {
        refuseNotKnown(owner, added);
        whole = rehearseWhole(owner, draft, added, all);
      } else {
        refuseBeyond(owner, rehearsal);
      }
      for (Change change : added) {
        if (change instanceof AccessChange.BreakPlace broken) {
          refuseBreakWithoutKeeper(rehearsal, broken.place());
        }
      }
      Optional<DraftStore.Draft> written = transactions.write(() -> write(owner, draft, added, state));
      if (written.isPresent()) {
        // The tray asks for these very rehearsals next.
        rehearsals.keep(written.get(), state, rehearsal);
        rehearsals.keep(written.get(), all, whole);
        return;
      }
    }
    throw moved("Look at it again, then repeat what you did.");
  }

  /** Adds what was sent; of what cannot be read as it should, everything that stands against it is said at once. */
  public void add(String owner, ChangeBody.Sent sent) {
    if (sent.faults().isEmpty()) {
      add(owner, sent.changes());
      return;
    }
    List<Integer> readable = IntStream.range(0, sent.changes().size()).filter(i -> sent.changes().get(i) != null).boxed().toList();
    List<Change> changes = new ArrayList<>(store.find(owner).map(Drafts::changes).orElse(List.of()));
    int known = changes.size();
    readable.forEach(i -> {
      refuseWithoutDuty(owner, sent.changes().get(i));
      changes.add(sent.changes().get(i));
    });
    Set<String> said = sent.faults().stream().map(Problem.Fault::what).collect(Collectors.toSet());
    List<Problem.Fault> faults = new ArrayList<>(sent.faults());
    rehearsals.of(owner, viewpoints.known(owner), changes, clock.instant()).refusals().stream().filter(refusal -> refusal.change() >= known && said.add(refusal.what()))
        .map(refusal -> fault(refusal, sent.changes().size(), readable.get(refusal.change() - known))).forEach(faults::add);
    throw ChangeBody.refused(faults);
  }

  /** @param change which of those that were added, from 0 */
  private static Problem.Fault fault(Refusal refusal, int added, int change) {
    return new Problem.Fault(added == 1 ? refusal.thing().replace(':', ' ') : "change " + (change + 1), refusal.what(), refusal.remedy(), refusal.cycle());
  }

  private Rehearsal rehearseWith(String owner, Optional<DraftStore.Draft> draft, List<Change> added, Snapshots.Numbered state) {
    List<Change> changes = new ArrayList<>(draft.map(Drafts::changes).orElse(List.of()));
    int known = changes.size();
    changes.addAll(added);
    Rehearsal rehearsal = rehearsals.of(owner, state, changes, clock.instant());
    List<Problem.Fault> faults = rehearsal.refusals().stream().filter(refusal -> refusal.change() >= known)
        .map(refusal -> fault(refusal, added.size(), refusal.change() - known)).toList();
    if (!faults.isEmpty()) {
      throw Problem.faults(faults.get(0).what() + " " + faults.get(0).remedy(), faults);
    }
    return rehearsal;
  }

  /** What stands in the way and may be known has been said by then; of the rest it is only said that it does. */
  private Rehearsal rehearseWhole(String owner, Optional<DraftStore.Draft> draft, List<Change> added, Snapshots.Numbered all) {
    List<Change> changes = new ArrayList<>(draft.map(Drafts::changes).orElse(List.of()));
    int known = changes.size();
    changes.addAll(added);
    Rehearsal whole = rehearsals.of(owner, all, changes, clock.instant());
    if (whole.obstacles().stream().anyMatch(refusal -> refusal.change() >= known)) {
      throw inTheWay();
    }
    refuseBeyond(owner, whole);
    return whole;
  }

  /** Of something that may not be known, no more is said. */
  public static Problem inTheWay() {
    return Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "in-the-way", "This cannot be done by you", "Something outside what your duties cover stands in the way. Ask somebody whose duties cover more.");
  }

  /** Whom one does not wholly see one gives nothing: what was seen would not be what holds. */
  private void refuseNotKnown(String owner, List<Change> added) {
    Viewpoint viewpoint = viewpoints.of(owner);
    Structure all = snapshots.current().snapshot().structure();
    added.stream().map(Drafts::named).flatMap(Optional::stream).filter(subject -> !viewpoint.knowsAllOf(subject, all)).findFirst().ifPresent(subject -> {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-wholly-known", "You do not see everybody in it",
          "Not everybody in “" + SubjectNames.of(subject, viewpoint.snapshot().structure()) + "” is among those whom you may know, so that you could not see what this would do. Ask somebody whose duties cover more.");
    });
  }

  private static Optional<Subject> named(Change change) {
    return change instanceof AccessChange.AddGrant add ? Optional.of(add.grant().subject()) : change instanceof AccessChange.AddWithholding add ? Optional.of(add.withholding().subject())
        : change instanceof OversightChange.AddOversight add ? Optional.of(add.oversight().subject()) : Optional.empty();
  }

  private void refuseBeyond(String owner, Rehearsal rehearsal) {
    List<Authority.Beyond> beyond = Authority.beyond(accounts.asker(owner), rehearsal);
    if (!beyond.isEmpty()) {
      Authority.Beyond first = beyond.get(0);
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Your duties do not cover this", Authority.words(beyond) + " " + first.remedy());
    }
    Instant now = clock.instant();
    SystemHolders.lostFrom(rehearsal.before().structure(), rehearsal.after().structure(), now).ifPresent(from -> {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "last-system", "Nobody would be left to hand out duties",
          (from.isAfter(now) ? "From " + from + " on nobody active" : "Nobody active") + " would hold the duty [system]. Give it to somebody else first.");
    });
  }

  /** That a draft's author holds the duties that all of it takes, where it takes them, judged by what it really does. */
  public void refuseBeyond(DraftStore.Draft draft, Rehearsal whole) {
    refuseBeyond(draft.owner(), whole);
  }

  /** The draft as it is then; empty if it has become another than it was. */
  private Optional<DraftStore.Draft> write(String owner, Optional<DraftStore.Draft> known, List<Change> added, Snapshots.Numbered state) {
    DraftStore.Draft locked = store.lockOrBegin(owner, state.change(), clock.instant());
    boolean same = known.map(draft -> draft.id() == locked.id() && draft.version() == locked.version()).orElse(locked.version() == 0 && locked.items().isEmpty());
    return same ? Optional.of(store.add(locked, added)) : Optional.empty();
  }

  /** What some changes would do on top of the draft in hand; nothing is kept. */
  public Previewed preview(String owner, List<Change> added) {
    Snapshots.Numbered state = viewpoints.known(owner);
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
    if (!Authority.mayDraft(accounts.asker(account), change)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed",
          "This change takes the duty [" + change.duty().word() + "], which is not among yours. Ask somebody who has it.");
    }
  }

  public void refuseWithoutDuties(DraftStore.Draft draft) {
    draft.items().stream().map(DraftStore.Item::change).collect(Collectors.toMap(Change::duty, change -> change, (one, other) -> one)).values()
        .forEach(change -> refuseWithoutDuty(draft.owner(), change));
  }

  public void remove(String owner, long item) {
    transactions.write(() -> {
      DraftStore.Draft draft = store.lock(owner).orElseThrow(() -> Problem.notFound("change in your draft", Long.toString(item)));
      if (!store.remove(draft, item)) {
        throw Problem.notFound("change in your draft", Long.toString(item));
      }
      boolean last = draft.items().size() == 1 && draft.name().equals("Draft");
      if (last) {
        store.discard(draft.id());
      }
      return Optional.of(draft.id()).filter(any -> last);
    }).ifPresent(rehearsals::forget);
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
    transactions.write(() -> store.discard(owner)).ifPresent(rehearsals::forget);
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
