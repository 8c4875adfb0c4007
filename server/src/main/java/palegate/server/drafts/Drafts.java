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
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import palegate.core.drafts.Change;
import palegate.core.drafts.Difference;
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
  private final Approvals approvals;
  private final Requests requests;
  private final Clock clock;
  /** The tray, the tree and the lists of one screen ask for the same rehearsal within moments. */
  private final Cache<Key, Rehearsal> rehearsals =
      Caffeine.newBuilder().maximumSize(20).expireAfterWrite(Duration.ofMinutes(2)).build();

  Drafts(DraftStore store, Snapshots snapshots, StructureStore structures, ChangeLog log, Accounts accounts, Approvals approvals,
      Requests requests, Clock clock) {
    this.store = store;
    this.snapshots = snapshots;
    this.structures = structures;
    this.log = log;
    this.accounts = accounts;
    this.approvals = approvals;
    this.requests = requests;
    this.clock = clock;
  }

  /** The draft that its owner has in hand, rehearsed; without one, the rehearsal of nothing. */
  public Rehearsed rehearse(String owner) {
    return rehearse(store.find(owner));
  }

  /** Any draft, rehearsed. */
  Rehearsed rehearse(Optional<DraftStore.Draft> draft) {
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

  /** Adds changes to the draft in hand: all of them, or none if any cannot be made. */
  @Transactional
  public void add(String owner, List<ChangeBody> bodies) {
    bodies.forEach(body -> refuseWithoutDuty(owner, body));
    Snapshots.Numbered state = snapshots.current();
    DraftStore.Draft draft = store.lockOrBegin(owner, state.change(), clock.instant());
    List<ChangeBody> complete = bodies.stream().map(ChangeBody::withEntry).toList();
    List<Change> changes = new ArrayList<>(changes(draft));
    int known = changes.size();
    complete.forEach(body -> changes.add(coreOf(body)));
    Instant now = clock.instant();
    Rehearsal rehearsal = Rehearsal.of(state.snapshot(), changes, now, accounts.find(owner).map(Accounts.Account::person).orElse(null));
    List<Problem.Fault> faults = rehearsal.refusals().stream().filter(refusal -> refusal.change() >= known)
        .map(refusal -> new Problem.Fault(bodies.size() == 1 ? refusal.thing().replace(':', ' ') : "change " + (refusal.change() - known + 1),
            refusal.what(), refusal.remedy(), refusal.cycle())).toList();
    if (!faults.isEmpty()) {
      throw Problem.faults(faults.get(0).what() + " " + faults.get(0).remedy(), faults);
    }
    for (ChangeBody body : complete) {
      if (body instanceof ChangeBody.BreakPlace broken) {
        refuseBreakWithoutKeeper(rehearsal, broken.place());
      }
    }
    store.add(draft, complete);
    // The tray asks for this very rehearsal next.
    rehearsals.put(new Key(draft.id(), draft.version() + 1, state.change(), now.truncatedTo(ChronoUnit.MINUTES)), rehearsal);
  }

  /** What some changes would do on top of the draft in hand; nothing is kept. */
  Previewed preview(String owner, List<ChangeBody> bodies) {
    Snapshots.Numbered state = snapshots.current();
    Instant now = clock.instant();
    List<Change> changes = new ArrayList<>(store.find(owner).map(Drafts::changes).orElse(List.of()));
    int known = changes.size();
    bodies.forEach(body -> changes.add(coreOf(body.withEntry())));
    Snapshot drafted = rehearse(owner).rehearsal().after();
    Rehearsal whole = Rehearsal.of(state.snapshot(), changes, now, accounts.find(owner).map(Accounts.Account::person).orElse(null));
    return new Previewed(drafted, whole, Difference.between(drafted, whole.after(), now),
        whole.refusals().stream().filter(refusal -> refusal.change() >= known).toList());
  }

  /** The draft in hand and, on top of it, some changes: what they do by themselves. */
  record Previewed(Snapshot drafted, Rehearsal whole, Difference difference, List<Refusal> refusals) {}

  private void refuseWithoutDuty(String account, ChangeBody body) {
    if (!accounts.holdsAny(account, body.duty())) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed",
          "This change takes the duty [" + body.duty().word() + "], which is not among yours. Ask somebody who has it.");
    }
  }

  @Transactional
  public void remove(String owner, long item) {
    DraftStore.Draft draft = store.lock(owner).orElseThrow(() -> Problem.notFound("change in your draft", Long.toString(item)));
    if (!store.remove(draft, item)) {
      throw Problem.notFound("change in your draft", Long.toString(item));
    }
    if (draft.items().size() == 1 && draft.name().equals("Draft")) {
      store.discard(owner);
    }
  }

  /** Puts the changes of the draft in hand in another order. */
  @Transactional
  public void reorder(String owner, List<Long> items) {
    DraftStore.Draft draft = store.lock(owner).orElseThrow(Drafts::nothingDrafted);
    Set<Long> known = draft.items().stream().map(DraftStore.Item::id).collect(Collectors.toSet());
    if (items.size() != known.size() || !known.equals(Set.copyOf(items))) {
      throw Problem.of(HttpStatus.CONFLICT, "draft-moved", "The draft is not what you saw",
          "It has been edited since, perhaps in another window. Look at it again, then put it in order.");
    }
    store.reorder(draft, items);
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
   * How a draft is to be put in force.
   *
   * @param version the version that the author has seen; another one is refused
   * @param acceptLockOuts that places left without a keeper are meant
   * @param request names the request, so that the same one sent twice is carried out once; may be null
   */
  record Order(int version, String note, boolean acceptLockOuts, String request) {}

  /**
   * Puts the draft in hand in force as the next change; everything or nothing.
   *
   * @return the number of the change
   */
  @Transactional
  public long putInForce(String owner, Order order) {
    long number = log.takeNextNumber();
    Optional<Long> answered = order.request() == null ? Optional.empty() : requests.answered(order.request(), owner);
    return answered.orElseGet(() -> putInForce(number, store.lock(owner).orElseThrow(Drafts::nothingDrafted), order));
  }

  /** Puts a draft in force whose time has come, by its id. */
  @Transactional
  long putInForce(long draft, Order order) {
    long number = log.takeNextNumber();
    return putInForce(number, store.lock(draft).orElseThrow(Drafts::nothingDrafted), order);
  }

  private long putInForce(long number, DraftStore.Draft draft, Order order) {
    if (draft.items().isEmpty()) {
      throw nothingDrafted();
    }
    if (draft.version() != order.version()) {
      throw Problem.of(HttpStatus.CONFLICT, "draft-moved", "The draft is not what you saw",
          "It has been edited since, perhaps in another window. Look at the rehearsal again, then put it in force.");
    }
    String owner = draft.owner();
    draft.items().forEach(item -> refuseWithoutDuty(owner, item.body()));
    Snapshots.Numbered state = snapshots.current();
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    Accounts.Account author = accounts.find(owner).orElseThrow();
    Rehearsal rehearsal = Rehearsal.of(state.snapshot(), changes(draft), now, author.person());
    refuseClash(draft, rehearsal, state.snapshot());
    refuseWhatCannotBeMade(rehearsal);
    rehearsal.refusedBreaks().forEach(refused -> refuseBreakWithoutKeeper(rehearsal, refused.place().id()));
    refuseUnseenLockOuts(rehearsal, order.acceptLockOuts());
    approvals.refuseUnapproved(draft, rehearsal);
    Set<String> touches = Touches.between(rehearsal.before().structure(), rehearsal.after().structure());
    if (touches.isEmpty()) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-difference", "The draft alters nothing",
          "All that it says is so already. Discard it, or draft something else.");
    }
    log.write(new ChangeLog.Logged(number, owner, author.name(), now, order.note(), "draft", store.asJson(draft.items())), touches);
    structures.write(rehearsal.before().structure(), rehearsal.after().structure(), number);
    store.discard(draft.id());
    if (order.request() != null) {
      requests.remember(order.request(), owner, number);
    }
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
    // A change that can no longer be made leaves no difference, and yet what it is about is touched.
    draft.items().forEach(item -> touched.add(item.body().toCore().thing()));
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
          .map(refusal -> new Problem.Fault("change " + (refusal.change() + 1), refusal.what(), refusal.remedy(), refusal.cycle())).toList());
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

  static List<Change> changes(DraftStore.Draft draft) {
    return draft.items().stream().map(item -> item.body().toCore()).toList();
  }

  static Change coreOf(ChangeBody body) {
    try {
      return body.toCore();
    } catch (IllegalArgumentException wrong) {
      throw Problem.faults(wrong.getMessage(), List.of(new Problem.Fault("change", wrong.getMessage(), "Correct it and send it again.")));
    }
  }

  static Problem nothingDrafted() {
    return Problem.of(HttpStatus.CONFLICT, "no-draft", "There is nothing in your draft",
        "It may have been put in force or discarded already, perhaps in another window.");
  }
}
