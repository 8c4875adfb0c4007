package palegate.core.people;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * People as a table that is pasted from a spreadsheet or read from a CSV (RFC 4180): the first line names the columns, in any order –
 * name, login, email, unit, outsider –, of which only name must be there. Cells are cut by tabs, semicolons or commas, whichever the
 * first line has.
 */
public final class PeopleTable {
  /** One person; what is empty is null. */
  public record Row(int line, String name, String login, String email, String unit, boolean outsider) {}

  /** What is wrong with a line, and what would be right. */
  public record Fault(int line, String what, String remedy) {}

  public record Read(List<Row> rows, List<Fault> faults) {
    public Read {
      rows = List.copyOf(rows);
      faults = List.copyOf(faults);
    }
  }

  private static final Map<String, String> COLUMNS = Map.ofEntries(Map.entry("name", "name"), Map.entry("login", "login"), Map.entry("account", "login"), Map.entry("email", "email"),
      Map.entry("e-mail", "email"), Map.entry("e-mail address", "email"), Map.entry("unit", "unit"), Map.entry("department", "unit"), Map.entry("outsider", "outsider"), Map.entry("external", "outsider"));
  private static final Set<String> YES = Set.of("yes", "true", "1", "x", "outsider", "external");
  private static final Set<String> NO = Set.of("", "no", "false", "0", "-", "staff");

  private PeopleTable() {}

  /** All lines with all their faults. O(letters). */
  public static Read read(String text) {
    List<Row> rows = new ArrayList<>();
    List<Fault> faults = new ArrayList<>();
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    String first = plain.lines().findFirst().orElse("");
    char cut = first.indexOf('\t') >= 0 ? '\t' : first.indexOf(';') >= 0 ? ';' : ',';
    try (CSVParser lines = CSVParser.parse(plain, CSVFormat.RFC4180.builder().setDelimiter(cut).setIgnoreEmptyLines(true).setIgnoreSurroundingSpaces(true).get())) {
      Map<String, Integer> columns = null;
      for (CSVRecord line : lines) {
        int number = (int) lines.getCurrentLineNumber();
        if (columns == null) {
          columns = columns(line, faults);
        } else if (columns.containsKey("name")) {
          readRow(line, number, columns, rows, faults);
        }
      }
    } catch (IOException | UncheckedIOException broken) {
      faults.add(new Fault(plain.split("\\R", -1).length, "The lines cannot be read as CSV: " + broken.getMessage(), "Close every quotation mark that is opened, and double those inside."));
    }
    return new Read(rows, faults);
  }

  private static Map<String, Integer> columns(CSVRecord heads, List<Fault> faults) {
    Map<String, Integer> columns = new HashMap<>();
    for (int i = 0; i < heads.size(); i++) {
      String head = heads.get(i).strip();
      String column = COLUMNS.get(head.toLowerCase(Locale.ROOT));
      if (column == null) {
        faults.add(new Fault(1, "There is no column [" + head + "].", "Name the columns name, login, email, unit and outsider; leave out the others."));
      } else if (columns.putIfAbsent(column, i) != null) {
        faults.add(new Fault(1, "The column [" + head + "] stands twice.", "Leave one of them out."));
      }
    }
    if (!columns.containsKey("name")) {
      faults.add(new Fault(1, "The first line names no column for names.", "Begin with a line such as name,login,email,unit,outsider."));
    }
    return columns;
  }

  private static void readRow(CSVRecord line, int number, Map<String, Integer> columns, List<Row> rows, List<Fault> faults) {
    String name = cell(line, columns, "name");
    String outsider = cell(line, columns, "outsider");
    String word = outsider == null ? "" : outsider.toLowerCase(Locale.ROOT);
    if (name == null) {
      faults.add(new Fault(number, "There is no name.", "Write a name, or take the line out."));
    } else {
      if (!YES.contains(word) && !NO.contains(word)) {
        faults.add(new Fault(number, "[" + outsider + "] does not say whether " + name + " is an outsider.", "Say yes or no, or leave it empty for staff."));
      }
      rows.add(new Row(number, name, cell(line, columns, "login"), cell(line, columns, "email"), cell(line, columns, "unit"), YES.contains(word)));
    }
  }

  private static String cell(CSVRecord line, Map<String, Integer> columns, String column) {
    Integer at = columns.get(column);
    String text = at == null || at >= line.size() ? "" : line.get(at).strip();
    return text.isEmpty() ? null : text;
  }
}
