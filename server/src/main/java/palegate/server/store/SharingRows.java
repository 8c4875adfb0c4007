package palegate.server.store;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.people.Subject;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;

/** Rules of sharing, passes and shortlists in the database; what is made by sharing is among the grants. */
@Component
class SharingRows {
  private record ForWhom(Dated.Key pass, Subject subject) {}

  private record Proposed(Dated.Key unit, Shortlist.Audience audience) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  SharingRows(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  List<Dated<SharingRule>> rules(Span span) {
    return jdbc.sql("SELECT r.place, r.who, r.outsiders, r.role, r.days, r.began, r.ended FROM sharing_rules r WHERE " + span.condition() + " ORDER BY r.place")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new SharingRule(row.getString("place"), SharingRule.Who.parse(row.getString("who")), row.getBoolean("outsiders"), row.getString("role"),
            row.getObject("days", Integer.class))))
        .list();
  }

  void writeRules(RowChanges<SharingRule> rows, long change) {
    batches.changeOneEach("UPDATE sharing_rules SET ended = ? WHERE place = ? AND ended IS NULL", rows.over(), rule -> new Object[] {change, rule.place()});
    batches.insert("INSERT INTO sharing_rules (place, began, who, outsiders, role, days) VALUES (?, ?, ?, ?, ?, ?)", rows.begun(),
        rule -> new Object[] {rule.place(), change, rule.who().word(), rule.outsiders(), rule.role(), rule.days()});
  }

  List<Dated<Pass>> passes(Span span) {
    Map<Dated.Key, List<Subject>> audiences = new HashMap<>();
    jdbc.sql("""
            SELECT a.pass, a.subject_person, a.subject_group, a.subject_unit, a.subject_builtin, a.began
            FROM pass_audiences a JOIN pass_states r ON r.pass = a.pass AND r.began = a.began
            WHERE %s ORDER BY a.pass, a.began, a.position
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> new ForWhom(Dated.Key.of(row, "pass"), SubjectColumns.read(row)))
        .list().forEach(one -> audiences.computeIfAbsent(one.pass(), any -> new ArrayList<>()).add(one.subject()));
    return jdbc.sql("""
            SELECT r.pass, r.place, r.role, r.maker, r.holds_from, r.holds_until, r.uses, r.note, r.began, r.ended
            FROM pass_states r WHERE %s ORDER BY r.pass
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Pass(row.getString("pass"), row.getString("place"), row.getString("role"), audiences.get(Dated.Key.of(row, "pass")), row.getString("maker"),
            Instants.period(row), row.getObject("uses", Integer.class), row.getString("note"))))
        .list();
  }

  /** Identities first: what is opened through a pass names it. */
  void namePasses(RowChanges<Pass> rows) {
    batches.name("INSERT INTO passes (id) VALUES (?) ON DUPLICATE KEY UPDATE id = VALUES(id)", rows.begun(), Pass::id);
  }

  void writePasses(RowChanges<Pass> rows, long change) {
    batches.changeOneEach("UPDATE pass_states SET ended = ? WHERE pass = ? AND ended IS NULL", rows.over(), pass -> new Object[] {change, pass.id()});
    batches.insert("INSERT INTO pass_states (pass, began, place, role, maker, holds_from, holds_until, uses, note) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)", rows.begun(),
        pass -> new Object[] {pass.id(), change, pass.place(), pass.role(), pass.maker(), Instants.toDatabase(pass.period().from()), Instants.toDatabase(pass.period().until()), pass.uses(), pass.note()});
    List<Object[]> audiences = new ArrayList<>();
    rows.begun().forEach(pass -> IntStream.range(0, pass.audience().size())
        .forEach(position -> audiences.add(SubjectColumns.values(new Object[] {pass.id(), change, position}, pass.audience().get(position)))));
    batches.insert("""
        INSERT INTO pass_audiences (pass, began, position, subject_person, subject_group, subject_unit, subject_builtin) VALUES (?, ?, ?, ?, ?, ?, ?)
        """, audiences, Function.identity());
  }

  List<Dated<Shortlist>> shortlists(Span span) {
    Map<Dated.Key, List<Shortlist.Audience>> audiences = new HashMap<>();
    jdbc.sql("""
            SELECT a.unit, a.subject_person, a.subject_group, a.subject_unit, a.subject_builtin, a.name, a.text, a.began
            FROM shortlist_audiences a JOIN shortlists r ON r.unit = a.unit AND r.began = a.began
            WHERE %s ORDER BY a.unit, a.began, a.position
            """.formatted(span.condition()))
        .params(span.parameters())
        .query((row, i) -> new Proposed(Dated.Key.of(row, "unit"), new Shortlist.Audience(SubjectColumns.read(row), row.getString("name"), row.getString("text"))))
        .list().forEach(one -> audiences.computeIfAbsent(one.unit(), any -> new ArrayList<>()).add(one.audience()));
    return jdbc.sql("SELECT r.unit, r.began, r.ended FROM shortlists r WHERE " + span.condition() + " ORDER BY r.unit")
        .params(span.parameters())
        .query((row, i) -> Dated.of(row, new Shortlist(row.getString("unit"), audiences.get(Dated.Key.of(row, "unit")))))
        .list();
  }

  void writeShortlists(RowChanges<Shortlist> rows, long change) {
    batches.changeOneEach("UPDATE shortlists SET ended = ? WHERE unit = ? AND ended IS NULL", rows.over(), list -> new Object[] {change, list.unit()});
    batches.insert("INSERT INTO shortlists (unit, began) VALUES (?, ?)", rows.begun(), list -> new Object[] {list.unit(), change});
    List<Object[]> audiences = new ArrayList<>();
    rows.begun().forEach(list -> IntStream.range(0, list.audiences().size()).forEach(position -> {
      Shortlist.Audience audience = list.audiences().get(position);
      audiences.add(SubjectColumns.values(new Object[] {list.unit(), change, position}, audience.subject(), audience.name(), audience.text()));
    }));
    batches.insert("""
        INSERT INTO shortlist_audiences (unit, began, position, subject_person, subject_group, subject_unit, subject_builtin, name, text) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
        """, audiences, Function.identity());
  }
}
