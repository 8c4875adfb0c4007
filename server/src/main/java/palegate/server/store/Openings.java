package palegate.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.rounds.LastUse;

/** Who opened the content of what, took a copy of it out, or was refused (access rules, section 14). Only ever added to. */
@Component
public class Openings {
  /** How somebody came to a document. */
  public enum How {
    OPEN, COPY, REFUSED
  }

  public record Opening(String person, Instant at, How how) {}

  /** So many ids are asked for in one question. */
  private static final int AT_ONCE = 1000;

  private final JdbcClient jdbc;

  Openings(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Transactional
  public void add(String person, String place, How how, Instant now) {
    jdbc.sql("INSERT INTO openings (person, place, life, made_at, how) SELECT :person, id, life, :now, :how FROM places WHERE id = :place")
        .param("person", person).param("place", place).param("now", Instants.toDatabase(now)).param("how", how.name().toLowerCase(Locale.ROOT)).update();
  }

  /** Of a document's present life, newest first. */
  public List<Opening> of(String place, int atMost) {
    return jdbc.sql("SELECT o.person, o.made_at, o.how FROM openings o JOIN places p ON p.id = o.place AND p.life = o.life WHERE o.place = :place ORDER BY o.made_at DESC, o.id DESC LIMIT :most")
        .param("place", place).param("most", atMost)
        .query((row, i) -> new Opening(row.getString("person"), Instants.read(row, "made_at"), How.valueOf(row.getString("how").toUpperCase(Locale.ROOT)))).list();
  }

  /** One opening, of whom and what. */
  public record Recorded(String person, String place, Instant at, How how) {}

  /** Of documents' present lives in a stretch of time, newest first. */
  public List<Recorded> between(Instant from, Instant until, int atMost) {
    return jdbc.sql("SELECT o.person, o.place, o.made_at, o.how FROM openings o JOIN places p ON p.id = o.place AND p.life = o.life WHERE o.made_at >= :from AND o.made_at < :until ORDER BY o.made_at DESC, o.id DESC LIMIT :most")
        .param("from", Instants.toDatabase(from)).param("until", Instants.toDatabase(until)).param("most", atMost)
        .query((row, i) -> new Recorded(row.getString("person"), row.getString("place"), Instants.read(row, "made_at"), How.valueOf(row.getString("how").toUpperCase(Locale.ROOT)))).list();
  }

  /** The first instant of which any is recorded. */
  public Optional<Instant> recordedFrom() {
    return jdbc.sql("SELECT MIN(made_at) AS made_at FROM openings").query((row, i) -> Optional.ofNullable(Instants.read(row, "made_at"))).single();
  }

  /** One pair of somebody and a document. */
  public record Pair(String person, String place) {}

  /** Who opened what since an instant, or took a copy of it out, each pair once; empty if there are more than so many. */
  public Optional<List<Pair>> pairsSince(Instant from, int atMost) {
    List<Pair> pairs = jdbc.sql("SELECT DISTINCT o.person, o.place FROM openings o JOIN places p ON p.id = o.place AND p.life = o.life WHERE o.made_at >= :from AND o.how <> 'refused' LIMIT :most")
        .param("from", Instants.toDatabase(from)).param("most", atMost + 1)
        .query((row, i) -> new Pair(row.getString("person"), row.getString("place"))).list();
    return pairs.size() > atMost ? Optional.empty() : Optional.of(pairs);
  }

  /** When somebody opened a document first and last, how often, and how often they took a copy out. */
  public record Opened(String person, String place, Instant first, Instant last, int times, int copies) {}

  /** Of the present lives of some documents, by some people; asked by whichever are fewer. */
  public List<Opened> byPersonAndDocument(List<String> documents, List<String> people) {
    if (documents.isEmpty() || people.isEmpty()) {
      return List.of();
    }
    boolean byPeople = people.size() < documents.size();
    Set<String> others = new HashSet<>(byPeople ? documents : people);
    List<String> fewer = byPeople ? people : documents;
    List<Opened> found = new ArrayList<>();
    for (int first = 0; first < fewer.size(); first += AT_ONCE) {
      jdbc.sql("SELECT o.person, o.place, MIN(o.made_at) AS first_at, MAX(o.made_at) AS last_at, COUNT(*) AS times, SUM(o.how = 'copy') AS copies "
          + "FROM openings o JOIN places p ON p.id = o.place AND p.life = o.life WHERE o.how <> 'refused' AND " + (byPeople ? "o.person" : "o.place") + " IN (:some) GROUP BY o.person, o.place")
          .param("some", fewer.subList(first, Math.min(fewer.size(), first + AT_ONCE)))
          .query((row, i) -> new Opened(row.getString("person"), row.getString("place"), Instants.read(row, "first_at"), Instants.read(row, "last_at"), row.getInt("times"), row.getInt("copies"))).list()
          .stream().filter(one -> others.contains(byPeople ? one.place() : one.person())).forEach(found::add);
    }
    return found;
  }

  /** When each of some people opened each document last, by person; of present lives. Empty if there are more than so many. */
  public Optional<Map<String, List<LastUse.Opening>>> lastBy(Collection<String> people, int atMost) {
    Map<String, List<LastUse.Opening>> byPerson = new HashMap<>();
    List<String> asked = List.copyOf(people);
    int left = atMost;
    for (int first = 0; first < asked.size() && left >= 0; first += AT_ONCE) {
      List<Map.Entry<String, LastUse.Opening>> some = jdbc.sql("SELECT o.person, o.place, MAX(o.made_at) AS last_at FROM openings o JOIN places p ON p.id = o.place AND p.life = o.life WHERE o.how <> 'refused' AND o.person IN (:some) GROUP BY o.person, o.place LIMIT :most")
          .param("some", asked.subList(first, Math.min(asked.size(), first + AT_ONCE))).param("most", left + 1)
          .query((row, i) -> Map.entry(row.getString("person"), new LastUse.Opening(row.getString("place"), Instants.read(row, "last_at")))).list();
      some.forEach(one -> byPerson.computeIfAbsent(one.getKey(), any -> new ArrayList<>()).add(one.getValue()));
      left -= some.size();
    }
    return left < 0 ? Optional.empty() : Optional.of(byPerson);
  }
}
