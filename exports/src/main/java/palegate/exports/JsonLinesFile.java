package palegate.exports;

import java.io.OutputStream;
import java.util.Iterator;
import java.util.List;
import tools.jackson.core.JsonEncoding;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** A sheet's rows as JSON objects, one a line; the last line holds the seal, if there is one. */
public final class JsonLinesFile {
  /** The key of the last line. */
  static final String SEAL = "identity";

  private JsonLinesFile() {}

  public static void write(Sheet sheet, OutputStream out) {
    try (JsonGenerator json = new JsonFactory().createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
      boolean first = true;
      for (Iterator<List<String>> rows = sheet.rows().iterator(); rows.hasNext();) {
        List<String> row = rows.next();
        if (!first) {
          json.writeRaw('\n');
        }
        first = false;
        json.writeStartObject();
        for (int i = 0; i < row.size(); i++) {
          json.writeStringProperty(sheet.columns().get(i).key(), row.get(i));
        }
        json.writeEndObject();
      }
      if (sheet.seal() != null) {
        json.writeRaw(first ? "" : "\n");
        json.writeStartObject();
        json.writeStringProperty(SEAL, sheet.seal().get());
        json.writeEndObject();
      }
      json.writeRaw('\n');
    }
  }
}
