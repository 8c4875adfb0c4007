package palegate.core.viewpoint;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.roles.Right;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

/** Roles, types, duties of others, and rules. Where it could be another what the asker themself governs, nothing is clear. O(changes). */
final class FollowedRules {
  final Map<String, Role> roles = new HashMap<>();
  final Map<String, DocumentType> types = new HashMap<>();
  final Map<String, DutyAssignment> duties = new HashMap<>();
  final Map<String, ApprovalRule> approvals = new HashMap<>();
  final Map<String, SharingRule> sharing = new HashMap<>();
  final Map<String, Shortlist> shortlists = new HashMap<>();
  final Map<String, Separation> separations = new HashMap<>();
  private final Following following;
  private final FollowedPlaces places;

  FollowedRules(Following following, FollowedPlaces places) {
    this.following = following;
    this.places = places;
  }

  boolean clear() {
    return Following.each(following.difference.roles(), this::followRole) && Following.each(following.difference.types(), this::followType) && Following.each(following.difference.duties(), this::followDuty)
        && Following.each(following.difference.approvals(), this::followApproval) && Following.each(following.difference.sharing(), this::followSharing)
        && Following.each(following.difference.shortlists(), this::followShortlist) && Following.each(following.difference.separations(), this::followSeparation);
  }

  private <T> T before(Function<Structure, Parts<T>> parts, String id) {
    return parts.apply(following.difference.before()).get(id);
  }

  private boolean followRole(String id) {
    Role before = before(Structure::roles, id);
    Role after = following.all.roles().get(id);
    roles.put(id, after);
    return following.everywhere || governs(before) == governs(after);
  }

  private static boolean governs(Role role) {
    return role != null && role.rights().contains(Right.GOVERN);
  }

  // --- types ----------------------------------------------------------------------------------------

  private boolean followType(String id) {
    DocumentType before = before(Structure::types, id);
    DocumentType after = following.all.types().get(id);
    boolean clearedAlike = clearances(before).equals(clearances(after));
    boolean guardsAnother = before != null && after != null && (before.guarded() != after.guarded() || !clearedAlike);
    if (!following.everybody && !clearedAlike || !following.everywhere && guardsAnother) {
      return false;
    }
    boolean knew = following.known.types().containsKey(id);
    boolean inKnownLibraries = after != null && (following.asker.holdsAny(Duty.TYPES, Duty.AUDIT) || after.libraries().isEmpty() || after.libraries().stream().anyMatch(places::isKnown));
    boolean knows = inKnownLibraries || knew && after != null && before.libraries().equals(after.libraries());
    if (knew && after != null && !knows) {
      // It may still be used by what is known.
      return false;
    }
    types.put(id, knows ? KnownParts.of(after, places::isKnown, following::isKnown) : null);
    return knew == knows || isInNoSeparation(id);
  }

  private static List<Clearance> clearances(DocumentType type) {
    return type == null ? List.of() : type.clearances();
  }

  private boolean isInNoSeparation(String type) {
    return following.all.separations().values().stream().flatMap(separation -> separation.sides().stream()).noneMatch(side -> side.types().contains(type));
  }

  private boolean knowsType(String id) {
    return types.containsKey(id) ? types.get(id) != null : following.known.types().containsKey(id);
  }

  // --- duties ---------------------------------------------------------------------------------------

  /** The asker's own are the same, or nothing is asked here. */
  private boolean followDuty(String id) {
    if (!following.everybody) {
      return !following.asker.holds(Duty.SYSTEM);
    }
    DutyAssignment after = following.all.duties().get(id);
    put(duties, id, after, given -> given.place() == null || places.isKnown(given.place()));
    return true;
  }

  // --- rules ----------------------------------------------------------------------------------------

  private boolean followApproval(String id) {
    ApprovalRule after = following.all.approvals().get(id);
    put(approvals, id, after == null ? null : KnownParts.of(after, places::isKnown), rule -> KnownParts.isKnown(after, places::isKnown));
    return true;
  }

  /** What is said at a place that only leads on counts where it reaches: of that nothing is clear. */
  private boolean followSharing(String place) {
    if (!places.isKnown(place)) {
      sharing.put(place, null);
      return true;
    }
    sharing.put(place, following.all.sharing().get(place));
    return following.isCovered(place);
  }

  private boolean followShortlist(String unit) {
    if (following.everybody) {
      shortlists.put(unit, following.all.shortlists().get(unit));
      return true;
    }
    return !following.asker.holds(Duty.PEOPLE);
  }

  private boolean followSeparation(String id) {
    Separation after = following.all.separations().get(id);
    boolean theirs = following.asker.held().stream().anyMatch(given -> given.duty() == Duty.AUDIT || given.duty() == Duty.ACCESS && places.isKnown(given.place()));
    put(separations, id, after, separation -> theirs && separation.sides().stream().allMatch(side -> side.types().stream().allMatch(this::knowsType) && knowsGroups(side.groups())));
    return true;
  }

  private boolean knowsGroups(Set<String> groups) {
    return following.everybody || following.known.groups().keySet().containsAll(groups);
  }

  private static <T> void put(Map<String, T> parts, String id, T after, Predicate<T> isKnown) {
    parts.put(id, after != null && isKnown.test(after) ? after : null);
  }
}
