package palegate.server.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;

/** Who administers what, in the database. */
@Component
class DutyRows {
  private final JdbcClient jdbc;
  private final Batches batches;

  DutyRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<DutyAssignment>> duties(Span span) {
    return jdbc.sql("""
            SELECT r.id, r.duty, r.subject_person, r.subject_group, r.subject_unit, r.subject_builtin, r.place, r.unit, r.ceiling, r.holds_from, r.holds_until, r.began, r.ended
            FROM duty_assignments r WHERE %s ORDER BY r.id
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new DutyAssignment(row.getString("id"), SubjectColumns.read(row), Duty.parse(row.getString("duty")), row.getString("place"),
            row.getString("unit"), row.getString("ceiling"), Instants.period(row))))
        .list();
  }

  void write(RowChanges<DutyAssignment> rows, long change) {
    batches.changeOneEach("UPDATE duty_assignments SET ended = ? WHERE id = ? AND ended IS NULL", rows.over(), given -> new Object[] {change, given.id()});
    batches.insert("""
        INSERT INTO duty_assignments (id, began, duty, place, unit, ceiling, subject_person, subject_group, subject_unit, subject_builtin, holds_from, holds_until)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), given -> SubjectColumns.values(new Object[] {given.id(), change, given.duty().word(), given.place(), given.unit(), given.ceiling()},
            given.subject(), Instants.toDatabase(given.period().from()), Instants.toDatabase(given.period().until())));
  }
}
