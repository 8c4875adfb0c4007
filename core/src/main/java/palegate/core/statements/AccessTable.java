package palegate.core.statements;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.PeopleByRights;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/**
 * Who has what at some places, put together: places where the same people have the same are looked at once, however many they are.
 * Made in O(places + classes × people / 64).
 */
final class AccessTable {
  /** Places at which the same people have the same rights; each is itself alone, so that it is found without comparing its people. */
  private static final class Alike {
    private final int[] places;
    private final PersonSet anyone;
    private final List<PeopleByRights.Alike> byRights;

    Alike(int[] places, PersonSet anyone, List<PeopleByRights.Alike> byRights) {
      this.places = places;
      this.anyone = anyone;
      this.byRights = byRights;
    }

    int[] places() {
      return places;
    }

    PersonSet anyone() {
      return anyone;
    }

    List<PeopleByRights.Alike> byRights() {
      return byRights;
    }
  }

  private final AskedStatement asked;
  private final Snapshot snapshot;
  private final SnapshotAt moment;
  private final Structure structure;
  private final PersonSet within;
  private final List<Alike> alike = new ArrayList<>();
  private final PersonSet outsiders;

  AccessTable(AskedStatement asked) {
    this.asked = asked;
    snapshot = asked.snapshot();
    moment = asked.moment();
    structure = asked.structure();
    within = asked.people();
    outsiders = moment.activeOutsiders();
    // A document in a condition is like no other; every other place is like those of its class.
    Map<Object, List<Integer>> together = new LinkedHashMap<>();
    Map<Object, List<PersonSet>> holders = new HashMap<>();
    boolean now = asked.recipe().now();
    for (int place : asked.places()) {
      Object like = now && moment.isConditioned(place) ? "document " + place : Integer.valueOf(moment.classOf(place));
      together.computeIfAbsent(holders.computeIfAbsent(like, any -> byRight(like instanceof Integer ? moment.holders(place) : moment.holdersNow(place))), any -> new ArrayList<>()).add(place);
    }
    together.forEach((byRight, places) -> {
      @SuppressWarnings("unchecked")
      List<PersonSet> sets = (List<PersonSet>) byRight;
      Right wanted = asked.recipe().right();
      PersonSet anyone = wanted == null ? sets.stream().reduce(PersonSet.NOBODY, PersonSet::or) : sets.get(wanted.ordinal());
      alike.add(new Alike(places.stream().mapToInt(Integer::intValue).toArray(), anyone,
          anyone.isEmpty() ? List.of() : PeopleByRights.of(anyone, sets.stream().map(anyone::and).toList())));
    });
  }

  private List<PersonSet> byRight(HoldersByRight holders) {
    return Arrays.stream(Right.values()).map(right -> holders.of(right).and(within)).toList();
  }

  /** So many rows there are when nothing is put together. */
  long pairs() {
    return alike.stream().mapToLong(one -> (long) one.anyone().size() * one.places().length).sum();
  }

  /** Said of the whole, however it is put together. */
  Map<String, String> counts() {
    int places = 0;
    int documents = 0;
    PersonSet people = PersonSet.NOBODY;
    for (Alike one : alike) {
      if (!one.anyone().isEmpty()) {
        places += one.places().length;
        documents += documents(one.places());
        people = people.or(one.anyone());
      }
    }
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("People", people.size() + ", of whom " + people.sizeOfAnd(outsiders) + " outsiders");
    counts.put("Places", places + ", of which " + documents + " documents");
    counts.put("Pairs of a person and a place", Long.toString(pairs()));
    return counts;
  }

  StatementTable grouped(String title) {
    return switch (asked.recipe().grouping()) {
      case PERSON -> byPerson(title);
      case SUBJECT -> bySubject(title);
      case ROLE -> byRole(title);
      default -> byPlaces(title);
    };
  }

  // --- by places ------------------------------------------------------------------------------------

  private StatementTable byPlaces(String title) {
    boolean one = asked.recipe().grouping() == Grouping.PLACE;
    List<StatementTable.Column> columns = new ArrayList<>(List.of(StatementTable.Column.key("places", one ? "Place" : "Places", 54)));
    if (one) {
      columns.add(StatementTable.Column.text("kind", "Kind", 11));
    } else {
      columns.add(StatementTable.Column.number("placeCount", "How many", 10));
      columns.add(StatementTable.Column.number("documents", "Documents", 10));
    }
    columns.addAll(List.of(StatementTable.Column.key("rights", "Rights", 26), StatementTable.Column.number("people", "People", 8), StatementTable.Column.number("outsiders", "Outsiders", 9),
        StatementTable.Column.text("who", "Who", 44), StatementTable.Column.text("through", "Through", 34)));
    return new StatementTable(title, counts(), columns, () -> one ? everyPlace() : alike.stream().flatMap(this::lines));
  }

  /** In tree order: what is alike lies anywhere in the tree. */
  private Stream<StatementTable.Row> everyPlace() {
    Map<Integer, Alike> of = new HashMap<>();
    alike.forEach(one -> Arrays.stream(one.places()).forEach(place -> of.put(place, one)));
    return Arrays.stream(asked.places()).boxed().flatMap(place -> lines(new Alike(new int[] {place}, of.get(place).anyone(), of.get(place).byRights())));
  }

  /** So many sets of people are kept in order at once: places that are alike mostly lie together. */
  private static final int IN_ORDER_AT_MOST = 256;

  /** Everyone at every place, by place in tree order, then by name: a row of the path, the person, staff or outsider, and the rights. */
  Stream<StatementTable.Row> everyone() {
    Map<Integer, Alike> of = new HashMap<>();
    alike.forEach(one -> Arrays.stream(one.places()).forEach(place -> of.put(place, one)));
    Map<Alike, List<String[]>> inOrder = new LinkedHashMap<>(16, 0.75f, true) {
      @Override
      protected boolean removeEldestEntry(Map.Entry<Alike, List<String[]>> eldest) {
        return size() > IN_ORDER_AT_MOST;
      }
    };
    return Arrays.stream(asked.places()).boxed().filter(place -> !of.get(place).anyone().isEmpty()).flatMap(place -> {
      String path = snapshot.pathText(place);
      return inOrder.computeIfAbsent(of.get(place), this::peopleInOrder).stream().map(person -> new StatementTable.Row(List.of(path, person[0], person[1], person[2])));
    });
  }

  private List<String[]> peopleInOrder(Alike one) {
    Map<Integer, String> rights = new HashMap<>();
    one.byRights().forEach(each -> {
      String words = each.rights().toString();
      each.people().forEach(person -> rights.put(person, words));
    });
    return rights.keySet().stream().map(snapshot::person).sorted(Comparator.comparing(Person::name).thenComparing(Person::id))
        .map(person -> new String[] {person.name(), person.external() ? "outsider" : "staff", rights.get(snapshot.personNumber(person.id()))}).toList();
  }

  private Stream<StatementTable.Row> lines(Alike one) {
    if (one.anyone().isEmpty()) {
      return asked.recipe().kind().needsSubject() || asked.recipe().right() != null ? Stream.empty() : Stream.of(line(one, new PeopleByRights.Alike(Rights.NONE, PersonSet.NOBODY)));
    }
    return one.byRights().stream().map(each -> line(one, each));
  }

  private StatementTable.Row line(Alike one, PeopleByRights.Alike each) {
    List<String> cells = new ArrayList<>(List.of(StatementWords.places(one.places(), snapshot)));
    if (asked.recipe().grouping() == Grouping.PLACE) {
      cells.add(snapshot.place(one.places()[0]).kind().word());
    } else {
      cells.add(Integer.toString(one.places().length));
      cells.add(Integer.toString(documents(one.places())));
    }
    cells.addAll(List.of(StatementWords.rights(each.rights(), structure), Integer.toString(each.people().size()), Integer.toString(each.people().sizeOfAnd(outsiders)),
        each.people().isEmpty() ? "nobody" : StatementWords.people(each.people(), snapshot), through(one.places(), each.people())));
    return new StatementTable.Row(cells, each.people(), one::places);
  }

  private int documents(int[] places) {
    return (int) IntStream.of(places).filter(snapshot::isDocument).count();
  }

  private String through(int[] places, PersonSet people) {
    Set<String> names = new TreeSet<>();
    for (int place : oneOfEachClass(places)) {
      for (Grant grant : acting(place)) {
        if (moment.matching(grant.subject()).intersects(people)) {
          names.add(grant.subject() instanceof Subject.OfPerson ? SubjectNames.of(grant.subject(), structure) + " by name" : SubjectNames.of(grant.subject(), structure));
        }
      }
      for (Oversight oversight : overseers(place)) {
        if (moment.matching(oversight.subject()).and(moment.activeStaff()).intersects(people)) {
          names.add("oversight of " + SubjectNames.of(oversight.subject(), structure));
        }
      }
    }
    return StatementWords.names(List.copyOf(names));
  }

  private int[] oneOfEachClass(int[] places) {
    Map<Integer, Integer> first = new LinkedHashMap<>();
    for (int place : places) {
      first.putIfAbsent(moment.classOf(place), place);
    }
    return first.values().stream().mapToInt(Integer::intValue).toArray();
  }

  private List<Grant> acting(int place) {
    String type = snapshot.place(place).type();
    return snapshot.reachingEntries(place).stream().filter(entry -> entry instanceof Grant && entry.period().holdsAt(asked.instant()) && entry.touches(type)).map(Grant.class::cast).toList();
  }

  private List<Oversight> overseers(int place) {
    return snapshot.path(place).stream().flatMap(at -> snapshot.ownOversights(at).stream()).filter(oversight -> oversight.period().holdsAt(asked.instant())).toList();
  }

  // --- by person ------------------------------------------------------------------------------------

  private static final class Reached {
    private int places;
    private int documents;
    private int mask;
  }

  private StatementTable byPerson(String title) {
    Map<Integer, Reached> reached = new HashMap<>();
    Map<Integer, List<int[]>> where = new HashMap<>();
    for (Alike one : alike) {
      int papers = documents(one.places());
      for (PeopleByRights.Alike each : one.byRights()) {
        each.people().forEach(person -> {
          Reached found = reached.computeIfAbsent(person, any -> new Reached());
          found.places += one.places().length;
          found.documents += papers;
          found.mask |= each.rights().mask();
          where.computeIfAbsent(person, any -> new ArrayList<>()).add(one.places());
        });
      }
    }
    Map<Integer, Set<String>> through = new HashMap<>();
    distinctGrants().keySet().forEach(subject -> moment.matching(subject).forEach(person -> {
      if (reached.containsKey(person)) {
        through.computeIfAbsent(person, any -> new TreeSet<>()).add(subject instanceof Subject.OfPerson ? "by name" : SubjectNames.of(subject, structure));
      }
    }));
    List<Integer> people = reached.keySet().stream().sorted(Comparator.comparing((Integer person) -> snapshot.person(person).name()).thenComparing(person -> snapshot.person(person).id())).toList();
    List<StatementTable.Column> columns = List.of(StatementTable.Column.key("person", "Person", 28), StatementTable.Column.text("standing", "Staff or outsider", 15), StatementTable.Column.text("unit", "Unit", 28),
        StatementTable.Column.number("places", "Places", 9), StatementTable.Column.number("documents", "Documents", 10), StatementTable.Column.text("rights", "Rights somewhere", 46), StatementTable.Column.text("through", "Through", 54));
    return new StatementTable(title, counts(), columns, () -> people.stream().map(person -> new StatementTable.Row(List.of(snapshot.person(person).name(), StatementWords.standing(snapshot.person(person)),
        StatementWords.unit(snapshot.person(person), structure), Integer.toString(reached.get(person).places), Integer.toString(reached.get(person).documents), Rights.ofMask(reached.get(person).mask).toString(),
        StatementWords.names(List.copyOf(through.getOrDefault(person, Set.of())))), PersonSet.of(person), () -> where.get(person).stream().flatMapToInt(Arrays::stream).toArray())));
  }

  // --- by whom entries name, and by role --------------------------------------------------------------

  /** What acts somewhere in scope, by subject; of each grant, the places where it acts. */
  private Map<Subject, Map<Grant, List<int[]>>> distinctGrants() {
    Map<Subject, Map<Grant, List<int[]>>> grants = new TreeMap<>(Subject::compare);
    // What acts at a place is what acts at the nearest one above with a list of its own, told apart by the document's type.
    Map<List<Object>, List<Integer>> alikeByEntries = new LinkedHashMap<>();
    for (int place : asked.places()) {
      alikeByEntries.computeIfAbsent(Arrays.asList(nearestWithList(place), snapshot.place(place).type()), any -> new ArrayList<>()).add(place);
    }
    alikeByEntries.values().forEach(places -> acting(places.get(0)).forEach(grant -> {
      if (moment.matching(grant.subject()).intersects(within) && (asked.recipe().right() == null || structure.roles().get(grant.role()).rights().contains(asked.recipe().right()))) {
        grants.computeIfAbsent(grant.subject(), any -> new LinkedHashMap<>()).computeIfAbsent(grant, any -> new ArrayList<>()).add(places.stream().mapToInt(Integer::intValue).toArray());
      }
    }));
    return grants;
  }

  private int nearestWithList(int place) {
    int at = place;
    while (snapshot.ownEntries(at).isEmpty() && !snapshot.standsAlone(at)) {
      at = snapshot.parent(at);
    }
    return at;
  }

  private StatementTable bySubject(String title) {
    List<StatementTable.Column> columns = List.of(StatementTable.Column.key("subject", "Named", 32), StatementTable.Column.key("kind", "Kind", 9), StatementTable.Column.text("roles", "Roles", 26),
        StatementTable.Column.text("stands", "Where it stands", 54), StatementTable.Column.number("people", "People", 9), StatementTable.Column.number("outsiders", "Outsiders", 9),
        StatementTable.Column.number("places", "Places", 9), StatementTable.Column.number("documents", "Documents", 10));
    return new StatementTable(title, counts(), columns, () -> distinctGrants().entrySet().stream().map(each -> {
      Subject subject = each.getKey();
      PersonSet people = moment.matching(subject).and(within).and(moment.active());
      BitSet places = distinct(each.getValue().values());
      return new StatementTable.Row(List.of(SubjectNames.of(subject, structure), subject.kind().equals("builtin") ? "built in" : subject.kind(), roles(each.getValue().keySet()), stands(each.getValue().keySet()), Integer.toString(people.size()),
          Integer.toString(people.sizeOfAnd(outsiders)), Integer.toString(places.cardinality()), Long.toString(places.stream().filter(snapshot::isDocument).count())), people, () -> inTreeOrder(distinct(each.getValue().values())));
    }).sorted(Comparator.comparing((StatementTable.Row row) -> row.cells().get(0)).thenComparing(row -> row.cells().get(1))));
  }

  private String roles(Set<Grant> grants) {
    return StatementWords.names(grants.stream().map(grant -> structure.roles().get(grant.role()).name()).distinct().sorted().toList());
  }

  private String stands(Set<Grant> grants) {
    int[] places = grants.stream().map(grant -> snapshot.placeNumber(grant.place())).filter(place -> place >= 0).distinct().sorted(snapshot.inTreeOrder()).mapToInt(Integer::intValue).toArray();
    return places.length == 0 ? "" : StatementWords.places(places, snapshot);
  }

  private static BitSet distinct(Iterable<List<int[]>> many) {
    BitSet all = new BitSet();
    many.forEach(lists -> lists.forEach(list -> Arrays.stream(list).forEach(all::set)));
    return all;
  }

  private int[] inTreeOrder(BitSet places) {
    return places.stream().boxed().sorted(snapshot.inTreeOrder()).mapToInt(Integer::intValue).toArray();
  }

  private StatementTable byRole(String title) {
    Map<String, Map<Grant, List<int[]>>> byRole = new TreeMap<>();
    distinctGrants().values().forEach(grants -> grants.forEach((grant, places) -> byRole.computeIfAbsent(grant.role(), any -> new LinkedHashMap<>()).put(grant, places)));
    List<StatementTable.Column> columns = List.of(StatementTable.Column.key("role", "Role", 24), StatementTable.Column.text("rights", "Rights", 46), StatementTable.Column.number("entries", "Entries", 9),
        StatementTable.Column.text("given", "Given to", 60), StatementTable.Column.number("people", "People", 9), StatementTable.Column.number("outsiders", "Outsiders", 9), StatementTable.Column.number("places", "Places", 9), StatementTable.Column.number("documents", "Documents", 10));
    return new StatementTable(title, counts(), columns, () -> byRole.entrySet().stream().sorted(Comparator.comparing(each -> structure.roles().get(each.getKey()).name())).map(each -> {
      PersonSet people = each.getValue().keySet().stream().map(grant -> moment.matching(grant.subject())).reduce(PersonSet.NOBODY, PersonSet::or).and(within).and(moment.active());
      BitSet places = distinct(each.getValue().values());
      return new StatementTable.Row(List.of(structure.roles().get(each.getKey()).name(), structure.roles().get(each.getKey()).rights().toString(), Integer.toString(each.getValue().size()),
          StatementWords.names(each.getValue().keySet().stream().map(grant -> SubjectNames.of(grant.subject(), structure)).distinct().sorted().toList()), Integer.toString(people.size()),
          Integer.toString(people.sizeOfAnd(outsiders)), Integer.toString(places.cardinality()), Long.toString(places.stream().filter(snapshot::isDocument).count())), people, () -> inTreeOrder(distinct(each.getValue().values())));
    }));
  }
}
