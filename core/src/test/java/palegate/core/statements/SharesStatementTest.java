package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** Section 11: every share and every pass stands in the statement, with who answers for it and how many are in by it. */
class SharesStatementTest {
  private static StatementTable of(Structure structure, Instant instant) {
    return Statements.of(Snapshot.of(structure), instant, Recipe.of(StatementKind.SHARES, null));
  }

  @Test
  void a_share_and_a_pass_with_what_was_opened_through_it() {
    Instant end = Harbour.NOW.plus(Duration.ofDays(9));
    Structure structure = Harbour.structure()
        .sharedBy(List.of(), List.of(new Pass("pa", "c2", "reader", List.of(new Subject.OfUnit("u-all")), "ola", new Period(null, end), 5, "Look")), List.of(), List.of())
        .withGrants(Map.of("s", new Grant("s", "c1", new Subject.OfPerson("per"), "reader", Set.of(), Period.ALWAYS, "Why", "ola", null),
            "p", new Grant("p", "c2", new Subject.OfPerson("mia"), "reader", Set.of(), new Period(null, end), null, null, "pa")));
    StatementTable table = of(structure, Harbour.NOW);
    assertThat(table.counts()).containsEntry("Shares", "1").containsEntry("Passes", "1").containsEntry("Without an end", "1").containsEntry("Reach outsiders", "1");
    assertThat(table.rows().get().map(StatementTable.Row::cells).toList()).containsExactly(
        List.of("CAS / C1", "share", "Per", "Reader", "Ola", "", "", "counts", "1", "1", "", "Why"),
        List.of("CAS / C2", "pass", "Company", "Reader", "Ola", "", "2026-05-10 00:00", "counts", "2", "0", "1 of 5", "Look"));
  }

  @Test
  void none_is_left_out_and_none_stands_twice() {
    for (long seed = 0; seed < 300; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      long expected = structure.passes().size() + structure.grants().values().stream().filter(grant -> grant.sharedBy() != null && grant.pass() == null).count();
      assertThat(of(structure, RandomStructures.NOW).rows().get().count()).as("seed %s", seed).isEqualTo(expected);
      assertThat(new TreeSet<>(of(structure, RandomStructures.NOW).counts().keySet())).hasSize(4);
    }
  }
}
