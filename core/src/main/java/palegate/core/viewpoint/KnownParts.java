package palegate.core.viewpoint;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import palegate.core.approvals.ApprovalRule;
import palegate.core.people.Subject;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

/** What is left of a part of the structure of which not everything may be known; the same part if all of it may. */
final class KnownParts {
  private KnownParts() {}

  /** A type with the libraries and the clearances that are known. */
  static DocumentType of(DocumentType type, Predicate<String> knowsPlace, Predicate<Subject> knowsSubject) {
    Set<String> libraries = known(type.libraries(), knowsPlace);
    List<Clearance> clearances = type.clearances().stream().filter(clearance -> knowsSubject.test(clearance.subject())).toList();
    return libraries.size() == type.libraries().size() && clearances.size() == type.clearances().size() ? type
        : new DocumentType(type.id(), type.name(), type.shortName(), type.guarded(), libraries, type.fields(), clearances);
  }

  /** A rule that names no place, or any that is known. */
  static boolean isKnown(ApprovalRule rule, Predicate<String> knowsPlace) {
    return rule.when().places().isEmpty() || rule.when().places().stream().anyMatch(knowsPlace);
  }

  /** A rule with the places that are known. */
  static ApprovalRule of(ApprovalRule rule, Predicate<String> knowsPlace) {
    ApprovalRule.When when = rule.when();
    Set<String> places = known(when.places(), knowsPlace);
    boolean all = places.size() == when.places().size() || places.isEmpty();
    return all ? rule : new ApprovalRule(rule.id(), rule.name(), new ApprovalRule.When(when.kinds(), when.duties(), when.outsidersGain(), places), rule.duty());
  }

  private static Set<String> known(Set<String> places, Predicate<String> knowsPlace) {
    Set<String> known = new HashSet<>(places);
    known.removeIf(place -> !knowsPlace.test(place));
    return known;
  }
}
