package palegate.core.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.SnapshotAt;

/** Section 14: which rights are not used is read from what was opened where they reach, by those who have them. */
class LastUseTest {
  private static final SnapshotAt NOW = Harbour.snapshot().at(Harbour.NOW);
  private static final Instant MARCH = Instant.parse("2026-03-01T00:00:00Z");
  private static final Instant APRIL = Instant.parse("2026-04-01T00:00:00Z");

  private static ReviewItem item(ItemKind kind, Subject subject, String container) {
    return new ReviewItem("k", kind, subject, "x", container, "x", "reader", Period.ALWAYS, 1, 0, 0, "x", "x");
  }

  @Test
  void a_grant_is_used_by_what_its_people_open_there_and_below_and_by_nothing_else() {
    Map<String, List<LastUse.Opening>> opened = Map.of("mia", List.of(new LastUse.Opening("val1", MARCH), new LastUse.Opening("let2", APRIL)), "ola", List.of(new LastUse.Opening("val1", APRIL)));
    assertThat(LastUse.in(NOW).of(item(ItemKind.GRANT, new Subject.OfGroup("trainees"), "c1"), opened)).contains(MARCH);
    assertThat(LastUse.in(NOW).of(item(ItemKind.GRANT, new Subject.OfGroup("adjusters"), "cas"), opened)).as("through a group of the group").contains(APRIL);
    assertThat(LastUse.in(NOW).of(item(ItemKind.GRANT, new Subject.OfPerson("per"), "cas"), opened)).isEmpty();
    assertThat(LastUse.in(NOW).of(item(ItemKind.GRANT, new Subject.OfGroup("trainees"), "gone"), opened)).as("the place is gone").isEmpty();
  }

  @Test
  void a_membership_is_used_by_what_its_member_opens_where_the_group_or_one_that_it_is_in_is_given_anything_and_of_a_duty_no_opening_tells() {
    Map<String, List<LastUse.Opening>> opened = Map.of("mia", List.of(new LastUse.Opening("val1", MARCH), new LastUse.Opening("unknown", APRIL)), "ola", List.of(new LastUse.Opening("val1", APRIL)));
    assertThat(LastUse.in(NOW).of(item(ItemKind.MEMBERSHIP, new Subject.OfPerson("mia"), "trainees"), opened)).as("through the group that it is in; what is not known was not opened").contains(MARCH);
    assertThat(LastUse.in(NOW).of(item(ItemKind.MEMBERSHIP, new Subject.OfPerson("ola"), "divers"), opened)).as("the group is given nothing").isEmpty();
    SnapshotAt july = Harbour.snapshot().at(Harbour.JULY);
    assertThat(LastUse.in(july).of(item(ItemKind.MEMBERSHIP, new Subject.OfPerson("mia"), "trainees"), opened)).as("it is in no other group any more").isEmpty();
    assertThat(LastUse.in(NOW).people(item(ItemKind.DUTY, new Subject.OfPerson("mia"), "access"))).isEmpty();
    assertThat(LastUse.in(NOW).people(item(ItemKind.CLEARANCE, new Subject.OfPerson("mia"), "valuation"))).isEmpty();
  }
}
