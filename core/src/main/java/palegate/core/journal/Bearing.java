package palegate.core.journal;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Oversight;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Alteration;
import palegate.core.structure.Alteration.GroupMembership;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * The part of a structure, and of what altered it, that bears on the rights of some people at some places: these places, what was ever
 * above them, what links show and walls and types name; the entries there for these people or for more than one person; their memberships and
 * all groups, units, roles, types and walls. Who is only named by these is there without anything of their own.
 */
public final class Bearing {
  private final Set<String> people;
  private final Set<String> places = new HashSet<>();
  private final Map<String, Person> named = new LinkedHashMap<>();

  private Bearing(Set<String> people) {
    this.people = people;
  }

  /** O(parts of the first structure + alterations). */
  public static Bearing on(Set<String> people, Collection<String> places, Structure first, List<List<Alteration>> alterations) {
    Bearing bearing = new Bearing(people);
    Map<String, List<Place>> later = new HashMap<>();
    List<Wall> walls = new ArrayList<>(first.walls().values());
    List<DocumentType> types = new ArrayList<>(first.types().values());
    Map<String, Person> known = new HashMap<>();
    alterations.stream().flatMap(List::stream).flatMap(altered -> Stream.of(altered.before(), altered.after())).filter(Objects::nonNull).forEach(part -> {
      if (part instanceof Place place) {
        later.computeIfAbsent(place.id(), any -> new ArrayList<>()).add(place);
      } else if (part instanceof Wall wall) {
        walls.add(wall);
      } else if (part instanceof DocumentType type) {
        types.add(type);
      } else if (part instanceof Person person) {
        known.putIfAbsent(person.id(), person);
      }
    });
    Deque<String> open = new ArrayDeque<>(places);
    walls.forEach(wall -> wall.barrier().scopes().forEach(scope -> open.addAll(scope.places())));
    types.forEach(type -> open.addAll(type.libraries()));
    Set<String> names = new HashSet<>();
    while (!open.isEmpty()) {
      String id = open.pop();
      if (bearing.places.add(id)) {
        Stream.concat(Stream.ofNullable(first.places().get(id)), later.getOrDefault(id, List.of()).stream()).forEach(place -> {
          Stream.of(place.parent(), place.target()).filter(Objects::nonNull).forEach(open::add);
          Stream.of(place.owner(), place.conditions().checkedOutBy()).filter(Objects::nonNull).forEach(names::add);
        });
      }
    }
    Stream.concat(walls.stream().flatMap(Bearing::subjects), types.stream().flatMap(type -> type.clearances().stream()).map(clearance -> clearance.subject()))
        .filter(Subject.OfPerson.class::isInstance).map(Subject::id).forEach(names::add);
    names.removeAll(people);
    for (String id : names) {
      Person person = first.people().getOrDefault(id, known.get(id));
      if (person != null) {
        bearing.named.put(id, new Person(id, person.name(), null, null, person.external(), person.active(), null));
      }
    }
    return bearing;
  }

  private static Stream<Subject> subjects(Wall wall) {
    return Stream.concat(wall.barrier().subjects().stream(), wall.exceptions().stream().map(Wall.Exempt::subject));
  }

  /** The part of a state that bears on them. O(parts). */
  public Structure of(Structure state) {
    List<Person> known = new ArrayList<>(named.values());
    state.people().values().stream().filter(person -> people.contains(person.id())).forEach(known::add);
    List<Group> groups = state.groups().values().stream().map(group -> group.with(group.members().stream().filter(this::bears).toList())).toList();
    return Structure.of(state.units().values(), known, groups, state.roles().values(), state.types().values(),
            places.stream().map(state.places()::get).filter(Objects::nonNull).toList(), entries(state.grants()), entries(state.withholdings()))
        .guardedBy(state.oversights().values().stream().filter(this::bears).toList(), state.walls().values());
  }

  /** Of what a change altered, what bears on them. */
  List<Alteration> of(List<Alteration> alterations) {
    return alterations.stream().filter(altered -> bears(altered.before() == null ? altered.after() : altered.before())).toList();
  }

  private <T extends Entry> List<T> entries(Parts<T> entries) {
    return entries.values().stream().filter(this::bears).toList();
  }

  private boolean bears(Object part) {
    if (part instanceof Entry entry) {
      return bears(entry.place(), entry.subject());
    } else if (part instanceof Oversight oversight) {
      return bears(oversight.place(), oversight.subject());
    } else if (part instanceof Place place) {
      return places.contains(place.id());
    } else if (part instanceof Person person) {
      return people.contains(person.id());
    } else if (part instanceof GroupMembership held) {
      return bears(held.membership());
    }
    return !(part instanceof ApprovalRule || part instanceof DutyAssignment || part instanceof SharingRule || part instanceof Pass || part instanceof Shortlist || part instanceof Separation);
  }

  private boolean bears(String place, Subject subject) {
    return places.contains(place) && (!(subject instanceof Subject.OfPerson) || people.contains(subject.id()));
  }

  private boolean bears(Membership membership) {
    return !(membership.member() instanceof Membership.PersonMember) || people.contains(membership.member().id());
  }
}
