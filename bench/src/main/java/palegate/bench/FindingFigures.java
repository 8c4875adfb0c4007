package palegate.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PlaceChange;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.KeptFindings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.demo.Structures;

/** How long every rule takes, together from cold and each by itself. */
final class FindingFigures {
  private static final int ROUNDS = 8;

  private FindingFigures() {}

  static void run(Structures.Size size) {
    Snapshot snapshot = Snapshot.of(Structures.of(size));
    snapshot.at(Structures.NOW).classCount();
    say("%s: %,d people, %,d places", size, snapshot.personCount(), snapshot.placeCount());
    for (String which : new String[] {"from cold", "again"}) {
      long began = System.nanoTime();
      List<Finding> all = Findings.of(snapshot, Structures.NOW);
      say("  every rule, %s: %,d findings, %,d ms", which, all.size(), (System.nanoTime() - began) / 1_000_000);
    }
    Map<Long, String> slowest = new TreeMap<>(Comparator.reverseOrder());
    for (Rule rule : Rules.ALL) {
      long began = System.nanoTime();
      int found = Findings.of(snapshot, Structures.NOW, Limits.USUAL, List.of(rule)).size();
      slowest.merge((System.nanoTime() - began) / 1_000_000, String.format(Locale.UK, "%s (%,d found)", rule.code(), found), (one, other) -> one + ", " + other);
    }
    say("  alone, the slowest: %s", slowest.entrySet().stream().limit(8).map(each -> each.getValue() + " " + each.getKey() + " ms").collect(Collectors.joining("; ")));
    afterChanges(snapshot);
  }

  /** One after the other, as a day brings them; each is looked at from what was kept of the one before. */
  private static void afterChanges(Snapshot first) {
    Snapshot snapshot = first;
    KeptFindings kept = KeptFindings.of(first, Structures.NOW, Limits.USUAL, Rules.ALL);
    Map<String, List<Long>> took = new LinkedHashMap<>();
    for (int round = 0; round < ROUNDS; round++) {
      for (Map.Entry<String, Change> each : changes(snapshot, round).entrySet()) {
        DraftApplication.Result result = DraftApplication.of(snapshot, List.of(each.getValue()), Structures.NOW);
        if (!result.refusals().isEmpty()) {
          throw new IllegalStateException(each.getKey() + ": " + result.refusals());
        }
        snapshot = snapshot.next(result.difference());
        snapshot.at(Structures.NOW).classCount();
        long began = System.nanoTime();
        kept = kept.next(snapshot, Structures.NOW, Limits.USUAL, Rules.ALL);
        took.computeIfAbsent(each.getKey(), any -> new ArrayList<>()).add((System.nanoTime() - began) / 1_000_000);
      }
    }
    took.forEach((what, times) -> say("  after %s: median %,d ms, at most %,d ms of %d", what, times.stream().sorted().toList().get(times.size() / 2), Collections.max(times), times.size()));
  }

  private static Map<String, Change> changes(Snapshot snapshot, int round) {
    List<Grant> grants = List.copyOf(snapshot.structure().grants().values());
    Grant grant = grants.get((round + 1) * 7_919 % grants.size());
    Group group = snapshot.structure().groups().values().stream().skip(200 + round * 31L).findFirst().orElseThrow();
    List<String> people = List.copyOf(snapshot.structure().people().keySet());
    String folder = snapshot.structure().places().values().stream().filter(place -> place.kind() == PlaceKind.FOLDER && !place.standsAlone()).skip(4_000 + round * 97L).findFirst().orElseThrow().id();
    Map<String, Change> changes = new LinkedHashMap<>();
    changes.put("a grant", new AccessChange.AddGrant(new Grant("bench-" + round, folder, new Subject.OfPerson(people.get(round * 13 + 40)), grant.role(), Set.of(), Period.ALWAYS, null)));
    changes.put("a grant less", new AccessChange.RemoveGrant(grant.place(), grant.id()));
    changes.put("a member more", new MembershipChange.AddMember(group.id(), new Membership(new Membership.PersonMember(people.get(round * 17 + 9_000)), new Period(null, Structures.NOW.plusSeconds(86_400L * (900 + round))))));
    changes.put("a folder", new PlaceChange.AddPlace(Place.plain("bench-folder-" + round, PlaceKind.FOLDER, folder, "Bench " + round, false, Map.of(), null, null, null)));
    changes.put("a break", new AccessChange.BreakPlace("bench-folder-" + round, AccessChange.BreakPlace.Start.CARRY_OVER, List.of(), "bench-break-" + round));
    return changes;
  }

  private static void say(String words, Object... figures) {
    System.out.println(String.format(Locale.UK, words, figures));
  }
}
