package palegate.server.statements;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementDigest;
import palegate.exports.StatementFile;
import palegate.exports.UnreadableFile;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
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
   * @param same whether the file says just what the system said, to whoever asks now
   * @param intact whether the digest in the file is that of what the system said
   * @param whole whether whoever asks may know everything: if not, rows that they may not know count as added
   * @param altered counted in cells; the lists name the first two hundred of each
   */
  record Verdict(String format, String title, @MayBeMissing Long change, Instant at, String recipe, boolean same, boolean intact, boolean whole, int rows, int altered, int added, int leftOut,
      List<AlteredCell> cells, List<AddedRow> addedRows, List<List<String>> leftOutRows, List<String> missingColumns) {}

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
    Path file = Files.createTempFile("pale-gate-statement", ".tmp");
    try {
      // The gate has bounded it.
      Files.copy(body, file, StandardCopyOption.REPLACE_EXISTING);
      return verdict(StatementFile.read(file.toFile()), who.getName());
    } catch (UnreadableFile unreadable) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", "Not a statement that can be read", unreadable.getMessage());
    } finally {
      Files.deleteIfExists(file);
    }
  }

  private Verdict verdict(StatementFile file, String account) throws IOException {
    Long change = file.identity().change().orElse(null);
    if (change == null) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "made-elsewhere", "Made from a bundle", "This statement was made from a bundle, not here. Use palegate verify with that bundle.");
    }
    MadeStatements.Made made = statements.makeOf(file.identity().recipe(), file.identity().at(), change, account);
    StatementCheck check = file.against(made.table());
    boolean intact = StatementDigest.of(made.recipe(), made.at(), made.table()).equals(file.identity().digest());
    return new Verdict(file.format().ending(), made.table().title(), change, made.at(), made.recipe().text(), check.same() && intact, intact, viewpoints.of(account).whole(), check.rows(), check.altered(), check.added(), check.leftOut(),
        check.cells().stream().map(cell -> new AlteredCell(cell.row(), cell.column(), cell.says(), cell.said(), cell.inRow())).toList(), check.addedRows().stream().map(row -> new AddedRow(row.number(), row.cells())).toList(),
        check.leftOutRows(), check.missingColumns());
  }
}
