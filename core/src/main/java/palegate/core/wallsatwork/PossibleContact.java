package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import palegate.core.collections.PersonSet;
import palegate.core.journal.Between;
import palegate.core.journal.StatesOnTheWay;
import palegate.core.people.Person;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * Somebody whom a wall keeps out, and when they could have read something that it covers: from history, whether or not they did. What they
 * are kept out of is what the wall covers today; what was not filed there yet could not be read there.
 *
 * @param spans in order; they do not touch each other
 * @param documents the most that they could read at one time, by their standing rights
 */
public record PossibleContact(Person person, List<Span> spans, int documents) {
  public PossibleContact {
    spans = List.copyOf(spans);
  }

  /**
   * A time in which at least one document could be read.
   *
   * @param began the change that let them in; 0 if a date did, or if it was so when the history that is looked at begins
   * @param ended the change that took the last of it; 0 if a date did, or if it is so until the end
   */
  public record Span(Instant from, Instant until, long began, long ended) {}

  /**
   * Everybody barred who could have read anything inside between two instants, the longest time first, then by name.
   * O(instants at which anything altered × (covered documents + classes among them × people / 64)).
   *
   * @param now the state whose numbers the barrings use
   * @param states the state that held at {@code from}, then every later one
   */
  public static List<PossibleContact> of(Snapshot now, List<Barring> barrings, List<Between.State> states, Instant from, Instant until) {
    Sweep sweep = new Sweep(now, barrings);
    sweep.begin(states.get(0).snapshot(), from);
    states.stream().skip(1).forEach(state -> sweep.go(state.snapshot(), state.since(), state.change()));
    return sweep.finish(until);
  }

  /**
   * The same, from the state that held at {@code from} and what every later change altered: only what bears on whom the wall bars and on the
   * documents that it covers is made. O(parts of the first state + alterations + for each change that bears on it that part).
   */
  public static List<PossibleContact> of(Snapshot now, List<Barring> barrings, Snapshot first, List<Between.Made> made, Instant from, Instant until) {
    Sweep sweep = new Sweep(now, barrings);
    StatesOnTheWay states = StatesOnTheWay.of(first, made, sweep.people.stream().map(Person::id).collect(Collectors.toSet()), sweep.documents.stream().flatMap(List::stream).collect(Collectors.toSet()));
    sweep.begin(states.first(), from);
    states.forEach((change, state) -> {
      if (state != null) {
        sweep.go(state, change.at(), change.change());
      }
    });
    return sweep.finish(until);
  }

  private record Began(Instant from, long change) {}

  /** Who can read how much, from one instant to the next. */
  private static final class Sweep {
    private final List<Person> people = new ArrayList<>();
    /** For each part of the wall, whom it bars, by their place in {@link #people}, and from which documents. */
    private final List<BitSet> barred = new ArrayList<>();
    private final List<List<String>> documents = new ArrayList<>();
    private final Began[] open;
    private final int[] most;
    private final Map<Integer, List<Span>> spans = new LinkedHashMap<>();
    /** What holds, from when, by which change; looked at once it is known until when. */
    private Snapshot state;
    private Instant since;
    private long by;

    Sweep(Snapshot now, List<Barring> barrings) {
      Map<Integer, Integer> positions = new HashMap<>();
      for (Barring barring : Barring.disjoint(barrings)) {
        BitSet positionsOfPart = new BitSet();
        barring.people().forEach(person -> positionsOfPart.set(positions.computeIfAbsent(person, any -> {
          people.add(now.person(person));
          return people.size() - 1;
        })));
        barred.add(positionsOfPart);
        documents.add(barring.places().stream().filter(now::isDocument).mapToObj(place -> now.place(place).id()).toList());
      }
      open = new Began[people.size()];
      most = new int[people.size()];
    }

    void begin(Snapshot first, Instant from) {
      state = first;
      since = from;
      by = 0;
    }

    /** On to the state that a change led to. */
    void go(Snapshot next, Instant at, long change) {
      lookUntil(at);
      state = next;
      since = at;
      by = change;
    }

    private void lookUntil(Instant end) {
      look(state, since, by);
      for (Instant instant : state.boundariesAfter(since)) {
        if (!instant.isBefore(end)) {
          break;
        }
        look(state, instant, 0);
      }
    }

    private void look(Snapshot snapshot, Instant instant, long change) {
      int[] counts = counts(snapshot.at(instant));
      for (int position = 0; position < counts.length; position++) {
        most[position] = Math.max(most[position], counts[position]);
        if (counts[position] > 0 && open[position] == null) {
          open[position] = new Began(instant, change);
        } else if (counts[position] == 0 && open[position] != null) {
          close(position, instant, change);
        }
      }
    }

    private void close(int position, Instant instant, long change) {
      if (open[position].from().isBefore(instant)) {
        spans.computeIfAbsent(position, any -> new ArrayList<>()).add(new Span(open[position].from(), instant, open[position].change(), change));
      }
      open[position] = null;
    }

    private int[] counts(SnapshotAt moment) {
      Snapshot snapshot = moment.snapshot();
      int[] positionOf = new int[snapshot.personRoom()];
      Arrays.fill(positionOf, -1);
      for (int position = 0; position < people.size(); position++) {
        int number = snapshot.personNumber(people.get(position).id());
        if (number >= 0) {
          positionOf[number] = position;
        }
      }
      int[] counts = new int[people.size()];
      for (int part = 0; part < barred.size(); part++) {
        BitSet inPart = barred.get(part);
        documentsByClass(moment, documents.get(part)).forEach((classNumber, count) -> {
          PersonSet readers = moment.holdersOfInClass(Right.READ, classNumber);
          readers.forEach(person -> {
            int position = positionOf[person];
            if (position >= 0 && inPart.get(position)) {
              counts[position] += count;
            }
          });
        });
      }
      return counts;
    }

    private static Map<Integer, Integer> documentsByClass(SnapshotAt moment, List<String> ids) {
      Map<Integer, Integer> byClass = new HashMap<>();
      for (String id : ids) {
        int place = moment.snapshot().placeNumber(id);
        if (place >= 0) {
          byClass.merge(moment.classOf(place), 1, Integer::sum);
        }
      }
      return byClass;
    }

    List<PossibleContact> finish(Instant until) {
      lookUntil(until);
      for (int position = 0; position < open.length; position++) {
        if (open[position] != null) {
          close(position, until, 0);
        }
      }
      return spans.entrySet().stream().map(found -> new PossibleContact(people.get(found.getKey()), found.getValue(), most[found.getKey()]))
          .sorted(Comparator.comparing(PossibleContact::seconds).reversed().thenComparing(one -> one.person().name()).thenComparing(one -> one.person().id())).toList();
    }
  }

  /** How long they could, all in all. */
  public long seconds() {
    return spans.stream().mapToLong(span -> span.until().getEpochSecond() - span.from().getEpochSecond()).sum();
  }
}
