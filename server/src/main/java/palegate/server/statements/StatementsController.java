package palegate.server.statements;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Recipe;
import palegate.core.statements.StatementTable;
import palegate.exports.FileFormat;
import palegate.exports.StatementSheet;
import palegate.server.exports.Downloads;
import palegate.server.lists.PageRequest;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PersonView;

/** Statements of every kind on screen, in pages, and as files, whole. */
@RestController
@RequestMapping("/api/statements")
class StatementsController {
  /** What is asked, as {@link Recipe} writes it; {@code at} is now if it is left out. */
  record StatementAsked(String kind, @MayBeMissing String id, @MayBeMissing String grouping, @MayBeMissing String documents, @MayBeMissing String right, @MayBeMissing String now, @MayBeMissing String columns, @MayBeMissing String from, @MayBeMissing Instant at) {
    Recipe recipe() {
      Map<String, String> parts = new LinkedHashMap<>();
      put(parts, "kind", kind);
      put(parts, "id", id);
      put(parts, "grouping", grouping);
      put(parts, "documents", documents);
      put(parts, "right", right);
      put(parts, "now", now);
      put(parts, "columns", columns);
      put(parts, "from", from);
      return MadeStatements.recipe(parts);
    }

    private static void put(Map<String, String> parts, String key, String value) {
      if (value != null && !value.isEmpty()) {
        parts.put(key, value);
      }
    }
  }

  record StatementColumn(String key, String title, int width, boolean number) {}

  record StatementCount(String name, String value) {}

  /** @param line by which what lies behind the row is asked for; missing where nothing does */
  record StatementRow(@MayBeMissing Integer line, List<String> cells) {}

  /** @param cut whether there are more rows than a screen shows; files have them all */
  record StatementShown(long change, Instant at, boolean ahead, String title, List<StatementCount> counts, List<StatementColumn> columns, boolean cut, Page<StatementRow> rows) {}

  record PlaceBehind(String id, String kind, String path) {}

  /** Whom and what a row puts together. */
  record BehindRow(int people, int places, List<PersonView> firstPeople, List<PlaceBehind> firstPlaces) {}

  private static final int BEHIND_AT_MOST = 500;

  private final MadeStatements statements;
  private final Accounts accounts;

  StatementsController(MadeStatements statements, Accounts accounts) {
    this.statements = statements;
    this.accounts = accounts;
  }

  @GetMapping
  StatementShown statement(@ParameterObject StatementAsked asked, @ParameterObject PageRequest part, Principal who) {
    MadeStatements.Held held = statements.hold(asked.recipe(), asked.at(), who.getName());
    MadeStatements.Made made = held.made();
    List<StatementTable.Column> columns = made.table().columns();
    List<Integer> lines = IntStream.range(0, held.rows().size()).boxed().filter(line -> part.takes(held.rows().get(line).cells().toArray(String[]::new))).sorted(order(part, held)).toList();
    return new StatementShown(made.change(), made.at(), made.ahead(), made.table().title(), made.table().counts().entrySet().stream().map(one -> new StatementCount(one.getKey(), one.getValue())).toList(),
        columns.stream().map(column -> new StatementColumn(column.key(), column.title(), column.width(), column.number())).toList(), held.cut(),
        Page.of(lines, part.offset(), part.limit(), line -> new StatementRow(held.rows().get(line).people() == null ? null : line, held.rows().get(line).cells())));
  }

  /** By a column, numbers as numbers; as the statement is made if none is named. */
  private static Comparator<Integer> order(PageRequest part, MadeStatements.Held held) {
    if (part.sort() == null || part.sort().isEmpty()) {
      return Comparator.naturalOrder();
    }
    boolean turned = part.sort().startsWith("-");
    String key = turned ? part.sort().substring(1) : part.sort();
    List<StatementTable.Column> columns = held.made().table().columns();
    int at = IntStream.range(0, columns.size()).filter(i -> columns.get(i).key().equals(key)).findFirst()
        .orElseThrow(() -> Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-order", "No such order", "The list cannot be put in the order [" + key + "]. Choose one of its columns."));
    Comparator<Integer> order = columns.get(at).number() ? Comparator.comparingDouble(line -> number(held.rows().get(line).cells().get(at))) : Comparator.comparing(line -> held.rows().get(line).cells().get(at));
    return (turned ? order.reversed() : order).thenComparing(Comparator.naturalOrder());
  }

  private static double number(String cell) {
    return cell.isEmpty() ? -1 : Double.parseDouble(cell);
  }

  /** The people and places that a row counts, in order; of each the first five hundred. */
  @GetMapping("/behind")
  BehindRow behind(@ParameterObject StatementAsked asked, @RequestParam int line, Principal who) {
    MadeStatements.Held held = statements.hold(asked.recipe(), asked.at(), who.getName());
    if (line < 0 || line >= held.rows().size() || held.rows().get(line).people() == null) {
      throw Problem.notFound("row behind which something lies", Integer.toString(line));
    }
    StatementTable.Row row = held.rows().get(line);
    Snapshot snapshot = held.made().snapshot();
    PersonSet people = row.people();
    return new BehindRow(people.size(), row.places().length,
        people.stream().mapToObj(snapshot::person).sorted(Comparator.comparing((Person person) -> person.name()).thenComparing(person -> person.id())).limit(BEHIND_AT_MOST).map(person -> PersonView.of(person, snapshot.structure())).toList(),
        IntStream.of(row.places()).limit(BEHIND_AT_MOST).mapToObj(place -> new PlaceBehind(snapshot.place(place).id(), snapshot.place(place).kind().word(), snapshot.pathText(place))).toList());
  }

  @GetMapping("/file")
  void file(@ParameterObject StatementAsked asked, @RequestParam FileFormat format, Principal who, HttpServletResponse response) throws IOException {
    MadeStatements.Made made = statements.make(asked.recipe(), asked.at(), who.getName());
    String author = accounts.nameOf(who.getName());
    Downloads.send(format, StatementSheet.of(made.table(), made.identity(), author, made.ahead()), response);
  }
}
