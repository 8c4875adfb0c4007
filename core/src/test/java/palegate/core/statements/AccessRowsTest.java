package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.PeopleChange;
import palegate.core.people.Person;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

class AccessRowsTest {
  @Test
  void every_person_at_every_place_with_a_right_has_a_row_by_person_then_place_standing_or_now() throws IOException {
    for (long seed = 1; seed <= 300; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      assertEveryRow(snapshot.at(RandomStructures.NOW), true, "seed " + seed);
      assertEveryRow(snapshot.at(RandomStructures.NOW), false, "seed " + seed);
    }
  }

  @Test
  void more_people_than_are_written_side_by_side_keep_their_order() throws IOException {
    for (long seed = 1; seed <= 20; seed++) {
      assertEveryRow(Snapshot.of(crowd(seed)).at(RandomStructures.NOW), true, "seed " + seed);
    }
  }

  @Test
  void a_stream_that_fails_is_reported_as_it_failed() {
    SnapshotAt moment = Snapshot.of(crowd(1)).at(RandomStructures.NOW);
    OutputStream full = new OutputStream() {
      private int left = 1_000;

      @Override
      public void write(int one) throws IOException {
        if (left-- == 0) {
          throw new IOException("no room left");
        }
      }
    };
    assertThatThrownBy(() -> AccessRows.write(moment, AccessRows.Format.CSV, true, full))
        .isInstanceOf(IOException.class).hasMessage("no room left");
  }

  private static void assertEveryRow(SnapshotAt moment, boolean standing, String where) throws IOException {
    Snapshot snapshot = moment.snapshot();
    TreeMap<String, String> expected = new TreeMap<>();
    for (int person = 0; person < snapshot.personCount(); person++) {
      for (int place = 0; place < snapshot.placeCount(); place++) {
        Rights rights = standing ? moment.rights(person, place) : moment.rightsNow(person, place);
        if (!rights.isEmpty()) {
          String key = snapshot.person(person).id() + "," + snapshot.place(place).id();
          expected.put(key, key + "," + rights + "\n");
        }
      }
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    long rows = AccessRows.write(moment, AccessRows.Format.CSV, standing, out);
    assertThat(out.toString(StandardCharsets.US_ASCII)).as(where)
        .isEqualTo("person,place,rights\n" + String.join("", expected.values()));
    assertThat(rows).isEqualTo(expected.size());
  }

  /** Some hundred people more, in a random structure. */
  private static Structure crowd(long seed) {
    List<Change> people = IntStream.range(100, 400).<Change>mapToObj(i -> new PeopleChange.SetPerson(
        new Person("q" + i, "Person " + i, null, null, i % 7 == 0, true, null))).toList();
    return DraftApplication.of(Snapshot.of(RandomStructures.fromSeed(seed)), people, RandomStructures.NOW).structure();
  }
}
