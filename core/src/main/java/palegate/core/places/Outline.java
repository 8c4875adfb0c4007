package palegate.core.places;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * A tree of places as somebody types it: one place a line, what stands deeper is below. {@code Name = Type} is a document
 * of that type, and so is a name that ends like a file's; all else is a library or a folder, by where it stands. A text
 * whose first line is {@code path,type} or {@code path} is read as rows with paths, cut by slashes, instead.
 */
public final class Outline {
  /**
   * One place to be made.
   *
   * @param line the line it stands on, from 1
   * @param parent the position of the place it stands below, from 0; -1 for the place the outline is put under
   * @param type what stands after the equals sign, or null
   */
  public record Item(int line, int parent, String name, boolean document, String type) {}

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

  /** Reads all lines; linear in the text, but for rows of paths, which are linear in rows times depth. */
  public static Read read(String text) {
    Outline outline = new Outline();
    String[] lines = text.split("\\R", -1);
    String first = lines[0].strip().toLowerCase(Locale.ROOT).replace(" ", "");
    if (first.equals("path,type") || first.equals("path")) {
      outline.readRows(lines);
    } else {
      outline.readIndented(lines);
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
    String name = (equals < 0 ? text : text.substring(0, equals)).strip();
    String type = equals < 0 ? null : text.substring(equals + 3).strip();
    if (name.isEmpty()) {
      faults.add(new Fault(line, "There is no name.", "Write a name, or take the line out."));
    }
    if (parent >= 0 && items.get(parent).document()) {
      faults.add(new Fault(line, "It would stand below the document " + items.get(parent).name() + ".", "Let it stand as deep as that, or less."));
    }
    items.add(new Item(line, parent, name, type != null || FILE.matcher(name).matches(), type == null || type.isEmpty() ? null : type));
  }

  private void readRows(String[] lines) {
    List<String> known = new ArrayList<>();
    for (int i = 1; i < lines.length; i++) {
      if (lines[i].isBlank()) {
        continue;
      }
      int comma = lines[i].lastIndexOf(',');
      String type = comma < 0 ? "" : lines[i].substring(comma + 1).strip();
      String path = (comma < 0 ? lines[i] : lines[i].substring(0, comma)).replace("\"", "").strip();
      int parent = -1;
      String[] names = path.split("\\s*/\\s*");
      StringBuilder at = new StringBuilder();
      for (int depth = 0; depth < names.length; depth++) {
        at.append('/').append(names[depth]);
        int position = known.indexOf(at.toString());
        if (position < 0) {
          boolean last = depth == names.length - 1;
          add(i + 1, parent, last && !type.isEmpty() ? names[depth] + " = " + type : names[depth]);
          known.add(at.toString());
          position = items.size() - 1;
        }
        parent = position;
      }
    }
  }
}
