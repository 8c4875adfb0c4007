package palegate.server.statements;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementDigest;
import palegate.exports.PdfLines;
import palegate.exports.StatementFile;
import palegate.exports.UnreadableFile;
import palegate.server.exports.Uploads;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.ReaderProcess;
import palegate.server.viewpoint.Viewpoints;

/** Holds a file of a statement against what the system said, row by row and cell by cell. */
@RestController
@RequestMapping("/api/statements/verification")
class VerificationController {
  record AlteredCell(int row, String column, String says, String said, List<String> inRow) {}

  record AddedRow(int row, List<String> cells) {}

  /**
   * What was found.
   *
   * @param identity the line by which the file says what it is
   * @param same whether the file says just what the system said, to whoever asks now
   * @param intact whether the digest in the file is that of what the system said
   * @param whole whether whoever asks may know everything: if not, rows that they may not know count as added
   * @param addedParts columns, sheets and the like that were never said, each in a few words
   * @param sinceTheLastOne whether the file also says what has changed since one before it: that is not checked
   * @param altered counted in cells; the lists name the first two hundred of each
   */
  record Verdict(String format, String identity, String title, @MayBeMissing Long change, Instant at, String recipe, boolean same, boolean intact, boolean whole, int rows, int altered, int added, int leftOut,
      List<AlteredCell> cells, List<AddedRow> addedRows, List<List<String>> leftOutRows, List<String> missingColumns, List<String> addedParts, boolean sinceTheLastOne) {}

  /** A small file can name a statement of millions of rows: what is held for one comparison is bounded on both sides. */
  private static final int ROWS_AT_MOST = 300_000;
  private static final int CELLS_AT_MOST = 2_000_000;
  private static final int PAGES_MEGABYTES = 512;
  private static final Duration PAGES_TIME = Duration.ofSeconds(40);

  private final MadeStatements statements;
  private final Viewpoints viewpoints;

  VerificationController(MadeStatements statements, Viewpoints viewpoints) {
    this.statements = statements;
    this.viewpoints = viewpoints;
  }

  /** The file as it is. Nothing of it is kept. */
  @PostMapping
  @Operation(requestBody = @RequestBody(required = true, content = @Content(mediaType = "application/octet-stream", schema = @Schema(type = "string", format = "binary"))))
  Verdict verify(InputStream body, Principal who) throws IOException {
    return verdict(Uploads.read(body, file -> StatementFile.read(file, CELLS_AT_MOST, VerificationController::pages)), who.getName());
  }

  /** A PDF is read elsewhere: nobody knows what it unpacks to. */
  private static PdfLines pages(File file) throws IOException {
    try {
      return PdfLines.parse(ReaderProcess.run(PdfLines.class, List.of(file.getPath()), PAGES_MEGABYTES, PAGES_TIME, null));
    } catch (InterruptedException stopping) {
      Thread.currentThread().interrupt();
      throw new IOException(stopping);
    } catch (IOException unreadable) {
      throw new UnreadableFile("The file is no PDF that can be read, a part of it is missing, or it is too large.", "Send the whole file as it was made.");
    }
  }

  private Verdict verdict(StatementFile file, String account) throws IOException {
    Long change = file.identity().change().orElse(null);
    if (change == null) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "made-elsewhere", "Made from a bundle", "This statement was made from a bundle, not here. Use palegate verify with that bundle.");
    }
    MadeStatements.Made made = statements.makeOf(file.identity().recipe(), file.identity().at(), change, account);
    StatementCheck check;
    try {
      check = file.against(made.table(), ROWS_AT_MOST);
    } catch (StatementCheck.TooMuch tooMuch) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-rows", "Too many rows to compare here", tooMuch.getMessage() + " Export the structure as of change " + change + " and use palegate verify.");
    }
    boolean intact = StatementDigest.isOf(file.identity().digest(), made.recipe(), made.at(), made.table());
    return new Verdict(file.format().ending(), file.identity().text(), made.table().title(), change, made.at(), made.recipe().text(), check.same() && intact, intact, viewpoints.of(account).whole(), check.rows(), check.altered(), check.added(), check.leftOut(),
        check.cells().stream().map(cell -> new AlteredCell(cell.row(), cell.column(), cell.says(), cell.said(), cell.inRow())).toList(), check.addedRows().stream().map(row -> new AddedRow(row.number(), row.cells())).toList(),
        check.leftOutRows(), check.missingColumns(), check.addedParts(), file.sinceTheLastOne());
  }
}
