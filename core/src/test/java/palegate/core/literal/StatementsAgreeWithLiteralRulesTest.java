package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Grouping;
import palegate.core.statements.Recipe;
import palegate.core.statements.StatementKind;
import palegate.core.statements.StatementTable;
import palegate.core.statements.Statements;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** However a statement is put together, taken apart again it is what the rules read literally say, pair by pair. */
class StatementsAgreeWithLiteralRulesTest {
  private static final int STRUCTURES = Often.times(1_500);

  @Test
  void grouped_or_not_about_a_place_or_a_subject_standing_or_now_a_statement_holds_just_the_literal_pairs() {
    long compared = 0;
    int lines = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Random random = new Random(seed);
      Instant now = RandomStructures.instant(random);
      Snapshot snapshot = Snapshot.of(structure);
      List<Place> places = List.copyOf(structure.places().values());
      List<Subject> subjects = subjects(structure);
      Right right = random.nextInt(3) == 0 ? Right.values()[random.nextInt(9)] : null;
      boolean rightsNow = random.nextBoolean();
      boolean documents = random.nextInt(4) != 0;
      boolean ofPlace = random.nextBoolean();
      Subject subject = subjects.get(random.nextInt(subjects.size()));
      String id = ofPlace ? places.get(random.nextInt(places.size())).id() : subject.kind() + ":" + subject.id();
      Map<String, Rights> literally = literally(structure, now, id, ofPlace ? null : subject, documents, right, rightsNow);
      for (Grouping grouping : List.of(Grouping.SAME, Grouping.PLACE, Grouping.PERSON)) {
        StatementTable table = Statements.of(snapshot, now, recipe(ofPlace, id, grouping, documents, right, rightsNow));
        Map<String, Rights> found = new TreeMap<>();
        int at = column(table, "rights");
        for (StatementTable.Row row : table.rows().get().toList()) {
          lines++;
          String of = "seed %d".formatted(seed);
          row.people().forEach(person -> IntStream.of(row.places()).forEach(place -> {
            String pair = snapshot.person(person).id() + " " + snapshot.place(place).id();
            assertThat(found.put(pair, grouping == Grouping.PERSON ? literally.getOrDefault(pair, Rights.NONE) : rights(row.cells().get(at), structure))).as("%s, %s, twice", of, pair).isNull();
          }));
          if (grouping != Grouping.PERSON) {
            assertThat(row.cells().get(column(table, "people"))).isEqualTo(Integer.toString(row.people().size()));
          }
        }
        assertThat(found).as("seed %d, %s of %s", seed, grouping, id).isEqualTo(literally);
        assertThat(table.counts().get("Pairs of a person and a place")).isEqualTo(Integer.toString(literally.size()));
        compared += found.size();
      }
      assertRows(seed, snapshot, now, recipe(ofPlace, id, Grouping.NONE, documents, right, rightsNow), literally);
      if (ofPlace) {
        assertRows(seed, snapshot, now, new Recipe(StatementKind.EVERYONE, id, Grouping.NONE, documents, right, rightsNow, List.of(), null), literally);
      }
    }
    assertThat(compared).as("pairs").isGreaterThan(Often.times(4_000));
    assertThat(lines).as("lines").isGreaterThan(Often.times(2_000));
  }

  /** Names are not unique in random structures: what is compared is how often each path, name and set of rights comes. */
  private static void assertRows(long seed, Snapshot snapshot, Instant now, Recipe recipe, Map<String, Rights> literally) {
    StatementTable table = Statements.of(snapshot, now, recipe);
    List<String> rows = table.rows().get().map(row -> row.cells().get(column(table, "place")) + "|" + row.cells().get(column(table, "person")) + "|" + row.cells().get(column(table, "rights"))).sorted().toList();
    boolean words = recipe.kind() == StatementKind.EVERYONE;
    List<String> expected = literally.entrySet().stream().map(pair -> {
      String[] ids = pair.getKey().split(" ");
      return snapshot.pathText(snapshot.placeNumber(ids[1])) + "|" + snapshot.structure().people().get(ids[0]).name() + "|" + (words ? pair.getValue().toString() : name(pair.getValue(), snapshot.structure()));
    }).sorted().toList();
    assertThat(rows).as("seed %d, %s", seed, recipe).isEqualTo(expected);
  }

  private static Recipe recipe(boolean ofPlace, String id, Grouping grouping, boolean documents, Right right, boolean now) {
    return new Recipe(ofPlace ? StatementKind.PLACE : StatementKind.SUBJECT, id, grouping, documents, right, now, List.of(), null);
  }

  private static List<Subject> subjects(Structure structure) {
    List<Subject> subjects = new ArrayList<>(List.of(Subject.BuiltIn.values()));
    structure.people().keySet().forEach(id -> subjects.add(new Subject.OfPerson(id)));
    structure.groups().keySet().forEach(id -> subjects.add(new Subject.OfGroup(id)));
    structure.units().keySet().forEach(id -> subjects.add(new Subject.OfUnit(id)));
    return subjects;
  }

  private static Map<String, Rights> literally(Structure structure, Instant now, String id, Subject subject, boolean documents, Right right, boolean rightsNow) {
    Map<String, Rights> pairs = new TreeMap<>();
    for (Place place : structure.places().values()) {
      boolean in = subject != null || isAtOrBelow(structure, place, id);
      if (!in || !documents && !place.kind().isContainer()) {
        continue;
      }
      for (Person person : structure.people().values()) {
        if (subject == null || LiteralRules.matches(structure, person, subject, now)) {
          Rights rights = rightsNow ? Literally.now(structure, person.id(), place.id(), now) : Literally.standing(structure, person.id(), place.id(), now);
          if (!rights.isEmpty() && (right == null || rights.contains(right))) {
            pairs.put(person.id() + " " + place.id(), rights);
          }
        }
      }
    }
    return pairs;
  }

  private static boolean isAtOrBelow(Structure structure, Place place, String top) {
    Set<String> seen = new HashSet<>();
    for (Place at = place; at != null && seen.add(at.id()); at = at.parent() == null ? null : structure.places().get(at.parent())) {
      if (at.id().equals(top)) {
        return true;
      }
    }
    return false;
  }

  private static int column(StatementTable table, String key) {
    return IntStream.range(0, table.columns().size()).filter(i -> table.columns().get(i).key().equals(key)).findFirst().orElseThrow();
  }

  private static String name(Rights rights, Structure structure) {
    return structure.roles().values().stream().filter(role -> role.rights().equals(rights)).map(role -> role.name()).sorted().findFirst().orElse(rights.toString());
  }

  private static Rights rights(String cell, Structure structure) {
    return cell.equals("nothing") ? Rights.NONE : structure.roles().values().stream().filter(role -> role.name().equals(cell)).map(role -> role.rights()).findFirst()
        .orElseGet(() -> Rights.parse(List.of(cell.split(" "))));
  }
}
