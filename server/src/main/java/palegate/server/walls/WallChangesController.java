package palegate.server.walls;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.ChangeLog;
import palegate.server.viewpoint.KnownChanges;

/** Who made a wall what it is: who asked for it first and last, and who approved that. Everything between is in the journal. */
@RestController
class WallChangesController {
  /** A change that altered the wall; {@code approvedBy} is missing for those who do not know all that it altered. */
  record WallChangeView(long change, Instant at, String by, String note, @MayBeMissing List<String> approvedBy) {}

  /**
   * @param first the change that brought it in; missing if the asker knows none
   * @param last the one that altered it last; missing if there is none but the first
   * @param changes how many there are that the asker knows
   */
  record WallChangesView(int changes, @MayBeMissing WallChangeView first, @MayBeMissing WallChangeView last) {}

  private final WallsAtWork walls;
  private final ChangeLog log;
  private final KnownChanges known;

  WallChangesController(WallsAtWork walls, ChangeLog log, KnownChanges known) {
    this.walls = walls;
    this.log = log;
    this.known = known;
  }

  /** O(changes of the wall). */
  @GetMapping("/api/walls/{id}/changes")
  WallChangesView changes(@PathVariable String id, Principal who) {
    WallsAtWork.find(walls.shownTo(who), id);
    Map<Long, KnownChanges.Known> mayKnow = known.to(who.getName());
    TreeSet<Long> numbers = new TreeSet<>(log.numbers(new ChangeLog.Wanted("", List.of(), "wall:" + id)));
    if (mayKnow != null) {
      numbers.retainAll(mayKnow.keySet());
    }
    if (numbers.isEmpty()) {
      return new WallChangesView(0, null, null);
    }
    List<WallChangeView> ends = log.of(Set.copyOf(Stream.of(numbers.first(), numbers.last()).distinct().toList()), false).stream().map(change -> view(change, mayKnow)).toList();
    return new WallChangesView(numbers.size(), ends.get(0), ends.size() == 1 ? null : ends.get(1));
  }

  private WallChangeView view(ChangeLog.Logged change, Map<Long, KnownChanges.Known> mayKnow) {
    boolean whole = mayKnow == null || mayKnow.get(change.number()) == KnownChanges.Known.ALL;
    return new WallChangeView(change.number(), change.at(), change.authorName(), KnownChanges.told(change, mayKnow).note(), whole ? log.approvals(change.number()).stream().map(ChangeLog.Approved::name).toList() : null);
  }
}
