package palegate.core.shares;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.questions.WaysIn;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;

/**
 * Somebody whom a share or a pass let in and who is still in once it has been taken back, and every other way by which they are (section 11).
 *
 * @param place the id of the place
 */
public record StillIn(Person person, String place, Rights rights, List<String> ways) {

  /** Those of the people whom the grants that a draft takes away name now, by name. O(those people × entries that reach the place). */
  public static List<StillIn> after(Rehearsal rehearsal) {
    SnapshotAt was = rehearsal.before().at(rehearsal.instant());
    SnapshotAt is = rehearsal.after().at(rehearsal.instant());
    List<StillIn> found = new ArrayList<>();
    for (Grant gone : gone(rehearsal).toList()) {
      int place = rehearsal.after().placeNumber(gone.place());
      PersonSet named = was.matching(gone.subject());
      if (place >= 0) {
        named.stream().map(person -> rehearsal.after().personNumber(rehearsal.before().person(person).id())).filter(person -> person >= 0 && !is.rights(person, place).isEmpty())
            .forEach(person -> found.add(new StillIn(rehearsal.after().person(person), gone.place(), is.rights(person, place), WaysIn.words(is, place, person))));
      }
    }
    return found.stream().distinct().sorted(Comparator.comparing((StillIn one) -> one.person().name()).thenComparing(one -> one.person().id()).thenComparing(StillIn::place)).toList();
  }

  private static Stream<Grant> gone(Rehearsal rehearsal) {
    return rehearsal.altered().grants().stream().sorted().filter(id -> !rehearsal.after().structure().grants().containsKey(id)).map(rehearsal.before().structure().grants()::get).filter(Objects::nonNull);
  }
}
