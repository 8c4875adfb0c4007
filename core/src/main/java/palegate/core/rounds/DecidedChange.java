package palegate.core.rounds;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.UnaryOperator;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.DutyChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.PassChange;
import palegate.core.changes.WallChange;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** What a decision does to the structure as it is now: removes the thing, or puts another of its kind in its place. */
public final class DecidedChange {
  /**
   * How something is to be instead.
   *
   * @param role the id of another role; null to keep the one it has
   * @param until another end; null to keep the one it has
   */
  public record Instead(String role, Instant until) {}

  private DecidedChange() {}

  /**
   * The changes that take it away; none if it is not there any more.
   *
   * @param newId gives what is put in its place an id, from a prefix: what somebody has through others is withheld from them
   */
  public static List<Change> removing(SnapshotAt moment, ReviewItem item, UnaryOperator<String> newId) {
    return item.kind() == ItemKind.ACCESS ? DecidedAccess.removing(moment, item, newId) : of(moment.snapshot().structure(), item, null, newId);
  }

  /**
   * The changes that make it what it is to be; none if it is not there any more.
   *
   * @param newId gives what is put in its place an id, from a prefix
   */
  public static List<Change> changing(SnapshotAt moment, ReviewItem item, Instead instead, UnaryOperator<String> newId) {
    Objects.requireNonNull(instead);
    return item.kind() == ItemKind.ACCESS ? DecidedAccess.changing(moment, item, instead, newId) : of(moment.snapshot().structure(), item, instead, newId);
  }

  /** Whether the decision to change can name another role for it. */
  public static boolean takesRole(ItemKind kind) {
    return kind == ItemKind.GRANT || kind == ItemKind.CLEARANCE || kind == ItemKind.ACCESS || kind == ItemKind.PASS;
  }

  private static List<Change> of(Structure structure, ReviewItem item, Instead instead, UnaryOperator<String> newId) {
    return switch (item.kind()) {
      case GRANT -> grant(structure, item, instead, newId);
      case OVERSIGHT -> oversight(structure, item, instead, newId);
      case MEMBERSHIP -> membership(structure, item, instead);
      case EXCEPTION -> exception(structure, item, instead);
      case CLEARANCE -> clearance(structure, item, instead);
      case DUTY -> duty(structure, item, instead);
      case PASS -> pass(structure, item, instead);
      case ACCESS -> throw new IllegalArgumentException("asked of the state, not of what is written in it");
    };
  }

  private static Period period(Period was, Instead instead) {
    return instead.until() == null ? was : new Period(was.from(), instead.until());
  }

  private static String id(ReviewItem item) {
    return item.key().substring(item.key().indexOf(':') + 1);
  }

  private static List<Change> grant(Structure structure, ReviewItem item, Instead instead, UnaryOperator<String> newId) {
    Grant grant = structure.grants().get(id(item));
    if (grant == null) {
      return List.of();
    }
    Change removal = new AccessChange.RemoveGrant(grant.place(), grant.id());
    return instead == null ? List.of(removal) : List.of(removal,
        AccessChange.adding(grant.giving(instead.role() == null ? grant.role() : instead.role()).lasting(period(grant.period(), instead)).copiedTo(newId.apply("e"), grant.place())));
  }

  private static List<Change> oversight(Structure structure, ReviewItem item, Instead instead, UnaryOperator<String> newId) {
    Oversight oversight = structure.oversights().get(id(item));
    if (oversight == null) {
      return List.of();
    }
    Change removal = new OversightChange.RemoveOversight(oversight.place(), oversight.id());
    return instead == null ? List.of(removal)
        : List.of(removal, new OversightChange.AddOversight(new Oversight(newId.apply("o"), oversight.place(), oversight.subject(), period(oversight.period(), instead), oversight.note())));
  }

  private static List<Change> membership(Structure structure, ReviewItem item, Instead instead) {
    Group group = structure.groups().get(item.container());
    Membership membership = group == null ? null : group.members().stream()
        .filter(one -> one.member().id().equals(item.subject().id()) && Objects.equals(one.period().from(), item.period().from()) && (one.member() instanceof Membership.PersonMember) == item.subject().kind().equals("person")).findFirst().orElse(null);
    if (membership == null) {
      return List.of();
    }
    Change removal = new MembershipChange.RemoveMember(group.id(), membership);
    return instead == null ? List.of(removal) : List.of(removal, new MembershipChange.AddMember(group.id(), new Membership(membership.member(), period(membership.period(), instead))));
  }

  private static List<Change> exception(Structure structure, ReviewItem item, Instead instead) {
    Wall wall = structure.walls().get(item.container());
    List<Wall.Exempt> alike = wall == null ? List.of() : wall.exceptions().stream().filter(one -> one.subject().equals(item.subject()) && Objects.equals(one.until(), item.period().until())).toList();
    if (alike.isEmpty()) {
      return List.of();
    }
    List<Change> changes = new ArrayList<>();
    alike.forEach(exempt -> changes.add(new WallChange.RemoveException(wall.id(), exempt)));
    if (instead != null) {
      changes.add(new WallChange.AddException(wall.id(), new Wall.Exempt(item.subject(), instead.until() == null ? item.period().until() : instead.until())));
    }
    return changes;
  }

  private static List<Change> clearance(Structure structure, ReviewItem item, Instead instead) {
    DocumentType type = structure.types().get(item.container());
    List<Clearance> alike = type == null ? List.of() : type.clearances().stream().filter(one -> one.subject().equals(item.subject()) && one.role().equals(item.role()) && one.period().equals(item.period())).toList();
    if (alike.isEmpty()) {
      return List.of();
    }
    List<Change> changes = new ArrayList<>();
    alike.forEach(clearance -> changes.add(new ClearanceChange.RemoveClearance(type.id(), clearance)));
    if (instead != null) {
      changes.add(new ClearanceChange.AddClearance(type.id(), new Clearance(item.subject(), instead.role() == null ? item.role() : instead.role(), period(item.period(), instead))));
    }
    return changes;
  }

  /** Taking it back ends what was opened through it; what is only changed leaves that as it is. */
  private static List<Change> pass(Structure structure, ReviewItem item, Instead instead) {
    Pass pass = structure.passes().get(id(item));
    if (pass == null) {
      return List.of();
    }
    return List.of(instead == null ? new PassChange.TakeBackPass(pass.id())
        : new PassChange.SetPass(new Pass(pass.id(), pass.place(), instead.role() == null ? pass.role() : instead.role(), pass.audience(), pass.maker(), period(pass.period(), instead), pass.uses(), pass.note())));
  }

  private static List<Change> duty(Structure structure, ReviewItem item, Instead instead) {
    DutyAssignment duty = structure.duties().get(id(item));
    if (duty == null) {
      return List.of();
    }
    return List.of(instead == null ? new DutyChange.RemoveDuty(duty.id())
        : new DutyChange.SetDuty(new DutyAssignment(duty.id(), duty.subject(), duty.duty(), duty.place(), duty.unit(), duty.ceiling(), period(duty.period(), instead))));
  }
}
