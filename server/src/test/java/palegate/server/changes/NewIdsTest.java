package palegate.server.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class NewIdsTest {
  @Test
  void no_id_is_given_twice_also_where_many_are_asked_for_at_once() {
    Set<String> ids = ConcurrentHashMap.newKeySet();
    IntStream.range(0, 200_000).parallel().forEach(i -> ids.add(NewIds.of("d")));
    assertThat(ids).hasSize(200_000);
  }

  @Test
  void an_id_is_of_its_kind_time_ordered_and_one_that_a_bundle_takes() {
    String first = NewIds.of("ap");
    assertThat(first).startsWith("ap-").matches("[A-Za-z0-9._:-]{1,60}");
    assertThat(UUID.fromString(first.substring(3)).version()).isEqualTo(7);
    assertThat(NewIds.of("ap").compareTo(first)).as("later ones come after").isPositive();
  }
}
