package palegate.server.papers;

import java.time.Clock;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.GuardChange;
import palegate.core.changes.PlaceChange;
import palegate.core.papers.Acts;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.reversal.Reversal;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
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

  /** Newest first: what they could find if it were there again. Whatever else keeps it from them now keeps from them that it was there. O(what they deleted). */
  List<DeletedPapers.Deleted> of(Papers.Own own, String account) {
    Snapshot snapshot = own.snapshot();
    Map<String, DeletedPapers.Deleted> gone = new LinkedHashMap<>();
    deleted.by(account, clock.instant().minus(KEPT)).stream().filter(one -> own.places().finds(snapshot.placeNumber(one.place().parent()))).forEach(one -> gone.put(one.place().id(), one));
    // Under names that nothing else has: that another has its name is no secret.
    List<Change> again = gone.values().stream().map(DeletedPapers.Deleted::place).<Change>map(place -> new PlaceChange.AddPlace(Place.plain(place.id(), place.kind(), place.parent(), place.id(),
        place.standsAlone(), place.labels(), place.type(), place.owner(), place.target()))).toList();
    Snapshot with = snapshot.next(DraftApplication.of(snapshot, again, clock.instant(), id -> gone.containsKey(id) ? new FormerPlace(gone.get(id).place(), Set.of()) : null).difference());
    int person = with.personNumber(own.asker().id());
    SnapshotAt there = with.at(clock.instant());
    return gone.values().stream().filter(one -> with.placeNumber(one.place().id()) >= 0 && there.rightsNow(person, with.placeNumber(one.place().id())).contains(Right.FIND)).toList();
  }

  /** Why they may not put it back, if they may not. */
  static Optional<String> whyNot(Papers.Own own, DeletedPapers.Deleted gone) {
    Place place = gone.place();
    if (place.standsAlone() || gone.ownList()) {
      return Optional.of("It had an access list of its own, or said who shares it. Whoever looks after the place can undo that it was deleted.");
    }
    boolean may = place.kind() != PlaceKind.LINK && Acts.mayAdd(own.at(), own.person(), own.snapshot().placeNumber(place.parent()), place.type());
    return may ? Optional.empty() : Optional.of("You may not add this there. Whoever looks after the place can undo that it was deleted.");
  }

  /** What puts back what an account deleted with a change, with its content, as it was; refused if they may not. */
  List<Change> toPutBack(long change, String account) {
    Papers.Own own = papers.of(account);
    DeletedPapers.Deleted gone = of(own, account).stream().filter(one -> one.change() == change).findFirst().orElseThrow(() -> Problem.notFound("deleted paper", Long.toString(change)));
    whyNot(own, gone).ifPresent(why -> {
      throw Problem.of(HttpStatus.FORBIDDEN, "right-missing", "Not allowed", why);
    });
    StructureDifference deletion = StructureDifference.between(snapshots.structureAsOf(change - 1), snapshots.structureAsOf(change));
    Reversal reversal = Reversal.of(deletion, own.snapshot(), clock.instant());
    List<Change> steps = reversal.changes();
    if (steps.isEmpty() || !reversal.left().isEmpty()) {
      // What it is may be something that they may not know of.
      throw Problem.of(HttpStatus.CONFLICT, "in-the-way", "Something is in its way", "It cannot be there again just as it was, because of what has come since. Whoever looks after the place can help.");
    }
    if (!steps.stream().allMatch(step -> step instanceof PlaceChange || step instanceof GuardChange)) {
      throw new IllegalStateException("Putting back what change " + change + " deleted would change more than the place itself.");
    }
    return steps;
  }
}
