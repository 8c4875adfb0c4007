package palegate.server.tray;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import palegate.core.changes.Change;
import palegate.core.people.Person;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.approvals.Approvals;
import palegate.server.drafts.DraftStore;
import palegate.server.drafts.Drafts;
import palegate.server.drafts.Rehearsals;
import palegate.server.drafts.Seen;
import palegate.server.inforce.PuttingInForce;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.Instants;
import palegate.server.store.Snapshots;
import palegate.server.store.StateCaches;
import palegate.server.store.Transactions;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;

/** Drafts as they are kept: several an owner, under names, shared, talked about, approved, scheduled. */
@Service
public class StoredDrafts {
  private final DraftStore store;
  private final Drafts drafts;
  private final Rehearsals rehearsals;
  private final Transactions transactions;
  private final Approvals approvals;
  private final Accounts accounts;
  private final Snapshots snapshots;
  private final Viewpoints viewpoints;
  private final JdbcClient jdbc;
  private final Clock clock;

  StoredDrafts(DraftStore store, Drafts drafts, Rehearsals rehearsals, Transactions transactions, Approvals approvals, Accounts accounts, Snapshots snapshots, Viewpoints viewpoints, JdbcClient jdbc, StateCaches caches, Clock clock) {
    this.store = store;
    this.drafts = drafts;
    this.rehearsals = rehearsals;
    this.transactions = transactions;
    this.approvals = approvals;
    this.accounts = accounts;
    this.snapshots = snapshots;
    this.viewpoints = viewpoints;
    this.jdbc = jdbc;
    this.clock = clock;
    besides = caches.few(8, Duration.ofMinutes(2));
  }

  public List<DraftsController.DraftLine> lines(String account) {
    return store.seenBy(account).stream().map(draft -> line(draft, account)).toList();
  }

  private DraftsController.DraftLine line(DraftStore.Draft draft, String account) {
    return new DraftsController.DraftLine(draft.id(), draft.name(), accounts.nameOf(draft.owner()),
        draft.owner().equals(account), draft.inHand(), draft.owner().equals(account) ? draft.items().size() : items(draft, account).size(), draft.due() == null ? null : draft.due().at(), draft.stopped(),
        approvals.of(draft).stream().map(Approvals.Approval::name).toList());
  }

  /** One's own draft, or one that is shared; of any other it is not told whether it exists. */
  private DraftStore.Draft seen(long id, String account) {
    return store.find(id).filter(draft -> draft.owner().equals(account) || isReader(id, account)).orElseThrow(() -> notThere(id));
  }

  private DraftStore.Draft own(long id, String account) {
    return store.lock(id).filter(draft -> draft.owner().equals(account)).orElseThrow(() -> notThere(id));
  }

  private static Problem notThere(long id) {
    return Problem.notFound("draft", Long.toString(id));
  }

  public DraftsController.Opened open(long id, String account) {
    DraftStore.Draft draft = seen(id, account);
    Drafts.Rehearsed rehearsed = rehearse(draft, account);
    Rehearsal rehearsal = rehearsed.rehearsal();
    return new DraftsController.Opened(line(draft, account), draft.version(), Seen.of(rehearsed.change(), rehearsal), items(draft, account), rehearsal.now().totals(),
        approvals.missing(draft, rehearsal, whole(draft)), readers(id), comments(id));
  }

  /** Two drafts, and what would be otherwise with the other one in force instead of the first. */
  record Beside(String name, String otherName, Structure one, Structure other, RightsDifference difference) {
    /** In whose structure somebody's unit is to be found: whoever is new in one of the drafts is in that one alone. */
    Structure of(Person person) {
      return other.people().containsKey(person.id()) ? other : one;
    }
  }

  private record BesideKey(Snapshot one, Snapshot other) {}

  /** Whoever reads page after page of it asks for the same one. */
  private final WeighedCache<BesideKey, RightsDifference> besides;

  Beside beside(long id, long other, String account) {
    DraftStore.Draft first = seen(id, account);
    DraftStore.Draft second = seen(other, account);
    Snapshot one = drafts.rehearse(Optional.of(first), account).rehearsal().after();
    Snapshot two = drafts.rehearse(Optional.of(second), account).rehearsal().after();
    Instant now = clock.instant();
    RightsDifference difference = besides.compute(new BesideKey(one, two), (key, known) -> known != null && one.sameBetween(known.instant(), now) && two.sameBetween(known.instant(), now) ? known
        : RightsDifference.between(one.at(now), two.at(now)));
    return new Beside(first.name(), second.name(), one.structure(), two.structure(), difference);
  }

  /** As it would be put in force: at its hour if it has one, else now. */
  private Drafts.Rehearsed rehearse(DraftStore.Draft draft, String account) {
    if (draft.due() == null) {
      return drafts.rehearse(Optional.of(draft), account);
    }
    Snapshots.Numbered state = viewpoints.known(account);
    return new Drafts.Rehearsed(draft, state.change(), rehearsals.at(draft, state, draft.due().at()));
  }

  /** Its changes; of somebody else's draft those about what one may know. */
  private List<DraftController.Item> items(DraftStore.Draft draft, String account) {
    Drafts.Rehearsed rehearsed = rehearse(draft, account);
    return draft.owner().equals(account) ? DraftController.items(rehearsed) : DraftController.items(rehearsed, whole(draft));
  }

  /** What it would really do then, whoever may know it. */
  private Rehearsal whole(DraftStore.Draft draft) {
    return draft.due() == null ? drafts.whole(draft) : rehearsals.at(draft, snapshots.current(), draft.due().at());
  }

  public DraftsController.Foreseen foresee(long id, String account, Instant at) {
    DraftStore.Draft draft = seen(id, account);
    refusePast(at);
    Snapshots.Numbered state = viewpoints.known(account);
    Rehearsal rehearsal = rehearsals.at(draft, state, at);
    Rehearsal whole = rehearsals.at(draft, snapshots.current(), at);
    return new DraftsController.Foreseen(Seen.of(state.change(), rehearsal), draft.version(), rehearsal.now().totals(), rehearsal.lockOuts().size(), approvals.missing(draft, rehearsal, whole));
  }

  public void begin(String owner, String name) {
    long base = snapshots.current().change();
    transactions.run(() -> store.begin(owner, name, base, clock.instant()));
  }

  /** Begins a draft that holds these changes, under a name; what cannot be made stays in it and says so. */
  public long begin(String owner, String name, List<Change> changes) {
    long base = snapshots.current().change();
    return transactions.write(() -> store.add(store.begin(owner, name, base, clock.instant()), changes).id());
  }

  public void takeInHand(long id, String account) {
    transactions.run(() -> store.takeInHand(own(id, account)));
  }

  public void rename(long id, String account, String name) {
    transactions.run(() -> store.rename(own(id, account), name));
  }

  public void discard(long id, String account) {
    transactions.run(() -> store.discard(own(id, account).id()));
    rehearsals.forget(id);
  }

  public List<DraftsController.Reader> colleagues(String account) {
    Structure known = viewpoints.known(account).snapshot().structure();
    return jdbc.sql("SELECT login, name, person FROM accounts WHERE login <> :account AND person IS NOT NULL ORDER BY name").param("account", account)
        .query((row, i) -> Map.entry(row.getString("person"), new DraftsController.Reader(row.getString("login"), row.getString("name")))).list().stream()
        .filter(colleague -> known.people().containsKey(colleague.getKey())).map(Map.Entry::getValue).toList();
  }

  public void share(long id, String account, String reader) {
    if (colleagues(account).stream().noneMatch(colleague -> colleague.login().equals(reader))) {
      throw Problem.notFound("colleague", reader);
    }
    transactions.run(() -> jdbc.sql("INSERT INTO draft_readers (draft, account) VALUES (:draft, :reader) ON DUPLICATE KEY UPDATE account = VALUES(account)")
        .param("draft", own(id, account).id()).param("reader", reader).update());
  }

  public void unshare(long id, String account, String reader) {
    transactions.run(() -> jdbc.sql("DELETE FROM draft_readers WHERE draft = :draft AND account = :reader")
        .param("draft", own(id, account).id()).param("reader", reader).update());
  }

  public void comment(long id, String account, String text) {
    long draft = seen(id, account).id();
    transactions.run(() -> jdbc.sql("INSERT INTO draft_comments (draft, author, made_at, text) VALUES (:draft, :author, :now, :text)")
        .param("draft", draft).param("author", account).param("now", Instants.toDatabase(clock.instant())).param("text", text).update());
  }

  /** Approves the draft if it still is, and still does, what was seen. */
  public void approve(long id, String account, int version, Seen seen) {
    DraftStore.Draft draft = seen(id, account);
    refuseOtherVersion(draft, version, "Look at it again, then approve it.");
    Drafts.Rehearsed rehearsed = rehearse(draft, account);
    refuseOther(rehearsed, seen);
    approvals.approve(draft, account, whole(draft), seen);
  }

  public void schedule(long id, String account, int version, Instant at, String note, Seen seen, boolean acceptLockOuts) {
    DraftStore.Draft draft = store.find(id).filter(found -> found.owner().equals(account)).orElseThrow(() -> notThere(id));
    refuseOtherVersion(draft, version, "Look at it again, then schedule it.");
    refusePast(at);
    if (draft.items().isEmpty()) {
      throw Drafts.nothingDrafted();
    }
    Snapshots.Numbered state = viewpoints.known(account);
    Rehearsal rehearsal = rehearsals.at(draft, state, at);
    drafts.refuseBeyond(draft, rehearsals.at(draft, snapshots.current(), at));
    refuseOther(new Drafts.Rehearsed(draft, state.change(), rehearsal), seen);
    PuttingInForce.refuseUnseenLockOuts(rehearsal, acceptLockOuts);
    transactions.run(() -> {
      DraftStore.Draft locked = own(id, account);
      refuseOtherVersion(locked, version, "Look at it again, then schedule it.");
      store.schedule(locked, new DraftStore.Due(at, note, version, seen.change(), seen.digest()));
    });
  }

  public void unschedule(long id, String account) {
    transactions.run(() -> store.schedule(own(id, account), null));
  }

  private void refusePast(Instant at) {
    if (!at.isAfter(clock.instant())) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "not-to-come", "That instant is over", "Choose one that is still to come.");
    }
  }

  private static void refuseOtherVersion(DraftStore.Draft draft, int version, String then) {
    if (draft.version() != version) {
      throw Drafts.moved(then);
    }
  }

  private static void refuseOther(Drafts.Rehearsed rehearsed, Seen seen) {
    if (!seen.is(rehearsed.rehearsal())) {
      throw Seen.other(Seen.of(rehearsed.change(), rehearsed.rehearsal()), rehearsed.rehearsal(), null);
    }
  }

  private boolean isReader(long draft, String account) {
    return jdbc.sql("SELECT COUNT(*) FROM draft_readers WHERE draft = :draft AND account = :account")
        .param("draft", draft).param("account", account).query(Integer.class).single() > 0;
  }

  private List<DraftsController.Reader> readers(long draft) {
    return jdbc.sql("SELECT c.login, c.name FROM draft_readers r JOIN accounts c ON c.login = r.account WHERE r.draft = :draft ORDER BY c.name")
        .param("draft", draft).query((row, i) -> new DraftsController.Reader(row.getString("login"), row.getString("name"))).list();
  }

  private List<DraftsController.Comment> comments(long draft) {
    return jdbc.sql("""
            SELECT c.name, d.made_at, d.text FROM draft_comments d JOIN accounts c ON c.login = d.author
            WHERE d.draft = :draft ORDER BY d.id
            """)
        .param("draft", draft)
        .query((row, i) -> new DraftsController.Comment(row.getString("name"), Instants.read(row, "made_at"), row.getString("text"))).list();
  }
}
