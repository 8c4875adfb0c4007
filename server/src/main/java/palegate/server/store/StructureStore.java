package palegate.server.store;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Alteration;
import palegate.core.structure.Alteration.GroupMembership;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Loads the structure as of any change, and writes the rows of a new one. */
@Component
public class StructureStore {
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
  private final SharingRows sharing;
  private final SeparationRows separations;

  StructureStore(JdbcClient jdbc, PeopleRows people, GroupRows groups, RoleAndTypeRows rolesAndTypes, PlaceRows places, EntryRows entries,
      OversightRows oversights, WallRows walls, ApprovalRows approvals, DutyRows duties, SharingRows sharing, SeparationRows separations) {
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
    this.sharing = sharing;
    this.separations = separations;
  }

  /** The number of the newest change; 0 before the first. */
  public long head() {
    return jdbc.sql("SELECT number FROM head WHERE id = 1").query(Long.class).single();
  }

  /** The structure as of a change, from one consistent reading of the database. */
  @Transactional(readOnly = true)
  public Structure asOf(long change) {
    Span span = Span.asOf(change);
    return Structure.of(Dated.parts(people.units(span)), Dated.parts(people.people(span)), groups.groupsAsOf(change), Dated.parts(rolesAndTypes.roles(span)),
            Dated.parts(rolesAndTypes.types(span)), Dated.parts(places.places(span)), Dated.parts(entries.grants(span)), Dated.parts(entries.withholdings(span)))
        .guardedBy(Dated.parts(oversights.oversights(span)), Dated.parts(walls.walls(span)))
        .approvedBy(Dated.parts(approvals.approvals(span)))
        .administeredBy(Dated.parts(duties.duties(span)))
        .sharedBy(Dated.parts(sharing.rules(span)), Dated.parts(sharing.passes(span)), Dated.parts(sharing.shortlists(span)), Dated.parts(separations.separations(span)));
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
    RowChanges<Pass> passes = RowChanges.of(altered, altered.passes(), Structure::passes);
    sharing.namePasses(passes);
    entries.writeGrants(RowChanges.of(altered, altered.grants(), Structure::grants), change);
    entries.writeWithholdings(RowChanges.of(altered, altered.withholdings(), Structure::withholdings), change);
    oversights.write(RowChanges.of(altered, altered.oversights(), Structure::oversights), change);
    walls.write(RowChanges.of(altered, altered.walls(), Structure::walls), change);
    approvals.write(RowChanges.of(altered, altered.approvals(), Structure::approvals), change);
    duties.write(RowChanges.of(altered, altered.duties(), Structure::duties), change);
    sharing.writePasses(passes, change);
    sharing.writeRules(RowChanges.of(altered, altered.sharing(), Structure::sharing), change);
    sharing.writeShortlists(RowChanges.of(altered, altered.shortlists(), Structure::shortlists), change);
    separations.write(RowChanges.of(altered, altered.separations(), Structure::separations), change);
  }

  /** Everything a change altered, with its exact content before and after, kind by kind. */
  @Transactional(readOnly = true)
  public List<Alteration> alteredBy(long change) {
    return alteredBetween(change - 1, change).getOrDefault(change, List.of());
  }

  /**
   * By the number of the change, everything that each after one, up to another, altered. O(what they altered), in as many statements
   * for many changes as for one.
   */
  @Transactional(readOnly = true)
  public Map<Long, List<Alteration>> alteredBetween(long after, long upTo) {
    Map<Long, List<Alteration>> byChange = new TreeMap<>();
    eachKind(new Kinds() {
      @Override
      public <T> void of(String kind, Function<Span, List<Dated<T>>> rows, Pairing<T> pairing) {
        Map<Long, List<T>> over = new HashMap<>();
        Map<Long, List<T>> begun = new HashMap<>();
        for (Dated<T> row : rows.apply(Span.alteredBetween(after, upTo))) {
          if (row.began() > after) {
            begun.computeIfAbsent(row.began(), any -> new ArrayList<>()).add(row.part());
          }
          if (row.ended() != null && row.ended() <= upTo) {
            over.computeIfAbsent(row.ended(), any -> new ArrayList<>()).add(row.part());
          }
        }
        Stream.concat(over.keySet().stream(), begun.keySet().stream()).distinct().forEach(change -> pairing.pair(
            byChange.computeIfAbsent(change, any -> new ArrayList<>()), kind, over.getOrDefault(change, List.of()), begun.getOrDefault(change, List.of())));
      }
    });
    return byChange;
  }

  /** How many rows {@link #alteredBetween} would read of places and of grants, of which there are most. */
  public long sizeOfAlterations(long after, long upTo) {
    return jdbc.sql("""
            SELECT (SELECT COUNT(*) FROM place_states r WHERE %1$s) + (SELECT COUNT(*) FROM grants r WHERE %1$s) + (SELECT COUNT(*) FROM memberships r WHERE %1$s)
            """.formatted(Span.alteredBetween(after, upTo).condition()))
        .params(Span.alteredBetween(after, upTo).parameters()).query(Long.class).single();
  }

  /** What differs between the state after which these rows were over and the one that these began. */
  private List<Alteration> altered(Span gone, Span come) {
    List<Alteration> all = new ArrayList<>();
    eachKind(new Kinds() {
      @Override
      public <T> void of(String kind, Function<Span, List<Dated<T>>> rows, Pairing<T> pairing) {
        pairing.pair(all, kind, Dated.parts(rows.apply(gone)), Dated.parts(rows.apply(come)));
      }
    });
    return all;
  }

  /** Makes alterations of the parts that are over and those that began. */
  private interface Pairing<T> {
    void pair(List<Alteration> all, String kind, List<T> over, List<T> begun);
  }

  private interface Kinds {
    <T> void of(String kind, Function<Span, List<Dated<T>>> rows, Pairing<T> pairing);
  }

  private void eachKind(Kinds kinds) {
    kinds.of("unit", people::units, byId(Unit::id));
    kinds.of("person", people::people, byId(Person::id));
    kinds.of(Alteration.GROUP, groups::groups, byId(Group::id));
    kinds.of(Alteration.MEMBERSHIP, groups::memberships, StructureStore::memberships);
    kinds.of("role", rolesAndTypes::roles, byId(Role::id));
    kinds.of("type", rolesAndTypes::types, byId(DocumentType::id));
    kinds.of("place", places::places, byId(Place::id));
    kinds.of("grant", entries::grants, byId(Grant::id));
    kinds.of("withholding", entries::withholdings, byId(Withholding::id));
    kinds.of("oversight", oversights::oversights, byId(Oversight::id));
    kinds.of("wall", walls::walls, byId(Wall::id));
    kinds.of("approval", approvals::approvals, byId(ApprovalRule::id));
    kinds.of("duty", duties::duties, byId(DutyAssignment::id));
    kinds.of("sharing", sharing::rules, byId(SharingRule::place));
    kinds.of("pass", sharing::passes, byId(Pass::id));
    kinds.of("shortlist", sharing::shortlists, byId(Shortlist::unit));
    kinds.of("separation", separations::separations, byId(Separation::id));
  }

  private static void memberships(List<Alteration> all, String kind, List<GroupRows.Held> over, List<GroupRows.Held> begun) {
    over.forEach(held -> all.add(new Alteration(kind, held.group(), new GroupMembership(held.group(), held.membership()), null)));
    begun.forEach(held -> all.add(new Alteration(kind, held.group(), null, new GroupMembership(held.group(), held.membership()))));
  }

  private static <T> Pairing<T> byId(Function<T, String> id) {
    return (all, kind, over, begun) -> {
      Map<String, T> afterById = new LinkedHashMap<>();
      begun.forEach(part -> afterById.put(id.apply(part), part));
      over.forEach(before -> all.add(new Alteration(kind, id.apply(before), before, afterById.remove(id.apply(before)))));
      afterById.forEach((key, after) -> all.add(new Alteration(kind, key, null, after)));
    };
  }

  /** The newest structure, and the change that it is as of. */
  public record Newest(long change, Structure structure) {}

  /** The newest structure, from one that was known as of a change: what other instances have changed since. O(what has been altered since). */
  @Transactional(readOnly = true)
  public Newest newest(Structure known, long change) {
    return new Newest(head(), Alteration.applied(known, altered(Span.goneSince(change), Span.comeSince(change))));
  }

  /**
   * The structure as of an earlier change, from the one as of a later. O(what has been altered since), if the later is the
   * newest; otherwise all is read.
   */
  @Transactional(readOnly = true)
  public Structure earlier(Structure newest, long head, long change) {
    return head() == head ? Alteration.applied(newest, altered(Span.comeSince(change), Span.goneSince(change))) : asOf(change);
  }
}
