package palegate.server.store;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;

/** Grants and withholdings in the database. */
@Component
class EntryRows {
  private record Narrowing(Dated.Key entry, String type) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  EntryRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<Grant>> grants(Span span) {
    Map<Dated.Key, Set<String>> types = types("""
        SELECT t.grant_id AS entry, t.type, t.began FROM grant_types t JOIN grants r ON r.id = t.grant_id AND r.began = t.began
        WHERE %s
        """, span);
    return jdbc.sql("""
            SELECT r.id, r.place, r.subject_person, r.subject_group, r.subject_unit, r.subject_builtin,
                   r.role, r.holds_from, r.holds_until, r.note, r.shared_by, r.pass, r.began, r.ended
            FROM grants r WHERE %s ORDER BY r.id
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Grant(row.getString("id"), row.getString("place"), SubjectColumns.read(row), row.getString("role"),
            types.getOrDefault(Dated.Key.of(row, "id"), Set.of()), Instants.period(row), row.getString("note"), row.getString("shared_by"), row.getString("pass"))))
        .list();
  }

  List<Dated<Withholding>> withholdings(Span span) {
    Map<Dated.Key, Set<String>> types = types("""
        SELECT t.withholding_id AS entry, t.type, t.began
        FROM withholding_types t JOIN withholdings r ON r.id = t.withholding_id AND r.began = t.began
        WHERE %s
        """, span);
    return jdbc.sql("""
            SELECT r.id, r.place, r.subject_person, r.subject_group, r.subject_unit, r.subject_builtin,
                   r.rights, r.holds_from, r.holds_until, r.note, r.began, r.ended
            FROM withholdings r WHERE %s ORDER BY r.id
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Withholding(row.getString("id"), row.getString("place"), SubjectColumns.read(row),
            RoleAndTypeRows.rights(row.getString("rights")), types.getOrDefault(Dated.Key.of(row, "id"), Set.of()),
            Instants.period(row), row.getString("note"))))
        .list();
  }

  void writeGrants(RowChanges<Grant> rows, long change) {
    batches.changeOneEach("UPDATE grants SET ended = ? WHERE id = ? AND ended IS NULL", rows.over(),
        grant -> new Object[] {change, grant.id()});
    batches.insert("""
        INSERT INTO grants (id, began, place, subject_person, subject_group, subject_unit, subject_builtin,
                            role, holds_from, holds_until, note, shared_by, pass)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), grant -> values(grant, grant.role(), change, grant.sharedBy(), grant.pass()));
    batches.insert("INSERT INTO grant_types (grant_id, began, type) VALUES (?, ?, ?)", narrowings(rows.begun(), change),
        narrowing -> new Object[] {narrowing.entry().id(), change, narrowing.type()});
  }

  void writeWithholdings(RowChanges<Withholding> rows, long change) {
    batches.changeOneEach("UPDATE withholdings SET ended = ? WHERE id = ? AND ended IS NULL", rows.over(),
        taken -> new Object[] {change, taken.id()});
    batches.insert("""
        INSERT INTO withholdings (id, began, place, subject_person, subject_group, subject_unit, subject_builtin,
                                  rights, holds_from, holds_until, note)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), taken -> values(taken, RoleAndTypeRows.set(taken.rights()), change));
    batches.insert("INSERT INTO withholding_types (withholding_id, began, type) VALUES (?, ?, ?)", narrowings(rows.begun(), change),
        narrowing -> new Object[] {narrowing.entry().id(), change, narrowing.type()});
  }

  private Map<Dated.Key, Set<String>> types(String sql, Span span) {
    Map<Dated.Key, Set<String>> types = new HashMap<>();
    jdbc.sql(sql.formatted(span.condition())).params(span.parameters())
        .query((row, i) -> new Narrowing(Dated.Key.of(row, "entry"), row.getString("type"))).list()
        .forEach(narrowing -> types.computeIfAbsent(narrowing.entry(), any -> new HashSet<>()).add(narrowing.type()));
    return types;
  }

  private static Object[] values(Entry entry, String givenOrTaken, long change, Object... more) {
    List<Object> after = new ArrayList<>();
    Collections.addAll(after, givenOrTaken, Instants.toDatabase(entry.period().from()), Instants.toDatabase(entry.period().until()), entry.note());
    Collections.addAll(after, more);
    return SubjectColumns.values(new Object[] {entry.id(), change, entry.place()}, entry.subject(), after.toArray());
  }

  private static List<Narrowing> narrowings(List<? extends Entry> entries, long change) {
    return entries.stream().flatMap(entry -> entry.types().stream().map(type -> new Narrowing(new Dated.Key(entry.id(), change), type))).toList();
  }
}
