package palegate.exports;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementTable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A file of a statement as it was brought back: what it says of itself, and its rows.
 *
 * @param identity what it claims to be
 * @param titles of its columns; of JSON, their keys
 * @param rows of a PDF, its lines of text from the rows on, each alone
 * @param cover what its cover says, by name; of a PDF its lines before the rows, each alone; empty for files that have none
 * @param addedParts what else it holds that no statement has, each in a few words
 * @param sinceTheLastOne whether it says what has changed since one before it, which is not known from the statement and is not checked
 */
public record StatementFile(FileFormat format, StatementIdentity identity, List<String> titles, List<StatementCheck.Found> rows, Cover cover, List<String> addedParts, boolean sinceTheLastOne) {
  /** The title of the table that says what has changed since one before it. */
  public static final String SINCE_THE_LAST_ONE = "Since the last one";
  private static final Pattern PART = Pattern.compile("Statement( \\d+)?");
  private static final Set<String> JSON_KEYS = Set.of("title", "facts", "changes", "rows", JsonLinesFile.SEAL);

  /** As pairs of words, or as lines of text. */
  public record Cover(Map<String, String> facts, List<String> lines) {
    static final Cover NONE = new Cover(Map.of(), List.of());
  }

  private static final JsonMapper JSON = JsonMapper.shared();

  /**
   * Reads any of the files that statements are written as, whatever its name.
   *
   * @param cellsAtMost so many cells are held
   * @param pages how a PDF is read
   * @throws UnreadableFile if it is no statement, or cannot be read
   */
  public static StatementFile read(File file, int cellsAtMost, PdfLines.Reader pages) throws IOException {
    byte[] start = new byte[8];
    int length;
    try (InputStream in = Files.newInputStream(file.toPath())) {
      length = in.readNBytes(start, 0, start.length);
    }
    String sign = new String(start, 0, length, StandardCharsets.ISO_8859_1);
    try {
      if (sign.startsWith("PK")) {
        return workbook(file, cellsAtMost);
      }
      if (sign.startsWith("%PDF")) {
        return pdf(pages.read(file));
      }
      return sign.stripLeading().startsWith("{") ? json(file, cellsAtMost) : csv(file, cellsAtMost);
    } catch (JacksonException broken) {
      throw new UnreadableFile("The file is no JSON that can be read, or a part of it is missing.", "Send the whole file.");
    }
  }

  private static UnreadableFile noStatement() {
    return new UnreadableFile("The file does not say which statement it is: the line that begins with “Pale Gate statement” is missing or damaged.", "Send a file that was made in the room Statements, whole.");
  }

  private static StatementFile workbook(File file, int cellsAtMost) throws IOException {
    StatementIdentity identity = null;
    List<String> titles = null;
    List<StatementCheck.Found> rows = new ArrayList<>();
    Map<String, String> cover = Map.of();
    List<String> added = new ArrayList<>();
    boolean since = false;
    for (WorkbookRows.Table table : WorkbookRows.read(file, cellsAtMost)) {
      if (!PART.matcher(table.name()).matches()) {
        boolean isCover = table.name().equals("Cover");
        boolean isSince = table.name().equals(SINCE_THE_LAST_ONE);
        cover = isCover ? StatementCover.ofWorkbook(table.rows()) : cover;
        since |= isSince;
        if (!isCover && !isSince && !table.rows().isEmpty()) {
          added.add("the sheet “" + table.name() + "”");
        }
        identity = identity != null ? identity : table.rows().stream().flatMap(row -> row.cells().stream()).flatMap(cell -> StatementIdentity.parse(cell).stream()).findFirst().orElse(null);
        continue;
      }
      for (WorkbookRows.Row row : table.rows()) {
        if (row.number() == 1) {
          titles = titles == null ? row.cells() : titles;
        } else {
          rows.add(new StatementCheck.Found(row.number(), row.formulas().isEmpty() ? row.cells() : withFormulas(row)));
        }
      }
    }
    if (identity == null) {
      throw noStatement();
    }
    return new StatementFile(FileFormat.XLSX, identity, titles == null ? List.of() : titles, rows, new Cover(cover, List.of()), added, since);
  }

  private static List<String> withFormulas(WorkbookRows.Row row) {
    List<String> cells = new ArrayList<>(row.cells());
    row.formulas().stream().filter(column -> column < cells.size()).forEach(column -> cells.set(column, "=" + cells.get(column)));
    return cells;
  }

  private static StatementFile csv(File file, int cellsAtMost) throws IOException {
    List<WorkbookRows.Row> rows = CsvRows.read(file, cellsAtMost);
    Optional<WorkbookRows.Row> seal = rows.stream().filter(row -> StatementIdentity.parse(row.cell(0)).isPresent()).findFirst();
    if (seal.isEmpty()) {
      throw noStatement();
    }
    return new StatementFile(FileFormat.CSV, StatementIdentity.parse(seal.get().cell(0)).orElseThrow(), rows.get(0).cells(),
        rows.stream().skip(1).filter(row -> row != seal.get()).map(row -> new StatementCheck.Found(row.number(), row.cells())).toList(), Cover.NONE, List.of(), false);
  }

  private static StatementFile json(File file, int cellsAtMost) throws IOException {
    String text = Files.readString(file.toPath());
    boolean lines = text.indexOf("\"rows\"") < 0 || !text.stripLeading().startsWith("{\"title\"");
    List<JsonNode> objects = new ArrayList<>();
    StatementIdentity identity = null;
    Map<String, String> cover = new LinkedHashMap<>();
    List<String> added = new ArrayList<>();
    boolean since = false;
    if (lines) {
      for (String line : (Iterable<String>) text.lines().filter(one -> !one.isBlank())::iterator) {
        objects.add(JSON.readTree(line));
      }
      JsonNode last = objects.isEmpty() ? JSON.createObjectNode() : objects.remove(objects.size() - 1);
      identity = StatementIdentity.parse(last.path(JsonLinesFile.SEAL).asString("")).orElse(null);
    } else {
      JsonNode whole = JSON.readTree(text);
      identity = StatementIdentity.parse(whole.path(JsonLinesFile.SEAL).asString("")).orElse(null);
      whole.path("rows").forEach(objects::add);
      since = whole.has("changes");
      whole.propertyNames().stream().filter(key -> !JSON_KEYS.contains(key)).forEach(key -> added.add("what it calls “" + key + "”"));
      cover.put(StatementCover.TITLE, whole.path("title").asString(""));
      whole.path("facts").properties().forEach(fact -> cover.put(fact.getKey(), fact.getValue().asString("")));
    }
    if (identity == null) {
      throw noStatement();
    }
    // What is only in some rows is in the file too.
    Set<String> every = new LinkedHashSet<>();
    objects.forEach(object -> every.addAll(object.propertyNames()));
    List<String> keys = List.copyOf(every);
    if ((long) objects.size() * Math.max(1, keys.size()) > cellsAtMost) {
      throw new UnreadableFile("The file has more than " + cellsAtMost + " values.", "Take fewer rows, or use palegate verify.");
    }
    List<StatementCheck.Found> rows = new ArrayList<>();
    for (JsonNode object : objects) {
      rows.add(new StatementCheck.Found(rows.size() + 1, keys.stream().map(key -> object.path(key).asString("")).toList()));
    }
    return new StatementFile(lines ? FileFormat.JSONL : FileFormat.JSON, identity, keys, rows, new Cover(cover, List.of()), added, since);
  }

  private static StatementFile pdf(PdfLines read) throws IOException {
    StatementIdentity identity = StatementIdentity.parse(read.seal()).orElseThrow(StatementFile::noStatement);
    List<StatementCheck.Found> rows = new ArrayList<>();
    int first = indexOfRows(read.lines());
    for (String line : read.lines().subList(first, read.lines().size())) {
      rows.add(new StatementCheck.Found(rows.size() + 1, List.of(line)));
    }
    return new StatementFile(FileFormat.PDF, identity, List.of("Line"), rows, new Cover(Map.of(), read.lines().subList(0, first)), List.of(), false);
  }

  private static int indexOfRows(List<String> lines) {
    for (int i = 0; i < lines.size(); i++) {
      if (lines.get(i).startsWith("Rows: ") || lines.get(i).equals("There are no rows.")) {
        return i;
      }
    }
    return 0;
  }

  /**
   * Holds the file, its cover too, against the statement as it is made now from the state that it names. Whether the digest in its identity is that of what
   * was made is another question.
   *
   * @throws StatementCheck.TooMuch if what it names has more rows
   */
  public StatementCheck against(StatementTable said, int rowsAtMost) throws IOException {
    StatementCheck check = StatementCheck.of(asWritten(said), titles, rows.iterator(), rowsAtMost);
    return check.withCover(alteredOnCover(said)).withAdded(addedParts);
  }

  /** A statement that was made ahead says so; the file alone does not tell whether it was. */
  private List<StatementCheck.Cell> alteredOnCover(StatementTable said) throws IOException {
    if (format == FileFormat.CSV || format == FileFormat.JSONL) {
      return List.of();
    }
    StatementTable head = new StatementTable(said.title(), said.counts(), said.columns(), Stream::empty);
    List<StatementCheck.Cell> altered = alteredOnCover(sealed(StatementSheet.of(head, identity, "", false)));
    return altered.isEmpty() ? altered : Stream.of(altered, alteredOnCover(sealed(StatementSheet.of(head, identity, "", true)))).min(Comparator.comparingInt(List::size)).orElseThrow();
  }

  /** As the file is: whether its seal is that of its rows is another question. */
  private Sheet sealed(Sheet made) {
    return new Sheet(made.name(), made.title(), made.facts(), made.columns(), made.rows(), identity::text);
  }

  private List<StatementCheck.Cell> alteredOnCover(Sheet made) throws IOException {
    return switch (format) {
      case PDF -> StatementCover.altered(cover.lines(), pdf(PdfLines.of(PdfFile.bytes(made))).cover().lines(), made.title(), identity.text());
      case XLSX -> StatementCover.altered(cover.facts(), StatementCover.ofWorkbook(made));
      default -> StatementCover.altered(cover.facts(), StatementCover.of(made));
    };
  }

  /** As this kind of file has it: made harmless for spreadsheets, by keys or by titles, or as lines of text. */
  private StatementTable asWritten(StatementTable said) throws IOException {
    if (format == FileFormat.PDF) {
      StatementFile made = pdf(PdfLines.of(PdfFile.bytes(StatementSheet.of(said, identity, "", false))));
      return new StatementTable(said.title(), Map.of(), List.of(new StatementTable.Column("line", "Line", 100, false, true)), () -> made.rows().stream().map(row -> new StatementTable.Row(row.cells())));
    }
    boolean raw = format == FileFormat.JSON || format == FileFormat.JSONL;
    List<StatementTable.Column> columns = said.columns().stream().map(column -> raw ? new StatementTable.Column(column.key(), column.key(), column.width(), column.number(), column.identifies()) : column).toList();
    return new StatementTable(said.title(), Map.of(), columns, () -> said.rows().get().map(row -> raw ? row : new StatementTable.Row(row.cells().stream().map(format == FileFormat.XLSX ? Cells::ofWorkbook : Cells::neutral).toList())));
  }
}
