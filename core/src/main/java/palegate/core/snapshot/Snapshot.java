package palegate.core.snapshot;

import java.time.Instant;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import palegate.core.access.Entry;
import palegate.core.access.Oversight;
import palegate.core.collections.IdHashes;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * A structure with people and places numbered densely: people in byte order of their ids, then those who came since, places so
 * that everything below a place follows it directly, but for what has come, moved or gone since. Immutable and safe to share.
 *
 * <p>What holds depends on the instant; {@link #at} gives the view of one. Between two instants at
 * which anything begins or ends the view is the same one, so it is made once and kept.
 */
public final class Snapshot {
  private final Structure structure;
  private final AllPeople people;
  private final PlaceTree tree;
  private final AllTypes types;
  private final OwnEntries ownEntries;
  private final Subjects subjects;
  private final NestingOrder nesting;
  private final Boundaries boundaries;
  private final KeptLabels labels;
  /** Numbers that this snapshot was compiled with never change hands; those that have come since may, in another draft. */
  private final IdHashes placeHashes;
  private final KeptInstants moments = new KeptInstants();
  /** The snapshot that this one was made from and what differs; null if there is none. */
  private final Snapshot basis;
  private final Invalidation delta;

  private Snapshot(Structure structure) {
    this.structure = structure;
    people = AllPeople.of(structure);
    types = AllTypes.of(structure);
    tree = PlaceTree.of(structure.places().values(), types);
    ownEntries = OwnEntries.of(structure, tree);
    subjects = new Subjects(structure, people);
    nesting = NestingOrder.of(structure);
    boundaries = Boundaries.of(structure);
    labels = KeptLabels.of(tree);
    placeHashes = new IdHashes(placeRoom());
    basis = null;
    delta = null;
  }

  private Snapshot(Snapshot basis, Structure changed, Invalidation delta) {
    structure = changed;
    this.basis = basis;
    this.delta = delta;
    people = basis.structure.people() == changed.people() ? basis.people : basis.people.with(delta.peopleCome, changed);
    types = delta.types.isEmpty() ? basis.types : basis.types.with(delta.types, changed.types());
    tree = basis.tree.with(delta, changed.places(), types);
    ownEntries = basis.ownEntries.with(delta, tree);
    subjects = basis.subjects.with(people, delta, changed);
    nesting = basis.nesting.with(basis.structure, changed, delta);
    boundaries = basis.boundaries.with(delta.difference);
    labels = !delta.labelsAltered ? basis.labels.in(tree) : KeptLabels.of(tree);
    placeHashes = basis.placeHashes;
  }

  private Snapshot(Snapshot derived) {
    structure = derived.structure;
    people = derived.people;
    types = derived.types;
    tree = derived.tree;
    ownEntries = derived.ownEntries;
    subjects = derived.subjects;
    nesting = derived.nesting;
    boundaries = derived.boundaries;
    labels = derived.labels;
    placeHashes = derived.placeHashes;
    basis = null;
    delta = null;
  }

  /** Compiles a sound structure; linear in its size. */
  public static Snapshot of(Structure structure) {
    return new Snapshot(structure);
  }

  /**
   * The snapshot of a structure that was made from this one's. It shares whatever is the same, so its
   * cost grows with what the change touches; it refers back to this snapshot until it is
   * {@link #detached}. It is compiled afresh where people go, and once very much has come, gone or moved.
   */
  public Snapshot next(StructureDifference difference) {
    if (difference.before() != structure) {
      throw new IllegalArgumentException("The difference begins with another structure than this snapshot has.");
    }
    Structure changed = difference.after();
    if (changed == structure) {
      return this;
    }
    Invalidation found = Invalidation.of(difference);
    boolean room = people.hasRoomFor(found.peopleCome) && subjects.hasRoomFor(found, changed) && tree.hasRoomFor(found, changed.places());
    return found.keepsNumbers() && room ? new Snapshot(this, changed, found) : new Snapshot(changed);
  }

  /** The same, where what differs has not been found yet. */
  public Snapshot next(Structure changed) {
    return changed == structure ? this : next(StructureDifference.between(structure, changed));
  }

  /** The same snapshot, without what it was made from: for keeping. */
  public Snapshot detached() {
    if (basis == null) {
      return this;
    }
    Snapshot kept = new Snapshot(this);
    moments.handOn(kept.moments, moment -> moment.detached(kept));
    return kept;
  }

  public Structure structure() {
    return structure;
  }

  /** What holds at an instant. The result is shared between all instants at which the same holds. */
  public SnapshotAt at(Instant instant) {
    return moments.at(boundaries.since(instant), oldest -> {
      // Between two instants little begins or ends: what the oldest view knows of the rest is taken over.
      SnapshotAt made = basis != null ? SnapshotAt.derived(basis.at(instant), this, instant, delta) : oldest == null ? SnapshotAt.of(this, instant)
          : SnapshotAt.derived(oldest, this, instant, Invalidation.ofTime(structure, oldest.instant(), instant)).detached(this);
      tree.indexSoon();
      return made;
    });
  }

  /** Whether the same holds at two instants: whether nothing begins or ends between them. */
  public boolean sameBetween(Instant one, Instant other) {
    return boundaries.since(one).equals(boundaries.since(other));
  }

  /** Every instant after the given one at which anything begins or ends, ascending. */
  public List<Instant> boundariesAfter(Instant instant) {
    return boundaries.after(instant);
  }

  // --- people ---------------------------------------------------------------------------------------

  public int personCount() {
    return people.count();
  }

  public Person person(int number) {
    return people.person(number);
  }

  /** The number of the person with this id, or -1. */
  public int personNumber(String id) {
    return people.numberOf(id);
  }

  /** Everyone's number, in byte order of ids. */
  public IntStream peopleInOrder() {
    return inOrder(IntStream.range(0, people.count()));
  }

  /** The numbers of some people, given ascending, in byte order of ids: ascending too unless somebody has come. */
  public IntStream inOrder(IntStream numbers) {
    return people.isInOrder() ? numbers
        : numbers.boxed().sorted(Comparator.comparing(number -> people.person(number).id())).mapToInt(Integer::intValue);
  }

  /** Everyone, by number. */
  public List<Person> people() {
    return Collections.unmodifiableList(people.asList());
  }

  /** Whether everybody who is in this and in another snapshot has the same number, because one was made from the other. */
  public boolean numbersPeopleLike(Snapshot other) {
    return people.numbersLike(other.people);
  }

  /** So many numbers for people there are, those to spare included: the length of a set of people as bits, a multiple of 64. */
  public int personRoom() {
    return people.room;
  }

  /** Whether people are numbered in byte order of their ids; not once somebody has come. */
  public boolean numbersPeopleInOrder() {
    return people.isInOrder();
  }

  // --- places ---------------------------------------------------------------------------------------

  public int placeCount() {
    return tree.count();
  }

  /** Every place, each after the one above it. */
  public IntStream places() {
    return tree.count() == 0 ? IntStream.empty() : tree.below(0);
  }

  /** About what it takes in memory beside another that it was made from, in bytes: what of the tree was laid out anew. */
  public long bytesBeside(Snapshot other) {
    return tree.bytesBeside(other.tree);
  }

  /** So many numbers for places there are: all are below this, and some may belong to places that have gone. */
  public int placeRoom() {
    return tree.room();
  }

  /** A hash of a place's id, the same however places are numbered; one that is there. */
  public long placeHash(int lane, int number) {
    long known = placeHashes.known(lane, number);
    return known != 0 ? known : placeHashes.of(lane, number, place(number).id());
  }

  /** Whether a number is that of a place which is here. */
  public boolean hasPlace(int number) {
    return tree.exists(number);
  }

  public Place place(int number) {
    return tree.place(number);
  }

  /** The number of the place with this id, or -1. */
  public int placeNumber(String id) {
    return tree.numberOf(id);
  }

  /** The number of the place above, or -1 for the repository. */
  public int parent(int place) {
    return tree.parents[place];
  }

  /** The numbers of a place and of everything below it, each place after the one above it. O(what is there). */
  public IntStream below(int place) {
    return tree.below(place);
  }

  /** How many places stand above this one. O(depth). */
  public int depth(int place) {
    return tree.depth(place);
  }

  public boolean standsAlone(int place) {
    return tree.is(place, PlaceTree.STANDS_ALONE);
  }

  public boolean isDocument(int place) {
    return tree.is(place, PlaceTree.DOCUMENT);
  }

  /** How many places below this one stand alone. O(1) once it has been asked. */
  public int breaksBelow(int place) {
    return tree.breaksBelow(place);
  }

  /** The numbers of the places directly below: containers first, each kind by name. O(children log children). */
  public List<Integer> children(int place) {
    return DisplayOrder.sorted(tree, place);
  }

  /** The same without the documents. O(children + containers log containers). */
  public List<Integer> childContainers(int place) {
    return DisplayOrder.containers(tree, place);
  }

  /** The numbers of the places directly below, in no order. O(children). */
  public List<Integer> childrenInNoOrder(int place) {
    return tree.children(place);
  }

  /** The numbers of the places whose name contains a text, in capitals or not; ascending. */
  public int[] placesNamed(String text) {
    return tree.named(text, any -> true, Integer.MAX_VALUE);
  }

  /** Those of some places, and no more than one beyond so many: that there are too many is known then. */
  public int[] placesNamed(String text, IntPredicate among, int atMost) {
    return tree.named(text, among, atMost);
  }

  /** The numbers of the documents of a type. O(places), a byte or two each. */
  public IntStream documentsOf(String type) {
    return tree.ofType(typeNumber(type));
  }

  /** Every place, in the order in which people read the tree; none of a structure whose repository is not known. */
  public IntStream inDisplayOrder() {
    return Arrays.stream(tree.displayOrder().places);
  }

  /** A place and everything below it, in the order in which people read the tree. */
  public IntStream inDisplayOrder(int top) {
    return tree.displayOrder().from(top, tree.sizeBelow(top));
  }

  /** Which of two places comes first when the whole tree is read from top to bottom. O(depth) a pair; the whole order is not worked out for it. */
  public Comparator<Integer> inTreeOrder() {
    return tree.inTreeOrder();
  }

  /** From the repository down to the place itself. */
  public List<Integer> path(int place) {
    return tree.path(place);
  }

  /** The names from the repository's children down, joined by " / "; the repository's own for itself. */
  public String pathText(int place) {
    return tree.pathText(place);
  }

  // --- what stands where ----------------------------------------------------------------------------

  /** The entries that stand at the place itself, grants first, each kind in order of its ids. */
  public List<Entry> ownEntries(int place) {
    return ownEntries.entriesAt(place);
  }

  /** The appointments that stand at the place itself, in order of their ids. */
  public List<Oversight> ownOversights(int place) {
    return ownEntries.oversightsAt(place);
  }

  /** The entries that reach the place, dates and narrowing aside, those of the place itself first. */
  public List<Entry> reachingEntries(int place) {
    return ownEntries.reaching(place, tree);
  }

  /** The role of a grant, and the named rights of a withholding. */
  public Rights rightsOf(Entry entry) {
    return structure.rightsOf(entry);
  }

  /** The place's own value of a label or, if it has none, the nearest value above; null if there is none. */
  public String effectiveLabel(int place, String key) {
    return labels.effective(place, key);
  }

  /** Every place whose effective value of a label is one of these. O(places that have one + places with a value of their own). */
  public BitSet placesLabelled(String key, Set<String> values) {
    return labels.placesWith(key, values);
  }

  // --- for the other pieces of this package -----------------------------------------------------------

  PlaceTree tree() {
    return tree;
  }

  Subjects subjects() {
    return subjects;
  }

  List<Group> groupsInnerFirst() {
    return nesting.groupsInnerFirst();
  }

  List<Unit> unitsLowerFirst() {
    return nesting.unitsLowerFirst();
  }

  /** So many numbers for types there are. */
  int typeRoom() {
    return types.room();
  }

  int typeNumber(String type) {
    return types.numberOf(type);
  }

  /** One more than the number of the place's type; 0 if it has none. */
  int typeAt(int place) {
    return tree.types[place];
  }

  /** Whether the place has anything of its own that can make its environment another than its parent's, walls aside. */
  boolean marked(int place) {
    return ownEntries.marked.get(place) || tree.is(place, PlaceTree.STANDS_ALONE | PlaceTree.GUARDS);
  }

  OwnLabels ownLabels(String key) {
    return labels.of(key);
  }
}
