package palegate.core.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.OfEveryKind;
import palegate.core.changes.PassChange;
import palegate.core.changes.RoleChange;
import palegate.core.changes.ShareChange;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Right;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** Section 11: a share says who made it. Whoever keeps a part of the repository gives nothing more in anybody's name but their own, whatever the draft. */
class InOthersNamesTest {
  private static final Subject MIA = new Subject.OfPerson("mia");

  private static List<Authority.Beyond> beyond(Structure structure, String asker, List<Change> changes) {
    Snapshot snapshot = Snapshot.of(structure);
    return Authority.beyond(Asker.of(snapshot.at(Harbour.NOW), asker), Rehearsal.of(snapshot, changes, Harbour.NOW, asker));
  }

  /** A structure in which Ola shares something at {@code c1}, and Mia keeps {@code cas}. */
  private static Structure withOlas(Grant share) {
    return OfEveryKind.structure().withGrants(Map.of(share.id(), share)).administeredBy(List.of(new DutyAssignment("du-x", MIA, Duty.ACCESS, "cas", null, null, Period.ALWAYS)));
  }

  /** Attacked: a share taken back, and another added under its id, was taken for the same share. */
  @Test
  void what_takes_the_place_of_a_share_under_its_id_is_not_the_share() {
    Period week = new Period(null, Harbour.NOW.plus(Duration.ofDays(7)));
    Grant share = new Grant("e-olas", "c1", MIA, "reader", Set.of(), week, null, "ola", null);
    Structure structure = withOlas(share);
    Change gone = new ShareChange.TakeBackShare("c1", "e-olas");
    assertThat(beyond(structure, "mia", List.of(gone, new ShareChange.AddShare(share.giving("keeper"))))).as("more").isNotEmpty();
    assertThat(beyond(structure, "mia", List.of(gone, new ShareChange.AddShare(share.to(new Subject.OfPerson("per")))))).as("to somebody else").isNotEmpty();
    assertThat(beyond(structure, "mia", List.of(gone, new ShareChange.AddShare(share.lasting(Period.ALWAYS))))).as("for longer").isNotEmpty();
    assertThat(beyond(structure, "mia", List.of(gone, new ShareChange.AddShare(share.copiedTo("e-olas", "cas"))))).as("at more places").isNotEmpty();
    assertThat(beyond(structure, "mia", List.of(gone, new ShareChange.AddShare(share.lasting(new Period(null, Harbour.NOW.plusSeconds(60))))))).as("for less long").isEmpty();
    assertThat(beyond(structure, "mia", List.of(gone, new AccessChange.AddGrant(share.asEntry().lasting(Period.ALWAYS))))).as("as an entry of the keeper’s own").isEmpty();
  }

  /** Attacked: the role of a pass went in the same draft. */
  @Test
  void a_pass_whose_role_goes_is_told_apart_all_the_same() {
    Structure structure = OfEveryKind.structure().administeredBy(List.of(new DutyAssignment("du-x", MIA, Duty.ACCESS, "cas", null, null, Period.ALWAYS)));
    Pass known = structure.passes().get("pa-1");
    List<Change> changes = new ArrayList<>();
    changes.add(new PassChange.SetPass(new Pass(known.id(), known.place(), "keeper", known.audience(), known.maker(), known.period(), known.uses(), known.note())));
    changes.add(new RoleChange.RemoveRole(known.role()));
    assertThat(beyond(structure, "mia", changes)).isNotEmpty();
  }

  @Test
  void nothing_more_is_ever_given_in_another_name() {
    int allowed = 0;
    int refused = 0;
    for (long seed = 1; seed <= 1_500; seed++) {
      Random random = new Random(seed);
      Structure made = RandomStructures.fromSeed(seed);
      List<Grant> shares = made.grants().values().stream().filter(Grant::isShare).toList();
      String keeper = made.people().values().stream().filter(person -> person.active()).map(person -> person.id()).findFirst().orElse(null);
      if (shares.isEmpty() || keeper == null) {
        continue;
      }
      Structure structure = made.administeredBy(made.places().values().stream().filter(place -> "root".equals(place.parent()))
          .map(place -> new DutyAssignment("du-" + place.id(), new Subject.OfPerson(keeper), Duty.ACCESS, place.id(), null, null, Period.ALWAYS)).toList());
      for (int attempt = 0; attempt < 6; attempt++) {
        List<Change> changes = attempt(random, structure, shares);
        Rehearsal rehearsal = Rehearsal.of(Snapshot.of(structure), changes, RandomStructures.NOW, keeper);
        if (!rehearsal.obstacles().isEmpty()) {
          continue;
        }
        if (Authority.beyond(Asker.of(Snapshot.of(structure).at(RandomStructures.NOW), keeper), rehearsal).isEmpty()) {
          allowed++;
          notMore(structure, rehearsal.after().structure(), keeper, "seed " + seed + ": " + changes);
        } else {
          refused++;
        }
      }
    }
    assertThat(allowed).isGreaterThan(20);
    assertThat(refused).isGreaterThan(20);
  }

  private static List<Change> attempt(Random random, Structure structure, List<Grant> shares) {
    List<Change> changes = new ArrayList<>();
    Grant share = shares.get(random.nextInt(shares.size()));
    Grant other = structure.grants().values().stream().toList().get(random.nextInt(structure.grants().size()));
    boolean sameId = random.nextBoolean();
    if (sameId || random.nextBoolean()) {
      changes.add(new AccessChange.RemoveGrant(share.place(), share.id()));
    }
    String place = random.nextInt(3) > 0 ? share.place() : structure.places().values().stream().toList().get(random.nextInt(structure.places().size())).id();
    Period period = random.nextInt(3) > 0 ? share.period() : other.period();
    changes.add(new ShareChange.AddShare(new Grant(sameId ? share.id() : "e-other", place, random.nextInt(3) > 0 ? share.subject() : other.subject(), random.nextInt(3) > 0 ? share.role() : other.role(),
        random.nextInt(3) > 0 ? share.types() : other.types(), period, null, share.sharedBy(), share.pass())));
    return changes;
  }

  /** By the words of the rule: what reaches each place in each other name, for whom and when. */
  private static void notMore(Structure before, Structure after, String keeper, String what) {
    List<Instant> instants = Stream.concat(before.grants().values().stream(), after.grants().values().stream()).flatMap(grant -> Stream.of(grant.period().from(), grant.period().until()))
        .filter(Objects::nonNull).flatMap(instant -> Stream.of(instant.minusNanos(1_000), instant)).distinct().toList();
    for (Grant grant : after.grants().values()) {
      if (!grant.isShare() || keeper.equals(grant.sharedBy()) && grant.pass() == null) {
        continue;
      }
      for (Place place : after.places().values()) {
        for (Instant instant : Stream.concat(instants.stream(), Stream.of(RandomStructures.NOW)).toList()) {
          assertThat(given(before, grant, place, instant).containsAll(given(after, grant, place, instant))).as(what + " at " + place.id() + " on " + instant).isTrue();
        }
      }
    }
  }

  private static Set<Right> given(Structure in, Grant like, Place place, Instant instant) {
    Set<Right> rights = EnumSet.noneOf(Right.class);
    for (Place at = place; at != null; at = at.standsAlone() || at.parent() == null ? null : in.places().get(at.parent())) {
      for (Grant grant : in.grants().values()) {
        boolean inThatName = Objects.equals(grant.sharedBy(), like.sharedBy()) && Objects.equals(grant.pass(), like.pass()) && grant.subject().equals(like.subject());
        if (grant.place().equals(at.id()) && inThatName && grant.period().holdsAt(instant) && grant.touches(place.type())) {
          for (Right right : Right.values()) {
            if (in.roles().get(grant.role()).rights().contains(right)) {
              rights.add(right);
            }
          }
        }
      }
    }
    return rights;
  }
}
