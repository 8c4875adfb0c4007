package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** What one class gives beyond another: only then may what was made for the one be made use of for the other. */
class ClassRowTest {
  private static final int READ = 0b11;
  private static final int REVISE = 0b111;
  private static final int ADA = 70;
  private static final int BEN = 71;
  private static final int CLEO = 72;

  private static int[] row(int[] gives, int[] takes) {
    return ClassRow.withLines(new int[ClassRow.HEADER], sorted(gives), sorted(takes));
  }

  private static int[] sorted(int... lines) {
    int[] sorted = lines.clone();
    Arrays.sort(sorted);
    return sorted;
  }

  private static int line(int rights, int subject) {
    return ClassRow.line(rights, subject);
  }

  private final int[] one = row(new int[] {line(READ, ADA), line(REVISE, BEN)}, new int[] {line(READ, CLEO)});

  @Test
  void a_line_more_is_what_is_added() {
    int[] more = row(new int[] {line(READ, ADA), line(REVISE, BEN), line(READ, CLEO)}, new int[] {line(READ, CLEO)});
    assertThat(ClassRow.addedLines(one, more)).containsExactly(line(READ, CLEO));
  }

  @Test
  void more_rights_for_a_subject_count_as_a_line() {
    int[] more = row(new int[] {line(REVISE, ADA), line(REVISE, BEN)}, new int[] {line(READ, CLEO)});
    assertThat(ClassRow.addedLines(one, more)).containsExactly(line(REVISE, ADA));
  }

  @Test
  void nothing_is_added_by_the_same_lists() {
    assertThat(ClassRow.addedLines(one, one.clone())).isEmpty();
  }

  @Test
  void a_line_less_or_fewer_rights_for_a_subject_is_no_addition() {
    assertThat(ClassRow.addedLines(one, row(new int[] {line(READ, ADA)}, new int[] {line(READ, CLEO)}))).isNull();
    assertThat(ClassRow.addedLines(one, row(new int[] {line(READ, ADA), line(READ, BEN)}, new int[] {line(READ, CLEO)}))).isNull();
    assertThat(ClassRow.addedLines(one, row(new int[] {line(READ, ADA), line(REVISE, CLEO)}, new int[] {line(READ, CLEO)}))).isNull();
  }

  @Test
  void other_withholdings_or_other_walls_are_no_addition() {
    assertThat(ClassRow.addedLines(one, row(new int[] {line(READ, ADA), line(REVISE, BEN)}, new int[] {line(READ, ADA)}))).isNull();
    assertThat(ClassRow.addedLines(one, row(new int[] {line(READ, ADA), line(REVISE, BEN)}, new int[] {}))).isNull();
    int[] walled = one.clone();
    walled[ClassRow.WALLS] = 1;
    assertThat(ClassRow.addedLines(one, walled)).isNull();
  }

  @Test
  void very_many_lines_more_are_not_worth_it() {
    int[] more = row(new int[] {line(READ, ADA), line(REVISE, BEN), line(1, 80), line(1, 81), line(1, 82), line(1, 83)}, new int[] {line(READ, CLEO)});
    assertThat(ClassRow.addedLines(one, more)).isNull();
  }

  @Test
  void what_lines_may_give_is_what_they_name_and_what_house_rules_held_back_for_the_lack_of_it() {
    int[] lines = {line(READ, ADA)};
    assertThat(ClassRow.gainedBy(lines, one)).isEqualTo(READ);
    int[] ruled = one.clone();
    ruled[0] = ClassRow.RESERVE_SHARING | ClassRow.NO_TAKEAWAY;
    assertThat(ClassRow.gainedBy(lines, ruled)).isEqualTo(READ | Rights.bit(Right.SHARE) | Rights.bit(Right.COPY));
  }

  @Test
  void other_guards_or_other_overseers_are_not_the_same_guards() {
    assertThat(ClassRow.sameGuards(one, row(new int[] {}, new int[] {}))).as("whatever the lists say").isTrue();
    int[] ceiling = one.clone();
    ceiling[0] = READ;
    assertThat(ClassRow.sameGuards(one, ceiling)).isFalse();
    int[] cleared = one.clone();
    cleared[1] = 4;
    assertThat(ClassRow.sameGuards(one, cleared)).isFalse();
    int[] overseen = Arrays.copyOf(one, one.length + 1);
    overseen[4] = ClassRow.counts(1, 1);
    overseen[one.length] = ADA;
    assertThat(ClassRow.sameGuards(one, overseen)).isFalse();
  }
}
