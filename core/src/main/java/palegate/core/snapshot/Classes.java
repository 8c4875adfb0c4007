package palegate.core.snapshot;

import java.time.Instant;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.collections.IntPages;

/**
 * The places of a snapshot sorted into access classes at one instant: places of one class give everyone the same
 * standing rights. What classes there are, and why, stands in the {@link ClassRegistry}.
 *
 * <p>Conditions and owners stay out: they are for few documents, and would tear classes apart.
 */
final class Classes {
  /** A stretch of numbers whose places were sorted anew. */
  record Range(int from, int until) {}

  /** The class of a place that has not been sorted yet, or that has gone. */
  static final int NONE = -1;

  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  private final ClassRegistry book;
  final StandingWalls barriers;
  final Clearances clearances;
  /** The classes that these extend, or null. */
  final Classes basis;
  final IntPages ofPlace;
  private final IntPages environmentOfPlace;
  private final IntPages placesIn;
  private final IntPages documentsIn;
  final List<Range> sorted;

  /** All places of a snapshot, sorted afresh. */
  Classes(Snapshot snapshot, Instant instant, Matching matching) {
    this(snapshot, instant, matching, ClassRegistry.of(snapshot, instant, matching));
  }

  private Classes(Snapshot snapshot, Instant instant, Matching matching, ClassRegistry book) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.book = book;
    barriers = book.barriers;
    clearances = book.clearances;
    basis = null;
    ofPlace = new IntPages(snapshot.placeRoom());
    environmentOfPlace = new IntPages(snapshot.placeRoom());
    placesIn = new IntPages(0);
    documentsIn = new IntPages(0);
    BitSet everything = new BitSet();
    everything.set(0, snapshot.placeCount() > 0 ? 1 : 0);
    ClassAssignment sorting = new ClassAssignment(snapshot, book, null, ofPlace, environmentOfPlace, placesIn, documentsIn);
    sorting.leaveOut(0);
    sorting.sort(everything);
    sorted = List.of(new Range(0, snapshot.placeRoom()));
  }

  /**
   * The classes of a snapshot that differs from the basis's in the way given. Numbers keep their
   * meaning: a class that both have has the same number in both.
   */
  Classes(Classes basis, Snapshot snapshot, Instant instant, Matching matching, StandingWalls barriers, Invalidation delta) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.basis = basis;
    this.barriers = barriers;
    book = basis.book.next(snapshot, instant, matching, barriers);
    clearances = book.clearances;
    BitSet touched = delta.touchedPlaces(snapshot);
    touched.or(barriers.newlyAskedSince(basis.barriers));
    if (touched.isEmpty() && delta.placesGone.isEmpty() && !book.anyStale()) {
      ofPlace = basis.ofPlace;
      environmentOfPlace = basis.environmentOfPlace;
      placesIn = basis.placesIn;
      documentsIn = basis.documentsIn;
      sorted = List.of();
      return;
    }
    ofPlace = basis.ofPlace.copy();
    environmentOfPlace = basis.environmentOfPlace.copy();
    placesIn = basis.placesIn.copy();
    documentsIn = basis.documentsIn.copy();
    ClassAssignment sorting = new ClassAssignment(snapshot, book, basis, ofPlace, environmentOfPlace, placesIn, documentsIn);
    sorting.leaveOut(basis.snapshot.placeRoom());
    delta.placesGone.stream().mapToInt(basis.snapshot::placeNumber).forEach(sorting::leave);
    sorting.sort(touched);
    sorted = book.anyStale() ? sorting.sortStale() : sorting.ranges();
  }

  private Classes(Classes extension, Snapshot detached) {
    snapshot = detached;
    instant = extension.instant;
    matching = extension.matching;
    book = extension.book.flattened(detached);
    barriers = extension.barriers;
    clearances = extension.clearances;
    basis = null;
    ofPlace = extension.ofPlace;
    environmentOfPlace = extension.environmentOfPlace;
    placesIn = extension.placesIn;
    documentsIn = extension.documentsIn;
    sorted = List.of(new Range(0, snapshot.placeRoom()));
  }

  /** The same without a basis, for keeping. Sorted afresh once so much has come and gone that most classes are empty. */
  Classes detached(Snapshot snapshot) {
    int live = 0;
    for (int number = 0; number < count(); number++) {
      live += placesIn(number) > 0 ? 1 : 0;
    }
    return live * 2 < count() - 1_000 ? new Classes(snapshot, instant, matching) : new Classes(this, snapshot);
  }

  /** What classes there are, and what each is made of. */
  ClassRegistry book() {
    return book;
  }

  int count() {
    return book.count();
  }

  int[] row(int number) {
    return book.row(number);
  }

  int placesIn(int number) {
    return placesIn.getOrZero(number);
  }

  int documentsIn(int number) {
    return documentsIn.getOrZero(number);
  }

  /** Whether these are the other classes, or extend them. */
  boolean extend(Classes other) {
    Classes at = this;
    while (at != null && at != other) {
      at = at.basis;
    }
    return at != null;
  }

  Snapshot snapshot() {
    return snapshot;
  }

  /** The context of a place that is here. */
  int contextOf(int place) {
    return book.environments.context(environmentOfPlace.get(place));
  }

  /** The row of a document of this type imagined directly below a container; {@code type} is one more than its number. */
  int[] rowOfImagined(int container, int type) {
    return book.rowOfImagined(environmentOfPlace.get(container), type);
  }

  /** The reaches of walls that would bar somebody from such a document. */
  int[] coveringImagined(int container, int type) {
    return book.environments.covering(environmentOfPlace.get(container), type);
  }

  /** The row of a document of this type imagined directly below a container, if some of the entries that reach it did not stand there. */
  int[] rowOfImaginedWithout(int container, String type, int typeNumber, Collection<? extends Entry> gone) {
    List<Entry> left = acting(container, type, gone);
    return ClassRow.withLines(rowOfImagined(container, typeNumber), lines(left, true), lines(left, false));
  }

  /** A number that containers share in which new documents would be the same to everybody. */
  int environmentOf(int container) {
    return environmentOfPlace.get(container);
  }

  private List<Entry> acting(int place, String type, Collection<? extends Entry> gone) {
    return snapshot.reachingEntries(place).stream().filter(entry -> !gone.contains(entry) && entry.period().holdsAt(instant) && entry.touches(type)).toList();
  }

  /** The row of a place's class as it would be if some of the entries that reach the place did not stand there. */
  int[] rowWithout(int place, Collection<? extends Entry> gone) {
    List<Entry> left = acting(place, snapshot.place(place).type(), gone);
    return ClassRow.withLines(book.row(ofPlace.get(place)), lines(left, true), lines(left, false));
  }

  /** The row of a place's class as it would be if the place followed its parent and had no list of its own. */
  int[] rowIfFollowing(int place) {
    int above = environmentOfPlace.get(snapshot.parent(place));
    int type = snapshot.typeAt(place);
    return ClassRow.withLines(book.row(ofPlace.get(place)), book.environments.lines(above, type, true), book.environments.lines(above, type, false));
  }

  private int[] lines(List<Entry> entries, boolean grants) {
    return ClassRow.lines(entries.stream().filter(entry -> entry instanceof Grant == grants)
        .mapToLong(entry -> ClassRow.pending(matching.subjects.numberOf(entry.subject()), snapshot.rightsOf(entry).mask())).toArray());
  }
}
