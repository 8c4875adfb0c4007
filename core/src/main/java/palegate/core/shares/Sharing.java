package palegate.core.shares;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.journal.Bearing;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.sharing.SharingRule;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;

/**
 * Whether somebody may let others in so (sections 9 and 11): they hold {@code share} there, the places on the way allow it, and nobody
 * gains by it, there or anywhere below, now or at any later instant, a right that they do not hold there as a standing right.
 */
public final class Sharing {
  /** @param about which part of the share it is about: place, subject, role or until */
  public record Obstacle(String about, String what, String remedy) {}

  private final Asker sharer;
  private final Instant now;
  private final Snapshot before;
  private final Snapshot after;
  private final Collection<String> alteredGrants;
  private final Set<Obstacle> obstacles = new LinkedHashSet<>();
  private final OwnRights own;

  private Sharing(Asker sharer, Rehearsal rehearsal) {
    this.sharer = sharer;
    now = rehearsal.instant();
    before = rehearsal.before();
    after = rehearsal.after();
    alteredGrants = rehearsal.altered().grants();
    own = new OwnRights(before, now, before.personNumber(sharer.id()));
  }

  /**
   * All that stands in the way of somebody's sharing; empty if nothing does.
   *
   * @param rehearsal of nothing but what is shared. O(places below), and where somebody could gain what the sharer lacks, once the parts of the structure, and those places times the instants at which anything that bears on them begins or ends
   */
  public static List<Obstacle> obstacles(Asker sharer, Rehearsal rehearsal) {
    Sharing sharing = new Sharing(sharer, rehearsal);
    List<Grant> grants = rehearsal.altered().grants().stream().sorted().map(rehearsal.after().structure().grants()::get).filter(Objects::nonNull).toList();
    grants.forEach(sharing::look);
    if (sharing.obstacles.isEmpty()) {
      sharing.lookAtGains(grants);
    }
    return List.copyOf(sharing.obstacles);
  }

  private void look(Grant grant) {
    int place = before.placeNumber(grant.place());
    int person = before.personNumber(sharer.id());
    if (place < 0 || person < 0 || !own.at(place).contains(Right.SHARE) || !before.at(now).rightsNow(person, place).contains(Right.SHARE)) {
      refuse("place", "You may not let others in here.", "Ask whoever governs this place.");
      return;
    }
    SharingLimits limits = SharingLimits.at(before, place);
    refuseIf(limits.who() == SharingRule.Who.NOBODY, "place", "Nobody shares here.", "Ask whoever governs this place.");
    refuseIf(limits.who() == SharingRule.Who.KEEPERS && !own.at(place).contains(Right.GOVERN), "place", "Only who governs it shares this.", "Ask whoever governs this place.");
    refuseIf(!limits.outsiders() && (grant.subject() == Subject.BuiltIn.OUTSIDERS || outsidersIn(grant)), "subject", "Nothing is shared with outsiders here.", "Choose people who are on staff.");
    Rights above = before.structure().roles().get(grant.role()).rights().minus(limits.rights());
    refuseIf(!above.isEmpty(), "role", "What is shared here gives [" + limits.rights() + "] at most.", "Choose a role without [" + above + "].");
    Instant latest = limits.latestEnd(now);
    refuseIf(latest != null && (grant.period().until() == null || grant.period().until().isAfter(latest)), "until", "What is shared here lasts " + limits.days() + (limits.days() != null && limits.days() == 1 ? " day" : " days") + " at most.",
        "Choose an end until then.");
  }

  /** Anybody from outside whom it would name, as long as it lasts. */
  private boolean outsidersIn(Grant grant) {
    Snapshot part = part(List.of(grant), Set.of(grant.place()));
    return instants(List.of(grant), part).stream().map(part::at).anyMatch(at -> !at.matching(grant.subject()).and(at.activeOutsiders()).isEmpty());
  }

  /** What bears on the rights of whomever some grants could ever name, at some places: there are fewer instants at which any of that begins or ends. */
  private Snapshot part(List<Grant> grants, Set<String> places) {
    return Snapshot.of(Bearing.on(EverNamed.by(grants.stream().map(Grant::subject).toList(), before.structure()), places, before.structure(), List.of()).of(before.structure()));
  }

  /**
   * Where what is given lies within what the sharer holds, nobody can gain more, whoever they are and whenever. Of the other places it is asked, at every
   * instant, whether anybody gains what the sharer does not hold. Said once, of the first instant at which it is so.
   */
  private void lookAtGains(List<Grant> grants) {
    Map<Integer, Rights> beyondOwn = new LinkedHashMap<>();
    for (Grant grant : grants) {
      Rights given = withWhatThatFrees(before.structure().roles().get(grant.role()).rights());
      before.below(before.placeNumber(grant.place())).filter(place -> !own.at(place).containsAll(given)).forEach(place -> beyondOwn.merge(place, given.minus(own.at(place)), Rights::union));
    }
    if (beyondOwn.isEmpty()) {
      return;
    }
    Map<String, Rights> wanted = new LinkedHashMap<>();
    beyondOwn.forEach((place, rights) -> wanted.put(before.place(place).id(), rights));
    Snapshot without = part(grants, wanted.keySet());
    Snapshot with = without.next(without.structure().withGrants(altered(without.structure())));
    for (Instant instant : instants(grants, with)) {
      Map<String, Rights> found = gained(wanted, without.at(instant), with.at(instant));
      if (!found.isEmpty()) {
        Rights rights = found.values().stream().reduce(Rights.NONE, Rights::union);
        // Of a place that they cannot find no word is said.
        Optional<String> first = found.keySet().stream().filter(sharer::finds).map(place -> before.structure().places().get(place).name()).findFirst();
        refuse("role", first.map(name -> "At “" + name + "” somebody").orElse("Somewhere below somebody") + " would gain [" + rights + "], which you do not have there yourself" + (instant.equals(now) ? "." : " – not now, but later."),
            "Share less, or something further down.");
        return;
      }
    }
  }

  /** What the change makes of the grants that reach a part; null for those that go. */
  private Map<String, Grant> altered(Structure part) {
    Map<String, Grant> altered = new HashMap<>();
    alteredGrants.forEach(id -> {
      Grant is = after.structure().grants().get(id);
      if (is != null && part.places().containsKey(is.place()) || is == null && part.grants().containsKey(id)) {
        altered.put(id, is);
      }
    });
    return altered;
  }

  /** House rules keep share for those who govern, and copy for those who revise: whoever gains the one may gain the other, which something else gave. */
  private static Rights withWhatThatFrees(Rights given) {
    Rights more = given.contains(Right.GOVERN) ? given.union(Rights.of(Right.SHARE)) : given;
    return more.contains(Right.REVISE) ? more.union(Rights.of(Right.COPY)) : more;
  }

  /** What anybody gains of some rights at some places, where anybody does. O(places), and people / 64 for each pair of access classes. */
  private static Map<String, Rights> gained(Map<String, Rights> wanted, SnapshotAt was, SnapshotAt is) {
    Map<Classes, Rights> byClasses = new HashMap<>();
    Map<String, Rights> found = new LinkedHashMap<>();
    wanted.forEach((id, rights) -> {
      int place = was.snapshot().placeNumber(id);
      Rights gains = byClasses.computeIfAbsent(new Classes(was.classOf(place), is.classOf(place), rights), any -> Rights.copyOf(rights.list().stream()
          .filter(right -> !is.holdersOf(right, place).minus(was.holdersOf(right, place)).isEmpty()).toList()));
      if (!gains.isEmpty()) {
        found.put(id, gains);
      }
    });
    return found;
  }

  private record Classes(int before, int after, Rights of) {}

  /** Now, and whenever something of a state begins or ends while any of it lasts. */
  private List<Instant> instants(Collection<Grant> grants, Snapshot state) {
    List<Instant> instants = new ArrayList<>();
    instants.add(now);
    state.boundariesAfter(now).stream().filter(instant -> grants.stream().anyMatch(grant -> grant.period().until() == null || instant.isBefore(grant.period().until()))).forEach(instants::add);
    return instants;
  }

  private void refuseIf(boolean wrong, String about, String what, String remedy) {
    if (wrong) {
      refuse(about, what, remedy);
    }
  }

  private void refuse(String about, String what, String remedy) {
    obstacles.add(new Obstacle(about, what, remedy));
  }

  /** What somebody holds at places as standing rights, without what oversight gives: that does not count for sharing. */
  static final class OwnRights {
    private final int person;
    private final SnapshotAt at;

    OwnRights(Snapshot snapshot, Instant now, int person) {
      this.person = person;
      SnapshotAt moment = snapshot.at(now);
      boolean overseer = person >= 0 && snapshot.structure().oversights().values().stream().anyMatch((Oversight one) -> one.period().holdsAt(now) && moment.matches(person, one.subject()));
      at = overseer ? withoutOversight(snapshot).at(now) : moment;
    }

    private static Snapshot withoutOversight(Snapshot snapshot) {
      Map<String, Oversight> gone = new HashMap<>();
      snapshot.structure().oversights().keySet().forEach(id -> gone.put(id, null));
      return snapshot.next(snapshot.structure().withOversights(gone));
    }

    /** Places are numbered alike: nothing of them differs. */
    Rights at(int place) {
      return person < 0 || place < 0 ? Rights.NONE : at.rights(person, place);
    }
  }
}
