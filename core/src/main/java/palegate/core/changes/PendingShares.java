package palegate.core.changes;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.sharing.Pass;

/** Which grants came of which pass and which sharer, and which passes lead where, as a draft has it so far. O(grants + passes) to make, then O(what is asked for). */
final class PendingShares {
  /** In whose name, or through which pass, something is shared with somebody. */
  private record Name(String sharedBy, String pass, Subject subject) {
    static Name of(Grant grant) {
      return new Name(grant.sharedBy(), grant.pass(), grant.subject());
    }
  }

  private final PendingParts<Grant> grants;
  private final PendingParts<Pass> passes;
  /** Ids, some of which may have become something else since. */
  private final Map<String, Set<String>> byPass = new HashMap<>();
  private final Map<Name, Set<String>> byName = new HashMap<>();
  private final Map<String, Set<String>> passesByPlace = new HashMap<>();

  PendingShares(PendingParts<Grant> grants, PendingParts<Pass> passes) {
    this.grants = grants;
    this.passes = passes;
    grants.standing(Grant::isShare).forEach(this::put);
    passes.standing(any -> true).forEach(this::put);
  }

  void put(Grant grant) {
    if (grant.isShare()) {
      byName.computeIfAbsent(Name.of(grant), any -> new LinkedHashSet<>()).add(grant.id());
    }
    if (grant.pass() != null) {
      byPass.computeIfAbsent(grant.pass(), any -> new LinkedHashSet<>()).add(grant.id());
    }
  }

  void put(Pass pass) {
    passesByPlace.computeIfAbsent(pass.place(), any -> new LinkedHashSet<>()).add(pass.id());
  }

  /** The grants that stand by a pass. */
  List<Grant> through(String pass) {
    return standing(byPass.getOrDefault(pass, Set.of()), grants, grant -> pass.equals(grant.pass()));
  }

  /** The grants that say the same as a share and are of the same maker or pass: what breaks carried over of it. */
  List<Grant> asOf(Grant share) {
    return standing(byName.getOrDefault(Name.of(share), Set.of()), grants, grant -> Name.of(grant).equals(Name.of(share)) && grant.saysTheSameAs(share));
  }

  List<Pass> passesAt(String place) {
    return standing(passesByPlace.getOrDefault(place, Set.of()), passes, pass -> pass.place().equals(place));
  }

  private static <T> List<T> standing(Set<String> ids, PendingParts<T> parts, Predicate<T> wanted) {
    return ids.stream().map(parts::get).flatMap(Stream::ofNullable).filter(wanted).toList();
  }
}
