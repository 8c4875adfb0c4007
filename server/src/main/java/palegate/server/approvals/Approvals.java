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
import palegate.core.duties.Duty;
import palegate.core.rehearsal.ApprovalsNeeded;
import palegate.core.rehearsal.GuardedChanges;
import palegate.core.rehearsal.Rehearsal;
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
  public record Approval(String approver, String name, Instant at, String digest, Set<String> duties) {}

  /**
   * One agreement that is needed.
   *
   * @param duty what whoever agrees must hold
   * @param authorMayHold whether it is enough that the author holds it: for what guards hang on, not for rules of approval
   * @param why in words
   */
  public record Need(Duty duty, boolean authorMayHold, String why) {
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
            SELECT a.approver, c.name, a.made_at, a.digest, GROUP_CONCAT(d.duty) AS duties
            FROM draft_approvals a JOIN accounts c ON c.login = a.approver LEFT JOIN duties d ON d.account = a.approver
            WHERE a.draft = :draft AND a.version = :version AND a.approver <> :owner
            GROUP BY a.approver, c.name, a.made_at, a.digest ORDER BY a.made_at, a.approver
            """)
        .param("draft", draft.id()).param("version", draft.version()).param("owner", draft.owner())
        .query((row, i) -> new Approval(row.getString("approver"), row.getString("name"), Instants.read(row, "made_at"), row.getString("digest"),
            row.getString("duties") == null ? Set.of() : Set.of(row.getString("duties").split(",")))).list();
  }

  /** The approvals of exactly what a rehearsal shows. */
  public List<Approval> of(DraftStore.Draft draft, Rehearsal rehearsal) {
    List<Approval> given = of(draft);
    return given.isEmpty() ? given : given.stream().filter(approval -> approval.digest().equals(rehearsal.digest())).toList();
  }

  /** What a draft needs, worked out from its rehearsal. */
  public Needed needed(DraftStore.Draft draft, Rehearsal rehearsal) {
    List<Need> needs = new ArrayList<>();
    ApprovalsNeeded.of(rehearsal, Drafts.changes(draft)).forEach(applies -> needs.add(new Need(applies.rule().duty(), false, applies.why())));
    GuardedChanges.of(rehearsal).forEach((duty, why) -> needs.add(new Need(duty, true, why)));
    return new Needed(needs);
  }

  /** What of it has not been given, in words. */
  public List<String> missing(DraftStore.Draft draft, Needed needed, String digest) {
    if (needed.needs().isEmpty()) {
      return List.of();
    }
    Set<String> ofAuthor = accounts.find(draft.owner()).map(account -> Set.copyOf(account.duties())).orElse(Set.of());
    List<Approval> given = of(draft).stream().filter(approval -> approval.digest().equals(digest)).toList();
    Set<String> missing = new LinkedHashSet<>();
    for (Need need : needed.needs()) {
      boolean held = need.authorMayHold() && ofAuthor.contains(need.duty().word())
          || given.stream().anyMatch(approval -> approval.duties().contains(need.duty().word()));
      if (!held) {
        missing.add(need.words());
      }
    }
    return List.copyOf(missing);
  }

  public void refuseUnapproved(DraftStore.Draft draft, Needed needed, String digest) {
    List<String> missing = missing(draft, needed, digest);
    if (!missing.isEmpty()) {
      throw Problem.of(HttpStatus.CONFLICT, "approval-missing", "Somebody else has to approve this",
          "It is asked for because " + String.join("; and because ", missing) + ". Share the draft with them: they approve what they see, as it is now.")
          .with("missing", missing);
    }
  }

  /** Approves what was seen of a draft. The author cannot, nor can somebody who holds none of the duties that are asked for. */
  public void approve(DraftStore.Draft draft, String approver, Rehearsal rehearsal, Seen seen) {
    if (draft.owner().equals(approver)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "own-draft", "Nobody approves a draft of their own", "Ask a colleague to look at it.");
    }
    List<Need> needs = needed(draft, rehearsal).needs();
    Stream<Duty> wanted = needs.isEmpty() ? draft.items().stream().map(item -> item.change().duty()) : needs.stream().map(Need::duty);
    Duty[] duties = wanted.distinct().toArray(Duty[]::new);
    if (duties.length > 0 && !accounts.holdsAny(approver, duties)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed",
          "It is for somebody with the duty " + Stream.of(duties).map(Duty::word).collect(Collectors.joining(" or ")) + " to approve this.");
    }
    transactions.run(() -> jdbc.sql("""
            INSERT INTO draft_approvals (draft, version, approver, made_at, seen_change, digest) VALUES (:draft, :version, :approver, :now, :change, :digest)
            ON DUPLICATE KEY UPDATE made_at = VALUES(made_at), seen_change = VALUES(seen_change), digest = VALUES(digest)
            """)
        .param("draft", draft.id()).param("version", draft.version()).param("approver", approver).param("now", Instants.toDatabase(clock.instant()))
        .param("change", seen.change()).param("digest", seen.digest()).update());
  }
}
