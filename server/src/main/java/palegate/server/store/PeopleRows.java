package palegate.server.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.people.Person;
import palegate.core.people.Unit;

/** Units and people in the database. */
@Component
class PeopleRows {
  private final JdbcClient jdbc;
  private final Batches batches;

  PeopleRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<Unit>> units(Span span) {
    return jdbc.sql("SELECT r.unit, r.name, r.parent, r.began, r.ended FROM unit_states r WHERE " + span.condition() + " ORDER BY r.unit")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Unit(row.getString("unit"), row.getString("name"), row.getString("parent"))))
        .list();
  }

  List<Dated<Person>> people(Span span) {
    return jdbc.sql("""
            SELECT r.person, r.name, r.login, r.email, r.external, r.active, r.unit, r.began, r.ended
            FROM person_states r WHERE %s ORDER BY r.person
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Person(row.getString("person"), row.getString("name"), row.getString("login"),
            row.getString("email"), row.getBoolean("external"), row.getBoolean("active"), row.getString("unit"))))
        .list();
  }

  void writeUnits(RowChanges<Unit> rows, long change) {
    batches.changeOneEach("UPDATE unit_states SET ended = ? WHERE unit = ? AND ended IS NULL", rows.over(),
        unit -> new Object[] {change, unit.id()});
    batches.name("INSERT INTO units (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), unit -> unit.id());
    batches.insert("INSERT INTO unit_states (unit, began, name, parent) VALUES (?, ?, ?, ?)", rows.begun(),
        unit -> new Object[] {unit.id(), change, unit.name(), unit.parent()});
  }

  void writePeople(RowChanges<Person> rows, long change) {
    batches.changeOneEach("UPDATE person_states SET ended = ? WHERE person = ? AND ended IS NULL", rows.over(),
        person -> new Object[] {change, person.id()});
    batches.name("INSERT INTO people (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), person -> person.id());
    batches.insert("""
        INSERT INTO person_states (person, began, name, login, email, external, active, unit)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), person -> new Object[] {person.id(), change, person.name(), person.login(),
            person.email(), person.external(), person.active(), person.unit()});
  }
}
