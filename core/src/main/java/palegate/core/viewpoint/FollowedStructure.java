package palegate.core.viewpoint;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * What an asker may know after changes of which it is clear at a glance what they make of what was known before: somebody's entry, a member
 * of a group, a colleague, a place that is new, gone or moved, in what the asker knows or elsewhere. Of whatever could have made other things known or
 * not known – walls, other scopes, what gives the asker themself anything – nothing is said here, and {@link KnownStructure} is asked instead.
 * O(changes × (depth + walls)), and the known entries where one went.
 */
final class FollowedStructure {
  /** Of more it is no quicker than to cut the structure. */
  private static final int CHANGES_AT_MOST = 500;

  private FollowedStructure() {}

  /**
   * The structure as the asker may know it, in the state in which they hold their duties.
   *
   * @param before what they could know of a state before it
   * @return empty if it is not clear
   */
  static Optional<Structure> of(Viewpoint before, Asker asker) {
    SnapshotAt then = before.asker().state();
    SnapshotAt now = asker.state();
    if (before.whole() || before.snapshot().structure().places().isEmpty() || asker.id() == null || asker.person() < 0 || !asker.id().equals(before.asker().id()) || !before.asker().held().equals(asker.held())
        || !then.snapshot().sameBetween(then.instant(), now.instant()) || !now.snapshot().sameBetween(then.instant(), now.instant())) {
      return Optional.empty();
    }
    StructureDifference difference = StructureDifference.between(then.snapshot().structure(), now.snapshot().structure());
    boolean many = Stream.of(difference.units(), difference.people(), difference.groups(), difference.roles(), difference.types(), difference.places(), difference.grants(), difference.withholdings(),
        difference.oversights(), difference.approvals(), difference.duties(), difference.sharing(), difference.passes(), difference.shortlists(), difference.separations()).mapToInt(Set::size).sum() > CHANGES_AT_MOST;
    return many || !difference.walls().isEmpty() ? Optional.empty() : followed(new Following(before, asker, difference));
  }

  private static Optional<Structure> followed(Following following) {
    FollowedPlaces places = new FollowedPlaces(following);
    FollowedPeople people = new FollowedPeople(following);
    FollowedEntries entries = new FollowedEntries(following, places);
    FollowedRules rules = new FollowedRules(following, places);
    if (!places.clear() || !people.clear() || !entries.clear() || !rules.clear()) {
      return Optional.empty();
    }
    if (!following.everywhere && !following.was.governsAnything()) {
      following.asker.governNothing();
    }
    Structure known = following.known;
    return Optional.of(known.withPlaces(altered(known.places(), places.changed)).withUnits(altered(known.units(), people.units)).withPeople(altered(known.people(), people.people)).withGroups(altered(known.groups(), people.groups))
        .withGrants(altered(known.grants(), entries.grants)).withWithholdings(altered(known.withholdings(), entries.withholdings)).withOversights(altered(known.oversights(), entries.oversights))
        .withPasses(altered(known.passes(), entries.passes)).withRoles(altered(known.roles(), rules.roles)).withTypes(altered(known.types(), rules.types)).withDuties(altered(known.duties(), rules.duties))
        .withApprovals(altered(known.approvals(), rules.approvals)).withSharing(altered(known.sharing(), rules.sharing)).withShortlists(altered(known.shortlists(), rules.shortlists))
        .withSeparations(altered(known.separations(), rules.separations)));
  }

  /** Of what is to be, what is not so already. */
  private static <T> Map<String, T> altered(Parts<T> known, Map<String, T> parts) {
    parts.entrySet().removeIf(part -> Objects.equals(known.get(part.getKey()), part.getValue()));
    return parts;
  }
}
