package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.mining.Mining;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;

/** Of the demo's entries three in ten say nothing that others do not say. */
class FewerEntriesTest {
  @Test
  void three_in_ten_entries_can_go_without_any_difference() {
    Instant now = Instant.parse("2026-11-28T10:00:00Z");
    Snapshot demo = Snapshot.of(WholeHistoryTest.replay(now, new ArrayList<>()));
    AtomicInteger next = new AtomicInteger();
    Mining.Found found = Mining.of(demo, now, () -> "mined-" + next.incrementAndGet(), Mining.Progress.NONE);
    assertThat(found.cut()).isFalse();
    assertThat(found.after().entries() * 10).as("%s before", found.before()).isLessThanOrEqualTo(found.before().entries() * 7);
    List<Change> all = found.proposals().stream().flatMap(proposal -> proposal.changes().stream()).toList();
    Rehearsal rehearsal = Rehearsal.of(demo, all, now, null);
    assertThat(rehearsal.refusals()).isEmpty();
    assertThat(rehearsal.differences()).allMatch(RightsDifference::isEmpty);
  }
}
