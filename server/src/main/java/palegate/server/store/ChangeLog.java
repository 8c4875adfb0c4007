package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The numbered changes: who put what in force, when and why. */
@Component
public class ChangeLog {
  /**
   * One change. Its content, the draft's changes as JSON, is written and kept, and read by nobody but who asks for it.
   *
   * @param scheduledFor the instant for which it had been scheduled, or null
   */
  public record Logged(long number, String author, String authorName, Instant at, String note, String origin, Instant scheduledFor) {
    public Logged(long number, String author, String authorName, Instant at, String note, String origin) {
      this(number, author, authorName, at, note, origin, null);
    }
  }

  /** Somebody's agreement to a change. */
  public record Approved(String approver, String name, Instant at) {}

  /** A later change that touched something a draft touches. */
  public record Clash(long number, String authorName, Instant at, String note, String thing) {}

  private static final String COLUMNS = "SELECT number, author, author_name, made_at, note, origin, scheduled_for FROM changes";

  /** What a text finds: notes, authors, numbers, and whatever touched one of some things. */
  private static final String WITH_TEXT = " WHERE (LOCATE(:text, LOWER(CONCAT_WS(' ', note, author_name, number))) > 0"
      + " OR number IN (SELECT t.change_number FROM change_touches t WHERE t.thing IN (:named)))";
  private static final String TOUCHING = " AND number IN (SELECT t.change_number FROM change_touches t WHERE t.thing = :thing)";

  private static final int TOUCHES_OF_SMALL = 5_000;
  private static final int READ_AT_ONCE = 2_000;

  /** Up to which change it is known how much each touched; that does not change any more. */
  private volatile long counted;
  private final Set<Long> large = ConcurrentHashMap.newKeySet();

  /**
   * Which changes are looked for.
   *
   * @param text in their note, their author's name or their number, in small letters
   * @param named things called so: whatever touched them is found too
   * @param thing only what touched this one, as {@code place:ID}; null for all
   */
  public record Wanted(String text, Collection<String> named, String thing) {
    private String where() {
      return WITH_TEXT + (thing == null ? "" : TOUCHING);
    }

    private Map<String, Object> values() {
      Map<String, Object> values = new HashMap<>();
      values.put("text", text);
      // An empty list is not SQL, and no thing has an empty name.
      values.put("named", named.isEmpty() ? List.of("") : named);
      values.put("thing", thing);
      return values;
    }
  }

  private final JdbcClient jdbc;
  private final Batches batches;

  ChangeLog(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /** Takes the next number; whoever else wants one waits until this transaction ends. */
  @Transactional(propagation = Propagation.MANDATORY)
  public long takeNextNumber() {
    return 1 + jdbc.sql("SELECT number FROM head WHERE id = 1 FOR UPDATE").query(Long.class).single();
  }

  /** Writes a change's own row. State rows refer to it, so this comes before them. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void write(Logged change, String content, Collection<String> touches) {
    int written = jdbc.sql("""
            INSERT INTO changes (number, author, author_name, made_at, note, origin, scheduled_for, content)
            VALUES (:number, :author, :authorName, :at, :note, :origin, :scheduled, :content)
            """)
        .param("number", change.number()).param("author", change.author()).param("authorName", change.authorName())
        .param("at", Instants.toDatabase(change.at())).param("note", change.note())
        .param("origin", change.origin()).param("content", content)
        .param("scheduled", change.scheduledFor() == null ? null : Instants.toDatabase(change.scheduledFor()))
        .update();
    int moved = jdbc.sql("UPDATE head SET number = :number WHERE id = 1 AND number = :number - 1")
        .param("number", change.number()).update();
    if (written != 1 || moved != 1) {
      throw new IllegalStateException("Change " + change.number() + " does not follow the newest one.");
    }
    batches.insert("INSERT INTO change_touches (change_number, thing) VALUES (?, ?)", touches,
        thing -> new Object[] {change.number(), thing});
  }

  /** Writes who agreed to a change whose own row is there. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void writeApprovals(long change, Collection<Approved> approvals) {
    batches.insert("INSERT INTO change_approvals (change_number, approver, approver_name, made_at) VALUES (?, ?, ?, ?)", approvals,
        one -> new Object[] {change, one.approver(), one.name(), Instants.toDatabase(one.at())});
  }

  /** Who agreed to a change, in the order in which they did. */
  public List<Approved> approvals(long change) {
    return jdbc.sql("SELECT approver, approver_name, made_at FROM change_approvals WHERE change_number = :change ORDER BY made_at, approver").param("change", change)
        .query((row, i) -> new Approved(row.getString("approver"), row.getString("approver_name"), Instants.read(row, "made_at"))).list();
  }

  /** Who agreed to each change after one number and up to another, in the order in which they did. */
  public Map<Long, List<Approved>> approvalsBetween(long after, long upTo) {
    Map<Long, List<Approved>> approvals = new HashMap<>();
    jdbc.sql("SELECT change_number, approver, approver_name, made_at FROM change_approvals WHERE change_number > :after AND change_number <= :upTo ORDER BY change_number, made_at, approver").param("after", after).param("upTo", upTo)
        .query((ResultSet row) -> {
          approvals.computeIfAbsent(row.getLong("change_number"), any -> new ArrayList<>()).add(new Approved(row.getString("approver"), row.getString("approver_name"), Instants.read(row, "made_at")));
        });
    return approvals;
  }

  /** The changes after {@code base} that touched any of these things, oldest first. */
  public List<Clash> clashes(long base, Collection<String> things) {
    if (things.isEmpty()) {
      return List.of();
    }
    return jdbc.sql("""
            SELECT c.number, c.author_name, c.made_at, c.note, t.thing
            FROM change_touches t JOIN changes c ON c.number = t.change_number
            WHERE t.thing IN (:things) AND t.change_number > :base
            ORDER BY c.number, t.thing
            """)
        .param("things", things).param("base", base)
        .query((row, i) -> new Clash(row.getLong("number"), row.getString("author_name"),
            Instants.read(row, "made_at"), row.getString("note"), row.getString("thing")))
        .list();
  }

  /** The changes that are looked for, newest first or oldest first. */
  public List<Logged> page(Wanted wanted, boolean newestFirst, long offset, int limit) {
    return jdbc.sql(COLUMNS + wanted.where() + (newestFirst ? " ORDER BY number DESC" : " ORDER BY number") + " LIMIT :limit OFFSET :offset")
        .params(wanted.values()).param("limit", limit).param("offset", offset).query(ChangeLog::logged).list();
  }

  /** Some changes, newest first or oldest first. */
  public List<Logged> of(Collection<Long> numbers, boolean newestFirst) {
    return numbers.isEmpty() ? List.of() : jdbc.sql(COLUMNS + " WHERE number IN (:numbers)" + (newestFirst ? " ORDER BY number DESC" : " ORDER BY number"))
        .param("numbers", numbers).query(ChangeLog::logged).list();
  }

  /** What a change touched. */
  public interface Touch {
    /** Returns whether to go on with the other things that the change touched. */
    boolean by(long change, String author, String thing);
  }

  /**
   * What each change touched, one after the other: not held in memory. Of a change that touched very many things, as when a repository was
   * brought in, no more is read than is asked for. O(touches of small changes + those that are asked for of large ones).
   */
  public void eachTouch(Touch each) {
    jdbc.sql("SELECT change_number, COUNT(*) AS touches FROM change_touches WHERE change_number > :counted GROUP BY change_number").param("counted", counted).query((ResultSet row) -> {
      counted = Math.max(counted, row.getLong("change_number"));
      if (row.getLong("touches") > TOUCHES_OF_SMALL) {
        large.add(row.getLong("change_number"));
      }
    });
    Set<Long> aside = Set.copyOf(large);
    jdbc.sql("SELECT t.change_number, t.thing, c.author FROM change_touches t JOIN changes c ON c.number = t.change_number" + (aside.isEmpty() ? "" : " WHERE t.change_number NOT IN (:large)"))
        .params(aside.isEmpty() ? Map.of() : Map.of("large", aside)).query((ResultSet row) -> {
          each.by(row.getLong("change_number"), row.getString("author"), row.getString("thing"));
        });
    aside.forEach(change -> touchesOf(change, each));
  }

  private void touchesOf(long change, Touch each) {
    String author = jdbc.sql("SELECT author FROM changes WHERE number = :change").param("change", change).query(String.class).single();
    boolean more = true;
    String last = "";
    while (more) {
      List<String> things = jdbc.sql("SELECT thing FROM change_touches WHERE change_number = :change AND thing > :last ORDER BY thing LIMIT :most")
          .param("change", change).param("last", last).param("most", READ_AT_ONCE).query(String.class).list();
      for (int i = 0; i < things.size() && more; i++) {
        more = each.by(change, author, things.get(i));
      }
      more &= things.size() == READ_AT_ONCE;
      last = things.isEmpty() ? last : things.get(things.size() - 1);
    }
  }

  /** How many are found. */
  public long count(Wanted wanted) {
    return jdbc.sql("SELECT COUNT(*) FROM changes" + wanted.where()).params(wanted.values()).query(Long.class).single();
  }

  /** Their numbers. */
  public Set<Long> numbers(Wanted wanted) {
    return new HashSet<>(jdbc.sql("SELECT number FROM changes" + wanted.where()).params(wanted.values()).query(Long.class).list());
  }

  /** The number of the last change made at or before an instant; 0 if there was none. */
  public long inForceAt(Instant instant) {
    return jdbc.sql("SELECT COALESCE(MAX(number), 0) FROM changes WHERE made_at <= :at")
        .param("at", Instants.toDatabase(instant)).query(Long.class).single();
  }

  /** The changes after one number and up to another, oldest first. */
  public List<Logged> between(long after, long upTo) {
    return jdbc.sql(COLUMNS + " WHERE number > :after AND number <= :upTo ORDER BY number")
        .param("after", after).param("upTo", upTo).query(ChangeLog::logged).list();
  }

  /** Of the changes after a number those that others made, newest first; so many at most. */
  public List<Logged> byOthersSince(long after, String account, int atMost) {
    return jdbc.sql(COLUMNS + " WHERE number > :after AND author <> :account ORDER BY number DESC LIMIT :most")
        .param("after", after).param("account", account).param("most", atMost).query(ChangeLog::logged).list();
  }

  /** The notes of some changes, by number. */
  public Map<Long, String> notes(Collection<Long> numbers) {
    Map<Long, String> notes = new HashMap<>();
    if (!numbers.isEmpty()) {
      jdbc.sql("SELECT number, note FROM changes WHERE number IN (:numbers)").param("numbers", numbers)
          .query((row, i) -> Map.entry(row.getLong("number"), row.getString("note"))).list().forEach(note -> notes.put(note.getKey(), note.getValue()));
    }
    return notes;
  }

  public Optional<Logged> find(long number) {
    return jdbc.sql(COLUMNS + " WHERE number = :number").param("number", number).query(ChangeLog::logged).optional();
  }

  /** Those of some that there are, in no order. */
  public List<Logged> find(Set<Long> numbers) {
    return numbers.isEmpty() ? List.of() : jdbc.sql(COLUMNS + " WHERE number IN (:numbers)").param("numbers", numbers).query(ChangeLog::logged).list();
  }

  private static Logged logged(ResultSet row, int i) throws SQLException {
    return new Logged(row.getLong("number"), row.getString("author"), row.getString("author_name"),
        Instants.read(row, "made_at"), row.getString("note"), row.getString("origin"), Instants.read(row, "scheduled_for"));
  }
}
