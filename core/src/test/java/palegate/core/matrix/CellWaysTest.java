package palegate.core.matrix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;

/** Many cells at once: each way does what it says of itself. */
class CellWaysTest {
  private static final AtomicInteger NEXT = new AtomicInteger();
  private static final Supplier<String> IDS = () -> "made-" + NEXT.incrementAndGet();

  private static CellWays.Answer ways(Snapshot snapshot, CellCommand command, CellAt... cells) {
    return CellWays.of(snapshot, Harbour.NOW, List.of(cells), command, IDS);
  }

  private static CellAt cell(Snapshot snapshot, String group, String place) {
    return new CellAt(new Subject.OfGroup(group), Column.of(snapshot.placeNumber(place)));
  }

  @Test
  void where_nothing_comes_from_elsewhere_there_is_one_way() {
    Snapshot snapshot = Harbour.snapshot();
    CellWays.Answer answer = ways(snapshot, new CellCommand.SetRole("reader"), cell(snapshot, "adjusters", "cas"), cell(snapshot, "divers", "c2"));
    assertThat(answer.ways()).extracting(CellWays.Way::kind).containsExactly(CellWays.Kind.HERE);
    assertThat(answer.ways().get(0).changes()).hasSize(3);
    assertThat(answer.ways().get(0).met()).isEqualTo(2);
    assertThat(answer.ways().get(0).effect().peopleLosing()).as("Mia is an adjuster until July").isEqualTo(1);
  }

  @Test
  void what_comes_from_above_can_be_altered_there_withheld_or_broken_from() {
    Snapshot snapshot = Harbour.snapshot();
    CellWays.Answer answer = ways(snapshot, new CellCommand.SetRole("reader"), cell(snapshot, "adjusters", "c1"));
    assertThat(answer.ways()).extracting(CellWays.Way::kind).containsExactlyInAnyOrder(CellWays.Kind.WITHHOLD, CellWays.Kind.ABOVE, CellWays.Kind.BREAK);
    assertThat(answer.ways()).allMatch(way -> way.met() == 1);
    assertThat(answer.ways().get(answer.ways().size() - 1).kind()).as("what does most besides is last").isEqualTo(CellWays.Kind.ABOVE);
  }

  @Test
  void what_comes_through_a_group_can_be_left() {
    Snapshot snapshot = Harbour.snapshot();
    CellWays.Answer answer = ways(snapshot, new CellCommand.Match(Rights.NONE), cell(snapshot, "trainees", "cas"));
    assertThat(answer.ways()).extracting(CellWays.Way::kind).contains(CellWays.Kind.LEAVE, CellWays.Kind.WITHHOLD).doesNotContain(CellWays.Kind.BREAK);
  }

  @Test
  void what_is_so_already_needs_no_way_and_a_set_of_rights_that_is_no_roles_is_said() {
    Snapshot snapshot = Harbour.snapshot();
    assertThat(ways(snapshot, new CellCommand.SetRole("preparer"), cell(snapshot, "adjusters", "c1"))).isEqualTo(new CellWays.Answer(1, 1, List.of(), 0));
    CellWays.Answer strange = ways(snapshot, new CellCommand.Add(Rights.of(Right.GOVERN)), cell(snapshot, "divers", "c2"));
    assertThat(strange.noRole()).isEqualTo(1);
    assertThat(strange.ways()).isEmpty();
  }

  @Test
  void a_cell_for_which_there_is_no_role_keeps_what_it_has() {
    Snapshot snapshot = Harbour.snapshot();
    CellWays.Answer answer = ways(snapshot, new CellCommand.Add(Rights.of(Right.DELETE)), cell(snapshot, "adjusters", "cas"));
    assertThat(answer.noRole()).isEqualTo(1);
    assertThat(answer.ways()).as("taking Preparer away gives nobody delete").isEmpty();
    CellWays.Answer withOther = ways(snapshot, new CellCommand.Match(Rights.parse(List.of("find", "read", "copy", "delete"))), cell(snapshot, "adjusters", "cas"), cell(snapshot, "divers", "c2"));
    assertThat(withOther.ways()).isEmpty();
  }

  @Test
  void what_is_given_at_the_place_itself_can_go() {
    Snapshot snapshot = Harbour.snapshot();
    CellWays.Answer answer = ways(snapshot, new CellCommand.Clear(), cell(snapshot, "adjusters", "cas"), cell(snapshot, "adjusters", "c1"));
    assertThat(answer.already()).isEqualTo(1);
    assertThat(answer.ways()).singleElement().satisfies(way -> assertThat(way.changes()).hasSize(1));
  }

  @Test
  void what_was_given_for_a_time_is_replaced_for_that_time() {
    Snapshot plain = Harbour.snapshot();
    Grant dated = new Grant("e-dated", "c1", new Subject.OfGroup("divers"), "keeper", Set.of(), new Period(null, Harbour.JULY), null);
    Snapshot snapshot = plain.next(DraftApplication.of(plain, List.of(new AccessChange.AddGrant(dated)), Harbour.NOW).difference());
    CellWays.Way way = ways(snapshot, new CellCommand.SetRole("reader"), cell(snapshot, "divers", "c1")).ways().get(0);
    assertThat(way.changes()).filteredOn(AccessChange.AddGrant.class::isInstance).singleElement()
        .satisfies(added -> assertThat(((AccessChange.AddGrant) added).grant().period()).isEqualTo(new Period(null, Harbour.JULY)));
  }

  @Test
  void every_way_does_what_it_says_in_random_structures() {
    Map<CellWays.Kind, Integer> seen = new EnumMap<>(CellWays.Kind.class);
    for (long seed = 1; seed <= 600; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      Random random = new Random(seed);
      List<Subject> subjects = new ArrayList<>(List.of(Subject.BuiltIn.values()));
      snapshot.structure().groups().keySet().forEach(id -> subjects.add(new Subject.OfGroup(id)));
      snapshot.structure().units().keySet().forEach(id -> subjects.add(new Subject.OfUnit(id)));
      snapshot.structure().people().keySet().forEach(id -> subjects.add(new Subject.OfPerson(id)));
      List<String> types = List.copyOf(snapshot.structure().types().keySet());
      List<CellAt> cells = new ArrayList<>();
      for (int i = 0; i < 1 + random.nextInt(5); i++) {
        int place = random.nextInt(snapshot.placeCount());
        Column column = types.isEmpty() || snapshot.isDocument(place) || random.nextInt(3) > 0 ? Column.of(place) : Column.ofType(place, types.get(random.nextInt(types.size())));
        cells.add(new CellAt(subjects.get(random.nextInt(subjects.size())), column));
      }
      List<String> roles = List.copyOf(snapshot.structure().roles().keySet());
      CellCommand command = switch (random.nextInt(5)) {
        case 0 -> new CellCommand.Add(Rights.ofMask(1 << random.nextInt(9)));
        case 1 -> new CellCommand.Withhold(Rights.ofMask(1 << random.nextInt(9)));
        case 2 -> new CellCommand.Clear();
        case 3 -> new CellCommand.Match(Rights.ofMask(random.nextInt(512)).close());
        default -> new CellCommand.SetRole(roles.get(random.nextInt(roles.size())));
      };
      Map<CellAt, Rights> wanted = new HashMap<>();
      cells.forEach(cell -> wanted.put(cell, wanted(snapshot, cell, command)));
      CellWays.Answer answer = CellWays.of(snapshot, RandomStructures.NOW, cells, command, IDS);
      assertThat(answer.cells()).isEqualTo(wanted.size());
      for (CellWays.Way way : answer.ways()) {
        seen.merge(way.kind(), 1, Integer::sum);
        DraftApplication.Result applied = DraftApplication.of(snapshot, way.changes(), RandomStructures.NOW);
        assertThat(applied.refusals()).as("seed %d", seed).isEmpty();
        Snapshot after = snapshot.next(applied.difference());
        if (!(command instanceof CellCommand.Clear)) {
          long met = wanted.entrySet().stream().filter(one -> rights(after, snapshot, one.getKey()).equals(one.getValue())).count();
          assertThat((long) way.met()).as("seed %d, %s, %s", seed, command, way).isEqualTo(met);
        }
        Rehearsal rehearsal = Rehearsal.of(snapshot, way.changes(), RandomStructures.NOW, null);
        assertThat(way.effect()).as("seed %d", seed).isEqualTo(rehearsal.now().totals());
        assertThat(way.lockOuts()).as("seed %d", seed).isEqualTo(rehearsal.lockOutsNow().size());
      }
    }
    assertThat(seen.keySet()).as("kinds of way that came up: %s", seen).containsExactlyInAnyOrder(CellWays.Kind.values());
  }

  private static Rights rights(Snapshot after, Snapshot before, CellAt cell) {
    Column column = new Column(after.placeNumber(before.place(cell.column().place()).id()), cell.column().type());
    return Matrix.of(after.at(RandomStructures.NOW), RandomStructures.NOW, List.of(cell.subject()), List.of(column)).cell(0, 0).rights();
  }

  private static Rights wanted(Snapshot snapshot, CellAt cell, CellCommand command) {
    Rights has = rights(snapshot, snapshot, cell);
    return command instanceof CellCommand.SetRole set ? snapshot.structure().roles().get(set.role()).rights()
        : command instanceof CellCommand.Match match ? match.rights()
        : command instanceof CellCommand.Add add ? has.union(add.rights().complete())
        : command instanceof CellCommand.Withhold withhold ? has.minus(withhold.rights()).close() : has;
  }
}
