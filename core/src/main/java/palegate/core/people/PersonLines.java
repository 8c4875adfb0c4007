package palegate.core.people;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * Finds the people whom a pasted column names: by login, address, id or name, in that order.
 * Of a line with several cells, cut by commas, semicolons or tabs, the first cell that finds somebody counts.
 */
public final class PersonLines {
  /** One line that said something. */
  public sealed interface Line {
    int number();

    String text();

    /** Exactly one person. */
    record Match(int number, String text, Person person) implements Line {}

    /** The person was found on an earlier line already. */
    record Again(int number, String text, Person person) implements Line {}

    /** Several people of that name. */
    record Several(int number, String text, List<Person> people) implements Line {
      public Several {
        people = List.copyOf(people);
      }
    }

    /** Nobody. */
    record Miss(int number, String text) implements Line {}
  }

  private final Map<String, Set<String>> byWord = new HashMap<>();
  private final Map<String, Person> people;

  private PersonLines(Map<String, Person> people) {
    this.people = people;
    for (Person person : people.values()) {
      add(person.login(), person);
      add(person.email(), person);
      add(person.id(), person);
    }
    Map<String, Set<String>> byName = new HashMap<>();
    for (Person person : people.values()) {
      byName.computeIfAbsent(key(person.name()), any -> new TreeSet<>()).add(person.id());
    }
    // A name never hides a login, an address or an id.
    byName.forEach(byWord::putIfAbsent);
  }

  private void add(String word, Person person) {
    if (word != null && !word.isBlank()) {
      byWord.computeIfAbsent(key(word), any -> new TreeSet<>()).add(person.id());
    }
  }

  /** Every line of a text that is not empty, in order. O(people + lines). */
  public static List<Line> find(Map<String, Person> people, String text) {
    return new PersonLines(people).all(text);
  }

  private List<Line> all(String text) {
    List<Line> lines = new ArrayList<>();
    Set<String> known = new TreeSet<>();
    String[] rows = text.split("\\R", -1);
    for (int i = 0; i < rows.length; i++) {
      String row = rows[i].strip();
      if (!row.isEmpty()) {
        lines.add(line(i + 1, row, known));
      }
    }
    return lines;
  }

  private Line line(int number, String row, Set<String> known) {
    for (String cell : row.split("[,;\t]")) {
      Set<String> found = byWord.get(key(cell.replace("\"", "")));
      if (found != null && found.size() == 1) {
        Person person = people.get(found.iterator().next());
        return known.add(person.id()) ? new Line.Match(number, row, person) : new Line.Again(number, row, person);
      }
      if (found != null) {
        return new Line.Several(number, row, found.stream().map(people::get).toList());
      }
    }
    return new Line.Miss(number, row);
  }

  private static String key(String word) {
    return word.strip().toLowerCase(Locale.ROOT);
  }
}
