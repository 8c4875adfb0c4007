package palegate.core.shares;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.changes.PassChange;
import palegate.core.changes.ShareChange;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Rights;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.viewpoint.Asker;

/** What comes of somebody's opening a pass (section 11). To whoever it is not for, and to whoever a wall bars, it is as if it never was. */
public sealed interface PassOpening {
  /** It is not there, as far as they may know. */
  record Unknown() implements PassOpening {}

  /** They have opened it, and are in by it. */
  record OpenAlready(Pass pass) implements PassOpening {}

  /** It gives nothing now. */
  record Refused(Pass pass, String what, String remedy) implements PassOpening {}

  /** It lets them in by this change. */
  record Opens(Pass pass, PassChange.OpenPass change, Rights rights) implements PassOpening {}

  /**
   * Decides on a state.
   *
   * @param now not that of the state, which is shared by all instants at which the same holds: what may be shared for how long is counted from it
   * @param openedBy the ids of everybody who has ever opened it, also of those from whom it has been taken since
   * @param entry the id of the grant that it would make
   */
  static PassOpening of(SnapshotAt state, Instant now, String pass, String person, Set<String> openedBy, String entry) {
    Snapshot snapshot = state.snapshot();
    Pass known = snapshot.structure().passes().get(pass);
    int opener = person == null ? -1 : snapshot.personNumber(person);
    int place = known == null ? -1 : snapshot.placeNumber(known.place());
    boolean theirs = known != null && opener >= 0 && state.active().contains(opener) && known.audience().stream().anyMatch(subject -> state.matches(opener, subject));
    if (!theirs || place < 0 || state.walls().barredFrom(place).contains(opener)) {
      return new Unknown();
    }
    if (snapshot.structure().grants().values().stream().anyMatch(grant -> pass.equals(grant.pass()) && grant.subject().equals(new Subject.OfPerson(person)) && !grant.period().endedBy(now))) {
      return new OpenAlready(known);
    }
    Refused refused = openedBy.contains(person) ? new Refused(known, "What you had by this pass has been taken back.", "Ask whoever sent it to you.")
        : known.period().endedBy(now) ? new Refused(known, "This pass has ended.", "Ask whoever sent it to you for another one.")
        : !known.period().holdsAt(now) ? new Refused(known, "This pass cannot be opened yet.", "Open it once it has begun.")
        : known.uses() != null && openedBy.size() >= known.uses() ? new Refused(known, "This pass has been opened by as many people as it was made for.", "Ask whoever sent it to you for another one.") : null;
    return refused != null ? refused : rehearsed(state, now, known, opener, place, new PassChange.OpenPass(pass, person, entry));
  }

  /** What is in the way is the maker's, or the place's: whoever opens it hears which. */
  private static Refused refused(Pass pass, Sharing.Obstacle obstacle) {
    return switch (obstacle.about()) {
      case "until" -> new Refused(pass, "This pass goes on for longer than the place allows by now.", "Ask whoever sent it to you for another one.");
      case "subject" -> new Refused(pass, "Nothing is shared with outsiders there any more.", "Ask whoever sent it to you.");
      default -> new Refused(pass, "Whoever made this pass could not share this any more.", "Ask somebody who governs it: they can take the pass over.");
    };
  }

  private static PassOpening rehearsed(SnapshotAt state, Instant now, Pass pass, int opener, int place, PassChange.OpenPass change) {
    Grant share = new Grant(change.entry(), pass.place(), new Subject.OfPerson(change.person()), pass.role(), Set.of(), new Period(null, pass.period().until()), pass.note(), pass.maker(), null);
    Rehearsal rehearsal = Rehearsal.of(state.snapshot(), List.of(new ShareChange.AddShare(share)), now, pass.maker());
    List<Sharing.Obstacle> obstacles = Sharing.obstacles(Asker.of(state, pass.maker()), rehearsal);
    if (!obstacles.isEmpty()) {
      return refused(pass, obstacles.get(0));
    }
    Rights had = state.rights(opener, place);
    Rights rights = rehearsal.after().at(now).rights(opener, place);
    return rights.minus(had).isEmpty() && rehearsal.now().isEmpty() ? new Refused(pass, "It would give you nothing that you do not have.", "There is nothing to do.") : new Opens(pass, change, rights);
  }
}
