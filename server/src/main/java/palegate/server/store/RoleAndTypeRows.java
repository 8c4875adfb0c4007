package palegate.server.store;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Roles and document types in the database. */
@Component
class RoleAndTypeRows {
  private final JdbcClient jdbc;
  private final Batches batches;
  private final JsonMapper json;

  RoleAndTypeRows(JdbcClient jdbc, Batches batches, JsonMapper json) {
    this.jdbc = jdbc;
    this.batches = batches;
    this.json = json;
  }

  List<Dated<Role>> roles(Span span) {
    return jdbc.sql("SELECT r.role, r.name, r.rights, r.began, r.ended FROM role_states r WHERE " + span.condition() + " ORDER BY r.role")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Role(row.getString("role"), row.getString("name"), rights(row.getString("rights")))))
        .list();
  }

  List<Dated<DocumentType>> types(Span span) {
    Map<Dated.Key, List<Clearance>> clearances = new HashMap<>();
    jdbc.sql("""
            SELECT c.type, c.subject_person, c.subject_group, c.subject_unit, c.subject_builtin, c.role, c.holds_from, c.holds_until, c.began
            FROM type_clearances c JOIN type_states r ON r.type = c.type AND r.began = c.began
            WHERE %s ORDER BY c.position
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Map.entry(Dated.Key.of(row, "type"),
            new Clearance(SubjectColumns.read(row), row.getString("role"), Instants.period(row))))
        .list()
        .forEach(held -> clearances.computeIfAbsent(held.getKey(), any -> new ArrayList<>()).add(held.getValue()));
    Map<Dated.Key, Set<String>> libraries = new HashMap<>();
    jdbc.sql("""
            SELECT l.type, l.library, l.began FROM type_libraries l JOIN type_states r ON r.type = l.type AND r.began = l.began
            WHERE %s
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Map.entry(Dated.Key.of(row, "type"), row.getString("library"))).list()
        .forEach(used -> libraries.computeIfAbsent(used.getKey(), any -> new HashSet<>()).add(used.getValue()));
    return jdbc.sql("SELECT r.type, r.name, r.short_name, r.guarded, r.fields, r.began, r.ended FROM type_states r WHERE " + span.condition() + " ORDER BY r.type")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new DocumentType(row.getString("type"), row.getString("name"), row.getString("short_name"),
            row.getBoolean("guarded"), libraries.getOrDefault(Dated.Key.of(row, "type"), Set.of()),
            json.readValue(row.getString("fields"), new TypeReference<List<DocumentType.Field>>() {}),
            clearances.getOrDefault(Dated.Key.of(row, "type"), List.of()))))
        .list();
  }

  void writeRoles(RowChanges<Role> rows, long change) {
    batches.changeOneEach("UPDATE role_states SET ended = ? WHERE role = ? AND ended IS NULL", rows.over(),
        role -> new Object[] {change, role.id()});
    batches.name("INSERT INTO roles (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), role -> role.id());
    batches.insert("INSERT INTO role_states (role, began, name, rights) VALUES (?, ?, ?, ?)", rows.begun(),
        role -> new Object[] {role.id(), change, role.name(), set(role.rights())});
  }

  void writeTypes(RowChanges<DocumentType> rows, long change) {
    batches.changeOneEach("UPDATE type_states SET ended = ? WHERE type = ? AND ended IS NULL", rows.over(),
        type -> new Object[] {change, type.id()});
    batches.name("INSERT INTO document_types (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), type -> type.id());
    batches.insert("INSERT INTO type_states (type, began, name, short_name, guarded, fields) VALUES (?, ?, ?, ?, ?, ?)", rows.begun(),
        type -> new Object[] {type.id(), change, type.name(), type.shortName(), type.guarded(), json.writeValueAsString(type.fields())});
    batches.insert("INSERT INTO type_libraries (type, began, library) VALUES (?, ?, ?)",
        rows.begun().stream().flatMap(type -> type.libraries().stream().sorted().map(library -> new Object[] {type.id(), change, library})).toList(),
        Function.identity());
    List<Object[]> clearances = new ArrayList<>();
    for (DocumentType type : rows.begun()) {
      for (int position = 0; position < type.clearances().size(); position++) {
        Clearance clearance = type.clearances().get(position);
        clearances.add(SubjectColumns.values(new Object[] {type.id(), change, position}, clearance.subject(), clearance.role(),
            Instants.toDatabase(clearance.period().from()), Instants.toDatabase(clearance.period().until())));
      }
    }
    batches.insert("""
        INSERT INTO type_clearances (type, began, position, subject_person, subject_group, subject_unit, subject_builtin,
                                     role, holds_from, holds_until)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, clearances, Function.identity());
  }

  /** Rights as a SET column holds them: words joined by commas. */
  static String set(Rights rights) {
    return String.join(",", rights.words());
  }

  static Rights rights(String set) {
    return set.isEmpty() ? Rights.NONE : Rights.parse(Arrays.asList(set.split(",")));
  }
}
