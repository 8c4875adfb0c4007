package palegate.core.statements;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import palegate.core.access.Entry;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Joined;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** People from outside: where they are members, where they are named, and what they reach. */
final class OutsidersStatement {
  private OutsidersStatement() {}

  static StatementTable of(AskedStatement asked) {
    Snapshot snapshot = asked.snapshot();
    SnapshotAt moment = asked.moment();
    int[] places = asked.places();
    int[][] byClass = placesAndDocumentsByClass(asked, places);
    Map<String, Integer> named = namedBy(asked);
    List<Integer> people = snapshot.peopleInOrder().boxed().filter(person -> snapshot.person(person).external()).sorted(Comparator.comparing((Integer person) -> snapshot.person(person).name()).thenComparing(person -> snapshot.person(person).id())).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Outsiders", people.size() + ", of whom " + moment.activeOutsiders().size() + " are active");
    return new StatementTable("Outsiders, and what they reach" + asked.where(), counts, List.of(
        StatementTable.Column.key("person", "Person", 28), StatementTable.Column.text("standing", "Active", 9), StatementTable.Column.text("unit", "Unit or firm", 26), StatementTable.Column.text("groups", "Groups", 60),
        StatementTable.Column.number("named", "Entries by name", 9), StatementTable.Column.number("places", "Places", 9), StatementTable.Column.number("documents", "Documents", 10), StatementTable.Column.text("rights", "Rights somewhere", 46)),
        () -> people.stream().map(person -> {
          int[] rights = moment.rightsInEveryClass(person);
          int reached = 0;
          int documents = 0;
          int mask = 0;
          for (int number = 0; number < rights.length; number++) {
            if (rights[number] != 0) {
              reached += byClass[0][number];
              documents += byClass[1][number];
              mask |= byClass[0][number] > 0 ? rights[number] : 0;
            }
          }
          return new StatementTable.Row(List.of(snapshot.person(person).name(), snapshot.person(person).active() ? "active" : "inactive", StatementWords.unit(snapshot.person(person), asked.structure()), groups(asked, person),
              Integer.toString(named.getOrDefault(snapshot.person(person).id(), 0)), Integer.toString(reached), Integer.toString(documents), Rights.ofMask(mask).toString()));
        }));
  }

  private static int[][] placesAndDocumentsByClass(AskedStatement asked, int[] places) {
    int[][] counts = new int[2][asked.moment().classCount()];
    for (int place : places) {
      counts[0][asked.moment().classOf(place)]++;
      counts[1][asked.moment().classOf(place)] += asked.snapshot().isDocument(place) ? 1 : 0;
    }
    return counts;
  }

  private static Map<String, Integer> namedBy(AskedStatement asked) {
    Map<String, Integer> named = new TreeMap<>();
    for (int place : asked.places()) {
      for (Entry entry : asked.snapshot().ownEntries(place)) {
        if (entry.subject() instanceof Subject.OfPerson && entry.period().holdsAt(asked.instant())) {
          named.merge(entry.subject().id(), 1, Integer::sum);
        }
      }
    }
    return named;
  }

  private static String groups(AskedStatement asked, int person) {
    Set<String> names = new TreeSet<>();
    for (Joined.In in : asked.moment().joined().person(asked.snapshot().person(person).id())) {
      names.add(asked.structure().groups().get(in.group()).name());
    }
    return StatementWords.names(List.copyOf(names));
  }
}
