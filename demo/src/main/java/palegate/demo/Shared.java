package palegate.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;

/** What people at Sallowpoint let others in by, what the libraries say about it, and what no one person is to hold together. */
final class Shared {
  private final Company company;
  private final Papers papers;
  private final Instant today;

  Shared(Company company, Papers papers, Instant today) {
    this.company = company;
    this.papers = papers;
    this.today = today;
  }

  static List<SharingRule> rules() {
    return List.of(
        new SharingRule("lib-cas", SharingRule.Who.SHARERS, true, "r-preparer", 56),
        new SharingRule("lib-acc", SharingRule.Who.SHARERS, false, "r-reader", 28),
        new SharingRule("lib-people", SharingRule.Who.KEEPERS, false, "r-reader", 14),
        new SharingRule("lib-board", SharingRule.Who.NOBODY, false, null, null));
  }

  /** Somebody of the team shares a letter for a month, and somebody shares one for ever. */
  List<Grant> shares() {
    String one = company.members.get("g-team-2423").get(0).member().id();
    String other = company.members.get("g-team-2423").get(1).member().id();
    return List.of(
        share("e-sh-1", document("f-2423", "letter", 0), new Subject.OfPerson("p-hesper"), days(-6), days(22), one, null, "For the statement of March"),
        share("e-sh-2", document("f-2423", "letter", 1), group("g-firm-2"), days(-210), null, other, null, "Counsel reads along"),
        share("e-sh-3", "f-2423", new Subject.OfPerson("p-111"), null, days(20), null, "pa-survey", null));
  }

  /** One that all staff can open to a fee note, one that is used, and one that has long ended. */
  List<Pass> passes() {
    return List.of(
        new Pass("pa-fee", document("f-2604", "fee", 0), "r-reader", List.of(Subject.BuiltIn.STAFF), "p-wenna", new Period(days(-90), null), null, "So that the partners can look"),
        new Pass("pa-survey", "f-2423", "r-reader", List.of(new Subject.OfUnit("u-fin")), "p-wenna", new Period(days(-20), days(20)), 12, "Accounts look at what the claim rests on"),
        new Pass("pa-old", "out-2", "r-reader", List.of(group("g-firm-2")), "p-teodor", new Period(days(-100), days(-40)), null, null));
  }

  static List<Shortlist> shortlists() {
    return List.of(
        new Shortlist("u-sal", List.of(
            new Shortlist.Audience(group("g-adjusters"), "Adjusters", "Everyone who prepares the papers of a casualty."),
            new Shortlist.Audience(group("g-surveyors"), "Surveyors", "Everyone who surveys, Northlight Class of outside among them."),
            new Shortlist.Audience(Subject.BuiltIn.STAFF, "Everyone who works here", "All three offices, and nobody from outside."))),
        new Shortlist("u-grent-harbour", List.of(
            new Shortlist.Audience(new Subject.OfUnit("u-grent-harbour"), "Grent Harbour office", "Your own office."),
            new Shortlist.Audience(group("g-adjusters"), "Adjusters", "Everyone who prepares the papers of a casualty, in every office."))));
  }

  static List<Separation> separations() {
    return List.of(new Separation("se-fees", "Fee notes: preparing and keeping", "Whoever prepares a fee note does not decide who sees it.", false, Separation.Within.PLACE, List.of(
        new Separation.Side(Set.of("r-preparer"), Rights.NONE, Set.of(), Set.of(), Set.of("fee")), new Separation.Side(Set.of("r-keeper"), Rights.NONE, Set.of(), Set.of(), Set.of("fee")))));
  }

  /** The documents of a type below a folder, in their order. */
  private String document(String folder, String type, int which) {
    return papers.places.values().stream().filter(place -> type.equals(place.type()) && isBelow(place, folder)).map(Place::id).sorted().skip(which).findFirst().orElseThrow();
  }

  private boolean isBelow(Place place, String folder) {
    return place != null && (place.id().equals(folder) || isBelow(papers.places.get(place.parent()), folder));
  }

  private static Grant share(String id, String place, Subject subject, Instant from, Instant until, String sharedBy, String pass, String note) {
    return new Grant(id, place, subject, "r-reader", Set.of(), new Period(from, until), note, sharedBy, pass);
  }

  private Instant days(int days) {
    return today.plus(Duration.ofDays(days));
  }

  private static Subject group(String id) {
    return new Subject.OfGroup(id);
  }
}
