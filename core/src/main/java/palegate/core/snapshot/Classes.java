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

  /** An environment as a document type sees it; {@code type} is null for all other places. */
  private record Seen(int environment, String type) {}

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
  private final Map<Meaning, Integer> meaningNumbers;
  private final List<Meaning> meanings;
  private final Map<Environment, Integer> environmentNumbers;
  private final List<Environment> environments;
  private final Map<Seen, Integer> classByEnvironmentAndType;
  private final Map<AccessClass, Integer> classNumbers;
  final List<AccessClass> all;
  final int[] ofPlace;
  private final int[] environmentOfPlace;
  private final int nothing;
  /** The classes that these extend, or null. */
  private final Classes basis;

  Classes(Snapshot snapshot, Instant instant) {
    this.snapshot = snapshot;
    this.instant = instant;
    basis = null;
    meaningNumbers = new HashMap<>();
    meanings = new ArrayList<>();
    environmentNumbers = new HashMap<>();
    environments = new ArrayList<>();
    classByEnvironmentAndType = new HashMap<>();
    classNumbers = new HashMap<>();
    all = new ArrayList<>();
    ofPlace = new int[snapshot.placeCount()];
    environmentOfPlace = new int[snapshot.placeCount()];
    nothing = environmentNumber(new Environment(new int[0]));
    sort(0, ofPlace.length);
  }

  /**
   * The classes of a snapshot that differs from the basis's below some places only. Numbers keep
   * their meaning: a class that both have has the same number in both.
   */
  Classes(Classes basis, Snapshot snapshot, Instant instant, int[] touched) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.basis = basis;
    meaningNumbers = new HashMap<>(basis.meaningNumbers);
    meanings = new ArrayList<>(basis.meanings);
    environmentNumbers = new HashMap<>(basis.environmentNumbers);
    environments = new ArrayList<>(basis.environments);
    classByEnvironmentAndType = new HashMap<>(basis.classByEnvironmentAndType);
    classNumbers = new HashMap<>(basis.classNumbers);
    all = new ArrayList<>(basis.all);
    ofPlace = basis.ofPlace.clone();
    environmentOfPlace = basis.environmentOfPlace.clone();
    nothing = basis.nothing;
    int done = 0;
    for (int place : touched) {
      // Touched places are in tree order: one below another has been sorted with it already.
      if (place >= done) {
        done = snapshot.endOf(place);
        sort(place, done);
      }
    }
  }

  /** Whether these are the other classes, or extend them. */
  boolean extend(Classes other) {
    Classes at = this;
    while (at != null && at != other) {
      at = at.basis;
    }
    return at != null;
  }

  private void sort(int from, int until) {
    for (int place = from; place < until; place++) {
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
      return environments.size() - 1;
    });
  }

  private int classNumber(int environment, String type) {
    return classByEnvironmentAndType.computeIfAbsent(new Seen(environment, type), any -> {
      AccessClass made = classOf(environments.get(environment), type);
      return classNumbers.computeIfAbsent(made, unseen -> {
        all.add(made);
        return all.size() - 1;
      });
    });
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
