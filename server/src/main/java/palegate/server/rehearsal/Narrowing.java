package palegate.server.rehearsal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.server.shell.Problem;

/**
 * What of a rehearsal is wanted.
 *
 * @param direction gains, losses or both; both if it is left out
 * @param right only where this right comes or goes
 * @param group only the people who are in this group before or after
 * @param outsidersOnly only people from outside
 */
record Narrowing(@Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Direction direction, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) String right,
    @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) String group, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Boolean outsidersOnly) {
  /** Which changes of rights a list is to show. */
  enum Direction {
    ALL, GAINS, LOSSES, OUTSIDERS;

    boolean takesGains() {
      return this != LOSSES;
    }

    boolean takesLosses() {
      return this == ALL || this == LOSSES;
    }

    boolean takes(boolean gains, boolean loses, boolean outsider) {
      return switch (this) {
        case ALL -> true;
        case GAINS -> gains;
        case LOSSES -> loses;
        case OUTSIDERS -> gains && outsider;
      };
    }
  }

  Narrowing {
    direction = direction == null ? Direction.ALL : direction;
    outsidersOnly = outsidersOnly != null && outsidersOnly;
  }

  /** Whether anybody is left out for who they are. */
  boolean namesPeople() {
    return group != null || namesOutsiders();
  }

  boolean namesOutsiders() {
    return outsidersOnly || direction == Direction.OUTSIDERS;
  }

  boolean takes(Rights gained, Rights lost, boolean outsider) {
    Rights comes = gained.intersect(wanted());
    Rights goes = lost.intersect(wanted());
    return (!comes.isEmpty() || !goes.isEmpty()) && direction.takes(!comes.isEmpty(), !goes.isEmpty(), outsider);
  }

  /** The rights of which one must come or go. */
  Rights wanted() {
    return right == null ? Rights.ALL : Rights.of(Right.parse(right).orElseThrow(() -> Problem.notFound("right", right)));
  }

  /** Who is wanted, whatever changes for them. */
  Predicate<Person> people(Rehearsal rehearsal, Instant instant) {
    Set<String> members = group == null ? null : members(rehearsal, instant);
    return person -> (members == null || members.contains(person.id())) && (!namesOutsiders() || person.external());
  }

  /** Everyone in the group before or after. */
  private Set<String> members(Rehearsal rehearsal, Instant instant) {
    Set<String> members = new HashSet<>();
    boolean known = false;
    for (Snapshot snapshot : List.of(rehearsal.before(), rehearsal.after())) {
      if (snapshot.structure().groups().containsKey(group)) {
        known = true;
        snapshot.at(instant).matching(new Subject.OfGroup(group)).forEach(person -> members.add(snapshot.person(person).id()));
      }
    }
    if (!known) {
      throw Problem.notFound("group", group);
    }
    return members;
  }
}
