package palegate.server.store;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;

/** What people deleted by their own rights and is still gone: read from the states that such a change ended. */
@Repository
public class DeletedPapers {
  /**
   * @param change by which it went; the state before it is the last in which it was
   * @param place as it was last, without conditions
   * @param ownList whether entries, appointments, passes or what it said about sharing went with it
   */
  public record Deleted(long change, Instant at, Place place, boolean ownList) {}

  private static final String GONE = """
      FROM changes c JOIN place_states s ON s.ended = c.number
      WHERE c.author = :account AND c.origin = 'papers' AND c.made_at >= :since
        AND NOT EXISTS (SELECT 1 FROM place_states later WHERE later.place = s.place AND later.began >= c.number)
      """;

  private static final String OWN_LIST = """
      EXISTS (SELECT 1 FROM grants e WHERE e.place = s.place AND e.ended = c.number) OR EXISTS (SELECT 1 FROM withholdings e WHERE e.place = s.place AND e.ended = c.number)
        OR EXISTS (SELECT 1 FROM oversights e WHERE e.place = s.place AND e.ended = c.number)
        OR EXISTS (SELECT 1 FROM pass_states e WHERE e.place = s.place AND e.ended = c.number) OR EXISTS (SELECT 1 FROM sharing_rules e WHERE e.place = s.place AND e.ended = c.number) AS own_list
      """;

  private final JdbcClient jdbc;

  DeletedPapers(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** All of it, newest first. O(what the account changed since). */
  public List<Deleted> by(String account, Instant since) {
    Map<String, Map<String, String>> labels = new HashMap<>();
    jdbc.sql("SELECT l.place, l.label, l.value FROM place_labels l JOIN (SELECT s.place, s.began " + GONE + ") g ON g.place = l.place AND g.began = l.began")
        .param("account", account).param("since", Instants.toDatabase(since))
        .query(row -> {
          labels.computeIfAbsent(row.getString("place"), any -> new HashMap<>()).put(row.getString("label"), row.getString("value"));
        });
    return jdbc.sql("SELECT c.number, c.made_at, s.place, s.kind, s.parent, s.name, s.stands_alone, s.type, s.owner, s.target, " + OWN_LIST + GONE + " ORDER BY c.number DESC")
        .param("account", account).param("since", Instants.toDatabase(since))
        .query((row, i) -> new Deleted(row.getLong("number"), Instants.read(row, "made_at"), Place.plain(row.getString("place"), PlaceKind.parse(row.getString("kind")), row.getString("parent"),
            row.getString("name"), row.getBoolean("stands_alone"), labels.getOrDefault(row.getString("place"), Map.of()), row.getString("type"), row.getString("owner"), row.getString("target")), row.getBoolean("own_list"))).list();
  }
}
