package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.stages.Holders;
import palegate.core.access.stages.Pipeline;
import palegate.core.access.stages.Stage;
import palegate.core.people.PersonSet;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.walls.Wall;

/**
 * A snapshot at one instant: who matches whom, and which places are treated alike. People and places
 * are named by their numbers in the snapshot. Immutable and safe to share.
 */
public final class Moment {
  private static final int[] NO_LINES = {};

  /** A stretch of place numbers. */
  public record Range(int from, int until) {}

  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  private final Classes classes;
  /** By set of walls; null for the empty one. */
  private final PersonSet[] barred;
  private volatile Joined joined;

  private Moment(Snapshot snapshot, Instant instant, Matching matching, Classes classes) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.classes = classes;
    barred = new PersonSet[classes.wallSetCount()];
    for (int set = 1; set < barred.length; set++) {
      barred[set] = barredBy(classes.wallSet(set));
    }
  }

  static Moment of(Snapshot snapshot, Instant instant) {
    Matching matching = Matching.of(snapshot, instant);
    return new Moment(snapshot, instant, matching, new Classes(snapshot, instant, matching));
  }

  /** The same instant of a snapshot that differs from the basis's in the way given: shares whatever is the same. */
  static Moment derived(Moment basis, Snapshot snapshot, Instant instant, Delta delta) {
    Matching matching = delta.peopleAltered ? Matching.of(snapshot, instant)
        : basis.matching.with(snapshot, instant, delta.groups);
    Barriers barriers = basis.classes.barriers.with(snapshot, instant, matching, delta.walls);
    return new Moment(snapshot, instant, matching,
        new Classes(basis.classes, snapshot, instant, matching, barriers, delta));
  }

  /** Whether one was made from the other: then a class number means the same in both. */
  public boolean comparableTo(Moment other) {
    return classes.extend(other.classes) || other.classes.extend(classes);
  }

  /** Whether this was made directly from the other. */
  public boolean madeFrom(Moment other) {
    return classes.basis == other.classes;
  }

  public Snapshot snapshot() {
    return snapshot;
  }

  /** An instant at which all of this holds; the view may hold before and after it too. */
  public Instant instant() {
    return instant;
  }

  // --- one person -----------------------------------------------------------------------------------

  /** The standing rights of a person at a place. O(lines of the place's class). */
  public Rights rights(int person, int place) {
    return Rights.ofMask(rightsInClass(person, classes.ofPlace[place]));
  }

  /** Rights now: standing rights, cut down by the document's conditions. */
  public Rights rightsNow(int person, int place) {
    if (!snapshot.tree().conditioned.get(place)) {
      return rights(person, place);
    }
    return Rights.ofMask(Pipeline.now(one(person, classes.row(classes.ofPlace[place]), snapshot.place(place))));
  }

  /** The standing rights of a person at any place of a class, as a mask. */
  public int rightsInClass(int person, int classNumber) {
    return Pipeline.standing(one(person, classes.row(classNumber), null));
  }

  /** The rights on a document of this type, without labels and conditions, imagined directly below a container (section 6). */
  public Rights rightsOnNew(int person, int container, String type) {
    int typeNumber = type == null ? 0 : snapshot.typeNumber(type) + 1;
    for (int reach : classes.coveringImagined(container, typeNumber)) {
      if (classes.barriers.reach(reach).barred().contains(person)) {
        return Rights.NONE;
      }
    }
    return Rights.ofMask(Pipeline.standing(one(person, classes.rowOfImagined(container, typeNumber), null)));
  }

  private ClassAnswers.One one(int person, int[] row, Place document) {
    return new ClassAnswers.One(matching, person, row, clearances(row), barred[ClassRow.walls(row)], document,
        document == null ? null : snapshot.person(person).id());
  }

  // --- everyone -------------------------------------------------------------------------------------

  /** Everyone's standing rights at a place. O(lines + people / 64). */
  public Holders holders(int place) {
    return holdersOfClass(classes.ofPlace[place]);
  }

  public Holders holdersOfClass(int classNumber) {
    Holders holders = Holders.ofAllRights(matching.personCount);
    fillHolders(holders, classNumber);
    return holders;
  }

  /** The same, made in holders that are there already: for going through many classes. */
  public void fillHolders(Holders holders, int classNumber) {
    fill(holders, classNumber, Pipeline.STANDING_STAGES, Conditions.NONE, null);
  }

  /** Everyone's rights now at a place. */
  public Holders holdersNow(int place) {
    Place here = snapshot.place(place);
    Holders holders = Holders.ofAllRights(matching.personCount);
    fill(holders, classes.ofPlace[place], Pipeline.STAGES, here.conditions(), here.owner());
    return holders;
  }

  /** Everyone's standing rights at a place if one of the entries that reach it did not stand there. */
  public Holders holdersWithout(int place, Entry entry) {
    int[] row = classes.rowWithout(place, entry);
    Holders holders = Holders.ofAllRights(matching.personCount);
    Pipeline.fill(holders, new ClassAnswers.Everyone(matching, row, clearances(row), barred[ClassRow.walls(row)],
        Conditions.NONE, -1, -1), Pipeline.STANDING_STAGES);
    return holders;
  }

  /** Everyone whom some grant that acts at a place names, whatever the later stages leave them. */
  public PersonSet granted(int place) {
    int[] row = classes.row(classes.ofPlace[place]);
    long[] bits = new long[Matching.words(matching.personCount)];
    for (int i = ClassRow.HEADER; i < ClassRow.grantsEnd(row); i++) {
      matching.of(ClassRow.subject(row[i])).addTo(bits);
    }
    return PersonSet.copyOf(bits);
  }

  /** Who has one right at a place, standing; cheaper than asking for all nine. */
  public PersonSet holdersOf(Right right, int place) {
    return holdersOfInClass(right, classes.ofPlace[place]);
  }

  public PersonSet holdersOfInClass(Right right, int classNumber) {
    Holders holders = Holders.of(right, matching.personCount);
    fillHolders(holders, classNumber);
    return holders.of(right);
  }

  private void fill(Holders holders, int classNumber, List<Stage> stages, Conditions conditions, String owner) {
    int[] row = classes.row(classNumber);
    Pipeline.fill(holders, new ClassAnswers.Everyone(matching, row, clearances(row), barred[ClassRow.walls(row)], conditions,
        owner == null ? -1 : snapshot.personNumber(owner),
        conditions.checkedOutBy() == null ? -1 : snapshot.personNumber(conditions.checkedOutBy())), stages);
  }

  private int[] clearances(int[] row) {
    return ClassRow.has(row, ClassRow.GUARDED) ? classes.clearances(ClassRow.clearances(row)) : NO_LINES;
  }

  private PersonSet barredBy(int[] reaches) {
    long[] bits = new long[Matching.words(matching.personCount)];
    for (int reach : reaches) {
      Barriers.Reach found = classes.barriers.reach(reach);
      // A set that names a wall which no longer stands so belongs to classes without places.
      if (found != null) {
        found.barred().addTo(bits);
      }
    }
    return PersonSet.copyOf(bits);
  }

  // --- walls ----------------------------------------------------------------------------------------

  /** The walls that bar a person from a place; each would alone. */
  public List<Wall> wallsThatBar(int person, int place) {
    List<Wall> walls = new ArrayList<>();
    for (int reach : classes.wallSet(ClassRow.walls(classes.row(classes.ofPlace[place])))) {
      Barriers.Reach found = classes.barriers.reach(reach);
      if (found.barred().contains(person) && !walls.contains(found.wall())) {
        walls.add(found.wall());
      }
    }
    return walls;
  }

  /** The walls that bar anybody from a place. */
  public List<Wall> wallsAround(int place) {
    List<Wall> walls = new ArrayList<>();
    for (int reach : classes.wallSet(ClassRow.walls(classes.row(classes.ofPlace[place])))) {
      Barriers.Reach found = classes.barriers.reach(reach);
      if (!found.barred().isEmpty() && !walls.contains(found.wall())) {
        walls.add(found.wall());
      }
    }
    return walls;
  }

  /** Everyone whom walls bar from a place. */
  public PersonSet barredFrom(int place) {
    PersonSet found = barred[ClassRow.walls(classes.row(classes.ofPlace[place]))];
    return found == null ? PersonSet.NOBODY : found;
  }

  // --- classes --------------------------------------------------------------------------------------

  /** Places with the same class number give everyone the same standing rights. */
  public int classOf(int place) {
    return classes.ofPlace[place];
  }

  public int classCount() {
    return classes.count();
  }

  public int placesInClass(int number) {
    return classes.placesIn(number);
  }

  public int documentsInClass(int number) {
    return classes.documentsIn(number);
  }

  /** Everything that decides the standing rights of one person in every class; see {@link ClassMasks}. */
  public int[] rightsInEveryClass(int person) {
    return ClassMasks.of(classes, matching, barred, person);
  }

  /** Where classes may differ from those of the basis; everywhere if there is none. */
  public List<Range> changedRanges() {
    return classes.sorted.stream().map(range -> new Range(range.from(), range.until())).toList();
  }

  /**
   * Whether a class can mean something else for somebody here than in another moment that it is comparable to.
   * Altered subjects are given as {@link #alteredSubjects} has them.
   */
  public boolean classAltered(int classNumber, Moment other, boolean[] alteredSubjects) {
    int[] row = classes.row(classNumber);
    for (int i = ClassRow.HEADER; i < row.length; i++) {
      int subject = i < ClassRow.withholdingsEnd(row) ? ClassRow.subject(row[i]) : row[i];
      if (subject < alteredSubjects.length && alteredSubjects[subject]) {
        return true;
      }
    }
    for (int line : clearances(row)) {
      if (ClassRow.subject(line) < alteredSubjects.length && alteredSubjects[ClassRow.subject(line)]) {
        return true;
      }
    }
    int walls = ClassRow.walls(row);
    return walls > 0 && walls < other.barred.length && !barred[walls].equals(other.barred[walls]);
  }

  /** By subject number, which subjects name somebody else here than in another moment of the same people. */
  public boolean[] alteredSubjects(Moment other) {
    return matching.alteredSince(other.matching);
  }

  /** Everyone of whom something differs between here and another moment of the same people: group, unit, staff, active. */
  public PersonSet alteredPeople(Moment other) {
    return matching == other.matching ? PersonSet.NOBODY : matching.alteredPeople(other.matching);
  }

  /** Whether somebody has become active or not, or an outsider or not, since another moment. */
  public boolean peopleAltered(Moment other) {
    return matching != other.matching
        && !(matching.active.equals(other.matching.active) && matching.external.equals(other.matching.external));
  }

  // --- who matches ----------------------------------------------------------------------------------

  /** Everyone who matches a subject, inactive people too. */
  public PersonSet matching(Subject subject) {
    return matching.of(subject);
  }

  public PersonSet matchingAny(List<Subject> subjects) {
    return matching.union(subjects);
  }

  public boolean matches(int person, Subject subject) {
    return matching.matches(person, subject);
  }

  public PersonSet active() {
    return matching.active;
  }

  public PersonSet activeStaff() {
    return matching.activeStaff();
  }

  public PersonSet activeOutsiders() {
    return matching.activeOutsiders();
  }

  /** Who has joined what directly; turned round once a moment. */
  public Joined joined() {
    Joined known = joined;
    if (known == null) {
      known = new Joined(snapshot.structure(), instant);
      joined = known;
    }
    return known;
  }
}
