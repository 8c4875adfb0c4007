package palegate.core.matrix;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * Ways of altering many cells at once. Where what a cell has comes from its own entries there is one way; where it comes from above or through a group
 * there are several unless that one does it, each worked out for all cells together, put in force on the side, and counted: in how many of the cells it comes to what is wanted,
 * and what else it does.
 */
public final class CellWays {
  /** So many cells at once. */
  public static final int CELLS_AT_MOST = 5_000;

  /** What is done about rights that come from elsewhere. */
  public enum Kind {
    /** Nothing: the entries at the places themselves are set right. */
    HERE,
    /** They are withheld at the places. */
    WITHHOLD,
    /** The entries that give them are altered where they stand. */
    ABOVE,
    /** The places stand alone from now on, with the same entries but for those. */
    BREAK,
    /** The subjects leave the groups through which they come. */
    LEAVE
  }

  /**
   * One way.
   *
   * @param met in how many of the cells it comes to what is wanted, those counted that are so already
   * @param effect who gains and loses what by it, everywhere
   * @param lockOuts how many places nobody would keep
   */
  public record Way(Kind kind, List<Change> changes, int met, RightsDifference.Totals effect, int lockOuts) {}

  /**
   * The answer.
   *
   * @param already how many of the cells are so already
   * @param ways the one that comes to what is wanted in most cells first, then the one that does least besides
   * @param noRole how many cells need a set of rights that is no role's
   */
  public record Answer(int cells, int already, List<Way> ways, int noRole) {}

  private final Snapshot snapshot;
  private final SnapshotAt moment;
  private final Instant instant;
  private final CellCommand command;
  private final Supplier<String> ids;
  private final List<CellPlan> plans;
  private final List<Role> roles;
  private int noRole;

  private CellWays(Snapshot snapshot, Instant instant, List<CellAt> cells, CellCommand command, Supplier<String> ids) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.command = command;
    this.ids = ids;
    moment = snapshot.at(instant);
    Map<Subject, Set<Subject>> containing = new HashMap<>();
    plans = cells.stream().distinct().map(cell -> new CellPlan(moment, instant, cell, containing.computeIfAbsent(cell.subject(), subject -> Containing.of(moment, subject)), command)).toList();
    roles = snapshot.structure().roles().values().stream().sorted(Comparator.comparing((Role role) -> role.rights().size()).thenComparing(Role::id)).toList();
  }

  /**
   * Looks for ways. O(cells × reaching entries + ways × rehearsal).
   *
   * @param ids makes the ids of new entries
   */
  public static Answer of(Snapshot snapshot, Instant instant, List<CellAt> cells, CellCommand command, Supplier<String> ids) {
    return new CellWays(snapshot, instant, cells, command, ids).answer();
  }

  private Answer answer() {
    List<CellPlan> open = plans.stream().filter(plan -> !plan.already()).toList();
    int already = plans.size() - open.size();
    List<Way> ways = new ArrayList<>();
    if (!open.isEmpty()) {
      boolean elsewhere = open.stream().anyMatch(plan -> plan.excess(snapshot) != 0);
      for (Kind kind : elsewhere ? Kind.values() : new Kind[] {Kind.HERE}) {
        noRole = kind == Kind.HERE ? 0 : noRole;
        List<Change> changes = changes(kind, open);
        Way way = changes.isEmpty() || ways.stream().anyMatch(one -> one.changes().equals(changes)) ? null : tried(kind, changes, already, open);
        if (way != null && way.met() > already) {
          ways.add(way);
        }
        if (way != null && way.met() == plans.size() && kind == Kind.HERE) {
          break;
        }
      }
      ways.sort(Comparator.comparingInt(Way::met).reversed().thenComparingInt(Way::lockOuts)
          .thenComparingLong(way -> way.effect().pairsGaining() + way.effect().pairsLosing()).thenComparing(Way::kind));
    }
    return new Answer(plans.size(), already, List.copyOf(ways), noRole);
  }

  private Way tried(Kind kind, List<Change> changes, int already, List<CellPlan> open) {
    DraftApplication.Result applied = DraftApplication.of(snapshot, changes, instant);
    if (!applied.refusals().isEmpty()) {
      return null;
    }
    Snapshot after = snapshot.next(applied.difference());
    Rehearsal rehearsal = Rehearsal.leadingTo(after, applied, snapshot, changes, instant);
    return new Way(kind, changes, already + met(after, open), rehearsal.now().totals(), rehearsal.lockOutsNow().size());
  }

  private int met(Snapshot after, List<CellPlan> open) {
    SnapshotAt then = after.at(instant);
    Map<Column, List<CellPlan>> byColumn = new LinkedHashMap<>();
    open.forEach(plan -> byColumn.computeIfAbsent(plan.cell.column(), any -> new ArrayList<>()).add(plan));
    int met = 0;
    for (Map.Entry<Column, List<CellPlan>> column : byColumn.entrySet()) {
      Column moved = new Column(after.placeNumber(snapshot.place(column.getKey().place()).id()), column.getKey().type());
      List<CellPlan> wanted = column.getValue();
      GivenRights given = GivenRights.of(then, instant, wanted.stream().map(plan -> plan.cell.subject()).toList(), List.of(moved));
      for (int row = 0; row < wanted.size(); row++) {
        Rights target = wanted.get(row).wanted();
        met += target == null || given.rights(row, 0).equals(target) ? 1 : 0;
      }
    }
    return met;
  }

  private List<Change> changes(Kind kind, List<CellPlan> open) {
    Set<Change> changes = new LinkedHashSet<>();
    Map<Entry, Integer> altered = kind == Kind.ABOVE ? alteredAbove(open) : Map.of();
    if (kind == Kind.ABOVE && !replaceAltered(altered, changes) || kind == Kind.LEAVE && !leave(open, changes)) {
      return List.of();
    }
    Map<String, Map<Subject, Integer>> broken = new LinkedHashMap<>();
    for (CellPlan plan : open) {
      int excess = plan.excess(snapshot);
      boolean breaks = kind == Kind.BREAK && excess != 0 && mayBreak(plan);
      if (breaks) {
        broken.computeIfAbsent(place(plan).id(), any -> new LinkedHashMap<>()).put(plan.cell.subject(), excess);
      }
    }
    broken.forEach((place, without) -> breakAt(place, without, changes));
    for (CellPlan plan : open) {
      setRight(kind, plan, altered, broken.getOrDefault(place(plan).id(), Map.of()).containsKey(plan.cell.subject()), changes);
    }
    return List.copyOf(changes);
  }

  private Place place(CellPlan plan) {
    return snapshot.place(plan.cell.column().place());
  }

  /** The cell's own entries: those that are not wanted go, and one for what is missing comes. */
  private void setRight(Kind kind, CellPlan plan, Map<Entry, Integer> altered, boolean broken, Set<Change> changes) {
    Rights wanted = plan.wanted();
    String here = place(plan).id();
    if (wanted == null) {
      plan.own.forEach(entry -> changes.add(removal(entry)));
      return;
    }
    int fromOthers = 0;
    for (Entry entry : plan.others) {
      boolean goes = kind == Kind.ABOVE && altered.containsKey(entry) || broken && entry.subject().equals(plan.cell.subject());
      int rights = entry instanceof Grant ? snapshot.rightsOf(entry).mask() : 0;
      fromOthers |= goes ? rights & wanted.mask() & (kind == Kind.ABOVE ? ~altered.get(entry) : 0) : rights;
    }
    int missing = wanted.mask() & ~fromOthers;
    int ownGiven = CellPlan.given(snapshot, plan.own);
    int ownTaken = CellPlan.taken(snapshot, plan.own);
    int excess = kind == Kind.WITHHOLD ? plan.excess(snapshot) : 0;
    boolean grantsAreRight = (ownGiven & ~wanted.mask()) == 0 && (missing & ~ownGiven) == 0;
    boolean takenIsRight = (ownTaken & wanted.mask()) == 0;
    Role role = grantsAreRight || missing == 0 ? null : roleFor(wanted, missing);
    if (role == null && !grantsAreRight && missing != 0) {
      // Without a role that fits, what is there stays: taking it would leave the cell with less than it has.
      noRole += kind == Kind.HERE ? 1 : 0;
      return;
    }
    for (Entry entry : plan.own) {
      if (entry instanceof Grant ? !grantsAreRight : !takenIsRight) {
        changes.add(removal(entry));
      }
    }
    if (role != null) {
      changes.add(new AccessChange.AddGrant(new Grant(ids.get(), here, plan.cell.subject(), role.id(), plan.narrowing(), periodOf(plan.own), null)));
    }
    int toTake = excess & ~(takenIsRight ? ownTaken : 0);
    if (toTake != 0) {
      changes.add(new AccessChange.AddWithholding(new Withholding(ids.get(), here, plan.cell.subject(), Rights.ofMask(toTake), plan.narrowing(), Period.ALWAYS, null)));
    }
  }

  /** What was given for a time is replaced for that time: the last end of the grants that go, if each has one. */
  private static Period periodOf(List<Entry> own) {
    List<Instant> ends = own.stream().filter(Grant.class::isInstance).map(entry -> entry.period().until()).toList();
    return ends.isEmpty() || ends.contains(null) ? Period.ALWAYS : new Period(null, ends.stream().max(Comparator.naturalOrder()).orElseThrow());
  }

  /** The role that was named; else one with just what is wanted; else the smallest that adds what is missing and nothing that is not wanted. */
  private Role roleFor(Rights wanted, int missing) {
    if (command instanceof CellCommand.SetRole set) {
      return snapshot.structure().roles().get(set.role());
    }
    return roles.stream().filter(role -> role.rights().equals(wanted)).findFirst().orElseGet(() -> roles.stream()
        .filter(role -> wanted.containsAll(role.rights()) && role.rights().containsAll(Rights.ofMask(missing))).findFirst().orElse(null));
  }

  private static Change removal(Entry entry) {
    return entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id());
  }

  /** The grants elsewhere that give too much, each with what of it is too much for some cell. */
  private Map<Entry, Integer> alteredAbove(List<CellPlan> open) {
    Map<Entry, Integer> altered = new LinkedHashMap<>();
    for (CellPlan plan : open) {
      int excess = plan.excess(snapshot);
      plan.others.stream().filter(entry -> entry instanceof Grant && (snapshot.rightsOf(entry).mask() & excess) != 0)
          .forEach(entry -> altered.merge(entry, snapshot.rightsOf(entry).mask() & excess, (one, other) -> one | other));
    }
    return altered;
  }

  /** Whether each can be replaced by a role that is there. */
  private boolean replaceAltered(Map<Entry, Integer> altered, Set<Change> changes) {
    for (Map.Entry<Entry, Integer> one : altered.entrySet()) {
      Grant grant = (Grant) one.getKey();
      Rights left = snapshot.rightsOf(grant).minus(Rights.ofMask(one.getValue())).close();
      changes.add(removal(grant));
      if (!left.isEmpty()) {
        Role role = roles.stream().filter(each -> each.rights().equals(left)).findFirst().orElse(null);
        if (role == null) {
          return false;
        }
        changes.add(AccessChange.adding(grant.giving(role.id()).copiedTo(ids.get(), grant.place())));
      }
    }
    return !altered.isEmpty();
  }

  /** A break helps where all that is too much is given to the subject itself, by entries further up. */
  private boolean mayBreak(CellPlan plan) {
    Place at = place(plan);
    int excess = plan.excess(snapshot);
    return plan.cell.column().type() == null && at.kind() != PlaceKind.REPOSITORY && !at.standsAlone() && plan.others.stream()
        .filter(entry -> entry instanceof Grant && (snapshot.rightsOf(entry).mask() & excess) != 0).allMatch(entry -> entry.subject().equals(plan.cell.subject()) && !entry.place().equals(at.id()));
  }

  private void breakAt(String id, Map<Subject, Integer> without, Set<Change> changes) {
    changes.add(new AccessChange.BreakPlace(id, AccessChange.Start.EMPTY, List.of(), ids.get()));
    for (Entry entry : snapshot.reachingEntries(snapshot.placeNumber(id))) {
      boolean mine = entry.place().equals(id) || entry.period().endedBy(instant);
      boolean goes = entry instanceof Grant && entry.period().holdsAt(instant) && entry.touches(snapshot.structure().places().get(id).type()) && without.containsKey(entry.subject());
      if (!mine && !goes) {
        changes.add(entry instanceof Grant grant ? new AccessChange.AddGrant(grant.copiedTo(ids.get(), id)) : new AccessChange.AddWithholding(((Withholding) entry).copiedTo(ids.get(), id)));
      }
    }
  }

  /** Whether leaving groups can do anything: each cell with too much has it by memberships of its subject. */
  private boolean leave(List<CellPlan> open, Set<Change> changes) {
    for (CellPlan plan : open) {
      int excess = plan.excess(snapshot);
      Subject subject = plan.cell.subject();
      for (Entry entry : plan.others) {
        if (entry instanceof Grant && (snapshot.rightsOf(entry).mask() & excess) != 0) {
          if (!(entry.subject() instanceof Subject.OfGroup) || subject.equals(entry.subject()) || !(subject instanceof Subject.OfGroup || subject instanceof Subject.OfPerson)) {
            return false;
          }
          (subject instanceof Subject.OfGroup ? moment.joined().group(subject.id()) : moment.joined().person(subject.id())).stream()
              .filter(in -> Containing.of(moment, new Subject.OfGroup(in.group())).contains(entry.subject()))
              .forEach(in -> changes.add(new MembershipChange.RemoveMember(in.group(), new Membership(subject instanceof Subject.OfGroup
                  ? new Membership.GroupMember(subject.id()) : new Membership.PersonMember(subject.id()), in.period()))));
        }
      }
    }
    return !changes.isEmpty();
  }
}
