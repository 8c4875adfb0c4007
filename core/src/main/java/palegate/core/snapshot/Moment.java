package palegate.core.snapshot;

import java.time.Instant;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.access.stages.EveryoneAtPlace;
import palegate.core.access.stages.Holders;
import palegate.core.access.stages.PersonAtPlace;
import palegate.core.access.stages.Pipeline;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;

/**
 * A snapshot at one instant: who matches whom, and which places are treated alike. People and places
 * are named by their numbers in the snapshot. Immutable to its users and safe to share.
 */
public final class Moment {
  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  private final Classes classes;
  private final HoldersByClass holdersByClass;

  private Moment(Snapshot snapshot, Instant instant, Matching matching, Classes classes, HoldersByClass holdersByClass) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.classes = classes;
    this.holdersByClass = holdersByClass;
  }

  static Moment of(Snapshot snapshot, Instant instant) {
    Classes classes = new Classes(snapshot, instant);
    return new Moment(snapshot, instant, new Matching(snapshot, instant), classes, new HoldersByClass(classes.all.size()));
  }

  /** The same instant of a snapshot in which only some places differ: shares people, classes and their holders. */
  static Moment derived(Moment basis, Snapshot snapshot, Instant instant, int[] touched) {
    Classes classes = new Classes(basis.classes, snapshot, instant, touched);
    return new Moment(snapshot, instant, basis.matching, classes, basis.holdersByClass.extendedTo(classes.all.size()));
  }

  /**
   * Whether one was made from the other: then everyone matches the same subjects in both, and a class
   * number means the same in both.
   */
  public boolean comparableTo(Moment other) {
    return classes.extend(other.classes) || other.classes.extend(classes);
  }

  public Snapshot snapshot() {
    return snapshot;
  }

  /** An instant at which all of this holds; the view may hold before and after it too. */
  public Instant instant() {
    return instant;
  }

  /** The rights of a person at a place. O(lines of the place's class). */
  public Rights rights(int person, int place) {
    return Pipeline.rights(asked(person, classes.all.get(classes.ofPlace[place])));
  }

  /** The rights on a document of this type imagined directly below a container (section 6). */
  public Rights rightsOnNew(int person, int container, String type) {
    return Pipeline.rights(asked(person, classes.ofImagined(container, type)));
  }

  /** Everyone's rights at a place; only to be read. Computed once a class, then O(1). */
  public Holders holders(int place) {
    return holdersOfClass(classes.ofPlace[place]);
  }

  /** Places with the same class number give everyone the same rights. */
  public int classOf(int place) {
    return classes.ofPlace[place];
  }

  public int classCount() {
    return classes.all.size();
  }

  public Holders holdersOfClass(int number) {
    Holders known = holdersByClass.get(number);
    if (known == null) {
      known = Pipeline.holders(everyone(classes.all.get(number)));
      holdersByClass.set(number, known);
    }
    return known;
  }

  /** Everyone who matches a subject, inactive people too; only to be read. */
  public RoaringBitmap matching(Subject subject) {
    return matching.of(subject);
  }

  public boolean matches(int person, Subject subject) {
    return matching.matches(person, subject);
  }

  public RoaringBitmap active() {
    return matching.active();
  }

  public RoaringBitmap activeStaff() {
    return matching.activeStaff();
  }

  public RoaringBitmap activeOutsiders() {
    return matching.activeOutsiders();
  }

  private PersonAtPlace asked(int person, AccessClass places) {
    return new PersonAtPlace() {
      @Override
      public boolean active() {
        return matching.active().contains(person);
      }

      @Override
      public Rights granted() {
        return united(person, places.gives());
      }

      @Override
      public Rights withheld() {
        return united(person, places.takes());
      }
    };
  }

  private Rights united(int person, List<AccessClass.Line> lines) {
    Rights united = Rights.NONE;
    for (AccessClass.Line line : lines) {
      if (matching.matches(person, line.subject())) {
        united = united.union(line.rights());
      }
    }
    return united;
  }

  private EveryoneAtPlace everyone(AccessClass places) {
    return new EveryoneAtPlace() {
      @Override
      public RoaringBitmap active() {
        return matching.active();
      }

      @Override
      public List<Line> grants() {
        return lines(places.gives());
      }

      @Override
      public List<Line> withholdings() {
        return lines(places.takes());
      }
    };
  }

  private List<EveryoneAtPlace.Line> lines(List<AccessClass.Line> lines) {
    return lines.stream()
        .map(line -> new EveryoneAtPlace.Line(matching.of(line.subject()), line.rights())).toList();
  }
}
