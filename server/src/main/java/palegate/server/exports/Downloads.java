package palegate.server.exports;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import palegate.exports.FileFormat;
import palegate.exports.Sheet;
import palegate.exports.TooManyRows;
import palegate.server.shell.Problem;

/** Sends a sheet as a file. */
public final class Downloads {
  private Downloads() {}

  /** The answer is begun only when the first of the file is written, so that what is refused before is told as a problem. */
  public static void send(FileFormat format, Sheet sheet, HttpServletResponse response) throws IOException {
    response.setContentType(format.mediaType());
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(sheet.name() + "." + format.ending()).build().toString());
    try {
      format.write(sheet, response.getOutputStream());
    } catch (TooManyRows tooMany) {
      response.reset();
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-rows", "Too many rows for pages",
          "A PDF holds at most " + tooMany.most() + " rows. Put the rows together, leave documents out, or take the workbook.");
    }
  }
}
