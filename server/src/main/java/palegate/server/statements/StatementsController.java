package palegate.server.statements;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.statements.Statement;
import palegate.core.structure.Structure;
import palegate.server.exports.CsvFile;
import palegate.server.exports.JsonFile;
import palegate.server.exports.Sheet;
import palegate.server.exports.WorkbookFile;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.session.Accounts;
import palegate.server.shell.Page;
import palegate.server.views.PersonView;

/** Statements on screen, in pages, and as files, whole. */
@RestController
@RequestMapping("/api/statements")
class StatementsController {
  record Row(PersonView person, String place, String path, String kind, List<String> rights, String comesFrom) {}

  record StatementView(long change, Instant at, boolean ahead, String title, Statement.Counts counts, Page<Row> rows) {}

  /** The formats of files. */
  enum Format {
    XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
    CSV("text/csv;charset=UTF-8"),
    JSON("application/json");

    private final String mediaType;

    Format(String mediaType) {
      this.mediaType = mediaType;
    }
  }

  private record Asking(SnapshotAt moment, Statements.About about, String id, boolean documents, String text) {}

  /** Whoever reads a statement asks for one page after another of it: it is counted once. */
  private final Cache<Asking, Statement> known = Caffeine.newBuilder().maximumSize(8).expireAfterAccess(Duration.ofMinutes(2)).build();
  private final Statements statements;
  private final Accounts accounts;

  StatementsController(Statements statements, Accounts accounts) {
    this.statements = statements;
    this.accounts = accounts;
  }

  @GetMapping
  StatementView statement(@RequestParam Statements.About about, @RequestParam String id, @RequestParam(defaultValue = "true") boolean documents,
      @RequestParam(required = false) Instant at, @ParameterObject PageRequest part, Principal who) {
    PageRequest.Order order = part.order("place", "person");
    Statements.Asked asked = statements.ask(about, id, documents, at, who.getName());
    SnapshotAt moment = asked.snapshot().at(asked.instant());
    Statement whole = known.get(new Asking(moment, about, id, documents, ""), any -> asked.statement());
    Statement found = part.takesAll() ? whole : known.get(new Asking(moment, about, id, documents, part.text()), any -> whole.finding(part.text()));
    Structure structure = asked.snapshot().structure();
    Page<Row> rows = Page.of(found.counts().rows(), found.rows(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(),
        row -> new Row(PersonView.of(row.person(), structure), row.place().id(), row.path(), row.place().kind().word(), row.rights().words(), StatementSheet.sources(row, structure)));
    return new StatementView(asked.change(), asked.instant(), asked.ahead(), asked.title(), whole.counts(), rows);
  }

  @GetMapping("/file")
  void file(@RequestParam Statements.About about, @RequestParam String id, @RequestParam(defaultValue = "true") boolean documents,
      @RequestParam(required = false) Instant at, @RequestParam Format format, Principal who, HttpServletResponse response) throws IOException {
    String author = accounts.find(who.getName()).map(Accounts.Account::name).orElse(who.getName());
    Sheet sheet = StatementSheet.of(statements.ask(about, id, documents, at, who.getName()), author);
    response.setContentType(format.mediaType);
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment()
        .filename(sheet.name() + "." + format.name().toLowerCase(Locale.ROOT)).build().toString());
    OutputStream out = response.getOutputStream();
    switch (format) {
      case XLSX -> WorkbookFile.write(sheet, out);
      case CSV -> CsvFile.write(sheet, out);
      case JSON -> JsonFile.write(sheet, out);
    }
  }
}
