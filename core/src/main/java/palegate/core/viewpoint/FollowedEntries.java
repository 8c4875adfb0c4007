package palegate.core.viewpoint;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.sharing.Pass;

/** Entries, appointments and passes. What gives the asker themself anything may make other things known, and is not clear. O(changes), and the known entries where one went. */
final class FollowedEntries {
  final Map<String, Grant> grants = new HashMap<>();
  final Map<String, Withholding> withholdings = new HashMap<>();
  final Map<String, Oversight> oversights = new HashMap<>();
  final Map<String, Pass> passes = new HashMap<>();
  private final Following following;
  private final FollowedPlaces places;

  FollowedEntries(Following following, FollowedPlaces places) {
    this.following = following;
    this.places = places;
  }

  boolean clear() {
    return Following.each(following.difference.passes(), this::followPass)
        && Following.each(following.difference.grants(), id -> follow(following.difference.before().grants().get(id), following.all.grants().get(id)))
        && Following.each(following.difference.withholdings(), id -> follow(following.difference.before().withholdings().get(id), following.all.withholdings().get(id)))
        && Following.each(following.difference.oversights(), this::followOversight);
  }

  private boolean follow(Entry before, Entry after) {
    boolean mine = Stream.of(before, after).filter(Objects::nonNull).anyMatch(entry -> following.isMine(entry.subject()));
    return (!mine || following.everywhere) && (before == null || !knew(before) || goes(before)) && (after == null || !places.isKnown(after.place()) || comes(after));
  }

  private boolean knew(Entry entry) {
    return entry instanceof Grant ? following.known.grants().containsKey(entry.id()) : following.known.withholdings().containsKey(entry.id());
  }

  private boolean goes(Entry entry) {
    put(entry, null);
    boolean stays = following.all.places().containsKey(entry.place());
    // Whom it named is known still if something else names them.
    return (stays ? following.isCovered(entry.place()) : following.everybody) && entry.types().isEmpty() && (following.everybody || !isShare(entry)
        && Stream.concat(following.known.grants().values().stream(), following.known.withholdings().values().stream()).anyMatch(other -> other.subject().equals(entry.subject()) && !isAnother(other)));
  }

  private boolean isAnother(Entry entry) {
    return (entry instanceof Grant ? following.difference.grants() : following.difference.withholdings()).contains(entry.id());
  }

  private boolean comes(Entry entry) {
    put(entry, entry instanceof Grant grant && grant.pass() != null && !knowsPass(grant.pass()) ? grant.copiedThroughNoPass() : entry);
    return following.isCovered(entry.place()) && following.known.types().keySet().containsAll(entry.types()) && (following.everybody || !isShare(entry) && isKnownWith(entry.subject()));
  }

  private static boolean isShare(Entry entry) {
    return entry instanceof Grant grant && grant.isShare();
  }

  private boolean knowsPass(String pass) {
    return following.known.passes().containsKey(pass) || passes.containsKey(pass);
  }

  private void put(Entry at, Entry entry) {
    if (at instanceof Grant) {
      grants.put(at.id(), (Grant) entry);
    } else {
      withholdings.put(at.id(), (Withholding) entry);
    }
  }

  private boolean followPass(String id) {
    Pass before = following.difference.before().passes().get(id);
    Pass after = following.all.passes().get(id);
    if (after == null) {
      return !following.known.passes().containsKey(id);
    }
    if (before != null && !before.place().equals(after.place())) {
      return false;
    }
    if (!places.isKnown(after.place())) {
      return true;
    }
    passes.put(id, after);
    return following.everybody && following.isCovered(after.place());
  }

  /** Whoever only knows what leads to a place knows whom is appointed there too: of that nothing is clear. */
  private boolean followOversight(String id) {
    Oversight before = following.difference.before().oversights().get(id);
    Oversight after = following.all.oversights().get(id);
    boolean mine = Stream.of(before, after).filter(Objects::nonNull).anyMatch(oversight -> following.isMine(oversight.subject()));
    if (mine && !following.everywhere) {
      return false;
    }
    if (!following.known.oversights().containsKey(id) && (after == null || !places.isKnown(after.place()))) {
      return true;
    }
    oversights.put(id, after);
    return after == null && following.everybody && !following.all.places().containsKey(before.place())
        || Stream.of(before, after).filter(Objects::nonNull).allMatch(oversight -> following.all.places().containsKey(oversight.place()) && following.isCovered(oversight.place()))
        && (following.everybody || before == null && isKnownWith(after.subject()));
  }

  /** Whether a subject is known with everybody in it. */
  private boolean isKnownWith(Subject subject) {
    if (subject instanceof Subject.OfPerson) {
      return following.known.people().containsKey(subject.id());
    }
    if (!(subject instanceof Subject.OfGroup)) {
      return false;
    }
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(Set.of(subject.id()));
    while (!open.isEmpty()) {
      String id = open.pop();
      if (seen.add(id)) {
        if (!following.all.groups().get(id).equals(following.known.groups().get(id))) {
          return false;
        }
        following.all.groups().get(id).members().stream().filter(member -> member.member() instanceof Membership.GroupMember).forEach(member -> open.add(member.member().id()));
      }
    }
    return true;
  }
}
