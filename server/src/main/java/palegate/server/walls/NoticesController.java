package palegate.server.walls;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.viewpoint.Asker;
import palegate.core.walls.Wall;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.WallNotices;

/** What somebody signed in was told and has not said that they read. What was written about a wall that keeps them out by now is gone, as if it had never been. */
@RestController
class NoticesController {
  /** It says nothing of the wall: what there is to say is in its text. */
  record Told(long id, String text, Instant at, String by) {}

  private static final int SHOWN_AT_MOST = 20;

  private final WallNotices notices;
  private final Accounts accounts;
  private final Clock clock;

  NoticesController(WallNotices notices, Accounts accounts, Clock clock) {
    this.notices = notices;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** Oldest first. */
  @GetMapping("/api/notices")
  List<Told> waiting(Principal who) {
    return readable(accounts.asker(who.getName())).limit(SHOWN_AT_MOST).map(notice -> new Told(notice.id(), notice.text(), notice.at(), notice.authorName())).toList();
  }

  @PostMapping("/api/notices/{number}/acknowledgement")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void acknowledge(@PathVariable long number, Principal who) {
    Asker asker = accounts.asker(who.getName());
    String person = asker.id();
    if (person == null || !notices.hasAcknowledged(number, person) && (readable(asker).noneMatch(notice -> notice.id() == number) || !notices.acknowledge(number, person, clock.instant()))) {
      throw Problem.notFound("notice", String.valueOf(number));
    }
  }

  /** Decided of the state as it is, of which the asker may know neither the wall nor that it keeps them out. */
  private Stream<WallNotices.Notice> readable(Asker asker) {
    if (asker.id() == null) {
      return Stream.empty();
    }
    return notices.waiting(asker.id()).stream().filter(notice -> {
      Wall wall = asker.state().snapshot().structure().walls().get(notice.wall());
      return wall != null && notice.audience().mayStillRead(asker.state(), wall, asker.id());
    });
  }
}
