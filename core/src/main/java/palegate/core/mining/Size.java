package palegate.core.mining;

import palegate.core.structure.Structure;

/**
 * How much a structure says.
 *
 * @param entries grants and withholdings
 * @param memberships of people and groups in groups
 */
public record Size(int entries, int groups, int memberships, int roles) {
  public static Size of(Structure structure) {
    return new Size(structure.grants().size() + structure.withholdings().size(), structure.groups().size(), structure.groups().values().stream().mapToInt(group -> group.members().size()).sum(), structure.roles().size());
  }

  /** All of it together: a new group is worth its while only if what it saves is more than itself and its members. */
  public int total() {
    return entries + groups + memberships + roles;
  }

  /** Whether it is less: fewer entries, or as many with less of the rest. */
  boolean isLessThan(Size other) {
    return total() < other.total() && entries <= other.entries;
  }
}
