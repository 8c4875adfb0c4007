package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Rights;

/**
 * Sorts the places of a snapshot into access classes at one instant.
 *
 * <p>Top down: the entries that reach a place form an <em>environment</em> (a set of meanings, so
 * that the same said twice or at different heights is the same environment); an environment seen by
 * one document type is a class. A place without own entries that follows its parent costs one array
 * read.
 */
final class Classes {
  /** What an entry says, wherever it stands. */
  private record Meaning(boolean gives, Subject subject, Rights rights, Set<String> types) {}

  private record Environment(int[] meanings) {
    @Override
    public boolean equals(Object other) {
      return other instanceof Environment that && Arrays.equals(meanings, that.meanings);
    }

    @Override
    public int hashCode() {
      return Arrays.hashCode(meanings);
    }
  }

  private final Snapshot snapshot;
  private final Instant instant;
  private final Map<Meaning, Integer> meaningNumbers = new HashMap<>();
  private final List<Meaning> meanings = new ArrayList<>();
  private final Map<Environment, Integer> environmentNumbers = new HashMap<>();
  private final List<Environment> environments = new ArrayList<>();
  private final List<Map<String, Integer>> classByEnvironmentAndType = new ArrayList<>();
  private final Map<AccessClass, Integer> classNumbers = new HashMap<>();
  final List<AccessClass> all = new ArrayList<>();
  final int[] ofPlace;
  private final int[] environmentOfPlace;

  Classes(Snapshot snapshot, Instant instant) {
    this.snapshot = snapshot;
    this.instant = instant;
    ofPlace = new int[snapshot.placeCount()];
    environmentOfPlace = new int[snapshot.placeCount()];
    int nothing = environmentNumber(new Environment(new int[0]));
    for (int place = 0; place < ofPlace.length; place++) {
      Place here = snapshot.place(place);
      int above = here.standsAlone() ? nothing : environmentOfPlace[snapshot.parent(place)];
      environmentOfPlace[place] = withOwn(above, snapshot.ownEntries(place));
      ofPlace[place] = classNumber(environmentOfPlace[place], here.type());
    }
  }

  /** The class of a document of this type imagined directly below a container. */
  AccessClass ofImagined(int container, String type) {
    return classOf(environments.get(environmentOfPlace[container]), type);
  }

  private int withOwn(int above, List<Entry> own) {
    int[] added = own.stream().filter(entry -> entry.period().holdsAt(instant))
        .mapToInt(this::meaningNumber).toArray();
    if (added.length == 0) {
      return above;
    }
    int[] both = Arrays.copyOf(environments.get(above).meanings(), environments.get(above).meanings().length + added.length);
    System.arraycopy(added, 0, both, both.length - added.length, added.length);
    return environmentNumber(new Environment(Arrays.stream(both).sorted().distinct().toArray()));
  }

  private int meaningNumber(Entry entry) {
    Meaning meaning = new Meaning(
        entry instanceof Grant, entry.subject(), snapshot.rightsOf(entry), entry.types());
    return meaningNumbers.computeIfAbsent(meaning, any -> {
      meanings.add(meaning);
      return meanings.size() - 1;
    });
  }

  private int environmentNumber(Environment environment) {
    return environmentNumbers.computeIfAbsent(environment, any -> {
      environments.add(environment);
      classByEnvironmentAndType.add(new HashMap<>());
      return environments.size() - 1;
    });
  }

  private int classNumber(int environment, String type) {
    Map<String, Integer> byType = classByEnvironmentAndType.get(environment);
    Integer known = byType.get(type);
    if (known == null) {
      AccessClass made = classOf(environments.get(environment), type);
      known = classNumbers.computeIfAbsent(made, any -> {
        all.add(made);
        return all.size() - 1;
      });
      byType.put(type, known);
    }
    return known;
  }

  private AccessClass classOf(Environment environment, String type) {
    Map<Subject, Rights> gives = new TreeMap<>(Subject::compare);
    Map<Subject, Rights> takes = new TreeMap<>(Subject::compare);
    for (int number : environment.meanings()) {
      Meaning meaning = meanings.get(number);
      if (meaning.types().isEmpty() || (type != null && meaning.types().contains(type))) {
        (meaning.gives() ? gives : takes).merge(meaning.subject(), meaning.rights(), Rights::union);
      }
    }
    return new AccessClass(lines(gives), lines(takes));
  }

  private static List<AccessClass.Line> lines(Map<Subject, Rights> bySubject) {
    return bySubject.entrySet().stream()
        .map(entry -> new AccessClass.Line(entry.getKey(), entry.getValue())).toList();
  }
}
