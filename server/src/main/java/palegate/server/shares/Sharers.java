package palegate.server.shares;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.access.Grant;
import palegate.core.changes.Change;
import palegate.core.changes.ShareChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.shares.Sharing;
import palegate.core.shares.Shortlists;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.changes.NewIds;
import palegate.server.papers.Papers;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;

/** What somebody may share, decided on the newest state: whom they may name, what stands in the way, and what would come of it. */
@Service
class Sharers {
  /** What is to be shared: with whom, by which role, when. */
  record Wanted(String place, List<Subject> subjects, String role, Period period, String note) {}

  /** A sharing tried out: by whom, the changes that would make it, and what they would do. */
  record Tried(Papers.Own own, List<Change> steps, Rehearsal rehearsal, List<Sharing.Obstacle> obstacles) {}

  private final Papers papers;
  private final Viewpoints viewpoints;
  private final Clock clock;

  Sharers(Papers papers, Viewpoints viewpoints, Clock clock) {
    this.papers = papers;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  /** What is not there, as far as they may know, is not found. O(what the rehearsal of it takes). */
  Tried tried(String account, Wanted wanted) {
    Papers.Own own = papers.of(account);
    Papers.found(own, wanted.place());
    Structure structure = own.snapshot().structure();
    if (!structure.roles().containsKey(wanted.role())) {
      throw Problem.notFound("role", wanted.role());
    }
    Structure known = viewpoints.known(account).snapshot().structure();
    Set<Subject> proposed = Set.copyOf(Shortlists.of(structure, structure.people().get(own.asker().id())).stream().map(audience -> audience.subject()).toList());
    wanted.subjects().stream().filter(subject -> !proposed.contains(subject) && !mayBeNamed(subject, known)).findFirst().ifPresent(subject -> {
      throw Problem.notFound(subject.kind(), subject.id());
    });
    Instant now = now();
    if (wanted.period().endedBy(now)) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "ended", "It would already have ended", "Choose an end that is still to come.");
    }
    List<Change> steps = new ArrayList<>();
    wanted.subjects().forEach(subject -> steps.add(new ShareChange.AddShare(new Grant(NewIds.of("e"), wanted.place(), subject, wanted.role(), Set.of(), wanted.period(), wanted.note(), own.asker().id(), null))));
    Rehearsal rehearsal = Rehearsal.of(own.snapshot(), steps, now, own.asker().id());
    if (!rehearsal.obstacles().isEmpty()) {
      throw Problem.faults("This cannot be kept so. Nothing was shared.", rehearsal.obstacles().stream().map(refusal -> new Problem.Fault("share", refusal.what(), refusal.remedy(), refusal.cycle())).distinct().toList());
    }
    return new Tried(own, steps, rehearsal, Sharing.obstacles(own.asker(), rehearsal));
  }

  private static boolean mayBeNamed(Subject subject, Structure known) {
    return subject == Subject.BuiltIn.STAFF || subject == Subject.BuiltIn.OUTSIDERS || SubjectNames.isThere(subject, known) && !(subject instanceof Subject.OfPerson person && !known.people().get(person.id()).active());
  }

  /** Refused with everything that stands in the way; and if it would do something else than what was seen. */
  static void refuse(Tried tried, String seen) {
    if (!tried.obstacles().isEmpty()) {
      throw Problem.faults("This cannot be shared so. Nothing was shared.", tried.obstacles().stream().map(one -> new Problem.Fault(one.about(), one.what(), one.remedy(), List.of())).toList());
    }
    refuseOther(tried.rehearsal(), seen);
  }

  /** What holds is what was seen (access rules, section 8). */
  static void refuseOther(Rehearsal rehearsal, String seen) {
    if (!rehearsal.digest().equals(seen)) {
      throw Problem.of(HttpStatus.CONFLICT, "difference-moved", "It would now do something else than you saw", "Something was changed elsewhere, or began or ended, since this was shown. Nothing was done. Look at what it would do now, then decide again.");
    }
  }

  /** Those of some subjects' people whom the rehearsal lets do more than now, each once. */
  static PersonSet gaining(Rehearsal rehearsal) {
    return PersonSet.of(rehearsal.now().people().stream().filter(shift -> !shift.gained().isEmpty()).mapToInt(shift -> rehearsal.after().personNumber(shift.person().id())).sorted().toArray());
  }

  Instant now() {
    return clock.instant().truncatedTo(ChronoUnit.MICROS);
  }

  /** People of a state as its order has them, as far as they may be known by name. */
  static List<Person> named(PersonSet people, Papers.Own own, Structure known, int atMost) {
    return own.snapshot().inOrder(people.stream()).mapToObj(own.snapshot()::person).filter(person -> known.people().containsKey(person.id())).limit(atMost).toList();
  }
}
