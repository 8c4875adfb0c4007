package palegate.server.drafts;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.drafts.Change;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.Instants;
import palegate.server.store.Snapshots;

/** The drafts that lie on the shelf: several an owner, under names, shared, talked about, approved, scheduled. */
@Service
public class Shelf {
  private final DraftStore store;
  private final Drafts drafts;
  private final Approvals approvals;
  private final Accounts accounts;
  private final Snapshots snapshots;
  private final JdbcClient jdbc;
  private final Clock clock;

  Shelf(DraftStore store, Drafts drafts, Approvals approvals, Accounts accounts, Snapshots snapshots, JdbcClient jdbc, Clock clock) {
    this.store = store;
    this.drafts = drafts;
    this.approvals = approvals;
    this.accounts = accounts;
    this.snapshots = snapshots;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  List<DraftsController.DraftLine> lines(String account) {
    return store.seenBy(account).stream().map(draft -> line(draft, account)).toList();
  }

  private DraftsController.DraftLine line(DraftStore.Draft draft, String account) {
    return new DraftsController.DraftLine(draft.id(), draft.name(), accounts.find(draft.owner()).map(Accounts.Account::name).orElse(draft.owner()),
        draft.owner().equals(account), draft.inHand(), draft.items().size(), draft.due() == null ? null : draft.due().at(), draft.stopped(),
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

  DraftsController.Opened open(long id, String account) {
    DraftStore.Draft draft = seen(id, account);
    Drafts.Rehearsed rehearsed = drafts.rehearse(Optional.of(draft));
    return new DraftsController.Opened(line(draft, account), draft.version(), DraftController.items(rehearsed), rehearsed.rehearsal().now().totals(),
        approvals.needed(draft, rehearsed.rehearsal()), readers(id), comments(id));
  }

  @Transactional
  public void begin(String owner, String name) {
    store.begin(owner, name, snapshots.current().change(), clock.instant());
  }

  /** Begins a draft that holds these changes, under a name; what cannot be made stays in it and says so. */
  @Transactional
  public long begin(String owner, String name, List<Change> changes) {
    DraftStore.Draft draft = store.begin(owner, name, snapshots.current().change(), clock.instant());
    store.add(draft, changes.stream().map(BodyOf::change).toList());
    return draft.id();
  }

  @Transactional
  public void takeInHand(long id, String account) {
    store.takeInHand(own(id, account));
  }

  @Transactional
  public void rename(long id, String account, String name) {
    store.rename(own(id, account), name);
  }

  @Transactional
  public void discard(long id, String account) {
    store.discard(own(id, account).id());
  }

  List<DraftsController.Reader> colleagues(String account) {
    return jdbc.sql("SELECT login, name FROM accounts WHERE login <> :account ORDER BY name")
        .param("account", account).query((row, i) -> new DraftsController.Reader(row.getString("login"), row.getString("name"))).list();
  }

  @Transactional
  public void share(long id, String account, String reader) {
    DraftStore.Draft draft = own(id, account);
    if (accounts.find(reader).isEmpty() || reader.equals(account)) {
      throw Problem.notFound("colleague", reader);
    }
    jdbc.sql("INSERT IGNORE INTO draft_readers (draft, account) VALUES (:draft, :reader)").param("draft", draft.id()).param("reader", reader).update();
  }

  @Transactional
  public void unshare(long id, String account, String reader) {
    jdbc.sql("DELETE FROM draft_readers WHERE draft = :draft AND account = :reader").param("draft", own(id, account).id()).param("reader", reader).update();
  }

  @Transactional
  public void comment(long id, String account, String text) {
    jdbc.sql("INSERT INTO draft_comments (draft, author, made_at, text) VALUES (:draft, :author, :now, :text)")
        .param("draft", seen(id, account).id()).param("author", account).param("now", Instants.toDatabase(clock.instant())).param("text", text).update();
  }

  @Transactional
  public void approve(long id, String account) {
    approvals.approve(seen(id, account), account);
  }

  @Transactional
  public void schedule(long id, String account, DraftStore.Due due) {
    DraftStore.Draft draft = own(id, account);
    if (due != null && draft.version() != due.version()) {
      throw Problem.of(HttpStatus.CONFLICT, "draft-moved", "The draft is not what you saw",
          "It has been edited since, perhaps in another window. Look at it again, then schedule it.");
    }
    if (due != null && !due.at().isAfter(clock.instant())) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "not-to-come", "That instant is over", "Choose one that is still to come.");
    }
    if (due != null && draft.items().isEmpty()) {
      throw Drafts.nothingDrafted();
    }
    store.schedule(draft, due);
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
