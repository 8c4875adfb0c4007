package palegate.server.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Walls in the database, with their sides, subjects, scopes and exceptions. */
@Component
class WallRows {
  private record Head(String wall, String name, String reason, String kind, String state, Period period) {}

  private record SideRow(Dated.Key wall, int side, String name) {}

  private record SubjectRow(Dated.Key wall, int side, Subject subject) {}

  private record Criterion(Dated.Key wall, int side, String place, String type, String label, String value) {}

  private record ExceptionRow(Dated.Key wall, Wall.Exempt exempt) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  WallRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<Wall>> walls(Span span) {
    List<Dated<Head>> heads = rows("SELECT r.wall, r.name, r.reason, r.kind, r.state, r.holds_from, r.holds_until, r.began, r.ended FROM wall_states r WHERE %s ORDER BY r.wall",
        span, (row, i) -> Dated.of(row, new Head(row.getString("wall"), row.getString("name"), row.getString("reason"),
            row.getString("kind"), row.getString("state"), Instants.period(row))));
    Map<Dated.Key, List<SideRow>> sides = byWall(rows("""
        SELECT s.wall, s.side, s.name, s.began FROM wall_sides s JOIN wall_states r ON r.wall = s.wall AND r.began = s.began
        WHERE %s ORDER BY s.side
        """, span, (row, i) -> new SideRow(Dated.Key.of(row, "wall"), row.getInt("side"), row.getString("name"))), SideRow::wall);
    Map<Dated.Key, List<SubjectRow>> subjects = byWall(rows("""
        SELECT s.wall, s.side, s.subject_person, s.subject_group, s.subject_unit, s.subject_builtin, s.began
        FROM wall_subjects s JOIN wall_states r ON r.wall = s.wall AND r.began = s.began
        WHERE %s ORDER BY s.side, s.position
        """, span, (row, i) -> new SubjectRow(Dated.Key.of(row, "wall"), row.getInt("side"), SubjectColumns.read(row))), SubjectRow::wall);
    Map<Dated.Key, List<Criterion>> criteria = byWall(rows("""
        SELECT s.wall, s.side, s.place, s.type, s.label, s.value, s.began
        FROM wall_scopes s JOIN wall_states r ON r.wall = s.wall AND r.began = s.began
        WHERE %s
        """, span, (row, i) -> new Criterion(Dated.Key.of(row, "wall"), row.getInt("side"), row.getString("place"),
            row.getString("type"), row.getString("label"), row.getString("value"))), Criterion::wall);
    Map<Dated.Key, List<ExceptionRow>> exceptions = byWall(rows("""
        SELECT e.wall, e.subject_person, e.subject_group, e.subject_unit, e.subject_builtin, e.holds_until, e.began
        FROM wall_exceptions e JOIN wall_states r ON r.wall = e.wall AND r.began = e.began
        WHERE %s ORDER BY e.position
        """, span, (row, i) -> new ExceptionRow(Dated.Key.of(row, "wall"),
            new Wall.Exempt(SubjectColumns.read(row), Instants.read(row, "holds_until")))), ExceptionRow::wall);
    return heads.stream().map(row -> {
      Head head = row.part();
      Dated.Key wall = new Dated.Key(head.wall(), row.began());
      return new Dated<>(new Wall(head.wall(), head.name(), head.reason(), Wall.State.parse(head.state()), head.period(),
          barrier(head.kind(), sides.get(wall), subjects.get(wall), criteria.get(wall)),
          exceptions.getOrDefault(wall, List.of()).stream().map(ExceptionRow::exempt).toList()), row.began(), row.ended());
    }).toList();
  }

  void write(RowChanges<Wall> rows, long change) {
    batches.changeOneEach("UPDATE wall_states SET ended = ? WHERE wall = ? AND ended IS NULL", rows.over(),
        wall -> new Object[] {change, wall.id()});
    batches.name("INSERT INTO walls (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), Wall::id);
    batches.insert("""
        INSERT INTO wall_states (wall, began, name, reason, kind, state, holds_from, holds_until)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), wall -> new Object[] {wall.id(), change, wall.name(), wall.reason(), wall.barrier().kind(),
            wall.state().word(), Instants.toDatabase(wall.period().from()), Instants.toDatabase(wall.period().until())});
    List<Object[]> sides = new ArrayList<>();
    List<Object[]> subjects = new ArrayList<>();
    List<Object[]> criteria = new ArrayList<>();
    List<Object[]> exceptions = new ArrayList<>();
    for (Wall wall : rows.begun()) {
      List<Barrier.Side> all = sidesOf(wall.barrier());
      for (int side = 0; side < all.size(); side++) {
        Object[] key = {wall.id(), change, side};
        sides.add(new Object[] {wall.id(), change, side, wall.barrier() instanceof Barrier.Sides ? all.get(side).name() : null});
        List<Subject> named = all.get(side).subjects();
        IntStream.range(0, named.size()).forEach(position -> subjects.add(
            SubjectColumns.values(new Object[] {key[0], key[1], key[2], position}, named.get(position))));
        List<Object[]> values = criteria(all.get(side).scope()).toList();
        IntStream.range(0, values.size()).forEach(position -> {
          Object[] value = values.get(position);
          criteria.add(new Object[] {key[0], key[1], key[2], position, value[0], value[1], value[2], value[3]});
        });
      }
      IntStream.range(0, wall.exceptions().size()).forEach(position -> exceptions.add(SubjectColumns.values(
          new Object[] {wall.id(), change, position}, wall.exceptions().get(position).subject(),
          Instants.toDatabase(wall.exceptions().get(position).until()))));
    }
    batches.insert("INSERT INTO wall_sides (wall, began, side, name) VALUES (?, ?, ?, ?)", sides, Function.identity());
    batches.insert("""
        INSERT INTO wall_subjects (wall, began, side, position, subject_person, subject_group, subject_unit, subject_builtin)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
        """, subjects, Function.identity());
    batches.insert("INSERT INTO wall_scopes (wall, began, side, position, place, type, label, value) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
        criteria, Function.identity());
    batches.insert("""
        INSERT INTO wall_exceptions (wall, began, position, subject_person, subject_group, subject_unit, subject_builtin, holds_until)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
        """, exceptions, Function.identity());
  }

  private <T> List<T> rows(String sql, Span span, RowMapper<T> mapper) {
    return jdbc.sql(sql.formatted(span.condition())).params(span.parameters()).query(mapper).list();
  }

  private static <T> Map<Dated.Key, List<T>> byWall(List<T> rows, Function<T, Dated.Key> wall) {
    return rows.stream().collect(Collectors.groupingBy(wall));
  }

  private static Barrier barrier(String kind, List<SideRow> sides, List<SubjectRow> subjects, List<Criterion> criteria) {
    List<Barrier.Side> made = sides.stream().map(side -> new Barrier.Side(side.name() == null ? kind : side.name(),
        subjects.stream().filter(row -> row.side() == side.side()).map(SubjectRow::subject).toList(),
        scope(criteria.stream().filter(row -> row.side() == side.side()).toList()))).toList();
    Barrier.Side first = made.get(0);
    return switch (kind) {
      case "screen" -> new Barrier.Screen(first.scope(), first.subjects());
      case "seal" -> new Barrier.Seal(first.scope(), first.subjects());
      case "confine" -> new Barrier.Confine(first.scope(), first.subjects());
      default -> new Barrier.Sides(made);
    };
  }

  private static Scope scope(List<Criterion> criteria) {
    Set<String> places = new HashSet<>();
    Set<String> types = new HashSet<>();
    Map<String, Set<String>> labels = new HashMap<>();
    for (Criterion criterion : criteria) {
      if (criterion.place() != null) {
        places.add(criterion.place());
      } else if (criterion.type() != null) {
        types.add(criterion.type());
      } else {
        labels.computeIfAbsent(criterion.label(), any -> new HashSet<>()).add(criterion.value());
      }
    }
    return new Scope(places, types, labels);
  }

  private static List<Barrier.Side> sidesOf(Barrier barrier) {
    return barrier instanceof Barrier.Sides sides ? sides.sides()
        : List.of(new Barrier.Side(barrier.kind(), barrier.subjects(), barrier.scopes().get(0)));
  }

  private static Stream<Object[]> criteria(Scope scope) {
    return Stream.of(
        scope.places().stream().sorted().map(place -> new Object[] {place, null, null, null}),
        scope.types().stream().sorted().map(type -> new Object[] {null, type, null, null}),
        new TreeMap<>(scope.labels()).entrySet().stream().flatMap(label -> label.getValue().stream().sorted()
            .map(value -> new Object[] {null, null, label.getKey(), value}))).flatMap(rows -> rows);
  }
}
