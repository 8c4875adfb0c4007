package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.SharedIds;

/** Places and their labels in the database. */
@Component
class PlaceRows {
  private static final int IDS_AT_ONCE = 5_000;

  private record Label(Dated.Key place, String name, String value) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  PlaceRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<Place>> places(Span span) {
    return places(span.condition(), span.parameters());
  }

  /** Of these ids, the last states of those that were places once and are none now. */
  List<Place> gone(Collection<String> ids) {
    return ids.isEmpty() ? List.of() : Dated.parts(places("""
        r.place IN (:ids) AND r.ended IS NOT NULL
        AND r.began = (SELECT MAX(last.began) FROM place_states last WHERE last.place = r.place)
        """, Map.of("ids", ids)));
  }

  /** Of these ids, the change that ended the last state of those that were places once and are none now. */
  Map<String, Long> goneWith(Collection<String> ids) {
    Map<String, Long> ended = new HashMap<>();
    jdbc.sql("SELECT place, MAX(ended) AS ended, MAX(ended IS NULL) AS lives FROM place_states WHERE place IN (:ids) GROUP BY place HAVING lives = 0")
        .param("ids", ids).query((row, i) -> Map.entry(row.getString("place"), row.getLong("ended"))).list()
        .forEach(entry -> ended.put(entry.getKey(), entry.getValue()));
    return ended;
  }

  private List<Dated<Place>> places(String condition, Map<String, ?> parameters) {
    Map<Dated.Key, Map<String, String>> labels = new HashMap<>();
    jdbc.sql("""
            SELECT l.place, l.label, l.value, l.began
            FROM place_labels l JOIN place_states r ON r.place = l.place AND r.began = l.began
            WHERE %s
            """.formatted(condition))
        .params(parameters)
        .query((row, i) -> new Label(Dated.Key.of(row, "place"), row.getString("label"), row.getString("value")))
        .list()
        .forEach(label -> labels.computeIfAbsent(label.place(), any -> new HashMap<>()).put(label.name(), label.value()));
    SharedIds ids = new SharedIds();
    return jdbc.sql("""
            SELECT r.place, r.kind, r.parent, r.name, r.stands_alone, r.type, r.owner, r.target,
                   r.ceiling, r.reserve_sharing, r.no_takeaway, r.is_private, r.frozen, r.checked_out_by, r.checked_out_at, r.began, r.ended
            FROM place_states r WHERE %s ORDER BY r.place
            """.formatted(condition))
        .params(parameters)
        .query((row, i) -> {
          PlaceKind kind = PlaceKind.parse(row.getString("kind"));
          String id = row.getString("place");
          return Dated.of(row, new Place(kind.isContainer() ? ids.share(id) : id, kind, ids.share(row.getString("parent")), row.getString("name"),
              row.getBoolean("stands_alone"), labels.getOrDefault(new Dated.Key(id, row.getLong("began")), Map.of()), ids.share(row.getString("type")),
              ids.share(row.getString("owner")), row.getString("target"), guards(row), conditions(row)));
        })
        .list();
  }

  private static Guards guards(ResultSet row) throws SQLException {
    Guards guards = new Guards(row.getString("ceiling"), row.getBoolean("reserve_sharing"), row.getBoolean("no_takeaway"));
    return guards.any() ? guards : Guards.NONE;
  }

  private static Conditions conditions(ResultSet row) throws SQLException {
    Conditions conditions = new Conditions(row.getBoolean("is_private"), row.getBoolean("frozen"), row.getString("checked_out_by"),
        Instants.read(row, "checked_out_at"));
    return conditions.any() ? conditions : Conditions.NONE;
  }

  /** What comes back under its id as something else begins another life: the content of the former one is not its content. */
  void beginOtherLives(RowChanges<Place> rows) {
    Set<String> over = rows.over().stream().map(Place::id).collect(Collectors.toSet());
    Map<String, Place> come = new HashMap<>();
    rows.begun().stream().filter(place -> !over.contains(place.id())).forEach(place -> come.put(place.id(), place));
    List<String> others = new ArrayList<>();
    List<String> ids = List.copyOf(come.keySet());
    for (int start = 0; start < ids.size(); start += IDS_AT_ONCE) {
      gone(ids.subList(start, Math.min(ids.size(), start + IDS_AT_ONCE))).stream().filter(former -> !former.isSameThingAs(come.get(former.id())))
          .forEach(former -> others.add(former.id()));
    }
    batches.changeOneEach("UPDATE places SET life = life + 1 WHERE id = ?", others, id -> new Object[] {id});
  }

  /** Writes the ids of places that begin: others may refer to them before their states are written. */
  void name(RowChanges<Place> rows) {
    batches.name("INSERT INTO places (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), place -> place.id());
  }

  void write(RowChanges<Place> rows, long change) {
    batches.changeOneEach("UPDATE place_states SET ended = ? WHERE place = ? AND ended IS NULL", rows.over(),
        place -> new Object[] {change, place.id()});
    batches.insert("""
        INSERT INTO place_states (place, began, kind, parent, name, stands_alone, type, owner, target,
                                  ceiling, reserve_sharing, no_takeaway, is_private, frozen, checked_out_by, checked_out_at)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, rows.begun(), place -> new Object[] {place.id(), change, place.kind().word(), place.parent(), place.name(),
            place.standsAlone(), place.type(), place.owner(), place.target(),
            place.guards().ceiling(), place.guards().reserveSharing(), place.guards().noTakeaway(),
            place.conditions().isPrivate(), place.conditions().frozen(), place.conditions().checkedOutBy(),
            Instants.toDatabase(place.conditions().checkedOutAt())});
    List<Label> labels = rows.begun().stream().flatMap(place -> place.labels().entrySet().stream()
        .map(label -> new Label(new Dated.Key(place.id(), change), label.getKey(), label.getValue()))).toList();
    batches.insert("INSERT INTO place_labels (place, began, label, value) VALUES (?, ?, ?, ?)", labels,
        label -> new Object[] {label.place().id(), change, label.name(), label.value()});
  }
}
