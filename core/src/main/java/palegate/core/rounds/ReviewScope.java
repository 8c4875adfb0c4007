package palegate.core.rounds;

import java.util.Set;

/**
 * What a round asks about.
 *
 * @param kinds at least one
 * @param place grants and oversights at this place and below; null for everywhere
 * @param groups memberships of these groups; empty for all
 * @param outsidersOnly only what concerns somebody from outside
 */
public record ReviewScope(Set<ItemKind> kinds, String place, Set<String> groups, boolean outsidersOnly) {
  public ReviewScope {
    kinds = Set.copyOf(kinds);
    groups = Set.copyOf(groups);
    if (kinds.isEmpty()) {
      throw new IllegalArgumentException("A round asks about at least one kind of thing.");
    }
  }
}
