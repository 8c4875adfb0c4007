package palegate.server.store;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Loads the structure as of any change, and writes the rows of a new one. */
@Component
public class StructureStore {
  /** A thing that a change altered: {@code before} is null if it began, {@code after} if it ended. */
  public record Altered(String kind, String id, Object before, Object after) {}

  /** A membership with its group, as a change altered it. */
  public record GroupMembership(String group, Membership membership) {}

  private final JdbcClient jdbc;
  private final PeopleRows people;
  private final GroupRows groups;
  private final RoleAndTypeRows rolesAndTypes;
  private final PlaceRows places;
  private final EntryRows entries;
  private final OversightRows oversights;
  private final WallRows walls;
  private final ApprovalRows approvals;
  private final DutyRows duties;

  StructureStore(JdbcClient jdbc, PeopleRows people, GroupRows groups, RoleAndTypeRows rolesAndTypes, PlaceRows places, EntryRows entries,
      OversightRows oversights, WallRows walls, ApprovalRows approvals, DutyRows duties) {
    this.jdbc = jdbc;
    this.people = people;
    this.groups = groups;
    this.rolesAndTypes = rolesAndTypes;
    this.places = places;
    this.entries = entries;
    this.oversights = oversights;
    this.walls = walls;
    this.approvals = approvals;
    this.duties = duties;
  }

  /** The number of the newest change; 0 before the first. */
  public long head() {
    return jdbc.sql("SELECT number FROM head WHERE id = 1").query(Long.class).single();
  }

  /** The structure as of a change, from one consistent reading of the database. */
  @Transactional(readOnly = true)
  public Structure asOf(long change) {
    return Structure.of(
        people.units(Span.AS_OF, change), people.people(Span.AS_OF, change), groups.groupsAsOf(change),
        rolesAndTypes.roles(Span.AS_OF, change), rolesAndTypes.types(Span.AS_OF, change),
        places.places(Span.AS_OF, change), entries.grants(Span.AS_OF, change), entries.withholdings(Span.AS_OF, change))
        .guardedBy(oversights.oversights(Span.AS_OF, change), walls.walls(Span.AS_OF, change))
        .approvedBy(approvals.approvals(Span.AS_OF, change))
        .administeredBy(duties.duties(Span.AS_OF, change));
  }

  /** Of these ids, those that were places once and are none now, each with the change that took it away. */
  public Map<String, Long> goneWith(Collection<String> ids) {
    return places.goneWith(ids);
  }

  /** Writes what differs between two structures as a change; the caller holds the transaction. */
  @Transactional
  public void write(StructureDifference altered, long change) {
    people.writeUnits(RowChanges.of(altered, altered.units(), Structure::units), change);
    people.writePeople(RowChanges.of(altered, altered.people(), Structure::people), change);
    groups.write(altered, change);
    rolesAndTypes.writeRoles(RowChanges.of(altered, altered.roles(), Structure::roles), change);
    RowChanges<Place> laidOut = RowChanges.of(altered, altered.places(), Structure::places);
    places.name(laidOut);
    places.beginOtherLives(laidOut);
    rolesAndTypes.writeTypes(RowChanges.of(altered, altered.types(), Structure::types), change);
    places.write(laidOut, change);
    entries.writeGrants(RowChanges.of(altered, altered.grants(), Structure::grants), change);
    entries.writeWithholdings(RowChanges.of(altered, altered.withholdings(), Structure::withholdings), change);
    oversights.write(RowChanges.of(altered, altered.oversights(), Structure::oversights), change);
    walls.write(RowChanges.of(altered, altered.walls(), Structure::walls), change);
    approvals.write(RowChanges.of(altered, altered.approvals(), Structure::approvals), change);
    duties.write(RowChanges.of(altered, altered.duties(), Structure::duties), change);
  }

  /** Everything a change altered, with its exact content before and after, kind by kind. */
  @Transactional(readOnly = true)
  public List<Altered> alteredBy(long change) {
    return altered(Span.ENDED, Span.BEGAN, change);
  }

  private List<Altered> altered(Span over, Span begun, long change) {
    List<Altered> all = new ArrayList<>();
    pair(all, "unit", people.units(over, change), people.units(begun, change), Unit::id);
    pair(all, "person", people.people(over, change), people.people(begun, change), Person::id);
    pair(all, "group", groups.groups(over, change), groups.groups(begun, change), Group::id);
    for (GroupRows.Held held : groups.memberships(over, change)) {
      all.add(new Altered("membership", held.group(), new GroupMembership(held.group(), held.membership()), null));
    }
    for (GroupRows.Held held : groups.memberships(begun, change)) {
      all.add(new Altered("membership", held.group(), null, new GroupMembership(held.group(), held.membership())));
    }
    pair(all, "role", rolesAndTypes.roles(over, change), rolesAndTypes.roles(begun, change), Role::id);
    pair(all, "type", rolesAndTypes.types(over, change), rolesAndTypes.types(begun, change), DocumentType::id);
    pair(all, "place", places.places(over, change), places.places(begun, change), Place::id);
    pair(all, "grant", entries.grants(over, change), entries.grants(begun, change), Grant::id);
    pair(all, "withholding", entries.withholdings(over, change), entries.withholdings(begun, change), Withholding::id);
    pair(all, "oversight", oversights.oversights(over, change), oversights.oversights(begun, change), Oversight::id);
    pair(all, "wall", walls.walls(over, change), walls.walls(begun, change), Wall::id);
    pair(all, "approval", approvals.approvals(over, change), approvals.approvals(begun, change), ApprovalRule::id);
    pair(all, "duty", duties.duties(over, change), duties.duties(begun, change), DutyAssignment::id);
    return all;
  }

  /** What a change made of the structure before it. O(what it altered). */
  @Transactional(readOnly = true)
  public Structure after(Structure before, long change) {
    return with(before, alteredBy(change));
  }

  /** The newest structure, and the change that it is as of. */
  public record Newest(long change, Structure structure) {}

  /** The newest structure, from one that was known as of a change: what other instances have changed since. O(what has been altered since). */
  @Transactional(readOnly = true)
  public Newest newest(Structure known, long change) {
    return new Newest(head(), with(known, altered(Span.GONE_SINCE, Span.COME_SINCE, change)));
  }

  /**
   * The structure as of an earlier change, from the one as of a later. O(what has been altered since), if the later is the
   * newest; otherwise all is read.
   */
  @Transactional(readOnly = true)
  public Structure earlier(Structure newest, long head, long change) {
    return head() == head ? with(newest, altered(Span.COME_SINCE, Span.GONE_SINCE, change)) : asOf(change);
  }

  private static Structure with(Structure before, List<Altered> alterations) {
    Map<String, Map<String, Object>> byKind = new HashMap<>();
    Map<String, Group> groups = new LinkedHashMap<>();
    for (Altered altered : alterations) {
      Group known = groups.containsKey(altered.id()) ? groups.get(altered.id()) : before.groups().get(altered.id());
      if (altered.kind().equals("membership")) {
        if (known == null) {
          // The group has gone with all who were in it.
          continue;
        }
        GroupMembership ended = (GroupMembership) altered.before();
        GroupMembership begun = (GroupMembership) altered.after();
        List<Membership> members = new ArrayList<>(known.members());
        if (ended != null) {
          members.remove(ended.membership());
        } else {
          members.add(begun.membership());
        }
        groups.put(altered.id(), known.with(members));
      } else if (altered.kind().equals("group")) {
        Group now = (Group) altered.after();
        groups.put(altered.id(), now == null || known == null ? now : now.with(known.members()));
      } else {
        byKind.computeIfAbsent(altered.kind(), any -> new LinkedHashMap<>()).put(altered.id(), altered.after());
      }
    }
    return before.withUnits(of(byKind, "unit")).withPeople(of(byKind, "person")).withGroups(groups).withRoles(of(byKind, "role"))
        .withTypes(of(byKind, "type")).withPlaces(of(byKind, "place")).withGrants(of(byKind, "grant"))
        .withWithholdings(of(byKind, "withholding")).withOversights(of(byKind, "oversight")).withWalls(of(byKind, "wall"))
        .withApprovals(of(byKind, "approval")).withDuties(of(byKind, "duty"));
  }

  @SuppressWarnings("unchecked") // each kind holds parts of one class only
  private static <T> Map<String, T> of(Map<String, Map<String, Object>> byKind, String kind) {
    return (Map<String, T>) byKind.getOrDefault(kind, Map.of());
  }

  private static <T> void pair(List<Altered> all, String kind, List<T> over, List<T> begun, Function<T, String> id) {
    Map<String, T> afterById = new LinkedHashMap<>();
    begun.forEach(thing -> afterById.put(id.apply(thing), thing));
    for (T before : over) {
      all.add(new Altered(kind, id.apply(before), before, afterById.remove(id.apply(before))));
    }
    afterById.forEach((key, after) -> all.add(new Altered(kind, key, null, after)));
  }
}
