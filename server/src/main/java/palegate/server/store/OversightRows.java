package palegate.server.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.access.Oversight;

/** Appointments of overseers in the database. */
@Component
class OversightRows {
  private final JdbcClient jdbc;
  private final Batches batches;

  OversightRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<Oversight>> oversights(Span span) {
    return jdbc.sql("""
            SELECT r.id, r.place, r.subject_person, r.subject_group, r.subject_unit, r.subject_builtin,
                   r.holds_from, r.holds_until, r.note, r.began, r.ended
            FROM oversights r WHERE %s ORDER BY r.id
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Oversight(row.getString("id"), row.getString("place"), SubjectColumns.read(row),
            Instants.period(row), row.getString("note"))))
        .list();
  }

  void write(RowChanges<Oversight> rows, long change) {
    batches.changeOneEach("UPDATE oversights SET ended = ? WHERE id = ? AND ended IS NULL", rows.over(),
        oversight -> new Object[] {change, oversight.id()});
    batches.insert("""
        INSERT INTO oversights (id, began, place, subject_person, subject_group, subject_unit, subject_builtin,
                                holds_from, holds_until, note)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), oversight -> SubjectColumns.values(new Object[] {oversight.id(), change, oversight.place()},
            oversight.subject(), Instants.toDatabase(oversight.period().from()), Instants.toDatabase(oversight.period().until()), oversight.note()));
  }
}
