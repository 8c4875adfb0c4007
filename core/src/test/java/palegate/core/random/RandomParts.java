package palegate.core.random;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.walls.Wall;

/** Random parts that fit a structure: about its places, for its people, with its roles. */
public final class RandomParts {
  private final Structure structure;
  private final Random random;
  private final RandomStructures more;

  private RandomParts(Structure structure, Random random) {
    this.structure = structure;
    this.random = random;
    more = RandomStructures.moreFor(structure, random);
  }

  public static RandomParts of(Structure structure, long seed) {
    return new RandomParts(structure, new Random(seed));
  }

  public Structure structure() {
    return structure;
  }

  public Grant grant(String id) {
    return new Grant(id, more.anyPlace(), more.subject(), role(), more.someTypes(), more.period(), null);
  }

  public Withholding withholding(String id) {
    return new Withholding(id, more.anyPlace(), more.subject(), Rights.ofMask(1 + random.nextInt(511)), more.someTypes(), more.period(), null);
  }

  public Oversight oversight(String id) {
    return new Oversight(id, more.anyPlace(), more.subject(), more.period(), null);
  }

  public Clearance clearance() {
    return new Clearance(more.subject(), role(), more.period());
  }

  public Wall wall(String id) {
    return more.wall(id);
  }

  public Subject subject() {
    return more.subject();
  }

  public String role() {
    return any(structure.roles().keySet()).orElseThrow();
  }

  public String place() {
    return more.anyPlace();
  }

  /** The id of a place of some kind, if there is any. */
  public Optional<String> place(Predicate<Place> wanted) {
    return any(structure.places().values().stream().filter(wanted).map(Place::id).collect(Collectors.toCollection(TreeSet::new)));
  }

  public Optional<String> type() {
    return any(structure.types().keySet());
  }

  public Optional<String> wall() {
    return any(structure.walls().keySet());
  }

  public Optional<String> group() {
    return any(structure.groups().keySet());
  }

  public Optional<String> person() {
    return any(structure.people().keySet());
  }

  public Optional<String> unit() {
    return any(structure.units().keySet());
  }

  public Rights rights() {
    return Rights.ofMask(1 + random.nextInt(511));
  }

  public boolean chance(int percent) {
    return random.nextInt(100) < percent;
  }

  private Optional<String> any(Set<String> ids) {
    return ids.isEmpty() ? Optional.empty() : Optional.of(List.copyOf(ids).get(random.nextInt(ids.size())));
  }
}
