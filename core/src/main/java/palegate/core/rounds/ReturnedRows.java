package palegate.core.rounds;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import palegate.core.text.WellFormed;

/**
 * A reviewer's file as it came back, read row by row: what was decided, and of every cell that cannot be taken what is wrong and what would
 * be right. Good rows count whatever the others hold. Facts that were altered, rows that are doubled or were never handed out are said.
 */
public final class ReturnedRows {
  /** An item as it was handed out: its key, the digest of its facts, the cells that say them, and whether it can be given another role. */
  public record HandedOut(String key, String digest, List<String> facts, boolean takesRole) {
    public HandedOut {
      facts = List.copyOf(facts);
    }
  }

  /** A row of the file; {@code formulas} names the columns that hold a formula. */
  public record Row(int number, String key, String digest, List<String> facts, String decision, String role, String until, String comment, Set<String> formulas) {}

  /** Something in a cell that cannot be taken. */
  public record CellFault(int row, String column, String what, String remedy) {}

  /** What a row decides. */
  public record Answer(String key, int row, Decision decision, String role, Instant until, String comment) {}

  /**
   * What the file says.
   *
   * @param missing the keys of items that were handed out and are not in the file
   * @param open how many rows decide nothing
   */
  public record Result(List<Answer> answers, List<CellFault> faults, List<String> missing, int open) {
    public Result {
      answers = List.copyOf(answers);
      faults = List.copyOf(faults);
      missing = List.copyOf(missing);
    }
  }

  public static final int COMMENT_AT_MOST = 1_000;
  private static final List<DateTimeFormatter> DAYS = List.of(strict("uuuu-MM-dd"), strict("d/M/uuuu"), strict("d.M.uuuu"), strict("d MMM uuuu"), strict("d MMMM uuuu"));
  private static final String CHOOSE = "Choose keep, change, remove, not mine or ask.";

  private final Map<String, HandedOut> handedOut = new LinkedHashMap<>();
  private final Map<String, String> roles = new HashMap<>();
  private final boolean needsComment;
  private final Instant now;
  private final List<CellFault> faults = new ArrayList<>();

  /** @param roles ids by name; a name that several have is left out */
  public ReturnedRows(List<HandedOut> handedOut, Map<String, String> roles, boolean needsComment, Instant now) {
    handedOut.forEach(item -> this.handedOut.put(item.key(), item));
    roles.forEach((name, id) -> this.roles.put(name.strip().toLowerCase(Locale.ROOT), id));
    this.needsComment = needsComment;
    this.now = now;
  }

  private static DateTimeFormatter strict(String pattern) {
    return DateTimeFormatter.ofPattern(pattern, Locale.UK).withResolverStyle(ResolverStyle.STRICT);
  }

  /** O(rows). */
  public Result read(List<Row> rows) {
    List<Answer> answers = new ArrayList<>();
    Map<String, Integer> firstAt = new HashMap<>();
    int open = 0;
    for (Row row : rows) {
      int before = faults.size();
      HandedOut item = handedOut.get(row.key());
      if (item == null) {
        faults.add(new CellFault(row.number(), "Key", row.key().isBlank() ? "The row has lost its key." : "This row was not handed out to this reviewer in this round.", "Take the row out, or copy the item from the file that was handed out."));
        continue;
      }
      Integer first = firstAt.putIfAbsent(row.key(), row.number());
      if (first != null) {
        faults.add(new CellFault(row.number(), "Key", "The row stands twice, here and in row " + first + ".", "Take one of them out. The first one counts."));
        continue;
      }
      if (!item.digest().equals(row.digest()) || !item.facts().equals(row.facts())) {
        faults.add(new CellFault(row.number(), altered(item, row), "What the row is about was altered: it was “" + String.join(" · ", item.facts()) + "”.", "Decide on the item as it was handed out; write what you mean as a comment."));
        continue;
      }
      Answer answer = answer(row, item);
      if (answer != null && faults.size() == before) {
        answers.add(answer);
      } else if (answer == null && faults.size() == before) {
        open++;
      }
    }
    Set<String> missing = new HashSet<>(handedOut.keySet());
    missing.removeAll(firstAt.keySet());
    return new Result(answers, faults, handedOut.keySet().stream().filter(missing::contains).toList(), open);
  }

  private static String altered(HandedOut item, Row row) {
    for (int i = 0; i < Math.min(item.facts().size(), row.facts().size()); i++) {
      if (!item.facts().get(i).equals(row.facts().get(i))) {
        return i == 0 ? "What" : "Where";
      }
    }
    return "Key";
  }

  private Answer answer(Row row, HandedOut item) {
    for (String column : row.formulas()) {
      faults.add(new CellFault(row.number(), column, "The cell holds a formula.", "Write the answer itself; formulas are never worked out."));
    }
    if (row.decision().isBlank()) {
      if (!row.role().isBlank() || !row.until().isBlank()) {
        faults.add(new CellFault(row.number(), "Decision", "Another role or end is given, and no decision.", "Choose change, or empty the other cells."));
      }
      return null;
    }
    Decision decision = Decision.parse(row.decision()).orElse(null);
    if (decision == null) {
      faults.add(new CellFault(row.number(), "Decision", "“" + shortened(row.decision()) + "” is no decision.", CHOOSE));
      return null;
    }
    String role = role(row, item, decision);
    Instant until = until(row, decision);
    if (decision == Decision.CHANGE && row.role().isBlank() && row.until().isBlank()) {
      faults.add(new CellFault(row.number(), "Decision", "It is not said what to change.", item.takesRole() ? "Name another role, or a new end." : "Name a new end."));
    }
    if (row.comment().length() > COMMENT_AT_MOST) {
      faults.add(new CellFault(row.number(), "Comment", "The comment has " + row.comment().length() + " characters.", "Use at most " + COMMENT_AT_MOST + "."));
    } else if (WellFormed.text(row.comment()).isPresent()) {
      WellFormed.Wrong wrong = WellFormed.text(row.comment()).get();
      faults.add(new CellFault(row.number(), "Comment", wrong.what(), wrong.remedy()));
    } else if (row.comment().isBlank() && (needsComment && decision != Decision.KEEP || decision == Decision.ASK)) {
      faults.add(new CellFault(row.number(), "Comment", decision == Decision.ASK ? "It is not said what is asked." : "This round wants a reason for every decision but keep.", "Write a sentence."));
    }
    return new Answer(row.key(), row.number(), decision, role, until, row.comment().strip());
  }

  private String role(Row row, HandedOut item, Decision decision) {
    if (row.role().isBlank()) {
      return null;
    }
    if (decision != Decision.CHANGE || !item.takesRole()) {
      faults.add(new CellFault(row.number(), "Change to role", decision != Decision.CHANGE ? "A role is named, and the decision is " + decision.words() + "." : "This is not about a role.", "Empty the cell" + (item.takesRole() ? ", or choose change." : ".")));
      return null;
    }
    String id = roles.get(row.role().strip().toLowerCase(Locale.ROOT));
    if (id == null) {
      faults.add(new CellFault(row.number(), "Change to role", "There is no role “" + shortened(row.role()) + "”.", "Choose one from the list."));
    }
    return id;
  }

  private Instant until(Row row, Decision decision) {
    if (row.until().isBlank()) {
      return null;
    }
    if (decision != Decision.CHANGE) {
      faults.add(new CellFault(row.number(), "New end", "An end is named, and the decision is " + decision.words() + ".", "Empty the cell, or choose change."));
      return null;
    }
    String text = row.until().strip();
    for (DateTimeFormatter day : DAYS) {
      try {
        // The day that is named is the last that counts.
        Instant end = LocalDate.parse(text, day).plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant();
        if (!end.isAfter(now)) {
          faults.add(new CellFault(row.number(), "New end", "“" + shortened(text) + "” has passed.", "Name a day to come, or choose remove."));
          return null;
        }
        WellFormed.Wrong wrong = WellFormed.instant(end).orElse(null);
        if (wrong != null) {
          faults.add(new CellFault(row.number(), "New end", wrong.what(), wrong.remedy()));
          return null;
        }
        return end;
      } catch (DateTimeParseException another) {
        continue;
      }
    }
    faults.add(new CellFault(row.number(), "New end", "“" + shortened(text) + "” is not a day that can be read.", "Write it like 2026-12-31 or 31/12/2026."));
    return null;
  }

  private static String shortened(String text) {
    return text.length() <= 40 ? text : text.substring(0, 40) + " …";
  }
}
