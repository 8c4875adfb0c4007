package palegate.server.statements;

import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.statements.Grouping;
import palegate.core.statements.Recipe;
import palegate.core.statements.Statement;
import palegate.core.statements.StatementKind;
import palegate.core.statements.Statements;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.shell.Page;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.views.PersonView;

/** Who can reach a place, and what somebody can reach, one person and place after another: for reading on a screen, with the rights of each. */
@RestController
@RequestMapping("/api/statements/pairs")
class StatementPairsController {
  record Row(PersonView person, String place, String path, String kind, List<String> rights, String comesFrom) {}

  record StatementView(long change, Instant at, boolean ahead, String title, Statement.Counts counts, Page<Row> rows) {}

  /** Which question is asked. */
  enum About { PLACE, PERSON, SUBJECT }

  private record Asking(SnapshotAt moment, Recipe recipe, String text) {}

  /** Whoever reads a statement asks for one page after another of it: it is counted once. */
  private final WeighedCache<Asking, Statement> known;
  private final MadeStatements statements;

  StatementPairsController(MadeStatements statements, StateCaches caches) {
    this.statements = statements;
    known = caches.few(8, Duration.ofMinutes(2));
  }

  /** @param id of a place, of a person, or of a subject as {@code kind:id} */
  @GetMapping
  StatementView pairs(@RequestParam About about, @RequestParam String id, @RequestParam(defaultValue = "true") boolean documents,
      @RequestParam(required = false) Instant at, @ParameterObject PageRequest part, Principal who) {
    PageRequest.Order order = part.order("place", "person");
    Recipe recipe = Recipe.of(about == About.PLACE ? StatementKind.PLACE : StatementKind.SUBJECT, about == About.PERSON ? "person:" + id : id).grouped(Grouping.NONE).withDocuments(documents);
    MadeStatements.State state = statements.state(at, who.getName());
    SnapshotAt moment = state.snapshot().at(state.at());
    Statement whole = known.get(new Asking(moment, recipe, ""), any -> statements.pairs(recipe, state));
    Statement found = part.takesAll() ? whole : known.get(new Asking(moment, recipe, part.text()), any -> whole.finding(part.text()));
    Structure structure = state.snapshot().structure();
    Page<Row> rows = Page.of(found.counts().rows(), found.rows(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(),
        row -> new Row(PersonView.of(row.person(), structure), row.place().id(), row.path(), row.place().kind().word(), row.rights().words(), sources(row, structure)));
    return new StatementView(state.change(), state.at(), state.ahead(), Statements.titleOfPairs(state.snapshot(), state.at(), recipe), whole.counts(), rows);
  }

  private static String sources(Statement.Row row, Structure structure) {
    Stream<String> grants = row.sources().stream().map(source -> source.roleName() + " to " + SubjectNames.of(source.grant().subject(), structure)
        + (source.here() ? ", here" : ", from " + source.place().name()));
    Stream<String> oversights = row.oversights().stream().map(oversight -> "oversight of " + SubjectNames.of(oversight.subject(), structure)
        + " at " + structure.places().get(oversight.place()).name());
    Stream<String> leads = row.leadsTo() == null ? Stream.empty()
        : Stream.of("leads to " + row.leadsTo().target().name() + ", which they " + (row.leadsTo().opens() ? "can open" : "cannot open"));
    return Stream.of(grants, oversights, leads).flatMap(words -> words).collect(Collectors.joining("; "));
  }
}
