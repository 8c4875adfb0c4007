package palegate.server.statements;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.roles.Right;
import palegate.core.statements.Statement;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.exports.Sheet;
import palegate.server.views.PersonView;

/** A statement as a sheet for files. */
final class StatementSheet {
  private static final DateTimeFormatter INSTANT =
      DateTimeFormatter.ofPattern("d MMMM uuuu, HH:mm:ss 'UTC'", Locale.UK).withZone(ZoneOffset.UTC);

  private StatementSheet() {}

  static Sheet of(Statements.Asked asked, String author) {
    Statement.Counts counts = asked.statement().counts();
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("Scope", asked.title());
    facts.put("Rights shown", "Standing rights: what the structure gives");
    facts.put("As of", INSTANT.format(asked.instant()) + (asked.ahead() ? ", ahead: if nothing is changed until then; what begins and ends by date is applied" : ""));
    facts.put("Change number", Long.toString(asked.change()));
    facts.put("Made by", author);
    facts.put("Rows", Long.toString(counts.rows()));
    facts.put("People", counts.people() + ", of whom " + counts.outsiders() + " outsiders");
    facts.put("Places", counts.places() + ", of which " + counts.documents() + " documents");
    facts.put("Documents", asked.documents() ? "Listed one by one" : "Left out; libraries and folders only");
    Structure structure = asked.snapshot().structure();
    return new Sheet("pale-gate-statement-" + asked.fileName() + "-change-" + asked.change(), "Pale Gate statement", facts, columns(),
        asked.statement().rows().map(row -> values(row, structure)));
  }

  static String sources(Statement.Row row, Structure structure) {
    Stream<String> grants = row.sources().stream().map(source -> source.roleName() + " to " + SubjectNames.of(source.grant().subject(), structure)
        + (source.here() ? ", here" : ", from " + source.place().name()));
    Stream<String> oversights = row.oversights().stream().map(oversight -> "oversight of " + SubjectNames.of(oversight.subject(), structure)
        + " at " + structure.places().get(oversight.place()).name());
    Stream<String> leads = row.leadsTo() == null ? Stream.empty()
        : Stream.of("leads to " + row.leadsTo().target().name() + ", which they " + (row.leadsTo().opens() ? "can open" : "cannot open"));
    return Stream.of(grants, oversights, leads).flatMap(words -> words).collect(Collectors.joining("; "));
  }

  private static List<Sheet.Column> columns() {
    List<Sheet.Column> columns = new ArrayList<>(List.of(
        new Sheet.Column("path", "Place", 60), new Sheet.Column("kind", "Kind", 12), new Sheet.Column("type", "Document type", 20),
        new Sheet.Column("person", "Person", 26), new Sheet.Column("standing", "Staff or outsider", 18), new Sheet.Column("unit", "Unit", 26)));
    for (Right right : Right.values()) {
      columns.add(new Sheet.Column(right.word(), right.word(), 10));
    }
    columns.add(new Sheet.Column("rights", "All rights", 44));
    columns.add(new Sheet.Column("comesFrom", "Comes from", 70));
    return columns;
  }

  private static List<String> values(Statement.Row row, Structure structure) {
    PersonView person = PersonView.of(row.person(), structure);
    List<String> values = new ArrayList<>(List.of(
        row.path(), row.place().kind().word(), row.place().type() == null ? "" : structure.types().get(row.place().type()).name(),
        person.name(), person.external() ? "outsider" : "staff", person.unit() == null ? "" : person.unit()));
    for (Right right : Right.values()) {
      values.add(row.rights().contains(right) ? "yes" : "");
    }
    values.add(row.rights().toString());
    values.add(sources(row, structure));
    return values;
  }
}
