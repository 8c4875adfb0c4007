package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

class AccessRowsTest {
  @Test
  void every_person_at_every_place_with_a_right_has_a_row_by_person_then_place_standing_or_now() throws IOException {
    for (long seed = 1; seed <= 300; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      Moment moment = snapshot.at(RandomStructures.NOW);
      for (boolean standing : new boolean[] {true, false}) {
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
        assertThat(out.toString(StandardCharsets.US_ASCII)).as("seed %d", seed)
            .isEqualTo("person,place,rights\n" + String.join("", expected.values()));
        assertThat(rows).isEqualTo(expected.size());
      }
    }
  }
}
