package palegate.exports;

import java.io.OutputStream;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JsonEncoding;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** A sheet as one JSON object: the facts of the cover, then the rows as objects, then the seal. */
public final class JsonFile {
  private JsonFile() {}

  public static void write(Sheet sheet, OutputStream out) {
    try (JsonGenerator json = new JsonFactory().createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
      json.writeStartObject();
      json.writeStringProperty("title", sheet.title());
      json.writeObjectPropertyStart("facts");
      for (Map.Entry<String, String> fact : sheet.facts().entrySet()) {
        json.writeStringProperty(fact.getKey(), fact.getValue());
      }
      json.writeEndObject();
      if (sheet.before() != null) {
        json.writeObjectPropertyStart("changes");
        json.writeStringProperty("says", sheet.before().says());
        rows(json, sheet.before().columns(), sheet.before().rows().iterator());
        json.writeEndObject();
      }
      rows(json, sheet.columns(), sheet.rows().iterator());
      if (sheet.seal() != null) {
        json.writeStringProperty(JsonLinesFile.SEAL, sheet.seal().get());
      }
      json.writeEndObject();
    }
  }

  private static void rows(JsonGenerator json, List<Sheet.Column> columns, Iterator<List<String>> rows) {
    json.writeArrayPropertyStart("rows");
    while (rows.hasNext()) {
      List<String> row = rows.next();
      json.writeRaw("\n");
      json.writeStartObject();
      for (int i = 0; i < row.size(); i++) {
        json.writeStringProperty(columns.get(i).key(), row.get(i));
      }
      json.writeEndObject();
    }
    json.writeEndArray();
  }
}
