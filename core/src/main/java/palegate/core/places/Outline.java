package palegate.core.places;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A tree of places as somebody types it: one place a line, what stands deeper is below. {@code Name = Type} is a document
 * of that type, and so is a name that ends like a file's; all else is a library or a folder, by where it stands. A text
 * whose first line begins with {@code path,type} or is {@code path} is read as CSV (RFC 4180) with paths, cut by slashes, instead; what
 * the first line names beyond that are fields of the documents.
 */
public final class Outline {
  /**
   * One place to be made.
   *
   * @param line the line it stands on, from 1
   * @param parent the position of the place it stands below, from 0; -1 for the place the outline is put under
   * @param type what stands after the equals sign, or null
   * @param fields what a row says of the document, by the heads of the columns
   */
  public record Item(int line, int parent, String name, boolean document, String type, Map<String, String> fields) {
    public Item {
      fields = Map.copyOf(fields);
    }
  }

  /** What is wrong with a line, and what would be right. */
  public record Fault(int line, String what, String remedy) {}

  /** What was read; with any fault nothing should be made. */
  public record Read(List<Item> items, List<Fault> faults) {
    public Read {
      items = List.copyOf(items);
      faults = List.copyOf(faults);
    }
  }

  private record Level(int indent, int position) {}

  private static final Pattern FILE = Pattern.compile(".+\\.(pdf|txt|docx?|xlsx?|pptx?|odt|ods|eml|msg|png|jpe?g)", Pattern.CASE_INSENSITIVE);
  private static final Pattern BULLET = Pattern.compile("^[-*•]\\s+");
  private static final int TAB = 4;

  private final List<Item> items = new ArrayList<>();
  private final List<Fault> faults = new ArrayList<>();

  private Outline() {}

  /** Reads all lines; linear in the text, but for rows of paths, which are linear in rows times the length of their paths. */
  public static Read read(String text) {
    Outline outline = new Outline();
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    String first = plain.lines().findFirst().orElse("").strip().toLowerCase(Locale.ROOT).replace(" ", "").replace("\"", "");
    if (first.equals("path,type") || first.startsWith("path,type,") || first.equals("path")) {
      outline.readRows(plain);
    } else {
      outline.readIndented(plain.split("\\R", -1));
    }
    return new Read(outline.items, outline.faults);
  }

  private void readIndented(String[] lines) {
    Deque<Level> open = new ArrayDeque<>();
    for (int i = 0; i < lines.length; i++) {
      String line = lines[i].stripTrailing();
      if (line.isBlank()) {
        continue;
      }
      int indent = indentOf(line);
      while (!open.isEmpty() && open.peek().indent() >= indent) {
        open.pop();
      }
      int parent = open.isEmpty() ? -1 : open.peek().position();
      add(i + 1, parent, BULLET.matcher(line.strip()).replaceFirst(""));
      open.push(new Level(indent, items.size() - 1));
    }
  }

  private static int indentOf(String line) {
    int indent = 0;
    for (int i = 0; i < line.length() && Character.isWhitespace(line.charAt(i)); i++) {
      indent += line.charAt(i) == '\t' ? TAB : 1;
    }
    return indent;
  }

  private void add(int line, int parent, String text) {
    int equals = text.lastIndexOf(" = ");
    add(line, parent, (equals < 0 ? text : text.substring(0, equals)).strip(), equals < 0 ? null : text.substring(equals + 3).strip(), Map.of());
  }

  private void add(int line, int parent, String name, String type, Map<String, String> fields) {
    if (name.isEmpty()) {
      faults.add(new Fault(line, "There is no name.", "Write a name, or take the line out."));
    }
    if (parent >= 0 && items.get(parent).document()) {
      faults.add(new Fault(line, "It would stand below the document " + items.get(parent).name() + ".", "Let it stand as deep as that, or less."));
    }
    items.add(new Item(line, parent, name, type != null || FILE.matcher(name).matches(), type == null || type.isEmpty() ? null : type, fields));
  }

  private void readRows(String text) {
    Map<String, Integer> known = new HashMap<>();
    List<String> heads = new ArrayList<>();
    try (CSVParser rows = CSVParser.parse(text, CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).setIgnoreSurroundingSpaces(true).get())) {
      for (CSVRecord row : rows) {
        if (rows.getRecordNumber() == 1) {
          row.forEach(head -> heads.add(head.strip()));
        } else {
          readRow(row, (int) rows.getCurrentLineNumber(), heads, known);
        }
      }
    } catch (IOException | UncheckedIOException broken) {
      faults.add(new Fault(text.split("\\R", -1).length, "The rows cannot be read as CSV: " + broken.getMessage(), "Close every quotation mark that is opened, and double those inside."));
    }
  }

  private void readRow(CSVRecord row, int line, List<String> heads, Map<String, Integer> known) {
    if (row.size() > heads.size()) {
      faults.add(new Fault(line, "The row has " + row.size() + " values where the first line names " + heads.size() + ".", "Put a name that holds a comma in quotation marks."));
      return;
    }
    String type = row.size() > 1 ? row.get(1).strip() : "";
    Map<String, String> fields = new HashMap<>();
    for (int column = 2; column < row.size(); column++) {
      if (!row.get(column).isBlank()) {
        fields.put(heads.get(column), row.get(column).strip());
      }
    }
    String[] names = row.get(0).strip().split("\\s*/\\s*");
    int parent = -1;
    StringBuilder at = new StringBuilder();
    for (int depth = 0; depth < names.length; depth++) {
      Integer position = known.get(at.append('/').append(names[depth]).toString());
      if (position == null) {
        boolean last = depth == names.length - 1;
        add(line, parent, names[depth], last && !type.isEmpty() ? type : null, last ? fields : Map.of());
        position = items.size() - 1;
        known.put(at.toString(), position);
      }
      parent = position;
    }
  }
}
