package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.rounds.DecidedChange;
import palegate.core.rounds.Decision;
import palegate.core.rounds.ItemKind;
import palegate.core.rounds.ReviewItem;
import palegate.core.rounds.ReviewScope;

/** Rounds of review, their items and what was decided. */
@Component
public class RoundRecords {
  /**
   * @param remindDays how many days before it is due it writes to reviewers by itself; null if it does not
   * @param closed null while it is open
   */
  public record Round(long id, String name, ReviewScope scope, Instant due, Integer remindDays, boolean needsComment, String madeBy, String madeByName, Instant madeAt, long change, Closed closed) {}

  public record Closed(Instant at, String by, String byName, String note) {}

  /** What was decided; null for nothing. */
  public record Decided(Decision decision, DecidedChange.Instead instead, String comment, Instant at, String by, String byName) {}

  /**
   * @param reviewer null where there is nobody
   * @param sinceChange the change that put it there, whose note is told to those who may know it; null if that is not known
   * @param outcome what had come of it when the round was closed
   */
  public record Item(int number, ReviewItem item, String reviewer, String since, Long sinceChange, Decided decided, String outcome) {}

  /** What was decided about the same thing in a round before. */
  public record Before(Decision decision, Instant at) {}

  /** When a round writes by itself. */
  public enum Occasion {
    BEFORE, OVERDUE
  }

  public record Reminder(Round round, Occasion occasion) {}

  public record Happened(Instant at, String who, String what) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  RoundRecords(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /** An item, its reviewer, and since when it is there. */
  public record Asked(ReviewItem item, String reviewer, String since, Long sinceChange) {}

  /** Begins a round with all its items, in their order; all or nothing. */
  @Transactional
  public long begin(String name, ReviewScope scope, Instant due, Integer remindDays, boolean needsComment, String by, String byName, Instant now, long change, List<Asked> items) {
    jdbc.sql("""
        INSERT INTO rounds (name, kinds, place, groups_named, outsiders_only, due_at, remind_days, needs_comment, made_by, made_by_name, made_at, change_number)
        VALUES (:name, :kinds, :place, :groups, :outsiders, :due, :remind, :comment, :by, :byName, :now, :change)
        """).param("name", name).param("kinds", scope.kinds().stream().map(ItemKind::word).sorted().collect(Collectors.joining(","))).param("place", scope.place())
        .param("groups", scope.groups().stream().sorted().collect(Collectors.joining(","))).param("outsiders", scope.outsidersOnly()).param("due", Instants.toDatabase(due)).param("remind", remindDays).param("comment", needsComment)
        .param("by", by).param("byName", byName).param("now", Instants.toDatabase(now)).param("change", change).update();
    long round = jdbc.sql("SELECT LAST_INSERT_ID()").query(Long.class).single();
    int[] number = {0};
    batches.insert("""
        INSERT INTO round_items (round, number, item_key, kind, reviewer, subject_kind, subject_id, subject_name, container, container_name, role, holds_from, holds_until, people, outsiders, risk, sentence, thing, since_words, since_change)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, items, asked -> {
          ReviewItem item = asked.item();
          return new Object[] {round, ++number[0], item.key(), item.kind().word(), asked.reviewer(), item.subject().kind(), item.subject().id(), item.subjectName(), item.container(), item.containerName(), item.role(),
              date(item.period().from()), date(item.period().until()), item.people(), item.outsiders(), item.risk(), item.sentence(), item.thing(), asked.since(), asked.sinceChange()};
        });
    tell(round, by, byName, "began the round with " + items.size() + " items", now);
    return round;
  }

  private static Object date(Instant instant) {
    return instant == null ? null : Instants.toDatabase(instant);
  }

  /** Newest first. */
  public List<Round> all() {
    return jdbc.sql("SELECT * FROM rounds ORDER BY id DESC").query((row, i) -> round(row)).list();
  }

  public Optional<Round> find(long id) {
    return jdbc.sql("SELECT * FROM rounds WHERE id = :id").param("id", id).query((row, i) -> round(row)).optional();
  }

  private static Round round(ResultSet row) throws SQLException {
    ReviewScope scope = new ReviewScope(words(row.getString("kinds")).map(word -> ItemKind.parse(word).orElseThrow()).collect(Collectors.toSet()), row.getString("place"), words(row.getString("groups_named")).collect(Collectors.toSet()), row.getBoolean("outsiders_only"));
    Instant closed = Instants.read(row, "closed_at");
    return new Round(row.getLong("id"), row.getString("name"), scope, Instants.read(row, "due_at"), row.getObject("remind_days", Integer.class), row.getBoolean("needs_comment"), row.getString("made_by"), row.getString("made_by_name"), Instants.read(row, "made_at"), row.getLong("change_number"),
        closed == null ? null : new Closed(closed, row.getString("closed_by"), row.getString("closed_by_name"), row.getString("closing_note")));
  }

  private static Stream<String> words(String joined) {
    return joined.isEmpty() ? Stream.empty() : Stream.of(joined.split(","));
  }

  /** In their order. */
  public List<Item> items(long round) {
    return items(List.of(round)).getOrDefault(round, List.of());
  }

  /** Of several rounds, by their numbers. */
  public Map<Long, List<Item>> items(Collection<Long> rounds) {
    Map<Long, List<Item>> items = new HashMap<>();
    if (!rounds.isEmpty()) {
      jdbc.sql("SELECT * FROM round_items WHERE round IN (:rounds) ORDER BY round, number").param("rounds", rounds)
          .query((ResultSet row) -> {
            items.computeIfAbsent(row.getLong("round"), any -> new ArrayList<>()).add(item(row));
          });
    }
    return items;
  }

  private static Item item(ResultSet row) throws SQLException {
    Subject subject = Subject.of(row.getString("subject_kind"), row.getString("subject_id"));
    ReviewItem item = new ReviewItem(row.getString("item_key"), ItemKind.parse(row.getString("kind")).orElseThrow(), subject, row.getString("subject_name"), row.getString("container"), row.getString("container_name"), row.getString("role"),
        new Period(Instants.read(row, "holds_from"), Instants.read(row, "holds_until")), row.getInt("people"), row.getInt("outsiders"), row.getInt("risk"), row.getString("sentence"), row.getString("thing"));
    String decision = row.getString("decision");
    return new Item(row.getInt("number"), item, row.getString("reviewer"), row.getString("since_words"), row.getObject("since_change", Long.class), decision == null ? null
        : new Decided(Decision.valueOf(decision.toUpperCase(Locale.ROOT)), new DecidedChange.Instead(row.getString("to_role"), Instants.read(row, "to_until")), row.getString("comment"), Instants.read(row, "decided_at"), row.getString("decided_by"), row.getString("decided_by_name")),
        row.getString("outcome"));
  }

  /** By an item's key, what was decided about the same thing last in a round that was closed before this one. */
  public Map<String, Before> before(long round) {
    Map<String, Before> before = new HashMap<>();
    jdbc.sql("""
            SELECT mine.item_key, earlier.decision, earlier.decided_at
            FROM round_items mine JOIN round_items earlier ON earlier.item_key = mine.item_key AND earlier.round < mine.round JOIN rounds r ON r.id = earlier.round
            WHERE mine.round = :round AND r.closed_at IS NOT NULL AND earlier.decision IN ('keep', 'change', 'remove') ORDER BY earlier.round
            """).param("round", round)
        .query((ResultSet row) -> {
          before.put(row.getString("item_key"), new Before(Decision.valueOf(row.getString("decision").toUpperCase(Locale.ROOT)), Instants.read(row, "decided_at")));
        });
    return before;
  }

  /** The open rounds that have to write now by themselves. One that was begun within its days of reminding waits until it is overdue. */
  public List<Reminder> toRemind(Instant now) {
    return jdbc.sql("""
            SELECT * FROM (SELECT r.*, IF(r.due_at <= :now, 'overdue', 'before') AS occasion FROM rounds r WHERE r.closed_at IS NULL AND r.remind_days IS NOT NULL) waiting
            WHERE due_at <= :now + INTERVAL remind_days DAY AND (occasion = 'overdue' OR made_at < due_at - INTERVAL remind_days DAY)
              AND NOT EXISTS (SELECT 1 FROM round_reminders sent WHERE sent.round = waiting.id AND sent.occasion = waiting.occasion)
            ORDER BY id
            """).param("now", Instants.toDatabase(now)).query((row, i) -> new Reminder(round(row), Occasion.valueOf(row.getString("occasion").toUpperCase(Locale.ROOT)))).list();
  }

  /** Whether a reminder is for whoever asks to write: it is written once, over all instances. */
  @Transactional(propagation = Propagation.MANDATORY)
  public boolean takeReminder(long round, Occasion occasion, Instant now) {
    boolean open = jdbc.sql("SELECT closed_at IS NULL FROM rounds WHERE id = :round FOR UPDATE").param("round", round).query(Boolean.class).single();
    if (!open || jdbc.sql("SELECT EXISTS (SELECT 1 FROM round_reminders WHERE round = :round AND occasion = :occasion)").param("round", round).param("occasion", occasion.name().toLowerCase(Locale.ROOT)).query(Boolean.class).single()) {
      return false;
    }
    return jdbc.sql("INSERT INTO round_reminders (round, occasion, sent_at) VALUES (:round, :occasion, :now)").param("round", round).param("occasion", occasion.name().toLowerCase(Locale.ROOT)).param("now", Instants.toDatabase(now)).update() == 1;
  }

  /** Who has handed in, and when. */
  public Map<String, Instant> deliveries(long round) {
    return deliveries(List.of(round)).getOrDefault(round, Map.of());
  }

  /** Of several rounds, by their numbers. */
  public Map<Long, Map<String, Instant>> deliveries(Collection<Long> rounds) {
    Map<Long, Map<String, Instant>> deliveries = new HashMap<>();
    if (!rounds.isEmpty()) {
      jdbc.sql("SELECT round, reviewer, handed_in_at FROM round_deliveries WHERE round IN (:rounds)").param("rounds", rounds)
          .query((ResultSet row) -> {
            deliveries.computeIfAbsent(row.getLong("round"), any -> new HashMap<>()).put(row.getString("reviewer"), Instants.read(row, "handed_in_at"));
          });
    }
    return deliveries;
  }

  /** Whether somebody is, or was, asked anything in a round that is open. */
  public boolean isReviewer(String person) {
    return jdbc.sql("SELECT EXISTS (SELECT 1 FROM round_items i JOIN rounds r ON r.id = i.round WHERE i.reviewer = :person AND r.closed_at IS NULL)").param("person", person).query(Boolean.class).single();
  }

  /** The open rounds in which somebody is asked. */
  public List<Round> asking(String person) {
    return jdbc.sql("SELECT * FROM rounds r WHERE r.closed_at IS NULL AND EXISTS (SELECT 1 FROM round_items i WHERE i.round = r.id AND i.reviewer = :person) ORDER BY r.due_at, r.id").param("person", person).query((row, i) -> round(row)).list();
  }

  /**
   * Writes what a reviewer decided, by the items' numbers; null takes a decision back. All of it or nothing: nothing once they have handed in,
   * the round is closed, or one of the items is not theirs any more.
   *
   * @return whether it was written
   */
  @Transactional
  public boolean decide(long round, String reviewer, Map<Integer, Decided> decisions) {
    if (decisions.isEmpty() || !stillOpen(round, reviewer)
        || jdbc.sql("SELECT COUNT(*) FROM round_items WHERE round = :round AND reviewer = :reviewer AND number IN (:numbers)").param("round", round).param("reviewer", reviewer).param("numbers", decisions.keySet()).query(Integer.class).single() != decisions.size()) {
      return false;
    }
    batches.changeOneEach("UPDATE round_items SET decision = ?, to_role = ?, to_until = ?, comment = ?, decided_at = ?, decided_by = ?, decided_by_name = ? WHERE round = ? AND reviewer = ? AND number = ?", decisions.entrySet(), each -> {
      Decided decided = each.getValue();
      return decided == null ? new Object[] {null, null, null, "", null, null, null, round, reviewer, each.getKey()}
          : new Object[] {decided.decision().name().toLowerCase(Locale.ROOT), decided.instead().role(), date(decided.instead().until()), decided.comment(), date(decided.at()), decided.by(), decided.byName(), round, reviewer, each.getKey()};
    });
    return true;
  }

  /** Holds the round until the end of the transaction, so that nobody hands in or closes it meanwhile. */
  private boolean stillOpen(long round, String reviewer) {
    boolean open = jdbc.sql("SELECT closed_at IS NULL FROM rounds WHERE id = :round FOR UPDATE").param("round", round).query(Boolean.class).optional().orElse(false);
    return open && !jdbc.sql("SELECT EXISTS (SELECT 1 FROM round_deliveries WHERE round = :round AND reviewer = :reviewer)").param("round", round).param("reviewer", reviewer).query(Boolean.class).single();
  }

  /**
   * @param numbers the items that they are asked about now
   * @return whether it was written: all of these are decided, and they had not handed in
   */
  @Transactional
  public boolean handIn(long round, String reviewer, Collection<Integer> numbers, String who, String name, Instant now) {
    if (numbers.isEmpty() || !stillOpen(round, reviewer)) {
      return false;
    }
    int decided = jdbc.sql("SELECT COUNT(decision) FROM round_items WHERE round = :round AND reviewer = :reviewer AND number IN (:numbers)").param("round", round).param("reviewer", reviewer).param("numbers", numbers).query(Integer.class).single();
    if (decided != numbers.size()) {
      return false;
    }
    jdbc.sql("INSERT INTO round_deliveries (round, reviewer, handed_in_at) VALUES (:round, :reviewer, :now)").param("round", round).param("reviewer", reviewer).param("now", Instants.toDatabase(now)).update();
    tell(round, who, name, "handed in", now);
    return true;
  }

  /**
   * Gives items to another reviewer, who has not handed in; what was decided on them is taken back. What is settled and handed in stays with
   * whoever settled it. All of them or none.
   */
  @Transactional
  public boolean delegate(long round, Collection<Integer> numbers, String to, String who, String name, String words, Instant now) {
    if (numbers.isEmpty() || !stillOpen(round, to) || jdbc.sql("""
        SELECT COUNT(*) FROM round_items i WHERE i.round = :round AND i.number IN (:numbers) AND (i.decision IS NULL OR i.decision IN ('not_mine', 'ask')
          OR NOT EXISTS (SELECT 1 FROM round_deliveries d WHERE d.round = i.round AND d.reviewer = i.reviewer))
        """).param("round", round).param("numbers", numbers).query(Integer.class).single() != numbers.size()) {
      return false;
    }
    jdbc.sql("""
        UPDATE round_items SET reviewer = :to, decision = NULL, to_role = NULL, to_until = NULL, comment = '', decided_at = NULL, decided_by = NULL, decided_by_name = NULL
        WHERE round = :round AND number IN (:numbers)
        """).param("to", to).param("round", round).param("numbers", numbers).update();
    tell(round, who, name, words, now);
    return true;
  }

  /** What had been decided when somebody looked, by a sum over all of it: another one says that something was decided since. */
  public record Standing(int decided, long sum, int delivered) {}

  public Standing standing(long round) {
    return jdbc.sql("SELECT COUNT(decision) AS decided, COALESCE(SUM(CRC32(CONCAT_WS('|', number, decision, to_role, to_until, reviewer))), 0) AS decisions, (SELECT COUNT(*) FROM round_deliveries d WHERE d.round = :round) AS delivered FROM round_items WHERE round = :round").param("round", round)
        .query((row, i) -> new Standing(row.getInt("decided"), row.getLong("decisions"), row.getInt("delivered"))).single();
  }

  /**
   * Closes a round in which nothing was decided since somebody looked.
   *
   * @param outcomes what has come of each item, by number
   * @return false if it is closed already, or something was decided meanwhile; then nothing is written
   */
  @Transactional
  public boolean close(long round, String who, String name, String note, Standing seen, Map<Integer, String> outcomes, Instant now) {
    // Whoever decides or hands in holds the same row.
    boolean open = jdbc.sql("SELECT closed_at IS NULL FROM rounds WHERE id = :round FOR UPDATE").param("round", round).query(Boolean.class).optional().orElse(false);
    if (!open || !standing(round).equals(seen)) {
      return false;
    }
    jdbc.sql("UPDATE rounds SET closed_at = :now, closed_by = :who, closed_by_name = :name, closing_note = :note WHERE id = :round AND closed_at IS NULL")
        .param("now", Instants.toDatabase(now)).param("who", who).param("name", name).param("note", note).param("round", round).update();
    batches.changeOneEach("UPDATE round_items SET outcome = ? WHERE round = ? AND number = ?", outcomes.entrySet(), outcome -> new Object[] {outcome.getValue(), round, outcome.getKey()});
    tell(round, who, name, "closed and signed off: " + note, now);
    return true;
  }

  @Transactional
  public void tell(long round, String who, String name, String what, Instant now) {
    jdbc.sql("INSERT INTO round_trail (round, made_at, who, who_name, what) VALUES (:round, :now, :who, :name, :what)").param("round", round).param("now", Instants.toDatabase(now)).param("who", who).param("name", name).param("what", what).update();
  }

  /** Oldest first. */
  public List<Happened> trail(long round) {
    return jdbc.sql("SELECT made_at, who_name, what FROM round_trail WHERE round = :round ORDER BY id").param("round", round).query((row, i) -> new Happened(Instants.read(row, "made_at"), row.getString("who_name"), row.getString("what"))).list();
  }
}
