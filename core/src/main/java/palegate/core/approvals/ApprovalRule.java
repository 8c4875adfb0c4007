package palegate.core.approvals;

import java.util.Objects;
import java.util.Set;
import palegate.core.duties.Duty;
import palegate.core.text.WellFormed;

/**
 * A rule that says which drafts a second person must approve (section 8).
 *
 * @param duty what the second person must hold
 */
public record ApprovalRule(String id, String name, When when, Duty duty) {
  public ApprovalRule {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    Objects.requireNonNull(when);
    Objects.requireNonNull(duty);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    if (duty == Duty.AUDIT) {
      throw new IllegalArgumentException("The duty [audit] changes nothing, so it approves nothing. Name a duty that changes something.");
    }
  }

  /**
   * When it applies: if every criterion that is given holds. An empty set means that the criterion is not given; at least
   * one is.
   *
   * @param kinds the draft holds a change of one of these kinds, as the API names them
   * @param duties the draft holds a change that takes one of these duties
   * @param outsidersGain somebody from outside gains a right
   * @param places anybody's rights change at one of these places or below; with {@code outsidersGain}, an outsider gains there
   */
  public record When(Set<String> kinds, Set<Duty> duties, boolean outsidersGain, Set<String> places) {
    public When {
      kinds = Set.copyOf(kinds);
      duties = Set.copyOf(duties);
      places = Set.copyOf(places);
      if (kinds.isEmpty() && duties.isEmpty() && places.isEmpty() && !outsidersGain) {
        throw new IllegalArgumentException("The rule does not say when it applies. Name kinds of changes, duties or places, or that outsiders gain.");
      }
    }

    public static When duty(Duty duty) {
      return new When(Set.of(), Set.of(duty), false, Set.of());
    }

    public static When places(String... places) {
      return new When(Set.of(), Set.of(), false, Set.of(places));
    }
  }
}
