package palegate.core.snapshot;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.access.stages.Pipeline;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/**
 * A snapshot at one instant: who matches whom, and which places are treated alike. People and places
 * are named by their numbers in the snapshot. Immutable and safe to share.
 */
public final class SnapshotAt {
  /** A stretch of place numbers. */
  public record Range(int from, int until) {}

  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  private final Classes classes;
  private final BarredPeople barred;
  /** By set of clearances, then by right: whom it leaves the right. */
  private final PersonSet[][] cleared;
  private volatile Joined joined;

  /** Both null for what is soon thrown away. */
  private final ClassTable table;
  private final OftenAsked often;
  private volatile ClassColumns columns;

  private SnapshotAt(Snapshot snapshot, Instant instant, Matching matching, Classes classes, SnapshotAt basis) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.classes = classes;
    boolean samePeople = basis != null && basis.matching == matching;
    cleared = classes.clearances.people(matching, samePeople ? basis.classes.clearances : null, samePeople ? basis.cleared : null);
    boolean sameWalls = basis != null && basis.classes.barriers == classes.barriers;
    barred = sameWalls ? basis.barred.with(classes) : BarredPeople.of(classes, matching.room);
    table = classes.basis == null ? new ClassTable(classes, snapshot.placeRoom(), barred.bySet(), matching.room) : null;
    often = table == null ? null : new OftenAsked(this, matching.room, OftenAsked.MOST_KEPT);
  }

  static SnapshotAt of(Snapshot snapshot, Instant instant) {
    Matching matching = Matching.of(snapshot, instant);
    return new SnapshotAt(snapshot, instant, matching, new Classes(snapshot, instant, matching), null);
  }

  /** The same instant of a snapshot that differs from the basis's in the way given: shares whatever is the same. */
  static SnapshotAt derived(SnapshotAt basis, Snapshot snapshot, Instant instant, Invalidation delta) {
    Matching matching = delta.peopleAltered ? Matching.of(snapshot, instant)
        : basis.matching.with(snapshot, instant, delta);
    StandingWalls barriers = basis.classes.barriers.with(snapshot, instant, matching, delta.walls, delta.labelsAltered);
    return new SnapshotAt(snapshot, instant, matching,
        new Classes(basis.classes, snapshot, instant, matching, barriers, delta), basis);
  }

  /** The same for a snapshot that is kept without what it was made from. */
  SnapshotAt detached(Snapshot kept) {
    return new SnapshotAt(kept, instant, matching, classes.detached(kept), this);
  }

  /** Whether one was made from the other: then a class number means the same in both. */
  public boolean comparableTo(SnapshotAt other) {
    return classes.extend(other.classes) || other.classes.extend(classes);
  }

  /** Whether this was made directly from the other. */
  public boolean madeFrom(SnapshotAt other) {
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

  /** The standing rights of a person at a place. O(lines of the place's class); O(1) for a person who is asked about often. */
  public Rights rights(int person, int place) {
    ClassTable known = table;
    if (known == null) {
      return Rights.ofMask(rightsInClass(person, classes.ofPlace.get(place)));
    }
    byte[] codes = often.codesOf(person);
    return Rights.ofMask(codes == null ? Pipeline.standing(one(person, known.rows(), known.startOf(place), null)) : often.mask(codes[known.classOf(place)]));
  }

  /** The standing rights of many people, each at the place of the same position, as masks: twice as many a second as one by one. */
  public short[] rights(int[] people, int[] places) {
    return new RightsOfMany(this, table).of(people, places);
  }

  /** Rights now: standing rights, cut down by the document's conditions. */
  public Rights rightsNow(int person, int place) {
    if (!isConditioned(place)) {
      return rights(person, place);
    }
    return Rights.ofMask(Pipeline.now(one(person, classes.row(classes.ofPlace.get(place)), 0, snapshot.place(place))));
  }

  /** Whether a place is a document in any condition: only there can rights now differ from standing ones. */
  public boolean isConditioned(int place) {
    return snapshot.tree().is(place, PlaceTree.CONDITIONS);
  }

  /** The standing rights of a person at any place of a class, as a mask. */
  public int rightsInClass(int person, int classNumber) {
    return Pipeline.standing(one(person, classes.row(classNumber), 0, null));
  }

  /** The rights on a document of this type, without labels and conditions, imagined directly below a container (section 6). */
  public Rights rightsOnNew(int person, int container, String type) {
    int typeNumber = type == null ? 0 : snapshot.typeNumber(type) + 1;
    for (int reach : classes.coveringImagined(container, typeNumber)) {
      if (classes.barriers.reach(reach).barred().contains(person)) {
        return Rights.NONE;
      }
    }
    return Rights.ofMask(Pipeline.standing(one(person, classes.rowOfImagined(container, typeNumber), 0, null)));
  }

  /** Everyone's rights on such a document. O(lines + people / 64). */
  public HoldersByRight holdersOnNew(int container, String type) {
    int typeNumber = type == null ? 0 : snapshot.typeNumber(type) + 1;
    return holdersOnNew(container, typeNumber, classes.rowOfImagined(container, typeNumber));
  }

  /** The same if one of the entries that reach the container did not stand there. */
  public HoldersByRight holdersOnNewWithout(int container, String type, Entry entry) {
    int typeNumber = type == null ? 0 : snapshot.typeNumber(type) + 1;
    return holdersOnNew(container, typeNumber, classes.rowOfImaginedWithout(container, type, typeNumber, Set.of(entry)));
  }

  /** A number that containers share in which new documents of any type would be the same to everybody. */
  public int environmentOf(int container) {
    return classes.environmentOf(container);
  }

  private HoldersByRight holdersOnNew(int container, int typeNumber, int[] row) {
    PersonSet barredThere = BarredPeople.byAnyOf(classes.barriers, classes.coveringImagined(container, typeNumber), matching.room);
    HoldersByRight holders = HoldersByRight.ofAllRights(matching.room);
    Pipeline.fillStanding(holders, new ClassAnswers.Everyone(matching, row, cleared[ClassRow.clearances(row, 0)], barredThere, Conditions.NONE, -1, -1));
    return holders;
  }

  private ClassAnswers.One one(int person, int[] rows, int at, Place document) {
    return new ClassAnswers.One(matching, person, rows, at, classes, isBarred(person, ClassRow.walls(rows, at)), document,
        document == null ? null : snapshot.person(person).id());
  }

  /** The same where it is known already whether a wall bars the person. */
  int standing(int person, int[] rows, int at, boolean isBarred) {
    return Pipeline.standing(new ClassAnswers.One(matching, person, rows, at, classes, isBarred, null, null));
  }

  boolean isBarred(int person, int wallSet) {
    return wallSet > 0 && (table != null ? table.isBarred(person, wallSet) : barred.bars(person, wallSet));
  }

  // --- everyone -------------------------------------------------------------------------------------

  /** Everyone's standing rights at a place. O(lines + people / 64). */
  public HoldersByRight holders(int place) {
    return holdersOfClass(classes.ofPlace.get(place));
  }

  public HoldersByRight holdersOfClass(int classNumber) {
    HoldersByRight holders = HoldersByRight.ofAllRights(matching.room);
    fillHolders(holders, classNumber);
    return holders;
  }

  private void fillHolders(HoldersByRight holders, int classNumber) {
    Pipeline.fillStanding(holders, everyone(classes.row(classNumber)));
  }

  /** Everyone's rights now at a place. */
  public HoldersByRight holdersNow(int place) {
    Place here = snapshot.place(place);
    HoldersByRight holders = HoldersByRight.ofAllRights(matching.room);
    Pipeline.fillNow(holders, everyone(classes.row(classes.ofPlace.get(place)), here.conditions(), here.owner()));
    return holders;
  }

  /** Everyone's standing rights at a place if one of the entries that reach it did not stand there. */
  public HoldersByRight holdersWithout(int place, Entry entry) {
    return holdersWithout(place, Set.of(entry));
  }

  /** The same without several entries. */
  public HoldersByRight holdersWithout(int place, Collection<? extends Entry> entries) {
    int[] row = classes.rowWithout(place, entries);
    HoldersByRight holders = HoldersByRight.ofAllRights(matching.room);
    Pipeline.fillStanding(holders, everyone(row));
    return holders;
  }

  /** Everyone's standing rights at a place as they would be if it were rejoined: following its parent, its own list discarded. */
  public HoldersByRight holdersIfFollowing(int place) {
    HoldersByRight holders = HoldersByRight.ofAllRights(matching.room);
    Pipeline.fillStanding(holders, everyone(classes.rowIfFollowing(place)));
    return holders;
  }

  /** Everyone whom some grant that acts at a place names, whatever the later stages leave them. */
  public PersonSet granted(int place) {
    int[] row = classes.row(classes.ofPlace.get(place));
    long[] bits = new long[Matching.words(matching.room)];
    for (int i = ClassRow.HEADER; i < ClassRow.grantsEnd(row, 0); i++) {
      matching.of(ClassRow.subject(row[i])).addTo(bits);
    }
    return PersonSet.copyOf(bits);
  }

  /** Reads everyone's standing rights in class after class. */
  public Reader reader() {
    return new Reader(this, matching, classes);
  }

  /** Who has one right at a place, standing; cheaper than asking for all nine. */
  public PersonSet holdersOf(Right right, int place) {
    return holdersOfInClass(right, classes.ofPlace.get(place));
  }

  public PersonSet holdersOfInClass(Right right, int classNumber) {
    HoldersByRight holders = HoldersByRight.of(right, matching.room);
    fillHolders(holders, classNumber);
    return holders.of(right);
  }

  /** Whether a set of clearances leaves the same people the same as in another moment. */
  boolean clearsLike(SnapshotAt other, int set) {
    return set < other.cleared.length && cleared[set] == other.cleared[set];
  }

  ClassAnswers.Everyone everyone(int[] row) {
    return everyone(row, Conditions.NONE, null);
  }

  private ClassAnswers.Everyone everyone(int[] row, Conditions conditions, String owner) {
    return new ClassAnswers.Everyone(matching, row, cleared[ClassRow.clearances(row, 0)], barred.by(ClassRow.walls(row, 0)), conditions,
        owner == null ? -1 : snapshot.personNumber(owner),
        conditions.checkedOutBy() == null ? -1 : snapshot.personNumber(conditions.checkedOutBy()));
  }

  // --- walls ----------------------------------------------------------------------------------------

  /** The walls that stand, place by place. */
  public WallsOf walls() {
    return new WallsOf(classes, barred.bySet());
  }

  // --- classes --------------------------------------------------------------------------------------

  /** Places with the same class number give everyone the same standing rights; -1 for the number of a place that has gone. */
  public int classOf(int place) {
    return table == null ? classes.ofPlace.get(place) : table.classOf(place);
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

  Matching matching() {
    return matching;
  }

  int[] row(int classNumber) {
    return classes.row(classNumber);
  }

  int[] clearances(int set) {
    return classes.clearances.lines(set);
  }

  int wallSetCount() {
    return barred.bySet().length;
  }

  PersonSet[][] clearedBySet() {
    return cleared;
  }

  PersonSet barredBySet(int set) {
    return barred.by(set);
  }

  /** One person's standing rights in every class, as masks; 0 for classes that no place is in. O(classes). */
  public int[] rightsInEveryClass(int person) {
    if (table != null) {
      return columns().rightsInEveryClass(this, person);
    }
    int[] rights = new int[classes.count()];
    for (int number = 0; number < rights.length; number++) {
      rights[number] = classes.placesIn(number) > 0 ? rightsInClass(person, number) : 0;
    }
    return rights;
  }

  private ClassColumns columns() {
    ClassColumns known = columns;
    if (known == null) {
      known = new ClassColumns(classes, matching);
      columns = known;
    }
    return known;
  }

  /** Where classes may differ from those of the basis; everywhere if there is none. */
  public List<Range> changedRanges() {
    return classes.sorted.stream().map(range -> new Range(range.from(), range.until())).toList();
  }

  /** What differs for people since another moment that numbers them and the classes alike, where a place stays in its class. */
  public PeopleDifference alteredSince(SnapshotAt other) {
    return new PeopleDifference(other, this);
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
