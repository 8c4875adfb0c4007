package palegate.server.store;

import java.util.Arrays;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
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

  List<Role> roles(Span span, long change) {
    return jdbc.sql("SELECT r.role, r.name, r.rights FROM role_states r WHERE " + span.condition + " ORDER BY r.role")
        .param("change", change)
        .query((row, i) -> new Role(row.getString("role"), row.getString("name"), rights(row.getString("rights"))))
        .list();
  }

  List<DocumentType> types(Span span, long change) {
    return jdbc.sql("SELECT r.type, r.name, r.fields FROM type_states r WHERE " + span.condition + " ORDER BY r.type")
        .param("change", change)
        .query((row, i) -> new DocumentType(row.getString("type"), row.getString("name"),
            json.readValue(row.getString("fields"), new TypeReference<List<DocumentType.Field>>() {})))
        .list();
  }

  void writeRoles(Delta<Role> delta, long change) {
    batches.changeOneEach("UPDATE role_states SET ended = ? WHERE role = ? AND ended IS NULL", delta.over(),
        role -> new Object[] {change, role.id()});
    batches.insert("INSERT IGNORE INTO roles (id) VALUES (?)", delta.begun(), role -> new Object[] {role.id()});
    batches.insert("INSERT INTO role_states (role, began, name, rights) VALUES (?, ?, ?, ?)", delta.begun(),
        role -> new Object[] {role.id(), change, role.name(), set(role.rights())});
  }

  void writeTypes(Delta<DocumentType> delta, long change) {
    batches.changeOneEach("UPDATE type_states SET ended = ? WHERE type = ? AND ended IS NULL", delta.over(),
        type -> new Object[] {change, type.id()});
    batches.insert("INSERT IGNORE INTO document_types (id) VALUES (?)", delta.begun(), type -> new Object[] {type.id()});
    batches.insert("INSERT INTO type_states (type, began, name, fields) VALUES (?, ?, ?, ?)", delta.begun(),
        type -> new Object[] {type.id(), change, type.name(), json.writeValueAsString(type.fields())});
  }

  /** Rights as a SET column holds them: words joined by commas. */
  static String set(Rights rights) {
    return String.join(",", rights.words());
  }

  static Rights rights(String set) {
    return set.isEmpty() ? Rights.NONE : Rights.parse(Arrays.asList(set.split(",")));
  }
}
