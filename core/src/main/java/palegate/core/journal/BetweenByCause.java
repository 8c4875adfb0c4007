package palegate.core.journal;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import palegate.core.people.PeopleAtPlaces;
import palegate.core.people.Person;
import palegate.core.rehearsal.FoundPairs;

/**
 * What differs between two instants, put together by what did it: change by change, then person by person, then place by place. What several
 * changes did together counts with each of them.
 */
public final class BetweenByCause {
  /**
   * @param cause a change, or time
   * @param people to whose rights it had to do; {@code gaining} and {@code losing} are those of them who in the end gained or lost anything there
   */
  public record Group(Between.Cause cause, int people, int gaining, int losing, int places) {}

  /** One person with what differs for them; {@code gaining} and {@code losing} are places. */
  public record OfPerson(Person person, int places, int gaining, int losing) {}

  private final List<Between.Caused> all;
  private final Map<Between.Cause, List<Between.Caused>> byCause = new HashMap<>();

  private BetweenByCause(List<Between.Caused> all) {
    this.all = all;
    all.forEach(one -> new HashSet<>(one.causes()).forEach(cause -> byCause.computeIfAbsent(cause, any -> new ArrayList<>()).add(one)));
  }

  /**
   * All of what was found, each with what did it; empty if there is more than so much.
   *
   * @param found in a difference of the comparison
   */
  public static Optional<BetweenByCause> of(Between between, FoundPairs found, int atMost) {
    return found.count() > atMost ? Optional.empty() : Optional.of(new BetweenByCause(between.caused(found.from(PeopleAtPlaces.Order.PLACE, false, 0)).toList()));
  }

  /** How many people at places it holds. */
  public int lines() {
    return all.size();
  }

  /** The latest change first, then what time did. */
  public List<Group> groups() {
    return byCause.entrySet().stream().map(each -> group(each.getKey(), each.getValue())).sorted(Comparator.comparing((Group one) -> one.cause() instanceof Between.Cause.OfTime)
        .thenComparing(Group::cause, Comparator.comparing(BetweenByCause::when).reversed())).toList();
  }

  private static long when(Between.Cause cause) {
    return cause instanceof Between.Cause.OfChange change ? change.change() : ((Between.Cause.OfTime) cause).after().getEpochSecond();
  }

  private static Group group(Between.Cause cause, List<Between.Caused> pairs) {
    return new Group(cause, count(pairs, BetweenByCause::person), count(pairs.stream().filter(BetweenByCause::gains).toList(), BetweenByCause::person),
        count(pairs.stream().filter(BetweenByCause::loses).toList(), BetweenByCause::person), count(pairs, one -> one.pair().place().id()));
  }

  private static int count(List<Between.Caused> pairs, Function<Between.Caused, String> of) {
    return (int) pairs.stream().map(of).distinct().count();
  }

  private static String person(Between.Caused one) {
    return one.pair().person().id();
  }

  private static boolean gains(Between.Caused one) {
    return !one.pair().after().minus(one.pair().before()).isEmpty();
  }

  private static boolean loses(Between.Caused one) {
    return !one.pair().before().minus(one.pair().after()).isEmpty();
  }

  /** Whoever has to do with a cause; with all of it if it is null. By name. */
  public List<OfPerson> people(Between.Cause cause) {
    Map<String, List<Between.Caused>> byPerson = new HashMap<>();
    of(cause).forEach(one -> byPerson.computeIfAbsent(person(one), any -> new ArrayList<>()).add(one));
    return byPerson.values().stream().map(pairs -> new OfPerson(pairs.get(0).pair().person(), pairs.size(), (int) pairs.stream().filter(BetweenByCause::gains).count(), (int) pairs.stream().filter(BetweenByCause::loses).count()))
        .sorted(Comparator.comparing((OfPerson one) -> one.person().name()).thenComparing(one -> one.person().id())).toList();
  }

  /** Where it differs for one of them, in tree order. */
  public List<Between.Caused> places(Between.Cause cause, String person) {
    return of(cause).stream().filter(one -> person(one).equals(person)).toList();
  }

  private List<Between.Caused> of(Between.Cause cause) {
    return cause == null ? all : byCause.getOrDefault(cause, List.of());
  }
}
