package palegate.core.mining;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.AccessList;
import palegate.core.questions.BreakRegister;
import palegate.core.questions.IdleEntries;
import palegate.core.snapshot.SnapshotAt;

/** Entries that can go, stand once above, or come from above again. */
final class EntryCandidates {
  private static final Map<AccessList.State, String> WHY = Map.of(AccessList.State.WALLED, "a wall keeps from doing anything", AccessList.State.NOBODY_CLEARED, "nobody is cleared for");
  private static final Set<AccessList.State> STATES = Set.of(AccessList.State.SHADOWED, AccessList.State.NOBODY, AccessList.State.WALLED, AccessList.State.NOBODY_CLEARED);

  private static final int ENDED_AT_ONCE = 1_000;

  private EntryCandidates() {}

  /** As many at once as a draft may well take up. */
  static List<Candidate> ended(Mined state) {
    List<Entry> over = state.structure().entries().filter(entry -> entry.period().endedBy(state.now())).sorted(Comparator.comparing(Entry::place).thenComparing(Entry::id)).toList();
    List<Candidate> all = new ArrayList<>();
    for (int from = 0; from < over.size(); from += ENDED_AT_ONCE) {
      List<Entry> some = over.subList(from, Math.min(over.size(), from + ENDED_AT_ONCE));
      String words = over.size() == 1 ? "Take off the entry that has ended." : "Take off the " + over.size() + " entries that have ended" + (some.size() == over.size() ? "." : ": " + (from + 1) + " to " + (from + some.size()) + ".");
      all.add(new Candidate(Proposal.Kind.ENDED, words, some.stream().map(Mined::removal).toList(), some.size()));
    }
    return all;
  }

  /** What others say as well. */
  static List<Candidate> said(Mined state) {
    return Coverage.saidByOthers(state.snapshot(), state.current(), state.now()).stream().map(entry -> idle(state, entry, "does nothing")).toList();
  }

  /** What does nothing whenever anything begins or ends that could matter to it. */
  static List<Candidate> idle(Mined state) {
    List<Instant> later = state.snapshot().boundariesAfter(state.now());
    SnapshotAt atLast = later.isEmpty() ? state.moment() : state.snapshot().at(later.get(later.size() - 1));
    List<AccessList.Line> lines = IdleEntries.at(state.moment(), atLast, state.snapshot().places(), STATES).stream().filter(line -> !line.entry().period().endedBy(state.now()))
        .sorted(Comparator.comparing((AccessList.Line line) -> line.entry().place()).thenComparing(line -> line.entry().id())).toList();
    Set<Entry> idle = atEveryInstant(state, lines.stream().map(AccessList.Line::entry).toList());
    return lines.stream().filter(line -> idle.contains(line.entry())).map(line -> idle(state, line.entry(), WHY.getOrDefault(line.state(), "does nothing"))).toList();
  }

  /** Instant by instant, so that what holds then is worked out once for all of them; none if it is called off. */
  private static Set<Entry> atEveryInstant(Mined state, List<Entry> entries) {
    RelevantInstants relevant = new RelevantInstants(state.snapshot(), state.now());
    Map<Instant, List<Entry>> byInstant = new TreeMap<>();
    entries.forEach(entry -> relevant.at(entry.place(), EverIn.of(state, entry.subject())).forEach(instant -> byInstant.computeIfAbsent(instant, any -> new ArrayList<>()).add(entry)));
    Set<Entry> idle = ConcurrentHashMap.newKeySet();
    idle.addAll(entries);
    int done = 0;
    for (Map.Entry<Instant, List<Entry>> at : byInstant.entrySet()) {
      if (!state.steps().at(done++, byInstant.size())) {
        return Set.of();
      }
      SnapshotAt moment = state.snapshot().at(at.getKey());
      at.getValue().parallelStream().filter(idle::contains).filter(entry -> !IdleEntries.doesNothing(moment, entry)).forEach(idle::remove);
    }
    return idle;
  }

  private static Candidate idle(Mined state, Entry entry, String why) {
    return new Candidate(Proposal.Kind.IDLE, "Take off what " + why + ": " + state.words(entry) + ".", List.of(Mined.removal(entry)), 1, new Candidate.Touches(entry.place(), EverIn.of(state, entry.subject())));
  }

  /** The same at two or more children of one place. */
  static List<Candidate> lifts(Mined state) {
    Map<String, Map<Mined.Says, List<Entry>>> byParent = new LinkedHashMap<>();
    state.current().forEach(entry -> {
      Place place = state.structure().places().get(entry.place());
      if (place.kind() != PlaceKind.REPOSITORY) {
        byParent.computeIfAbsent(place.parent(), any -> new LinkedHashMap<>()).computeIfAbsent(Mined.Says.of(entry), any -> new ArrayList<>()).add(entry);
      }
    });
    List<Candidate> all = new ArrayList<>();
    byParent.forEach((parent, alike) -> alike.values().stream().filter(entries -> entries.size() > 1).forEach(entries -> {
      List<Change> changes = new ArrayList<>(entries.stream().map(Mined::removal).toList());
      Entry one = entries.get(0);
      changes.add(one instanceof Grant grant ? new AccessChange.AddGrant(grant.copiedTo(state.ids().get(), parent)) : new AccessChange.AddWithholding(((Withholding) one).copiedTo(state.ids().get(), parent)));
      all.add(new Candidate(Proposal.Kind.LIFT, "Give it once at " + state.path(parent) + " and not at " + entries.size() + " places below: " + state.words(one) + ".", changes, entries.size() - 1));
    }));
    return all;
  }

  /** A break whose place would keep, following again, only what does not come from above anyway. */
  static List<Candidate> rejoins(Mined state) {
    List<Candidate> all = new ArrayList<>();
    for (int place : BreakRegister.places(state.snapshot(), state.snapshot().placeNumber(state.structure().repository().orElseThrow().id()))) {
      Set<Mined.Says> above = new HashSet<>();
      state.snapshot().reachingEntries(state.snapshot().parent(place)).forEach(entry -> above.add(Mined.Says.of(entry)));
      List<Entry> own = state.snapshot().ownEntries(place);
      Set<String> keep = own.stream().filter(entry -> !above.contains(Mined.Says.of(entry))).map(Entry::id).collect(Collectors.toSet());
      if (keep.size() < own.size()) {
        all.add(new Candidate(Proposal.Kind.REJOIN, "Let " + state.snapshot().pathText(place) + " follow what is above again" + (keep.isEmpty() ? "." : ", keeping " + keep.size() + " of its own."),
            List.of(new AccessChange.RejoinPlace(state.snapshot().place(place).id(), false, keep)), own.size() - keep.size()));
      }
    }
    return all;
  }
}
