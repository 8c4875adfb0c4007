package palegate.server.walls;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.core.wallsatwork.WallWatch;
import palegate.server.shell.MayBeMissing;
import palegate.server.views.PersonView;

/** What the asker's draft does to walls against what they are for. It is told to those who may know of walls: to others it would tell of them. */
@RestController
class WallWatchController {
  /** Of a place: what speaks for it, and what that is like or unlike. Of a person: whom the wall would no longer keep out, and from when if that is later. Of what is given or gained: to whom. */
  record WatchView(WallWatch.Kind kind, String wall, String wallName, @MayBeMissing String side, @MayBeMissing String place, @MayBeMissing String path, @MayBeMissing PersonView person, @MayBeMissing String whom, @MayBeMissing String said,
      @MayBeMissing String like, @MayBeMissing Instant from) {}

  /** @param more how many besides are not listed */
  record Watched(List<WatchView> notices, int more) {}

  private static final int NOTICES_AT_MOST = 50;

  private final WallsAtWork walls;

  WallWatchController(WallsAtWork walls) {
    this.walls = walls;
  }

  /** See {@link WallWatch#of}. */
  @GetMapping("/api/draft/wall-watch")
  Watched watch(Principal who) {
    Rehearsal rehearsal = walls.rehearsed(who);
    Snapshot after = rehearsal.after();
    List<WallWatch.Notice> notices = WallWatch.of(rehearsal.before(), after, rehearsal.differences());
    return new Watched(notices.stream().limit(NOTICES_AT_MOST).map(notice -> new WatchView(notice.kind(), notice.wall(), after.structure().walls().get(notice.wall()).name(), notice.side(), notice.place(),
        notice.place() == null ? null : after.pathText(after.placeNumber(notice.place())), notice.person() == null ? null : PersonView.of(after.structure().people().get(notice.person()), after.structure()), notice.whom(), notice.said(),
        notice.like(), notice.from())).toList(), Math.max(0, notices.size() - NOTICES_AT_MOST));
  }
}
