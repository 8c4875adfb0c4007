package palegate.server.drafts;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.drafts.Rehearsal;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.server.session.Accounts;
import palegate.server.session.Duty;
import palegate.server.shell.Problem;
import palegate.server.store.Instants;

/** Where a second person has to approve a draft before it is put in force, and who did. */
@Component
class Approvals {
  /** One rule: either for all changes that take a duty, or for all changes in a library. */
  record Rule(long id, String duty, String library) {}

  /** Somebody approved a version of a draft. */
  record Approval(String approver, String name, Instant at) {}

  private final JdbcClient jdbc;
  private final Accounts accounts;
  private final Clock clock;

  Approvals(JdbcClient jdbc, Accounts accounts, Clock clock) {
    this.jdbc = jdbc;
    this.accounts = accounts;
    this.clock = clock;
  }

  List<Rule> rules() {
    return jdbc.sql("SELECT id, duty, library FROM approval_rules ORDER BY duty, library")
        .query((row, i) -> new Rule(row.getLong("id"), row.getString("duty"), row.getString("library"))).list();
  }

  @Transactional
  public void addRule(Duty duty, String library) {
    jdbc.sql("INSERT IGNORE INTO approval_rules (duty, library) VALUES (:duty, :library)")
        .param("duty", duty == null ? null : duty.word()).param("library", library).update();
  }

  @Transactional
  public void removeRule(long id) {
    jdbc.sql("DELETE FROM approval_rules WHERE id = :id").param("id", id).update();
  }

  /** The approvals of a draft as it is now; of an earlier version they do not count. */
  List<Approval> of(DraftStore.Draft draft) {
    return jdbc.sql("""
            SELECT a.approver, c.name, a.made_at FROM draft_approvals a JOIN accounts c ON c.login = a.approver
            WHERE a.draft = :draft AND a.version = :version ORDER BY a.made_at
            """)
        .param("draft", draft.id()).param("version", draft.version())
        .query((row, i) -> new Approval(row.getString("approver"), row.getString("name"), Instants.read(row, "made_at"))).list();
  }

  /** Approves a draft as it is now. The author cannot, nor can somebody without a duty that the draft takes. */
  @Transactional
  public void approve(DraftStore.Draft draft, String approver) {
    if (draft.owner().equals(approver)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "own-draft", "Nobody approves a draft of their own", "Ask a colleague to look at it.");
    }
    Duty[] taken = draft.items().stream().map(item -> item.body().duty()).distinct().toArray(Duty[]::new);
    if (taken.length > 0 && !accounts.holdsAny(approver, taken)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed", "Somebody with a duty that the draft takes has to approve it.");
    }
    jdbc.sql("INSERT IGNORE INTO draft_approvals (draft, version, approver, made_at) VALUES (:draft, :version, :approver, :now)")
        .param("draft", draft.id()).param("version", draft.version()).param("approver", approver)
        .param("now", Instants.toDatabase(clock.instant())).update();
  }

  /** Why a second person has to approve the draft, in words; empty if nobody has to. */
  List<String> needed(DraftStore.Draft draft, Rehearsal rehearsal) {
    Set<String> reasons = new LinkedHashSet<>();
    for (Rule rule : rules()) {
      if (rule.duty() != null && draft.items().stream().anyMatch(item -> item.body().duty().word().equals(rule.duty()))) {
        reasons.add("changes that take the duty " + rule.duty());
      } else if (rule.library() != null && touches(draft, rehearsal, rule.library())) {
        reasons.add("changes in " + rehearsal.before().structure().places().get(rule.library()).name());
      }
    }
    return new ArrayList<>(reasons);
  }

  void refuseUnapproved(DraftStore.Draft draft, Rehearsal rehearsal) {
    List<String> reasons = needed(draft, rehearsal);
    List<Approval> approvals = of(draft);
    if (!reasons.isEmpty() && approvals.isEmpty()) {
      throw Problem.of(HttpStatus.CONFLICT, "approval-missing", "A second person has to approve this",
          "It is asked for with " + String.join(" and with ", reasons) + ". Share the draft with a colleague, who can approve it as it is now.");
    }
    refuseUnguarded(draft, rehearsal, approvals);
  }

  /** What walls and guarded types hang on is guarded itself (access rules, section 7). */
  private void refuseUnguarded(DraftStore.Draft draft, Rehearsal rehearsal, List<Approval> approvals) {
    rehearsal.altersGuarding().forEach((duty, place) -> {
      Duty needed = Duty.valueOf(duty.name());
      boolean held = accounts.holdsAny(draft.owner(), needed) || approvals.stream().anyMatch(approval -> accounts.holdsAny(approval.approver(), needed));
      if (!held) {
        throw Problem.of(HttpStatus.CONFLICT, "approval-missing", "Somebody with the duty " + needed.word() + " has to approve this",
            "The draft changes " + (needed == Duty.WALLS ? "which walls cover " : "whether the type is guarded of ") + place.name()
                + ". Share it with somebody who has that duty, and who can approve it as it is now.");
      }
    });
  }

  private static boolean touches(DraftStore.Draft draft, Rehearsal rehearsal, String library) {
    return draft.items().stream().map(item -> item.body().toCore()).anyMatch(change -> {
      String thing = change.thing();
      return thing.startsWith("place:") && (isIn(rehearsal.before(), thing.substring(6), library) || isIn(rehearsal.after(), thing.substring(6), library));
    });
  }

  private static boolean isIn(Snapshot snapshot, String place, String library) {
    int number = snapshot.placeNumber(place);
    return number >= 0 && snapshot.path(number).stream().map(snapshot::place)
        .anyMatch(at -> at.kind() == PlaceKind.LIBRARY && at.id().equals(library));
  }
}
