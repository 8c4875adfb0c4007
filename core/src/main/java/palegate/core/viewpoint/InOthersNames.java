package palegate.core.viewpoint;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * Nobody shares in somebody else's name (section 11): a share says who made it, a pass who answers for it, and what was opened through a pass was
 * opened. What stood in a name may be copied to where it reached, made less and ended; anything more is its own maker's to give.
 */
final class InOthersNames {
  /** In whose name, or through which pass, something is shared with somebody. */
  private record Name(String sharedBy, String pass, Subject subject) {
    static Name of(Grant grant) {
      return new Name(grant.sharedBy(), grant.pass(), grant.subject());
    }
  }

  private final String asker;
  private final Snapshot was;
  private final Structure before;
  private final Structure after;
  /** By a place that was there before: the shares that reached it. */
  private final Map<String, Map<Name, List<Grant>>> reached = new HashMap<>();

  InOthersNames(String asker, Snapshot was, Structure after) {
    this.asker = asker;
    this.was = was;
    this.before = was.structure();
    this.after = after;
  }

  /** Tells of everything that is given in another name, and what would be right. O(what differs, and what reached the places where it does). */
  void tell(StructureDifference difference, BiConsumer<String, String> beyond) {
    difference.grants().stream().map(after.grants()::get).filter(grant -> grant != null && grant.isShare() && !isOwn(grant) && !stoodSo(grant)).sorted(Comparator.comparing(Grant::id)).forEach(grant ->
        beyond.accept("At “" + after.places().get(grant.place()).name() + "” it shares " + (grant.pass() == null ? "in somebody else’s name." : "as if a pass had been opened."), "Share in your own name, or add an entry."));
    difference.passes().stream().map(after.passes()::get).filter(pass -> pass != null && !pass.maker().equals(asker) && !isLess(before.passes().get(pass.id()), pass)).sorted(Comparator.comparing(Pass::id)).forEach(pass ->
        beyond.accept("The pass to “" + after.places().get(pass.place()).name() + "” would be answered for by somebody else.", "Take it over: name yourself as who answers for it."));
  }

  private boolean isOwn(Grant grant) {
    return grant.pass() == null && grant.sharedBy().equals(asker);
  }

  /** Whether what reached the place before, or reached what it has been put below, gave as much in that name. */
  private boolean stoodSo(Grant grant) {
    Place place = after.places().get(grant.place());
    Place above = place.parent() == null ? place : after.places().get(place.parent());
    while (!before.places().containsKey(above.id()) && above.parent() != null) {
      above = after.places().get(above.parent());
    }
    return Stream.of(place, above).distinct().flatMap(at -> reaching(at.id()).getOrDefault(Name.of(grant), List.of()).stream()).anyMatch(known -> isLess(known, grant));
  }

  private Map<Name, List<Grant>> reaching(String place) {
    int number = was.placeNumber(place);
    return reached.computeIfAbsent(place, any -> number < 0 ? Map.of()
        : was.reachingEntries(number).stream().filter(Grant.class::isInstance).map(Grant.class::cast).filter(Grant::isShare).collect(Collectors.groupingBy(Name::of)));
  }

  private boolean isLess(Grant known, Grant grant) {
    return holds(known.role(), grant.role()) && (known.types().isEmpty() || !grant.types().isEmpty() && known.types().containsAll(grant.types())) && known.period().includes(grant.period(), Instant.MIN);
  }

  /** Whether a pass lets in nobody more, to nothing more, and for no longer, in the same name. */
  private boolean isLess(Pass known, Pass pass) {
    return known != null && known.maker().equals(pass.maker()) && known.place().equals(pass.place()) && holds(known.role(), pass.role()) && known.audience().containsAll(pass.audience())
        && known.period().includes(pass.period(), Instant.MIN) && (known.uses() == null || pass.uses() != null && pass.uses() <= known.uses());
  }

  private boolean holds(String known, String role) {
    Rights rights = before.roles().get(known).rights();
    return rights.containsAll(after.roles().get(role).rights());
  }
}
