package palegate.core.snapshot;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.collections.Nesting;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Unit;
import palegate.core.structure.Structure;

/**
 * Groups and units, the inner before the outer.
 *
 * @param groupsInnerFirst each group after those that are its members
 * @param unitsLowerFirst each unit after those below it
 */
record NestingOrder(List<Group> groupsInnerFirst, List<Unit> unitsLowerFirst) {

  static NestingOrder of(Structure structure) {
    return new NestingOrder(groups(structure), units(structure));
  }

  /** The order of a structure that was made from the one this is the order of; worked out anew only where something now nests otherwise. */
  NestingOrder with(Structure before, Structure changed, Invalidation delta) {
    List<Group> groups = delta.groups.isEmpty() ? groupsInnerFirst
        : nestAlike(before, changed, delta) ? groupsInnerFirst.stream().map(group -> changed.groups().get(group.id())).toList()
        : groups(changed);
    return new NestingOrder(groups, delta.units.isEmpty() ? unitsLowerFirst : units(changed));
  }

  private static boolean nestAlike(Structure before, Structure changed, Invalidation delta) {
    return delta.groups.stream().allMatch(id -> {
      Group was = before.groups().get(id);
      Group is = changed.groups().get(id);
      return was != null && is != null && Set.copyOf(subgroups(was)).equals(Set.copyOf(subgroups(is)));
    });
  }

  private static List<Group> groups(Structure structure) {
    return Nesting.innerFirst(structure.groups().values(), Group::id, NestingOrder::subgroups);
  }

  private static List<Unit> units(Structure structure) {
    Map<String, List<String>> below = structure.units().values().stream().filter(unit -> unit.parent() != null)
        .collect(Collectors.groupingBy(Unit::parent, Collectors.mapping(Unit::id, Collectors.toList())));
    return Nesting.innerFirst(structure.units().values(), Unit::id, unit -> below.getOrDefault(unit.id(), List.of()));
  }

  private static List<String> subgroups(Group group) {
    return group.members().stream().map(Membership::member)
        .filter(member -> member instanceof Membership.GroupMember)
        .map(Membership.Member::id).toList();
  }
}
