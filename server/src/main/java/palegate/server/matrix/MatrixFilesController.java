package palegate.server.matrix;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.io.IOException;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.exports.FileFormat;
import palegate.exports.MatrixSheet;
import palegate.server.drafts.DraftedState;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;

/** A matrix as a file, of the structure as the asker's draft would have it, which the cover says. */
@RestController
class MatrixFilesController {
  private static final List<FileFormat> FORMATS = List.of(FileFormat.XLSX, FileFormat.CSV, FileFormat.JSON, FileFormat.JSONL);

  private final MatrixHeads heads;
  private final DraftedState shown;
  private final Viewpoints viewpoints;
  private final Accounts accounts;

  MatrixFilesController(MatrixHeads heads, DraftedState shown, Viewpoints viewpoints, Accounts accounts) {
    this.heads = heads;
    this.shown = shown;
    this.viewpoints = viewpoints;
    this.accounts = accounts;
  }

  @GetMapping("/api/matrix/file")
  void file(@Valid @ParameterObject MatrixHeads.MatrixAsked asked, @RequestParam FileFormat format, @RequestParam(defaultValue = "false") boolean turned, Principal who, HttpServletResponse response) throws IOException {
    if (!FORMATS.contains(format)) {
      throw Problem.faults("The file cannot be made.", List.of(new Problem.Fault("format", "A matrix is no " + format + ".", "Choose XLSX, CSV, JSON or JSONL.")));
    }
    DraftedState.State state = shown.to(who.getName());
    MatrixHeads.Heads made = heads.of(asked, state);
    String top = made.top() < 0 ? "nothing" : state.after().pathText(made.top());
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("Place", top);
    facts.put("Subjects", made.rows().size() + (made.rowsLeft() > 0 ? ", " + made.rowsLeft() + " more left out" : ""));
    facts.put("Across", made.columns().size() + (made.places().isEmpty() ? " document types" : " places") + (made.placesLeft() > 0 ? ", " + made.placesLeft() + " more left out" : ""));
    facts.put("As of", state.now() + ", change " + viewpoints.known(who.getName()).change() + (state.before() == state.after() ? "" : ", with the changes of your draft"));
    facts.put("Made by", accounts.nameOf(who.getName()));
    facts.put("What it leaves out", "It is of what its maker may know.");
    String title = "Matrix of " + top;
    MatrixSheet sheet = new MatrixSheet(MatrixSheet.nameOf(top), title, facts, state.moment(), state.now(), made.rows(), made.places(), made.columns());
    if (sheet.cells() > MatrixSheet.CELLS_AT_MOST || format == FileFormat.XLSX && (turned ? made.rows() : made.columns()).size() > MatrixSheet.WIDE_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-cells", "Too large for a file",
          "It would have " + sheet.cells() + " cells, and a file has at most " + MatrixSheet.CELLS_AT_MOST + ". Choose fewer subjects, or a place further down.");
    }
    response.setContentType(format.mediaType());
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(sheet.name() + "." + format.ending()).build().toString());
    sheet.write(format, turned, response.getOutputStream());
  }
}
