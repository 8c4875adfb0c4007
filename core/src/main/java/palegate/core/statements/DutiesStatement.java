package palegate.core.statements;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.access.Oversight;
import palegate.core.collections.PersonSet;
import palegate.core.duties.DutyAssignment;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** Who administers what, and who is appointed to oversee what. */
final class DutiesStatement {
  private DutiesStatement() {}

  static StatementTable of(AskedStatement asked) {
    Structure structure = asked.structure();
    List<DutyAssignment> duties = structure.duties().values().stream().sorted(Comparator.comparing(DutyAssignment::duty).thenComparing(one -> SubjectNames.of(one.subject(), structure)).thenComparing(DutyAssignment::id)).toList();
    List<Oversight> oversights = structure.oversights().values().stream().sorted(Comparator.comparing((Oversight one) -> SubjectNames.of(one.subject(), structure)).thenComparing(Oversight::id)).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Duties", Integer.toString(duties.size()));
    counts.put("Appointments of overseers", Integer.toString(oversights.size()));
    return new StatementTable("Who administers and who oversees what", counts, List.of(
        StatementTable.Column.key("duty", "Duty", 14), StatementTable.Column.key("subject", "Held by", 28), StatementTable.Column.key("scope", "Over", 46), StatementTable.Column.text("ceiling", "Gives at most", 14), StatementTable.Column.key("from", "From", 16),
        StatementTable.Column.text("until", "Until", 16), StatementTable.Column.text("state", "Now", 10), StatementTable.Column.number("people", "People", 8), StatementTable.Column.text("who", "Who", 48)),
        () -> Stream.concat(duties.stream().map(one -> row(asked, one)), oversights.stream().map(one -> row(asked, one))));
  }

  private static StatementTable.Row row(AskedStatement asked, DutyAssignment one) {
    Structure structure = asked.structure();
    PersonSet people = asked.moment().matching(one.subject()).and(asked.moment().active());
    String scope = one.place() != null ? path(asked.snapshot(), one.place()) : one.unit() != null && structure.units().containsKey(one.unit()) ? structure.units().get(one.unit()).name() : "everything";
    return new StatementTable.Row(List.of(one.duty().word(), SubjectNames.of(one.subject(), structure), scope, one.ceiling() == null || !structure.roles().containsKey(one.ceiling()) ? "" : structure.roles().get(one.ceiling()).name(),
        StatementWords.when(one.period().from()), StatementWords.when(one.period().until()), StatementWords.state(one.period(), asked.instant()), Integer.toString(people.size()), StatementWords.people(people, asked.snapshot())));
  }

  private static StatementTable.Row row(AskedStatement asked, Oversight one) {
    PersonSet people = asked.moment().matching(one.subject()).and(asked.moment().activeStaff());
    return new StatementTable.Row(List.of("overseer", SubjectNames.of(one.subject(), asked.structure()), path(asked.snapshot(), one.place()), "", StatementWords.when(one.period().from()), StatementWords.when(one.period().until()),
        StatementWords.state(one.period(), asked.instant()), Integer.toString(people.size()), StatementWords.people(people, asked.snapshot())));
  }

  private static String path(Snapshot snapshot, String place) {
    return snapshot.placeNumber(place) < 0 ? place : snapshot.pathText(snapshot.placeNumber(place));
  }
}
