package palegate.core.statements;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.access.Trace;
import palegate.core.people.Person;
import palegate.core.questions.Explanation;
import palegate.core.questions.MembershipPaths;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** Who can reach a place and what is below it, and what somebody can reach: put together, or a row for each person and place with how. */
final class AccessStatement {
  private AccessStatement() {}

  static StatementTable of(AskedStatement asked) {
    AccessTable table = new AccessTable(asked);
    String title = title(asked);
    return asked.recipe().kind() == StatementKind.EVERYONE ? everyone(table, title) : asked.recipe().grouping() == Grouping.NONE ? rows(asked, table, title) : table.grouped(title);
  }

  static String title(AskedStatement asked) {
    String of = asked.recipe().right() == null ? "" : " (" + asked.recipe().right().word() + ")";
    return asked.recipe().kind() == StatementKind.SUBJECT ? "What " + SubjectNames.of(asked.subject(), asked.structure()) + " can reach" + of
        : "Who can reach " + asked.snapshot().pathText(asked.place()) + " and what is below it" + of;
  }

  static Statement statement(AskedStatement asked) {
    Statement.Scope scope = asked.recipe().kind() == StatementKind.SUBJECT ? new Statement.Scope.SomePeople(asked.place(), asked.people()) : new Statement.Scope.PlaceAndBelow(asked.place());
    return new Statement(asked.snapshot(), asked.instant(), scope, asked.recipe().documents());
  }

  /** What a row says of rights, as the recipe wants them; nothing if the row is not wanted. */
  private static Rights rights(AskedStatement asked, Statement.Row row) {
    Snapshot snapshot = asked.snapshot();
    Rights rights = asked.recipe().now() ? asked.moment().rightsNow(snapshot.personNumber(row.person().id()), snapshot.placeNumber(row.place().id())) : row.rights();
    return asked.recipe().right() != null && !rights.contains(asked.recipe().right()) ? Rights.NONE : rights;
  }

  private static StatementTable everyone(AccessTable table, String title) {
    return new StatementTable(title, table.counts(), List.of(StatementTable.Column.key("place", "Place", 80), StatementTable.Column.key("person", "Person", 30), StatementTable.Column.text("standing", "Staff or outsider", 14),
        StatementTable.Column.text("rights", "Rights", 60)), table::everyone, table.pairs());
  }

  private static StatementTable rows(AskedStatement asked, AccessTable table, String title) {
    Structure structure = asked.structure();
    return new StatementTable(title, table.counts(), List.of(StatementTable.Column.key("place", "Place", 46), StatementTable.Column.text("kind", "Kind", 10), StatementTable.Column.text("type", "Document type", 15),
        StatementTable.Column.key("person", "Person", 22), StatementTable.Column.text("standing", "Staff or outsider", 10), StatementTable.Column.text("unit", "Unit", 16), StatementTable.Column.text("rights", "Rights", 22),
        StatementTable.Column.text("how", "How", 38), StatementTable.Column.text("cut", "Held back", 20)), () -> {
          How how = new How(asked);
          return statement(asked).rows().flatMap(row -> {
            Rights rights = rights(asked, row);
            Person person = row.person();
            return rights.isEmpty() ? Stream.empty() : Stream.of(new StatementTable.Row(List.of(row.path(), row.place().kind().word(), StatementWords.type(row.place().type(), structure), person.name(),
                person.external() ? "outsider" : "staff", StatementWords.unit(person, structure), StatementWords.rights(rights, structure), how.words(row), how.cut(row, rights))));
          });
        }, table.pairs());
  }

  /** The entry, the chain of memberships, and the guards that took something. */
  private static final class How {
    private final AskedStatement asked;
    private final SnapshotAt moment;
    private final Structure structure;
    private final MembershipPaths paths;

    How(AskedStatement asked) {
      this.asked = asked;
      moment = asked.moment();
      structure = asked.structure();
      paths = new MembershipPaths(moment);
    }

    String words(Statement.Row row) {
      List<String> words = new ArrayList<>();
      row.sources().forEach(source -> words.add(source.roleName() + " to " + chain(row.person(), source) + (source.here() ? ", here" : ", at " + source.place().name())));
      row.oversights().forEach(oversight -> words.add("oversight of " + SubjectNames.of(oversight.subject(), structure) + " at " + structure.places().get(oversight.place()).name()));
      if (row.leadsTo() != null) {
        words.add("leads to " + row.leadsTo().target().name() + ", which they " + (row.leadsTo().opens() ? "can open" : "cannot open"));
      }
      return String.join("; ", words);
    }

    private String chain(Person person, Statement.Source source) {
      String named = SubjectNames.of(source.grant().subject(), structure);
      List<Trace.MembershipPath> found = paths.find(person, source.grant().subject()).paths();
      List<Trace.Link> links = found.isEmpty() ? List.of() : found.get(0).links();
      if (links.size() < 2 || !links.get(0).kind().equals("group")) {
        return named;
      }
      return String.join(" \u203a ", links.stream().map(link -> structure.groups().get(link.id()).name()).toList());
    }

    /** Rights that some entry gives and that are not there in the end, with what took them. */
    String cut(Statement.Row row, Rights rights) {
      Rights given = row.sources().stream().map(source -> structure.roles().get(source.grant().role()).rights()).reduce(Rights.NONE, Rights::union);
      Rights missing = given.minus(rights);
      if (missing.isEmpty()) {
        return "";
      }
      Snapshot snapshot = asked.snapshot();
      Trace trace = Explanation.of(moment, asked.instant(), snapshot.personNumber(row.person().id()), snapshot.placeNumber(row.place().id()), Explanation.WallReasons.HIDDEN);
      Set<String> by = new TreeSet<>();
      trace.stages().stream().filter(step -> step.number() > 2 && step.number() < (asked.recipe().now() ? 9 : 8) && !step.before().minus(step.after()).isEmpty()).forEach(step -> by.add(step.title().toLowerCase(Locale.ROOT)));
      return missing + (by.isEmpty() ? "" : " (" + String.join(", ", by) + ")");
    }
  }
}
