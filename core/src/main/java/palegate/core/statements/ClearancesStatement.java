package palegate.core.statements;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.structure.SubjectNames;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

/** Guarded document types and who is cleared for them; one that is cleared for nobody has a row that says so. */
final class ClearancesStatement {
  private ClearancesStatement() {}

  static StatementTable of(AskedStatement asked) {
    List<DocumentType> types = asked.structure().types().values().stream().filter(DocumentType::guarded).sorted(Comparator.comparing(DocumentType::name).thenComparing(DocumentType::id)).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Guarded types", types.size() + " of " + asked.structure().types().size());
    counts.put("Clearances", Long.toString(types.stream().mapToLong(type -> type.clearances().size()).sum()));
    return new StatementTable("Who is cleared for guarded document types", counts, List.of(
        StatementTable.Column.key("type", "Document type", 28), StatementTable.Column.number("documents", "Documents", 10), StatementTable.Column.key("subject", "Cleared", 30), StatementTable.Column.key("role", "At most", 20),
        StatementTable.Column.key("from", "From", 16), StatementTable.Column.text("until", "Until", 16), StatementTable.Column.text("state", "Now", 10), StatementTable.Column.number("people", "People", 8), StatementTable.Column.number("outsiders", "Outsiders", 9),
        StatementTable.Column.text("who", "Who", 50)), () -> types.stream().flatMap(type -> rows(asked, type)));
  }

  private static Stream<StatementTable.Row> rows(AskedStatement asked, DocumentType type) {
    String documents = Long.toString(asked.snapshot().documentsOf(type.id()).count());
    if (type.clearances().isEmpty()) {
      return Stream.of(new StatementTable.Row(List.of(type.name(), documents, "nobody", "", "", "", "", "0", "0", "")));
    }
    return type.clearances().stream().map((Clearance clearance) -> {
      PersonSet people = asked.moment().matching(clearance.subject()).and(asked.moment().active());
      return new StatementTable.Row(List.of(type.name(), documents, SubjectNames.of(clearance.subject(), asked.structure()), asked.structure().roles().get(clearance.role()).name(), StatementWords.when(clearance.period().from()),
          StatementWords.when(clearance.period().until()), StatementWords.state(clearance.period(), asked.instant()), Integer.toString(people.size()), Integer.toString(people.sizeOfAnd(asked.moment().activeOutsiders())),
          StatementWords.people(people, asked.snapshot())));
    });
  }
}
