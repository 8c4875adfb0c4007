package palegate.core.statements;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.structure.Structure;
import palegate.core.text.WellFormed;

/**
 * What a statement is asked to say; with a state and an instant it is all that is needed to make it again.
 *
 * @param id a place, or a subject as {@code kind:id}; empty where none is named
 * @param documents whether documents and links have a say of their own, beside libraries and folders
 * @param right only where this right is held; null for any
 * @param now rights now rather than standing rights; only of rows that are not put together
 * @param columns which columns, in this order; empty for all of them
 * @param from where a stretch of time begins; null for kinds that are about an instant
 */
public record Recipe(StatementKind kind, String id, Grouping grouping, boolean documents, Right right, boolean now, List<String> columns, Instant from) {
  /** Something in a recipe that cannot be, and what would be right. */
  public record Wrong(String key, String what, String remedy) {}

  /** A recipe, or everything that is wrong with what was written. */
  public record Parsed(Recipe recipe, List<Wrong> wrong) {}

  public Recipe {
    Objects.requireNonNull(kind);
    Objects.requireNonNull(grouping);
    id = id == null ? "" : id;
    columns = List.copyOf(columns);
  }

  /** A kind as it is asked for when nothing else is said: put together where that can be, with documents. */
  public static Recipe of(StatementKind kind, String id) {
    return new Recipe(kind, id, kind.isGrouped() ? Grouping.SAME : Grouping.NONE, true, null, false, List.of(), null);
  }

  public Recipe grouped(Grouping other) {
    return new Recipe(kind, id, other, documents, right, now, columns, from);
  }

  public Recipe withDocuments(boolean other) {
    return new Recipe(kind, id, grouping, other, right, now, columns, from);
  }

  public Recipe withColumns(List<String> other) {
    return new Recipe(kind, id, grouping, documents, right, now, other, from);
  }

  public Recipe since(Instant instant) {
    return new Recipe(kind, id, grouping, documents, right, now, columns, instant);
  }

  /** One line of text from which it can be read again; the order of its parts is fixed. */
  public String text() {
    List<String> parts = new ArrayList<>(List.of("kind=" + kind.word()));
    if (!id.isEmpty()) {
      parts.add("id=" + id);
    }
    if (kind.isGrouped()) {
      parts.add("grouping=" + grouping.word());
    }
    if (!documents) {
      parts.add("documents=no");
    }
    if (right != null) {
      parts.add("right=" + right.word());
    }
    if (now) {
      parts.add("now=yes");
    }
    if (from != null) {
      parts.add("from=" + from);
    }
    if (!columns.isEmpty()) {
      parts.add("columns=" + String.join(",", columns));
    }
    return String.join(" ", parts);
  }

  /** Whether what it names is there; of a round, which is not part of the structure, this says nothing. O(1). */
  public boolean isThere(Structure structure) {
    if (id.isEmpty() || kind == StatementKind.ROUND) {
      return true;
    }
    if (!kind.needsSubject()) {
      return structure.places().containsKey(id);
    }
    int at = id.indexOf(':');
    String subject = id.substring(at + 1);
    return switch (at < 0 ? "person" : id.substring(0, at)) {
      case "person" -> structure.people().containsKey(subject);
      case "group" -> structure.groups().containsKey(subject);
      case "unit" -> structure.units().containsKey(subject);
      case "builtin" -> Subject.BuiltIn.parse(subject).isPresent();
      default -> false;
    };
  }

  /** Reads what {@link #text} wrote; all that is wrong is said at once. */
  public static Parsed parse(String text) {
    Map<String, String> parts = new LinkedHashMap<>();
    List<Wrong> wrong = new ArrayList<>();
    for (String part : text.strip().split("\\s+")) {
      int at = part.indexOf('=');
      if (at < 1) {
        wrong.add(new Wrong("recipe", "[" + shortened(part) + "] is not a name and a value.", "Write parts as name=value, with blanks between them."));
      } else {
        parts.put(part.substring(0, at), part.substring(at + 1));
      }
    }
    return of(parts, wrong);
  }

  /** From the parts by name, as an address or a command line has them; those that are left out are what {@link #of(StatementKind, String)} takes. */
  public static Parsed of(Map<String, String> parts) {
    return of(parts, new ArrayList<>());
  }

  private static Parsed of(Map<String, String> parts, List<Wrong> wrong) {
    StatementKind kind = StatementKind.parse(parts.getOrDefault("kind", "")).orElse(null);
    if (kind == null) {
      wrong.add(new Wrong("kind", "There is no kind of statement [" + shortened(parts.getOrDefault("kind", "")) + "].", "Choose one of: " + words(StatementKind.values(), StatementKind::word) + "."));
      return new Parsed(null, wrong);
    }
    String id = parts.getOrDefault("id", "");
    if (id.isEmpty() && (kind.needsPlace() || kind.needsSubject() || kind.needsRound())) {
      wrong.add(new Wrong("id", "A statement of the kind [" + kind.word() + "] is about one " + (kind.needsPlace() ? "place" : kind.needsRound() ? "round" : "subject") + ", and none is named.",
          kind.needsPlace() ? "Name a place by its id." : kind.needsRound() ? "Name a round by its number." : "Name a subject as person:ID, group:ID, unit:ID, builtin:staff or builtin:outsiders."));
    }
    if (!id.isEmpty() && !kind.takesPlace() && !kind.needsSubject() && !kind.needsRound()) {
      wrong.add(new Wrong("id", "A statement of the kind [" + kind.word() + "] is about all there is.", "Leave the id out."));
    }
    Grouping grouping = kind.isGrouped() ? Grouping.SAME : Grouping.NONE;
    if (parts.containsKey("grouping")) {
      grouping = Grouping.parse(parts.get("grouping")).orElse(null);
      if (grouping == null || grouping != Grouping.NONE && !kind.isGrouped()) {
        wrong.add(new Wrong("grouping", "Rows of the kind [" + kind.word() + "] cannot be put together by [" + shortened(parts.get("grouping")) + "].",
            kind.isGrouped() ? "Choose one of: " + words(Grouping.values(), Grouping::word) + "." : "Leave the grouping out."));
      }
    }
    Right right = null;
    if (parts.containsKey("right")) {
      right = Arrays.stream(Right.values()).filter(one -> one.word().equals(parts.get("right"))).findFirst().orElse(null);
      if (right == null) {
        wrong.add(new Wrong("right", "There is no right [" + shortened(parts.get("right")) + "].", "Choose one of: " + words(Right.values(), Right::word) + "."));
      }
    }
    Instant from = null;
    if (parts.containsKey("from")) {
      try {
        from = Instant.parse(parts.get("from"));
        WellFormed.instant(from).ifPresent(one -> wrong.add(new Wrong("from", one.what(), one.remedy())));
      } catch (DateTimeParseException unreadable) {
        wrong.add(new Wrong("from", "[" + shortened(parts.get("from")) + "] is not an instant.", "Write it like 2026-10-02T08:00:00Z."));
      }
    }
    List<String> columns = parts.getOrDefault("columns", "").isEmpty() ? List.of() : List.of(parts.get("columns").split(","));
    return new Parsed(wrong.isEmpty() ? new Recipe(kind, id, grouping, !"no".equals(parts.get("documents")), right, "yes".equals(parts.get("now")), columns, from) : null, List.copyOf(wrong));
  }

  private static <T> String words(T[] all, Function<T, String> word) {
    return Arrays.stream(all).map(word).collect(Collectors.joining(", "));
  }

  /** What was sent is said back only so far as it helps to find it. */
  private static String shortened(String text) {
    return text.length() <= 40 ? text : text.substring(0, 40) + " …";
  }
}
