package palegate.core.statements;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** Access lists as they stand: every entry and appointment at the place where it stands, whether or not it counts at the instant. */
final class ListsStatement {
  private ListsStatement() {}

  static StatementTable of(AskedStatement asked) {
    Snapshot snapshot = asked.snapshot();
    int[] places = asked.places();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Places with a list of their own", Long.toString(Arrays.stream(places).filter(place -> !snapshot.ownEntries(place).isEmpty()).count()));
    counts.put("Entries", Long.toString(Arrays.stream(places).mapToLong(place -> snapshot.ownEntries(place).size()).sum()));
    counts.put("Overseers", Long.toString(Arrays.stream(places).mapToLong(place -> snapshot.ownOversights(place).size()).sum()));
    return new StatementTable("Access lists as they stand" + asked.where(), counts, List.of(
        StatementTable.Column.key("place", "Place", 50), StatementTable.Column.text("stands", "Follows or stands alone", 13), StatementTable.Column.text("what", "What", 11), StatementTable.Column.key("subject", "Whom", 26),
        StatementTable.Column.key("role", "Role or rights", 22), StatementTable.Column.text("types", "Only documents of", 16), StatementTable.Column.key("from", "From", 11), StatementTable.Column.text("until", "Until", 11),
        StatementTable.Column.text("state", "Now", 8), StatementTable.Column.number("people", "People", 7), StatementTable.Column.text("note", "Why", 24)),
        () -> Arrays.stream(places).boxed().flatMap(place -> Stream.concat(snapshot.ownEntries(place).stream().map(entry -> row(asked, place, entry)), snapshot.ownOversights(place).stream().map(oversight -> row(asked, place, oversight)))));
  }

  private static StatementTable.Row row(AskedStatement asked, int place, Entry entry) {
    Structure structure = asked.structure();
    String what = entry instanceof Grant grant ? structure.roles().get(grant.role()).name() : ((Withholding) entry).rights().toString();
    return new StatementTable.Row(List.of(asked.snapshot().pathText(place), stands(asked, place), entry instanceof Grant ? "grant" : "withholding", SubjectNames.of(entry.subject(), structure), what,
        StatementWords.types(entry.types(), structure), StatementWords.when(entry.period().from()), StatementWords.when(entry.period().until()), StatementWords.state(entry.period(), asked.instant()),
        Integer.toString(asked.moment().matching(entry.subject()).and(asked.moment().active()).size()), entry.note() == null ? "" : entry.note()));
  }

  private static StatementTable.Row row(AskedStatement asked, int place, Oversight oversight) {
    return new StatementTable.Row(List.of(asked.snapshot().pathText(place), stands(asked, place), "oversight", SubjectNames.of(oversight.subject(), asked.structure()), "find read", "",
        StatementWords.when(oversight.period().from()), StatementWords.when(oversight.period().until()), StatementWords.state(oversight.period(), asked.instant()),
        Integer.toString(asked.moment().matching(oversight.subject()).and(asked.moment().activeStaff()).size()), oversight.note() == null ? "" : oversight.note()));
  }

  private static String stands(AskedStatement asked, int place) {
    return asked.snapshot().standsAlone(place) ? "stands alone" : "follows";
  }
}
