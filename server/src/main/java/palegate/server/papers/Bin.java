package palegate.server.papers;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.PlaceChange;
import palegate.core.papers.Acts;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.reversal.Reversal;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.StructureDifference;
import palegate.server.shell.Problem;
import palegate.server.store.DeletedPapers;
import palegate.server.store.Snapshots;

/**
 * What somebody deleted in their papers, for as long as they may put it back themselves. It is a view of the journal: nothing is kept for
 * it, and nothing is lost when it ends. What they could not find if it were there again is not in it.
 */
@Service
class Bin {
  static final Duration KEPT = Duration.ofDays(30);
  private static final int LISTED_AT_MOST = 100;

  private final Papers papers;
  private final DeletedPapers deleted;
  private final Snapshots snapshots;
  private final Clock clock;

  Bin(Papers papers, DeletedPapers deleted, Snapshots snapshots, Clock clock) {
    this.papers = papers;
    this.deleted = deleted;
    this.snapshots = snapshots;
    this.clock = clock;
  }

  /** Newest first, at most a hundred. O(what is listed × what one new place costs). */
  List<DeletedPapers.Deleted> of(Papers.Own own, String account) {
    return deleted.by(account, clock.instant().minus(KEPT), LISTED_AT_MOST).stream().filter(one -> wouldBeFound(own, one.place())).toList();
  }

  /** Whether they could find it if it were there again: whatever else keeps it from them now keeps from them that it was there. */
  private boolean wouldBeFound(Papers.Own own, Place place) {
    int parent = own.snapshot().placeNumber(place.parent());
    if (!own.places().finds(parent)) {
      return false;
    }
    // Under a name that nothing else has: that another has its name is no secret.
    Place there = Place.plain(place.id(), place.kind(), place.parent(), place.id(), place.standsAlone(), place.labels(), place.type(), place.owner(), place.target());
    DraftApplication.Result again = DraftApplication.of(own.snapshot(), List.of(new PlaceChange.AddPlace(there)), clock.instant(), id -> new FormerPlace(place, Set.of()));
    if (!again.refusals().isEmpty()) {
      return false;
    }
    Snapshot with = own.snapshot().next(again.difference());
    return with.at(clock.instant()).rightsNow(with.personNumber(own.asker().id()), with.placeNumber(place.id())).contains(Right.FIND);
  }

  /** Why they may not put it back, if they may not. */
  static Optional<String> whyNot(Papers.Own own, Place place) {
    int parent = own.snapshot().placeNumber(place.parent());
    if (place.standsAlone()) {
      return Optional.of("It had an access list of its own. Whoever looks after the place can undo that it was deleted.");
    }
    boolean may = place.kind() != PlaceKind.LINK && Acts.mayAdd(own.at(), own.person(), parent, place.type());
    return may ? Optional.empty() : Optional.of("You may not add this there. Whoever looks after the place can undo that it was deleted.");
  }

  /** What puts back what an account deleted with a change, with its content, as it was; refused if they may not. */
  List<Change> toPutBack(long change, String account) {
    Papers.Own own = papers.of(account);
    DeletedPapers.Deleted gone = of(own, account).stream().filter(one -> one.change() == change).findFirst().orElseThrow(() -> Problem.notFound("deleted paper", Long.toString(change)));
    whyNot(own, gone.place()).ifPresent(why -> {
      throw Problem.of(HttpStatus.FORBIDDEN, "right-missing", "Not allowed", why);
    });
    StructureDifference deletion = StructureDifference.between(snapshots.asOf(change - 1).snapshot().structure(), snapshots.asOf(change).snapshot().structure());
    Reversal reversal = Reversal.of(deletion, own.snapshot(), clock.instant());
    List<Change> steps = reversal.changes();
    if (steps.isEmpty() || !reversal.left().isEmpty()) {
      // What it is may be something that they may not know of.
      throw Problem.of(HttpStatus.CONFLICT, "in-the-way", "Something is in its way", "It cannot be there again just as it was, because of what has come since. Whoever looks after the place can help.");
    }
    if (steps.stream().anyMatch(step -> step instanceof AccessChange)) {
      throw Problem.of(HttpStatus.CONFLICT, "needs-somebody-else", "This is not for you alone to change", "It had entries of its own. Whoever looks after the place can undo that it was deleted.");
    }
    return steps;
  }
}
