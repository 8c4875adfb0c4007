package palegate.exports;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import palegate.core.statements.StatementCheck;

/**
 * What the cover of a file says of its statement, held against what it would say: what it is, as of when, of which state, its totals, how to read it. Who
 * made it is not known from the statement.
 */
final class StatementCover {
  static final String TITLE = "Title";
  private static final String MADE_BY = "Made by";
  private static final String AFTER_MADE_BY = "Rights shown";
  private static final String IDENTITY = "Identity";
  private static final Set<String> NOT_SAID = Set.of(MADE_BY, IDENTITY);

  /** A cover may go on on another page; how many there are hangs on the rows. */
  private static final Pattern PAGE = Pattern.compile(" Page \\d+ of \\d+$");

  private StatementCover() {}

  /** The cover of a workbook: its title, then pairs of words. */
  static Map<String, String> ofWorkbook(List<WorkbookRows.Row> rows) {
    Map<String, String> cover = new LinkedHashMap<>();
    rows.forEach(row -> {
      if (row.number() == 1) {
        cover.put(TITLE, plain(row.cell(0)));
      } else if (!row.cell(0).isBlank()) {
        cover.merge(plain(row.cell(0)), plain(row.cell(1)), (one, other) -> one + "; " + other);
      }
    });
    return cover;
  }

  /** As JSON says it. */
  static Map<String, String> of(Sheet sheet) {
    Map<String, String> cover = new LinkedHashMap<>(Map.of(TITLE, sheet.title()));
    cover.putAll(sheet.facts());
    return cover;
  }

  /** As the workbook of a sheet would say it. */
  static Map<String, String> ofWorkbook(Sheet sheet) {
    Map<String, String> cover = new LinkedHashMap<>();
    cover.put(TITLE, plain(Cells.ofWorkbook(sheet.title())));
    sheet.facts().forEach((name, fact) -> cover.put(plain(Cells.ofWorkbook(name)), plain(Cells.ofWorkbook(fact))));
    cover.put(WorkbookFile.HOW_TO_CHECK, WorkbookFile.CHECKING);
    return cover;
  }

  private static String plain(String text) {
    return text.strip().replace("\r\n", "\n");
  }

  /** Facts that say something else, are missing, or were never said. O(facts). */
  static List<StatementCheck.Cell> altered(Map<String, String> says, Map<String, String> said) {
    List<StatementCheck.Cell> altered = new ArrayList<>();
    said.forEach((name, fact) -> {
      if (!NOT_SAID.contains(name) && !fact.equals(says.getOrDefault(name, ""))) {
        altered.add(cell(name, says.getOrDefault(name, ""), fact));
      }
    });
    says.forEach((name, fact) -> {
      if (!NOT_SAID.contains(name) && !said.containsKey(name)) {
        altered.add(cell(name, fact, ""));
      }
    });
    return altered;
  }

  /** Of a PDF, line by line: lines that are not the same, the first with the first. O(lines). */
  static List<StatementCheck.Cell> altered(List<String> says, List<String> said, String title, String seal) {
    List<String> mine = lines(says, PdfFile.foot(title, seal));
    List<String> others = lines(said, PdfFile.foot(title, seal));
    List<String> added = without(mine, others);
    List<String> left = without(others, mine);
    List<StatementCheck.Cell> altered = new ArrayList<>();
    for (int i = 0; i < Math.max(added.size(), left.size()); i++) {
      altered.add(cell("Line", i < added.size() ? added.get(i) : "", i < left.size() ? left.get(i) : ""));
    }
    String shown = identity(says);
    if (!shown.equals((IDENTITY + seal).replaceAll("\\s", ""))) {
      altered.add(cell(IDENTITY, shown, seal));
    }
    return altered;
  }

  private static List<String> without(List<String> lines, List<String> others) {
    Map<String, Integer> there = new HashMap<>();
    others.forEach(line -> there.merge(line, 1, Integer::sum));
    return lines.stream().filter(line -> there.merge(line, -1, Integer::sum) < 0).toList();
  }

  private static StatementCheck.Cell cell(String name, String says, String said) {
    return new StatementCheck.Cell(StatementCheck.COVER, name, says, said, List.of());
  }

  /** Without who made it, the feet of pages, and the identity, which is compared by itself. */
  private static List<String> lines(List<String> cover, String foot) {
    List<String> kept = new ArrayList<>();
    boolean skips = false;
    for (String line : cover) {
      skips = line.startsWith(MADE_BY) || line.startsWith(IDENTITY) || skips && !line.startsWith(AFTER_MADE_BY);
      if (!skips && !PAGE.matcher(line).replaceFirst("").equals(foot)) {
        kept.add(line);
      }
    }
    return kept;
  }

  /** However its lines were broken. */
  private static String identity(List<String> cover) {
    return cover.stream().dropWhile(line -> !line.startsWith(IDENTITY)).collect(Collectors.joining()).replaceAll("\\s", "");
  }
}
