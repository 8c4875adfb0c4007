package palegate.core.random;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.GuardChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.places.Conditions;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Drafts of one to four changes of every kind; most of them can be made on the structure, some cannot. */
public final class RandomDrafts {
  private final Structure structure;
  private final Random random;
  private final RandomStructures more;

  private RandomDrafts(Structure structure, long seed) {
    this.structure = structure;
    random = new Random(seed);
    more = RandomStructures.moreFor(structure, random);
  }

  public static List<Change> fromSeed(Structure structure, long seed) {
    RandomDrafts drafts = new RandomDrafts(structure, seed);
    List<Change> changes = new ArrayList<>();
    for (int i = drafts.random.nextInt(4); i >= 0; i--) {
      changes.add(drafts.change(i));
    }
    return changes;
  }

  private Change change(int i) {
    String place = more.anyPlace();
    Grant grant = new Grant("n" + i, place, more.subject(), any(List.copyOf(structure.roles().keySet())), more.someTypes(), more.period(), null);
    return switch (random.nextInt(18)) {
      case 0 -> new AccessChange.AddWithholding(new Withholding("n" + i, place, more.subject(), Rights.ofMask(1 + random.nextInt(511)),
          more.someTypes(), more.period(), null));
      case 1 -> structure.grants().isEmpty() ? new AccessChange.AddGrant(grant) : remove(any(List.copyOf(structure.grants().values())));
      case 2 -> new AccessChange.BreakPlace(place, AccessChange.Start.CARRY_OVER, List.of(), "b" + i);
      case 3 -> new AccessChange.BreakPlace(place, AccessChange.Start.EMPTY, List.of(new AccessChange.Keeper(grant.subject(), grant.role())), "b" + i);
      case 4 -> new AccessChange.RejoinPlace(place, random.nextBoolean());
      case 5 -> new GuardChange.SetGuards(place, more.guards());
      case 6 -> new PlaceChange.SetLabels(place, more.labels());
      case 7 -> new GuardChange.Release(place, Conditions.Condition.values()[random.nextInt(3)]);
      case 8 -> new OversightChange.AddOversight(new Oversight("n" + i, place, more.subject(), more.period(), null));
      case 9 -> structure.oversights().isEmpty() ? new AccessChange.AddGrant(grant) : remove(any(List.copyOf(structure.oversights().values())));
      case 10 -> new WallChange.SetWall(more.wall(structure.walls().isEmpty() || random.nextBoolean() ? "n" + i
          : any(List.copyOf(structure.walls().keySet()))));
      case 11 -> structure.walls().isEmpty() ? new AccessChange.AddGrant(grant)
          : new WallChange.AddException(any(List.copyOf(structure.walls().keySet())), new Wall.Exempt(more.subject(), null));
      case 16 -> structure.walls().values().stream().flatMap(wall -> wall.exceptions().stream().map(exempt -> (Change) new WallChange.RemoveException(wall.id(), exempt)))
          .findFirst().orElse(new AccessChange.AddGrant(grant));
      case 17 -> new GuardChange.PutUnder(place, Conditions.Condition.values()[random.nextInt(3)],
          structure.people().isEmpty() ? null : any(List.copyOf(structure.people().keySet())), null);
      case 12 -> member();
      case 13 -> clearance();
      default -> new AccessChange.AddGrant(grant);
    };
  }

  private Change member() {
    if (structure.groups().isEmpty() || structure.people().isEmpty()) {
      return new PlaceChange.SetLabels("root", more.labels());
    }
    Group group = any(List.copyOf(structure.groups().values()));
    if (!group.members().isEmpty() && random.nextBoolean()) {
      return new MembershipChange.RemoveMember(group.id(), any(group.members()));
    }
    Membership.Member member = random.nextInt(3) > 0 ? new Membership.PersonMember(any(List.copyOf(structure.people().keySet())))
        : new Membership.GroupMember(any(List.copyOf(structure.groups().keySet())));
    return new MembershipChange.AddMember(group.id(), new Membership(member, more.period()));
  }

  private Change clearance() {
    if (structure.types().isEmpty()) {
      return new PlaceChange.SetLabels("root", more.labels());
    }
    DocumentType type = any(List.copyOf(structure.types().values()));
    return !type.clearances().isEmpty() && random.nextBoolean()
        ? new ClearanceChange.RemoveClearance(type.id(), any(type.clearances()))
        : new ClearanceChange.AddClearance(type.id(), new Clearance(more.subject(), any(List.copyOf(structure.roles().keySet())), more.period()));
  }

  private static Change remove(Grant grant) {
    return new AccessChange.RemoveGrant(grant.place(), grant.id());
  }

  private static Change remove(Oversight oversight) {
    return new OversightChange.RemoveOversight(oversight.place(), oversight.id());
  }

  private <T> T any(List<T> list) {
    return list.get(random.nextInt(list.size()));
  }
}
