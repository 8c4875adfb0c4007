package palegate.core.statements;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.collections.PersonSet;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** Words for cells, the same in every kind of statement and every kind of file. */
final class StatementWords {
  /** More names than these are counted. */
  static final int NAMES = 12;
  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm", Locale.UK).withZone(ZoneOffset.UTC);

  private StatementWords() {}

  /** In UTC, so that columns of them can be sorted; empty for none. */
  static String when(Instant instant) {
    return instant == null ? "" : WHEN.format(instant);
  }

  /** A role's name, if there is one with just these rights; else the rights in order. */
  static String rights(Rights rights, Structure structure) {
    return rights.isEmpty() ? "nothing" : structure.roles().values().stream().filter(role -> role.rights().equals(rights)).map(role -> role.name()).sorted().findFirst().orElse(rights.toString());
  }

  static String standing(Person person) {
    return (person.external() ? "outsider" : "staff") + (person.active() ? "" : ", inactive");
  }

  static String unit(Person person, Structure structure) {
    return person.unit() == null || !structure.units().containsKey(person.unit()) ? "" : structure.units().get(person.unit()).name();
  }

  static String types(Set<String> types, Structure structure) {
    return types.stream().map(type -> structure.types().containsKey(type) ? structure.types().get(type).name() : type).sorted().collect(Collectors.joining(", "));
  }

  static String type(String type, Structure structure) {
    return type == null ? "" : types(Set.of(type), structure);
  }

  static String state(Period period, Instant now) {
    return period.holdsAt(now) ? "counts" : period.endedBy(now) ? "has ended" : "to come";
  }

  /** Names in order, and how many more. */
  static String names(List<String> all) {
    List<String> shown = all.stream().limit(NAMES).toList();
    return String.join(", ", shown) + (all.size() > shown.size() ? " and " + (all.size() - shown.size()) + " more" : "");
  }

  static String people(PersonSet people, Snapshot snapshot) {
    List<String> names = new ArrayList<>();
    people.forEach(person -> names.add(snapshot.person(person).name()));
    names.sort(null);
    return names(names);
  }

  /**
   * Places in a few words: the topmost ones among them by their paths, then how many more there are below and beside.
   *
   * @param places in tree order
   */
  static String places(int[] places, Snapshot snapshot) {
    String first = snapshot.pathText(places[0]);
    return places.length == 1 ? first : first + " and " + (places.length - 1) + " more";
  }
}
