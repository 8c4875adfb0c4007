package palegate.server.approvals;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.changes.ChangeAtPlace;
import palegate.core.duties.Duty;
import palegate.core.rehearsal.ApprovalsNeeded;
import palegate.core.rehearsal.GuardedChanges;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.server.drafts.DraftStore;
import palegate.server.drafts.Drafts;
import palegate.server.drafts.Seen;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.Instants;
import palegate.server.store.Transactions;

/**
 * Whose agreement a draft needs besides its author's, and who gave it (access rules, sections 7 and 8). An approval is of
 * what was seen: of one version of the draft and one difference.
 */
@Component
public class Approvals {
  /** Somebody approved a version of a draft, with the rehearsal that they saw. */
  public record Approval(String approver, String name, Instant at, String digest) {}

  /**
   * One agreement that is needed.
   *
   * @param duty what whoever agrees must hold
   * @param authorMayHold whether it is enough that the author holds it: for what guards hang on, not for rules of approval
   * @param why in words
   * @param places where whoever agrees must hold the duty, if it is one that covers places
   */
  public record Need(Duty duty, boolean authorMayHold, String why, Set<String> places) {
    String words() {
      return why + " (somebody with the duty " + duty.word() + ")";
    }
  }

  /** Everything that is needed, whether or not it has been given. */
  public record Needed(List<Need> needs) {}

  private final JdbcClient jdbc;
  private final Accounts accounts;
  private final Transactions transactions;
  private final Clock clock;

  Approvals(JdbcClient jdbc, Accounts accounts, Transactions transactions, Clock clock) {
    this.jdbc = jdbc;
    this.accounts = accounts;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** The approvals of a draft as it is now; of an earlier version they do not count. */
  public List<Approval> of(DraftStore.Draft draft) {
    return jdbc.sql("""
            SELECT a.approver, c.name, a.made_at, a.digest FROM draft_approvals a JOIN accounts c ON c.login = a.approver
            WHERE a.draft = :draft AND a.version = :version AND a.approver <> :owner ORDER BY a.made_at, a.approver
            """)
        .param("draft", draft.id()).param("version", draft.version()).param("owner", draft.owner())
        .query((row, i) -> new Approval(row.getString("approver"), row.getString("name"), Instants.read(row, "made_at"), row.getString("digest"))).list();
  }

  /** The approvals of exactly what a rehearsal shows. */
  public List<Approval> of(DraftStore.Draft draft, Rehearsal rehearsal) {
    List<Approval> given = of(draft);
    return given.isEmpty() ? given : given.stream().filter(approval -> approval.digest().equals(rehearsal.digest())).toList();
  }

  /** What a draft needs, worked out from its rehearsal. */
  public Needed needed(DraftStore.Draft draft, Rehearsal rehearsal) {
    List<Need> needs = new ArrayList<>();
    ApprovalsNeeded.of(rehearsal, Drafts.changes(draft)).forEach(applies -> needs.add(new Need(applies.rule().duty(), false, applies.why(), applies.places().isEmpty() ? where(draft) : applies.places())));
    GuardedChanges.of(rehearsal).forEach((duty, why) -> needs.add(new Need(duty, true, why, Set.of())));
    return new Needed(needs);
  }

  /**
   * What of it has not been given, in words; of what whoever looks may not know, only that it is needed.
   *
   * @param shown as whoever looks at it sees the draft
   * @param whole what it really does
   */
  public List<String> missing(DraftStore.Draft draft, Rehearsal shown, Rehearsal whole) {
    List<Need> needs = needed(draft, whole).needs();
    if (shown != whole) {
      List<Need> known = needed(draft, shown).needs();
      needs = needs.stream().map(need -> known.contains(need) ? need : new Need(need.duty(), need.authorMayHold(), "of something outside what your duties cover", need.places())).toList();
    }
    return missing(draft, new Needed(needs), whole.digest());
  }

  /** What of it has not been given, in words. */
  public List<String> missing(DraftStore.Draft draft, Needed needed, String digest) {
    if (needed.needs().isEmpty()) {
      return List.of();
    }
    List<Approval> given = of(draft).stream().filter(approval -> approval.digest().equals(digest)).toList();
    Set<String> missing = new LinkedHashSet<>();
    for (Need need : needed.needs()) {
      boolean held = need.authorMayHold() && holds(draft.owner(), need)
          || given.stream().anyMatch(approval -> holds(approval.approver(), need));
      if (!held) {
        missing.add(need.words());
      }
    }
    return List.copyOf(missing);
  }

  private static Set<String> where(DraftStore.Draft draft) {
    return draft.items().stream().map(DraftStore.Item::change).filter(change -> change instanceof ChangeAtPlace).map(change -> ((ChangeAtPlace) change).place()).collect(Collectors.toSet());
  }

  /** Whether somebody holds the duty where it is asked for. */
  private boolean holds(String account, Need need) {
    Asker asker = accounts.asker(account);
    Structure now = asker.state().snapshot().structure();
    boolean everywhere = need.duty().scope() != Duty.ScopeKind.PLACE || asker.holdsEverywhere(need.duty());
    return asker.holds(need.duty()) && (everywhere || !need.places().isEmpty() && need.places().stream().allMatch(place -> asker.holdsAt(need.duty(), now, place)));
  }

  public void refuseUnapproved(DraftStore.Draft draft, Needed needed, String digest) {
    List<String> missing = missing(draft, needed, digest);
    if (!missing.isEmpty()) {
      throw Problem.of(HttpStatus.CONFLICT, "approval-missing", "Somebody else has to approve this",
          "It is asked for because " + String.join("; and because ", missing) + ". Share the draft with them: they approve what they see, as it is now.")
          .with("missing", missing);
    }
  }

  /** Approves what was seen of a draft; what is kept is the digest of all that it does. The author cannot, nor can somebody who holds none of the duties that are asked for. */
  public void approve(DraftStore.Draft draft, String approver, Rehearsal rehearsal, Seen seen) {
    if (draft.owner().equals(approver)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "own-draft", "Nobody approves a draft of their own", "Ask a colleague to look at it.");
    }
    List<Need> needs = needed(draft, rehearsal).needs();
    Stream<Duty> wanted = needs.isEmpty() ? draft.items().stream().map(item -> item.change().duty()) : needs.stream().map(Need::duty);
    Duty[] duties = wanted.distinct().toArray(Duty[]::new);
    boolean may = needs.isEmpty() ? duties.length == 0 || accounts.holdsAny(approver, duties) : needs.stream().anyMatch(need -> holds(approver, need));
    if (!may) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed",
          "It is for somebody with the duty " + Stream.of(duties).map(Duty::word).collect(Collectors.joining(" or ")) + " to approve this.");
    }
    transactions.run(() -> jdbc.sql("""
            INSERT INTO draft_approvals (draft, version, approver, made_at, seen_change, digest) VALUES (:draft, :version, :approver, :now, :change, :digest)
            ON DUPLICATE KEY UPDATE made_at = VALUES(made_at), seen_change = VALUES(seen_change), digest = VALUES(digest)
            """)
        .param("draft", draft.id()).param("version", draft.version()).param("approver", approver).param("now", Instants.toDatabase(clock.instant()))
        .param("change", seen.change()).param("digest", rehearsal.digest()).update());
  }
}
