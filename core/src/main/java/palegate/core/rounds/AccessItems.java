package palegate.core.rounds;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PrimitiveIterator;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.WaysIn;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * What people have at places, by whatever way: one thing to ask about for each person, where they first have anything and wherever it is
 * another than at the place above. Places are containers, and documents with a list of their own; what a guarded type cuts is asked about
 * with its clearances. Standing rights (access rules, section 6).
 */
final class AccessItems {
  private static final String KEY = "access:";
  private static final int WAYS_NAMED = 3;

  private final SnapshotAt moment;
  private final Snapshot snapshot;
  private final Map<Rights, String> roleNames = new HashMap<>();

  AccessItems(SnapshotAt moment) {
    this.moment = moment;
    snapshot = moment.snapshot();
    snapshot.structure().roles().values().stream().sorted(Comparator.comparing(Role::name).reversed().thenComparing(Role::id)).forEach(role -> roleNames.put(role.rights(), role.name()));
  }

  /**
   * At a place and below, in display order. O(places × rights × people / 64), and O(entries that reach it) an item.
   *
   * @param people who is asked about
   * @param atMost stops at one more
   */
  List<ReviewItem> below(int top, PersonSet people, int atMost) {
    List<ReviewItem> items = new ArrayList<>();
    PrimitiveIterator.OfInt places = snapshot.inDisplayOrder(top).filter(this::isAskedAt).iterator();
    while (places.hasNext() && items.size() <= atMost) {
      int place = places.nextInt();
      snapshot.inOrder(moment.holdersOf(Right.FIND, place).and(people).stream()).filter(person -> place == top || !moment.rights(person, place).equals(moment.rights(person, snapshot.parent(place))))
          .limit(atMost + 1L - items.size()).forEach(person -> items.add(item(place, person)));
    }
    return items;
  }

  private boolean isAskedAt(int place) {
    return !snapshot.isDocument(place) || snapshot.standsAlone(place) || !snapshot.ownEntries(place).isEmpty();
  }

  /** What somebody has there now; empty if they have nothing. */
  Optional<ReviewItem> find(ReviewItem asked) {
    int place = snapshot.placeNumber(asked.container());
    int person = snapshot.personNumber(asked.subject().id());
    return place < 0 || person < 0 || moment.rights(person, place).isEmpty() ? Optional.empty() : Optional.of(item(place, person));
  }

  private ReviewItem item(int place, int number) {
    Person person = snapshot.person(number);
    Rights rights = moment.rights(number, place);
    String path = snapshot.pathText(place);
    int outsiders = person.external() ? 1 : 0;
    int risk = (rights.contains(Right.GOVERN) ? 3 : 0) + outsiders * 6;
    String sentence = person.name() + " has " + words(rights) + " at " + path + through(place, number) + ".";
    String id = snapshot.place(place).id();
    return new ReviewItem(KEY + id + ":" + person.id(), ItemKind.ACCESS, new Subject.OfPerson(person.id()), person.name(), id, path, null, Period.ALWAYS, 1, outsiders, risk, sentence, "place:" + id);
  }

  /** The role that gives just these, or the rights one by one. */
  private String words(Rights rights) {
    String role = roleNames.get(rights);
    return role != null ? "what " + role + " gives" : String.join(", ", rights.words());
  }

  private String through(int place, int person) {
    List<String> ways = WaysIn.words(moment, place, person);
    List<String> named = ways.stream().limit(WAYS_NAMED).toList();
    return named.isEmpty() ? "" : ", through " + String.join(", ", named) + (ways.size() > named.size() ? " and " + (ways.size() - named.size()) + " more" : "");
  }

  boolean isOverseen(int place, int person) {
    return WaysIn.isOverseen(moment, place, person);
  }

  /**
   * The ways by which somebody has it, each as the things whose coming made it: an entry, and the membership by which it is theirs. Empty if
   * a way is made of more than that, as through groups in groups and units.
   */
  List<List<String>> ways(ReviewItem item) {
    int place = snapshot.placeNumber(item.container());
    int person = snapshot.personNumber(item.subject().id());
    List<List<String>> ways = new ArrayList<>();
    for (Grant grant : place < 0 || person < 0 ? List.<Grant>of() : WaysIn.giving(moment, place, person)) {
      Optional<List<String>> way = way(grant, item.subject().id());
      if (way.isEmpty()) {
        return List.of();
      }
      ways.add(way.get());
    }
    return ways;
  }

  private Optional<List<String>> way(Grant grant, String person) {
    String entry = "grant:" + grant.id();
    if (grant.subject() instanceof Subject.OfPerson) {
      return Optional.of(List.of(entry));
    }
    return !(grant.subject() instanceof Subject.OfGroup group) ? Optional.empty() : snapshot.structure().groups().get(group.id()).members().stream()
        .filter(one -> one.member() instanceof Membership.PersonMember && one.member().id().equals(person) && one.period().holdsAt(moment.instant())).findFirst()
        .map(one -> List.of(entry, ReviewItems.membershipKey(group.id(), one)));
  }
}
