package palegate.server.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;

/** Rules of approval in the database, with when each applies. */
@Component
class ApprovalRows {
  private record Criterion(Dated.Key approval, String kind, String duty, String place) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  ApprovalRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<ApprovalRule>> approvals(Span span) {
    Map<Dated.Key, List<Criterion>> criteria = new HashMap<>();
    jdbc.sql("""
            SELECT c.approval, c.kind, c.duty, c.place, c.began
            FROM approval_criteria c JOIN approval_states r ON r.approval = c.approval AND r.began = c.began
            WHERE %s
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> new Criterion(Dated.Key.of(row, "approval"), row.getString("kind"), row.getString("duty"), row.getString("place")))
        .list().forEach(criterion -> criteria.computeIfAbsent(criterion.approval(), any -> new ArrayList<>()).add(criterion));
    return jdbc.sql("SELECT r.approval, r.name, r.outsiders_gain, r.duty, r.began, r.ended FROM approval_states r WHERE " + span.condition() + " ORDER BY r.approval")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new ApprovalRule(row.getString("approval"), row.getString("name"),
            when(row.getBoolean("outsiders_gain"), criteria.getOrDefault(Dated.Key.of(row, "approval"), List.of())), Duty.parse(row.getString("duty")))))
        .list();
  }

  private static ApprovalRule.When when(boolean outsidersGain, List<Criterion> criteria) {
    Set<String> kinds = new HashSet<>();
    Set<Duty> duties = new HashSet<>();
    Set<String> places = new HashSet<>();
    for (Criterion criterion : criteria) {
      if (criterion.kind() != null) {
        kinds.add(criterion.kind());
      } else if (criterion.duty() != null) {
        duties.add(Duty.parse(criterion.duty()));
      } else {
        places.add(criterion.place());
      }
    }
    return new ApprovalRule.When(kinds, duties, outsidersGain, places);
  }

  void write(RowChanges<ApprovalRule> rows, long change) {
    batches.changeOneEach("UPDATE approval_states SET ended = ? WHERE approval = ? AND ended IS NULL", rows.over(),
        rule -> new Object[] {change, rule.id()});
    batches.name("INSERT INTO approvals (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), ApprovalRule::id);
    batches.insert("INSERT INTO approval_states (approval, began, name, outsiders_gain, duty) VALUES (?, ?, ?, ?, ?)", rows.begun(),
        rule -> new Object[] {rule.id(), change, rule.name(), rule.when().outsidersGain(), rule.duty().word()});
    List<Object[]> criteria = new ArrayList<>();
    for (ApprovalRule rule : rows.begun()) {
      int position = 0;
      for (String kind : rule.when().kinds().stream().sorted().toList()) {
        criteria.add(new Object[] {rule.id(), change, position++, kind, null, null});
      }
      for (Duty duty : rule.when().duties().stream().sorted().toList()) {
        criteria.add(new Object[] {rule.id(), change, position++, null, duty.word(), null});
      }
      for (String place : rule.when().places().stream().sorted().toList()) {
        criteria.add(new Object[] {rule.id(), change, position++, null, null, place});
      }
    }
    batches.insert("INSERT INTO approval_criteria (approval, began, position, kind, duty, place) VALUES (?, ?, ?, ?, ?, ?)", criteria, Function.identity());
  }
}
