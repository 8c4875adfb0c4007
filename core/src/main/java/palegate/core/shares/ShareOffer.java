package palegate.core.shares;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.snapshot.SnapshotAt;

/**
 * What somebody may share at a place, before they say with whom (sections 11 and 12).
 *
 * @param why why they may not share here, in a sentence; null if they may
 * @param roles the roles that give no more than they have and the place allows, the least first
 * @param days for how long what is shared lasts, unless they say otherwise
 * @param daysAtMost for how long it may last; null for no bound
 * @param outsiders whether outsiders may be let in
 * @param proposed whom the shortlist proposes, in its order
 */
public record ShareOffer(String why, List<Role> roles, int days, Integer daysAtMost, boolean outsiders, List<Shortlist.Audience> proposed) {

  /** O(roles + depth). */
  public static ShareOffer of(SnapshotAt at, Instant now, int person, int place) {
    Rights own = new Sharing.OwnRights(at.snapshot(), now, person).at(place);
    SharingLimits limits = SharingLimits.at(at.snapshot(), place);
    String why = why(own, at.rightsNow(person, place), limits);
    Rights most = Rights.copyOf(own.list().stream().filter(limits.rights()::contains).toList());
    List<Role> roles = why != null ? List.of() : at.snapshot().structure().roles().values().stream().filter(role -> !role.rights().isEmpty() && most.containsAll(role.rights()))
        .sorted(Comparator.comparingInt((Role role) -> role.rights().size()).thenComparing(Role::name).thenComparing(Role::id)).toList();
    List<Shortlist.Audience> proposed = why != null ? List.of() : Shortlists.of(at.snapshot().structure(), at.snapshot().person(person)).stream()
        .filter(audience -> limits.outsiders() || at.matching(audience.subject()).and(at.activeOutsiders()).isEmpty()).toList();
    return new ShareOffer(why != null ? why : roles.isEmpty() ? "There is no role that gives as little as may be shared here." : null, roles, limits.usualDays(), limits.days(), limits.outsiders(), proposed);
  }

  private static String why(Rights own, Rights now, SharingLimits limits) {
    if (!own.contains(Right.SHARE) || !now.contains(Right.SHARE)) {
      return "You may not let others in here.";
    }
    return limits.who() == SharingRule.Who.NOBODY ? "Nobody shares here."
        : limits.who() == SharingRule.Who.KEEPERS && !own.contains(Right.GOVERN) ? "Only who governs it shares this." : null;
  }
}
