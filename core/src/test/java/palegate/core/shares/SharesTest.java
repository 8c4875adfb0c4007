package palegate.core.shares;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.PassChange;
import palegate.core.changes.ShareChange;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.reversal.Reversal;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.viewpoint.Asker;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Sections 11 and 12: what a share may give, what a pass does when it is opened, what taking back ends, and what sharing proposes. */
class SharesTest {
  private static final Instant NOW = Harbour.NOW;
  private static final Subject MIA = new Subject.OfPerson("mia");
  private static final Subject PER = new Subject.OfPerson("per");

  /** Ola keeps everything; Mia may share what she reads at c2. */
  private static Structure base() {
    return Harbour.structure().withRoles(Map.of("sharer", new Role("sharer", "Sharer", Rights.parse(List.of("find", "read", "copy", "share")))))
        .withGrants(Map.of("e-mia", new Grant("e-mia", "c2", MIA, "sharer", Set.of(), Period.ALWAYS, null), "e-ola", new Grant("e-ola", "c2", new Subject.OfPerson("ola"), "keeper", Set.of(), Period.ALWAYS, null)));
  }

  private static Structure saying(Structure structure, SharingRule... rules) {
    return structure.sharedBy(List.of(rules), structure.passes().values(), List.of(), List.of());
  }

  private static List<String> obstacles(Structure structure, String sharer, Grant share) {
    Snapshot snapshot = Snapshot.of(structure);
    return Sharing.obstacles(Asker.of(snapshot.at(NOW), sharer), Rehearsal.of(snapshot, List.of(new ShareChange.AddShare(share)), NOW, sharer)).stream().map(Sharing.Obstacle::what).toList();
  }

  private static Grant share(String place, Subject subject, String role, Instant until, String by) {
    return new Grant("s", place, subject, role, Set.of(), new Period(null, until), null, by, null);
  }

  private static Instant days(int days) {
    return NOW.plus(Duration.ofDays(days));
  }

  @Test
  void one_shares_up_to_ones_own_rights_and_only_where_one_may_share() {
    assertThat(obstacles(base(), "mia", share("c2", PER, "sharer", days(7), "mia"))).isEmpty();
    assertThat(obstacles(base(), "mia", share("c2", PER, "keeper", days(7), "mia"))).singleElement().asString().contains("which you do not have there yourself");
    assertThat(obstacles(base(), "mia", share("c1", PER, "reader", days(7), "mia"))).containsExactly("You may not let others in here.");
    assertThat(obstacles(base(), "una", share("c2", PER, "reader", days(7), "una"))).as("whoever has left lets nobody in").isNotEmpty();
  }

  @Test
  void what_oversight_lets_one_see_does_not_count() {
    Structure seen = base().withGrants(Map.of("e-mia", new Grant("e-mia", "c2", MIA, "onlyshare", Set.of(), Period.ALWAYS, null))).withRoles(Map.of("onlyshare", new Role("onlyshare", "Share", Rights.parse(List.of("find", "read", "share")))))
        .guardedBy(List.of(new Oversight("o", "c1", MIA, Period.ALWAYS, null)), List.of());
    assertThat(obstacles(seen.withGrants(Map.of("e-c1", new Grant("e-c1", "cas", MIA, "onlyshare", Set.of("letter"), Period.ALWAYS, null))), "mia", share("val1", PER, "reader", days(7), "mia"))).containsExactly("You may not let others in here.");
  }

  @Test
  void what_is_said_nearer_to_the_root_is_made_narrower_further_down_and_never_wider() {
    Structure narrow = saying(base(), new SharingRule("cas", SharingRule.Who.SHARERS, false, "reader", 14), new SharingRule("c2", SharingRule.Who.SHARERS, true, "keeper", 90));
    Snapshot snapshot = Snapshot.of(narrow);
    SharingLimits limits = SharingLimits.at(snapshot, snapshot.placeNumber("let2"));
    assertThat(limits.days()).isEqualTo(14);
    assertThat(limits.outsiders()).isFalse();
    assertThat(limits.rights()).isEqualTo(Rights.parse(List.of("find", "read", "copy")).intersect(narrow.roles().get("reader").rights()));
    assertThat(obstacles(narrow, "mia", share("c2", PER, "sharer", null, "mia"))).as("all that is wrong, at once").containsExactlyInAnyOrder(
        "Nothing is shared with outsiders here.", "What is shared here gives [" + limits.rights() + "] at most.", "What is shared here lasts 14 days at most.");
    assertThat(obstacles(narrow, "mia", share("c2", new Subject.OfPerson("ola"), "reader", days(14), "mia"))).isEmpty();
    assertThat(obstacles(narrow, "mia", share("c2", new Subject.OfPerson("ola"), "reader", days(14).plusMillis(1), "mia"))).isNotEmpty();
    assertThat(obstacles(saying(base(), new SharingRule("root", SharingRule.Who.NOBODY, true, null, null)), "ola", share("c2", MIA, "reader", null, "ola"))).as("nobody is nobody, keepers too").containsExactly("Nobody shares here.");
    assertThat(obstacles(saying(base(), new SharingRule("c2", SharingRule.Who.KEEPERS, true, null, null)), "mia", share("c2", PER, "reader", null, "mia"))).containsExactly("Only who governs it shares this.");
    assertThat(obstacles(saying(base(), new SharingRule("c2", SharingRule.Who.KEEPERS, true, null, null)), "ola", share("c2", PER, "reader", null, "ola"))).isEmpty();
  }

  private static Structure withPass(Structure structure, Pass pass) {
    return structure.sharedBy(structure.sharing().values(), List.of(pass), List.of(), List.of());
  }

  private static Pass pass(Period period, Integer uses, Subject... audience) {
    return new Pass("pa", "c2", "sharer", List.of(audience), "ola", period, uses, "Come in");
  }

  private static PassOpening open(Structure structure, String person, String... openedBy) {
    return PassOpening.of(Snapshot.of(structure).at(NOW), NOW, "pa", person, Set.of(openedBy), "e-new");
  }

  @Test
  void a_pass_lets_in_whoever_it_is_for_until_its_end_and_never_was_to_anybody_else() {
    Structure structure = withPass(base(), pass(new Period(null, days(9)), null, PER));
    PassOpening.Opens opens = (PassOpening.Opens) open(structure, "per");
    assertThat(opens.rights().contains(Right.READ)).isTrue();
    Grant made = DraftApplication.of(Snapshot.of(structure), List.of(opens.change()), NOW).structure().grants().get("e-new");
    assertThat(made).isEqualTo(new Grant("e-new", "c2", PER, "sharer", Set.of(), new Period(null, days(9)), "Come in", null, "pa"));
    assertThat(open(structure, "mia")).isEqualTo(new PassOpening.Unknown());
    assertThat(PassOpening.of(Snapshot.of(structure).at(NOW), NOW, "never", "per", Set.of(), "e-new")).isEqualTo(new PassOpening.Unknown());
    assertThat(open(structure.guardedBy(List.of(), List.of(new Wall("w", "W", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c2"), List.of(PER)), List.of()))), "per"))
        .as("no word to whoever a wall bars").isEqualTo(new PassOpening.Unknown());
  }

  @Test
  void how_long_a_pass_may_let_in_is_counted_from_when_it_is_opened_however_long_nothing_was_altered() {
    Structure structure = withPass(saying(base(), new SharingRule("c2", SharingRule.Who.SHARERS, true, null, 28)), pass(new Period(null, days(35)), null, PER));
    Snapshot snapshot = Snapshot.of(structure);
    assertThat(PassOpening.of(snapshot.at(NOW), NOW, "pa", "per", Set.of(), "e-new")).isInstanceOf(PassOpening.Refused.class);
    assertThat(PassOpening.of(snapshot.at(days(10)), days(10), "pa", "per", Set.of(), "e-new")).isInstanceOf(PassOpening.Opens.class);
  }

  /** Section 11: a state is kept for all instants at which the same holds, and a pass begins and ends among them. */
  @Test
  void how_a_pass_stands_is_said_of_the_instant_that_is_asked_about_whatever_was_asked_before() {
    Pass pass = new Pass("pa", "c2", "reader", List.of(PER), "ola", new Period(days(1), days(2)), null, null);
    Snapshot whole = Snapshot.of(base().withPasses(Map.of("pa", pass)));
    Snapshot derived = Snapshot.of(base()).next(base().withPasses(Map.of("pa", pass)));
    for (Snapshot snapshot : List.of(whole, derived)) {
      for (int round = 0; round < 2; round++) {
        assertThat(List.of(NOW, days(1), days(1).plusSeconds(60), days(2), days(9), NOW.plusSeconds(60)).stream().map(instant -> SharesRegister.of(snapshot.at(instant)).get(0).state()))
            .containsExactly(SharesRegister.State.TO_BEGIN, SharesRegister.State.STANDING, SharesRegister.State.STANDING, SharesRegister.State.ENDED, SharesRegister.State.ENDED, SharesRegister.State.TO_BEGIN);
      }
    }
  }

  @Test
  void a_pass_is_refused_when_it_is_opened_if_it_has_ended_is_used_up_or_its_maker_could_not_share_now() {
    assertThat(open(withPass(base(), pass(new Period(null, NOW), null, PER)), "per")).isInstanceOf(PassOpening.Refused.class);
    assertThat(open(withPass(base(), pass(new Period(days(1), null), null, PER)), "per")).isInstanceOf(PassOpening.Refused.class);
    assertThat(open(withPass(base(), pass(Period.ALWAYS, 1, PER)), "per", "una")).isInstanceOf(PassOpening.Refused.class);
    assertThat(open(withPass(base(), pass(Period.ALWAYS, 2, PER)), "per", "una")).isInstanceOf(PassOpening.Opens.class);
    assertThat(open(withPass(base(), pass(Period.ALWAYS, null, PER)), "per", "per")).as("taken back from them").isInstanceOf(PassOpening.Refused.class);
    assertThat(open(withPass(base().withGrants(Map.of("e-ola", new Grant("e-ola", "c2", new Subject.OfPerson("ola"), "reader", Set.of(), Period.ALWAYS, null))), pass(Period.ALWAYS, null, PER)), "per"))
        .as("the maker keeps nothing any more").isInstanceOf(PassOpening.Refused.class);
    assertThat(open(withPass(saying(base(), new SharingRule("cas", SharingRule.Who.SHARERS, false, null, null)), pass(Period.ALWAYS, null, PER)), "per")).as("no outsiders since").isInstanceOf(PassOpening.Refused.class);
    assertThat(((PassOpening.Refused) open(withPass(saying(base(), new SharingRule("cas", SharingRule.Who.SHARERS, true, null, 5)), pass(Period.ALWAYS, null, PER)), "per")).what()).as("it says what is in the way").contains("longer than the place allows");
    assertThat(open(withPass(base(), pass(Period.ALWAYS, null, new Subject.OfPerson("ola"))), "ola")).as("it would give nothing").isInstanceOf(PassOpening.Refused.class);
  }

  @Test
  void taking_back_ends_what_was_opened_and_what_a_break_carried_over_and_undoing_brings_it_back_as_it_was() {
    Structure opened = withPass(base(), pass(new Period(null, days(9)), null, PER, MIA)).withGrants(Map.of("e-p", new Grant("e-p", "c2", PER, "sharer", Set.of(), new Period(null, days(9)), null, null, "pa")));
    Structure broken = DraftApplication.of(Snapshot.of(opened), List.of(new AccessChange.BreakPlace("let2", AccessChange.Start.CARRY_OVER, List.of(), "b")), NOW).structure();
    assertThat(broken.grants().values().stream().filter(grant -> "pa".equals(grant.pass()))).hasSize(2);
    Structure after = DraftApplication.of(Snapshot.of(broken), List.of(new PassChange.TakeBackPass("pa")), NOW).structure();
    assertThat(after.grants().values()).noneMatch(grant -> grant.pass() != null);
    assertThat(after.passes()).isEmpty();
    Reversal undo = Reversal.of(StructureDifference.between(broken, after), Snapshot.of(after), NOW);
    assertThat(undo.left()).isEmpty();
    assertThat(DraftApplication.of(Snapshot.of(after), undo.changes(), NOW).structure()).isEqualTo(broken);
    Structure shared = base().withGrants(Map.of("e-s", new Grant("e-s", "c2", PER, "sharer", Set.of(), new Period(null, days(9)), null, "mia", null)));
    Structure carried = DraftApplication.of(Snapshot.of(shared), List.of(new AccessChange.BreakPlace("let2", AccessChange.Start.CARRY_OVER, List.of(), "b")), NOW).structure();
    Structure back = DraftApplication.of(Snapshot.of(carried), List.of(new ShareChange.TakeBackShare("c2", "e-s")), NOW).structure();
    assertThat(back.grants().values()).noneMatch(Grant::isShare);
  }

  @Test
  void whoever_takes_back_sees_who_is_still_in_and_how() {
    Structure shared = base().withGrants(Map.of("e-s", new Grant("e-s", "c2", new Subject.OfGroup("trainees"), "sharer", Set.of(), Period.ALWAYS, null, "ola", null)));
    Change back = new ShareChange.TakeBackShare("c2", "e-s");
    assertThat(StillIn.after(Rehearsal.of(Snapshot.of(shared), List.of(back), NOW, "ola"))).singleElement().satisfies(one -> {
      assertThat(one.person().id()).isEqualTo("mia");
      assertThat(one.ways()).containsExactlyInAnyOrder("an entry by name", "Company");
    });
    Structure alone = base().withGrants(Map.of("e-s", new Grant("e-s", "c2", PER, "sharer", Set.of(), Period.ALWAYS, null, "ola", null)));
    assertThat(StillIn.after(Rehearsal.of(Snapshot.of(alone), List.of(back), NOW, "ola"))).isEmpty();
  }

  @Test
  void a_unit_without_a_shortlist_has_that_of_the_nearest_one_above_and_whoever_has_no_unit_that_of_the_topmost() {
    Shortlist top = new Shortlist("u-all", List.of(new Shortlist.Audience(Subject.BuiltIn.STAFF, "Everyone", null)));
    Shortlist own = new Shortlist("u-cas", List.of(new Shortlist.Audience(new Subject.OfGroup("divers"), "Divers", "Whoever dives.")));
    Structure both = base().sharedBy(List.of(), List.of(), List.of(top, own), List.of());
    assertThat(Shortlists.of(both, both.people().get("mia"))).isEqualTo(own.audiences());
    assertThat(Shortlists.of(both, both.people().get("ola"))).isEqualTo(top.audiences());
    assertThat(Shortlists.of(both, both.people().get("per"))).as("without a unit").isEqualTo(top.audiences());
    Structure above = base().sharedBy(List.of(), List.of(), List.of(top), List.of());
    assertThat(Shortlists.of(above, above.people().get("mia"))).isEqualTo(top.audiences());
    assertThat(Shortlists.of(base(), above.people().get("mia"))).isEmpty();
  }

  @Test
  void it_is_offered_only_what_could_be_shared() {
    Snapshot snapshot = Snapshot.of(saying(base(), new SharingRule("c2", SharingRule.Who.SHARERS, false, "reader", 10)));
    ShareOffer offer = ShareOffer.of(snapshot.at(NOW), NOW, snapshot.personNumber("mia"), snapshot.placeNumber("c2"));
    assertThat(offer.why()).isNull();
    assertThat(offer.roles()).extracting(Role::id).containsExactly("reader");
    assertThat(offer.days()).isEqualTo(10);
    assertThat(ShareOffer.of(snapshot.at(NOW), NOW, snapshot.personNumber("mia"), snapshot.placeNumber("c1")).why()).isEqualTo("You may not let others in here.");
  }
}
