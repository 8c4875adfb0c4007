package palegate.server.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.roles.Rights;
import palegate.core.separations.Separation;

/** What no one person may hold together, in the database. */
@Component
class SeparationRows {
  private static final List<String> COLUMNS = List.of("role", "held_right", "person_group", "duty", "type");

  /** One thing that a side names: in which of the {@link #COLUMNS}, and which. */
  private record Named(Dated.Key separation, int side, String column, String id) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  SeparationRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<Separation>> separations(Span span) {
    Map<Dated.Key, TreeMap<Integer, List<Named>>> sides = new HashMap<>();
    jdbc.sql("""
            SELECT s.separation, s.began, s.side, s.role, s.held_right, s.person_group, s.duty, s.type
            FROM separation_sides s JOIN separation_states r ON r.separation = s.separation AND r.began = s.began
            WHERE %s
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> {
          Named named = null;
          for (String column : COLUMNS) {
            named = row.getString(column) == null ? named : new Named(Dated.Key.of(row, "separation"), row.getInt("side"), column, row.getString(column));
          }
          return named;
        })
        .list().forEach(named -> sides.computeIfAbsent(named.separation(), any -> new TreeMap<>()).computeIfAbsent(named.side(), any -> new ArrayList<>()).add(named));
    return jdbc.sql("SELECT r.separation, r.name, r.reason, r.needs_approval, r.held_within, r.began, r.ended FROM separation_states r WHERE " + span.condition() + " ORDER BY r.separation")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Separation(row.getString("separation"), row.getString("name"), row.getString("reason"), row.getBoolean("needs_approval"),
            Separation.Within.parse(row.getString("held_within")), sides.get(Dated.Key.of(row, "separation")).values().stream().map(SeparationRows::side).toList())))
        .list();
  }

  private static Separation.Side side(List<Named> named) {
    Function<String, Set<String>> in = column -> {
      Set<String> ids = new HashSet<>();
      named.stream().filter(one -> one.column().equals(column)).forEach(one -> ids.add(one.id()));
      return ids;
    };
    Set<Duty> duties = new HashSet<>();
    in.apply("duty").forEach(word -> duties.add(Duty.parse(word)));
    return new Separation.Side(in.apply("role"), Rights.parse(in.apply("held_right")), in.apply("person_group"), duties, in.apply("type"));
  }

  void write(RowChanges<Separation> rows, long change) {
    batches.changeOneEach("UPDATE separation_states SET ended = ? WHERE separation = ? AND ended IS NULL", rows.over(), separation -> new Object[] {change, separation.id()});
    batches.name("INSERT INTO separations (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), Separation::id);
    batches.insert("INSERT INTO separation_states (separation, began, name, reason, needs_approval, held_within) VALUES (?, ?, ?, ?, ?, ?)", rows.begun(),
        separation -> new Object[] {separation.id(), change, separation.name(), separation.reason(), separation.needsApproval(), separation.within().word()});
    List<Object[]> named = new ArrayList<>();
    for (Separation separation : rows.begun()) {
      for (int side = 0; side < separation.sides().size(); side++) {
        Separation.Side of = separation.sides().get(side);
        List<List<String>> ids = List.of(of.roles().stream().sorted().toList(), of.rights().words(), of.groups().stream().sorted().toList(),
            of.duties().stream().map(Duty::word).sorted().toList(), of.types().stream().sorted().toList());
        int position = 0;
        for (int column = 0; column < ids.size(); column++) {
          for (String id : ids.get(column)) {
            Object[] row = {separation.id(), change, side, position++, null, null, null, null, null};
            row[4 + column] = id;
            named.add(row);
          }
        }
      }
    }
    batches.insert("INSERT INTO separation_sides (separation, began, side, position, role, held_right, person_group, duty, type) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)", named, Function.identity());
  }
}
