package palegate.core.findings;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.questions.AccessList;
import palegate.core.questions.NewDocuments;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** Entries that do nothing. */
final class EntryWithoutEffect implements Rule {
  @Override
  public String code() {
    return "entry-without-effect";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "entries that do nothing";
  }

  @Override
  public String matters() {
    return "Somebody thinks that it gives or takes something.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return idle(survey).filter(line -> !(line.entry().subject() instanceof Subject.OfPerson && line.sameAs() != null)).map(line -> new Finding(code(), severity(), "entry:" + line.entry().id(), "", words(survey, line), List.of(),
        List.of(Fix.of("Remove the entry", EntryEnded.removal(line.entry())))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Own lines that do nothing where they reach: now, and once all that is dated has begun and ended. In order of their entries. */
  static Stream<AccessList.Line> idle(Survey survey) {
    return survey.byPlace("idle lines", (AccessList.Line line) -> line.entry().place(), places -> lookForIdle(survey, places)).stream().sorted(Comparator.comparing(line -> line.entry().id()));
  }

  private static List<AccessList.Line> lookForIdle(Survey survey, IntStream places) {
    Snapshot snapshot = survey.snapshot();
    SnapshotAt atLast = survey.atLast();
    List<Integer> some = places.filter(place -> !snapshot.ownEntries(place).isEmpty()).boxed().toList();
    return some.parallelStream().flatMap(place -> idleAt(survey.moment(), atLast, place)).toList();
  }

  /** The whole list is made only where something is idle: it says which line from above says the same. */
  private static Stream<AccessList.Line> idleAt(SnapshotAt moment, SnapshotAt atLast, int place) {
    Snapshot snapshot = moment.snapshot();
    return AccessList.own(snapshot, moment.instant(), place).lines().stream().noneMatch(EntryWithoutEffect::isIdle) ? Stream.empty()
        : AccessList.of(snapshot, moment.instant(), place).lines().stream().filter(line -> line.own() && isIdle(line) && changesNothing(moment, line.entry()) && changesNothing(atLast, line.entry()) && nothingPutInLater(moment, atLast, line.entry()));
  }

  /**
   * Nor further down: wherever the entry reaches, everybody has the same without it. Places of one class, told apart by whether another entry
   * says the same to the same subject there, answer alike. O(places it reaches + classes among them × (entries + people / 64)).
   */
  private static boolean changesNothing(SnapshotAt moment, Entry entry) {
    Snapshot snapshot = moment.snapshot();
    Map<Boolean, BitSet> seen = Map.of(true, new BitSet(), false, new BitSet());
    Deque<Reached> left = new ArrayDeque<>();
    int top = snapshot.placeNumber(entry.place());
    left.push(new Reached(top, snapshot.reachingEntries(top).stream().anyMatch(other -> isDouble(snapshot, other, entry))));
    while (!left.isEmpty()) {
      Reached at = left.pop();
      int alike = moment.classOf(at.place());
      if (!seen.get(at.doubled()).get(alike)) {
        seen.get(at.doubled()).set(alike);
        if (!moment.holders(at.place()).sameAs(moment.holdersWithout(at.place(), entry))) {
          return false;
        }
      }
      for (int child : snapshot.childrenInNoOrder(at.place())) {
        if (!snapshot.standsAlone(child)) {
          left.push(new Reached(child, at.doubled() || snapshot.ownEntries(child).stream().anyMatch(other -> isDouble(snapshot, other, entry))));
        }
      }
    }
    return true;
  }

  /** Nor with documents that are not there yet. */
  private static boolean nothingPutInLater(SnapshotAt moment, SnapshotAt atLast, Entry entry) {
    return Stream.of(moment, atLast).distinct().allMatch(at -> NewDocuments.alikeWithout(at, entry));
  }

  /** @param doubled whether another entry that reaches the place says the same to the same subject */
  private record Reached(int place, boolean doubled) {}

  private static boolean isDouble(Snapshot snapshot, Entry other, Entry entry) {
    return !other.equals(entry) && other.getClass() == entry.getClass() && other.subject().equals(entry.subject()) && snapshot.rightsOf(other).equals(snapshot.rightsOf(entry));
  }

  private static boolean isIdle(AccessList.Line line) {
    return line.state() == AccessList.State.SHADOWED || line.state() == AccessList.State.NOBODY;
  }

  private static String words(Survey survey, AccessList.Line line) {
    String what = (line.entry() instanceof Withholding ? "What is withheld from " : "What is given to ") + survey.name(line.entry().subject()) + " at " + survey.path(line.entry().place());
    if (line.state() == AccessList.State.NOBODY) {
      return what + " reaches nobody who is active.";
    }
    return what + (line.entry() instanceof Withholding ? " takes nothing that they would have." : " gives nothing that they would not have without it.");
  }
}
