package palegate.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Oversight;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.types.Clearance;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** What limits at Sallowpoint, beside the access lists: guarded types, walls, ceilings, house rules, conditions, overseers. */
final class Guarding {
  /** The guarded types and who is cleared for them. Nobody has been cleared for appraisals yet, and nobody noticed. */
  static final Map<String, List<Clearance>> CLEARANCES = Map.of(
      "fee", List.of(cleared("g-accounts", "r-curator"), cleared("g-keepers", "r-keeper"), cleared("g-management", "r-reader"),
          cleared("g-firm-3", "r-reader")),
      "valuation", List.of(cleared("g-cargo", "r-preparer"), cleared("g-adjusters", "r-preparer"), cleared("g-keepers", "r-keeper")),
      "personnel", List.of(cleared("g-personnel", "r-curator"), cleared("g-keepers", "r-keeper")),
      "appraisal", List.of(),
      "minute", List.of(cleared("g-management", "r-preparer"), cleared("g-keepers", "r-keeper")),
      "tender", List.of(cleared("g-management", "r-curator"), cleared("g-keepers", "r-keeper")));

  private Guarding() {}

  static List<Wall> walls(Instant today) {
    return List.of(
        wall("wall-collision", "Brannock Star and Lady Ottoline", "The two ships collided; we act for one hull and for the cargo of the other.",
            Period.ALWAYS, new Barrier.Sides(List.of(
                new Barrier.Side("Hull of Brannock Star", List.of(group("g-team-2406")), Scope.ofLabel("case", "C-2406")),
                new Barrier.Side("Cargo of Lady Ottoline", List.of(group("g-team-2411")), Scope.ofLabel("case", "C-2411"))))),
        wall("wall-fraud", "Tern Rock inquiry", "The insurer suspects that the ship was lost on purpose.", Period.ALWAYS,
            new Barrier.Seal(Scope.ofLabel("case", "C-2502"), List.of(group("g-team-2502"), group("g-keepers"), new Subject.OfUnit("u-man")))),
        wall("wall-brother", "A brother is master of the ship", "Mia Torrance's brother commands Kittiwake.", Period.ALWAYS,
            new Barrier.Screen(Scope.ofLabel("case", "C-2607"), List.of(new Subject.OfPerson("p-mia")))),
        wall("wall-leaver", "Until the end of the month", "Leaves us, and finishes two cases first.",
            new Period(null, today.plus(Duration.ofDays(20))),
            new Barrier.Confine(new Scope(Set.of(), Set.of(), Map.of("case", Set.of("C-2508", "C-2513"))), List.of(new Subject.OfPerson("p-120")))),
        wall("wall-valuations", "Valuations and the tender team", "Who bids must not see what we value.", Period.ALWAYS,
            new Barrier.Screen(Scope.ofTypes("valuation"), List.of(group("g-liaison"))))
            .except(new Wall.Exempt(new Subject.OfPerson("p-teodor"), today.plus(Duration.ofDays(90)))),
        // The folder was filed as C-2471, so this one covers nothing.
        wall("wall-pilgrim", "Grey Pilgrim, counsel", "Counsel for the other side.", Period.ALWAYS,
            new Barrier.Screen(Scope.ofLabel("case", "C-2417"), List.of(group("g-firm-2")))));
  }

  static List<Oversight> oversights(Instant today) {
    return List.of(
        new Oversight("o-audit", "lib-acc", new Subject.OfPerson("p-oriel"), Period.ALWAYS, "Yearly audit of the fees"),
        new Oversight("o-cases", "lib-cas", new Subject.OfPerson("p-hesper"),
            new Period(today.minus(Duration.ofDays(30)), today.plus(Duration.ofDays(60))), "Quality of statements"));
  }

  static void limit(Papers papers, Instant today) {
    papers.change("lib-out", place -> place.guarded(new Guards("r-filer", false, true)));
    papers.change("lib-people", place -> place.guarded(new Guards("r-onlooker", true, false)));
    papers.change("lib-board", place -> place.guarded(new Guards(null, true, true)));
    papers.change("d-10004", place -> place.in(new Conditions(false, false, "p-ola", today.minus(Duration.ofDays(21)))));
    papers.change("d-10010", place -> place.in(new Conditions(true, false, null, null)));
    papers.change("d-10021", place -> place.in(new Conditions(false, true, null, null)));
  }

  private static Wall wall(String id, String name, String reason, Period period, Barrier barrier) {
    return new Wall(id, name, reason, Wall.State.STANDING, period, barrier, List.of());
  }

  private static Clearance cleared(String group, String role) {
    return new Clearance(group(group), role, Period.ALWAYS);
  }

  private static Subject group(String id) {
    return new Subject.OfGroup(id);
  }
}
