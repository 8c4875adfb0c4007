package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import palegate.core.collections.IntPages;
import palegate.core.collections.Renumbering;

/**
 * Sorts places into classes, top down: those that were touched, and what that alters below them. A place that adds
 * nothing to what is above it costs one read.
 *
 * <p>Where there is much to do, two threads each take one part of the tree, and number what they find by themselves;
 * then the numbers of the one are put into those of the other, always in the same order.
 */
final class ClassAssignment {
  /** Fewer places than this are not worth a second thread. */
  private static final int PLACES_FOR_A_THREAD = 50_000;
  /** What is added is kept in mind where it saves more than that costs: a place that many numbers. */
  private static final long NUMBERS_FOR_A_PLACE = 64;
  /** So many different additions are kept in mind. */
  private static final int MOST_CARRIED = 8;
  /** So often what is carried changes on the way down before what is further down is worked out place by place. */
  private static final int MOST_DEPTH = 50;

  private final Snapshot snapshot;
  private final PlaceTree tree;
  private final ClassRegistry book;
  /** Where the places stood before, or null. */
  private final Classes basis;
  private final IntPages ofPlace;
  private final IntPages environmentOfPlace;
  private final IntPages placesIn;
  private final IntPages documentsIn;
  private final List<Classes.Range> sorted = new ArrayList<>();
  private final List<CarriedDown> carried = new ArrayList<>();
  private int depth;

  ClassAssignment(Snapshot snapshot, ClassRegistry book, Classes basis, IntPages ofPlace, IntPages environmentOfPlace, IntPages placesIn, IntPages documentsIn) {
    this.snapshot = snapshot;
    tree = snapshot.tree();
    this.book = book;
    this.basis = basis;
    this.ofPlace = ofPlace;
    this.environmentOfPlace = environmentOfPlace;
    this.placesIn = placesIn;
    this.documentsIn = documentsIn;
  }

  /** Gives no class to the places from a number on, until they are sorted. */
  void leaveOut(int from) {
    for (int place = from; place < snapshot.placeRoom(); place++) {
      ofPlace.set(place, Classes.NONE);
      environmentOfPlace.set(place, Classes.NONE);
    }
  }

  /** Takes a place that has gone out of its class. */
  void leave(int place) {
    tally(ofPlace.get(place), basis.snapshot().isDocument(place), -1);
    ofPlace.set(place, Classes.NONE);
    environmentOfPlace.set(place, Classes.NONE);
    sorted.add(new Classes.Range(place, place + 1));
  }

  void sort(BitSet touched) {
    if (snapshot.placeCount() == 0) {
      return;
    }
    IntStream.of(tree.tops()).forEach(touched::set);
    boolean root = touched.get(0);
    if (root && sortOne(0)) {
      for (int child = 1; child < tree.ends[0]; child = tree.ends[child]) {
        touched.set(child);
      }
      sorted.add(new Classes.Range(0, 1));
    }
    int middle = middle(touched);
    if (middle < 0) {
      sortWithin(1, tree.ends[0], touched);
    } else {
      sortOnTwoThreads(middle, touched, root);
    }
    // Whatever stands elsewhere than its number says comes after what is above it.
    for (int top : tree.tops()) {
      sortBelow(top, touched);
      sorted.add(new Classes.Range(top, tree.ends[top]));
    }
    tallyCarried();
  }

  /** The ranges in which anything was sorted; each number is in one. */
  List<Classes.Range> ranges() {
    List<Classes.Range> joined = new ArrayList<>();
    // A stretch that stands elsewhere may lie within another.
    for (Classes.Range range : sorted.stream().sorted(Comparator.comparingInt(Classes.Range::from)).toList()) {
      Classes.Range last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
      if (last != null && range.from() < last.until()) {
        joined.set(joined.size() - 1, new Classes.Range(last.from(), Math.max(last.until(), range.until())));
      } else {
        joined.add(range);
      }
    }
    return joined;
  }

  /** Sorts what has a type or walls of which the basis's classes are not true any more. O(places). */
  List<Classes.Range> sortStale() {
    boolean[] staleType = new boolean[snapshot.typeRoom() + 1];
    book.staleTypes.stream().forEach(type -> staleType[type] = true);
    boolean[] staleEnvironment = book.staleEnvironments();
    short[] types = tree.types;
    for (int place = 0; place < types.length; place++) {
      int environment = environmentOfPlace.get(place);
      if (environment != Classes.NONE && (staleType[types[place]] || staleEnvironment[environment])) {
        move(place, book.classOf(environment, types[place]));
      }
    }
    return List.of(new Classes.Range(0, types.length));
  }

  // --- one thread -----------------------------------------------------------------------------------

  /** Sorts what was touched in a stretch of numbers, and what that alters below it; not what stands elsewhere now. */
  private void sortWithin(int from, int until, BitSet touched) {
    int place = touched.nextSetBit(from);
    while (place >= 0 && place < until) {
      int end = tree.ends[place];
      if (!tree.isLifted(place)) {
        sortBelow(place, touched);
        sorted.add(new Classes.Range(place, end));
      }
      place = touched.nextSetBit(end);
    }
    tallyCarried();
  }

  private void tallyCarried() {
    carried.stream().filter(CarriedDown::countsTogether).forEach(all -> all.tally(placesIn, documentsIn));
  }

  private void sortBelow(int from, BitSet touched) {
    sortBelow(from, from, tree.ends[from], null, touched);
  }

  /**
   * Sorts a stretch of numbers.
   *
   * @param from the top of what is to be sorted
   * @param above what is carried down into the stretch, or null
   */
  private void sortBelow(int from, int first, int until, CarriedDown above, BitSet touched) {
    int place = first;
    while (place < until) {
      int end = tree.ends[place];
      if (place != from && tree.isLifted(place)) {
        place = end;
        continue;
      }
      boolean follows = above != null && !touched.get(place) && !tree.is(place, PlaceTree.STANDS_ALONE);
      int environmentBefore = environmentOfPlace.get(place);
      boolean altered = follows ? carry(place, above) : sortOne(place);
      CarriedDown below = !altered ? null : follows ? above : carriedBelow(place, environmentBefore);
      int next = altered ? place + 1 : nextTouched(place, end, touched);
      if (below != above && next < end) {
        depth++;
        sortBelow(from, next, end, below, touched);
        depth--;
        next = end;
      }
      place = next;
    }
  }

  /** What is below an unchanged environment is unchanged, up to the next place that was touched itself. */
  private static int nextTouched(int place, int end, BitSet touched) {
    int next = touched.nextSetBit(place + 1);
    return next < 0 || next >= end ? end : next;
  }

  /** What an altered place adds to those that follow it; null if it does more than add, or if too few follow it. */
  private CarriedDown carriedBelow(int place, int environmentBefore) {
    int numbers = book.environments.first() + book.first();
    if (basis == null || depth == MOST_DEPTH || environmentBefore == Classes.NONE || book.anyStale() || basis.barriers != book.barriers
        || (tree.ends[place] - place) * NUMBERS_FOR_A_PLACE < numbers) {
      return null;
    }
    int[] added = CarriedDown.added(book.environments.row(environmentBefore), book.environments.row(environmentOfPlace.get(place)));
    if (added == null) {
      return null;
    }
    for (CarriedDown known : carried) {
      if (Arrays.equals(known.added, added)) {
        return known;
      }
    }
    if (carried.size() == MOST_CARRIED) {
      return null;
    }
    CarriedDown carry = new CarriedDown(added, book.environments.meanings.anyNarrowed(added), book.environments.first(), book.first());
    carried.add(carry);
    return carry;
  }

  /** Sorts a place that follows what is above it as it did before; whether its environment is another now. */
  private boolean carry(int place, CarriedDown above) {
    int environmentBefore = environmentOfPlace.get(place);
    int environment = above.environmentOf(environmentBefore);
    if (environment == CarriedDown.UNKNOWN) {
      environment = environmentOf(place, book);
      above.learnEnvironment(environmentBefore, environment);
    }
    if (environment == environmentBefore) {
      return false;
    }
    environmentOfPlace.set(place, environment);
    int before = ofPlace.get(place);
    int number = above.classOf(before);
    if (number == CarriedDown.UNKNOWN) {
      number = book.classOf(environment, snapshot.typeAt(place));
      above.learnClass(before, number);
    }
    if (above.countsTogether()) {
      above.count(before, snapshot.isDocument(place));
      ofPlace.set(place, number);
    } else {
      move(place, number);
    }
    return true;
  }

  /** Whether the place's environment is another now. */
  private boolean sortOne(int place) {
    int environment = environmentOf(place, book);
    boolean altered = environment != environmentOfPlace.get(place);
    if (altered) {
      environmentOfPlace.set(place, environment);
    }
    move(place, book.classOf(environment, snapshot.typeAt(place)));
    return altered;
  }

  private int environmentOf(int place, ClassRegistry book) {
    int parent = snapshot.parent(place);
    int above = parent < 0 ? Environments.NOTHING : environmentOfPlace.get(parent);
    return book.environments.below(above, place, knownContext(place, parent, above));
  }

  /** What the basis knows of a place's context, where the walls ask what they asked and nothing has changed above; or -1. */
  private int knownContext(int place, int parent, int above) {
    if (basis == null || parent < 0 || basis.barriers != book.barriers || !book.barriers.marked.get(place) || !basis.snapshot().hasPlace(place)) {
      return -1;
    }
    int parentBefore = basis.snapshot().parent(place);
    return parentBefore >= 0 && basis.contextOf(parentBefore) == book.environments.context(above) ? basis.contextOf(place) : -1;
  }

  private void move(int place, int number) {
    int before = ofPlace.get(place);
    if (before != number) {
      boolean document = snapshot.isDocument(place);
      if (before != Classes.NONE) {
        tally(before, document, -1);
      }
      tally(number, document, 1);
      ofPlace.set(place, number);
    }
  }

  private void tally(int number, boolean document, int by) {
    placesIn.add(number, by);
    if (document) {
      documentsIn.add(number, by);
    }
  }

  // --- two threads ----------------------------------------------------------------------------------

  /** Where to cut what is to be sorted in two: the first place of a library or folder directly below the repository. -1 if that is not worth it. */
  private int middle(BitSet touched) {
    int all = 0;
    for (int place = touched.nextSetBit(1); place >= 0 && place < tree.ends[0]; place = touched.nextSetBit(tree.ends[place])) {
      all += tree.ends[place] - place;
    }
    int before = 0;
    for (int child = 1; all >= PLACES_FOR_A_THREAD && child < tree.ends[0]; child = tree.ends[child]) {
      if (before >= all / 2) {
        return before < all ? child : -1;
      }
      for (int place = touched.nextSetBit(child); place >= 0 && place < tree.ends[child]; place = touched.nextSetBit(tree.ends[place])) {
        before += tree.ends[place] - place;
      }
    }
    return -1;
  }

  private void sortOnTwoThreads(int middle, BitSet touched, boolean root) {
    ClassAssignment second = new ClassAssignment(snapshot, book.twin(), basis, ofPlace, environmentOfPlace, new IntPages(0), new IntPages(0));
    // The only environment that the two share and the basis may not have: as the first of each, it has the same number in both.
    if (root && environmentOf(0, second.book) != environmentOfPlace.get(0)) {
      throw new IllegalStateException("Two books of the same beginning number the repository's environment differently.");
    }
    ofPlace.makeOwn(middle);
    environmentOfPlace.makeOwn(middle);
    CompletableFuture<Void> sorted = CompletableFuture.runAsync(() -> second.sortWithin(middle, tree.ends[0], touched));
    sortWithin(1, middle, touched);
    sorted.join();
    takeOver(second);
  }

  private void takeOver(ClassAssignment second) {
    ClassRegistry.Taken taken = book.takeOver(second.book);
    for (Classes.Range range : second.sorted) {
      for (int place = range.from(); place < range.until(); place++) {
        renumber(environmentOfPlace, place, taken.environments());
        renumber(ofPlace, place, taken.classes());
      }
    }
    for (int number = 0; number < second.book.count(); number++) {
      int places = second.placesIn.getOrZero(number);
      int documents = second.documentsIn.getOrZero(number);
      if (places != 0) {
        placesIn.add(taken.classes().of(number), places);
      }
      if (documents != 0) {
        documentsIn.add(taken.classes().of(number), documents);
      }
    }
    sorted.addAll(second.sorted);
  }

  private static void renumber(IntPages numbers, int place, Renumbering taken) {
    int there = numbers.get(place);
    int here = there == Classes.NONE ? there : taken.of(there);
    if (here != there) {
      numbers.set(place, here);
    }
  }
}
