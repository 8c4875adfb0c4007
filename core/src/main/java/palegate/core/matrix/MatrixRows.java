package palegate.core.matrix;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import palegate.core.access.Entry;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.Joined;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** Which subjects are the rows of a matrix, chosen by a rule, and how they stand in one another. */
public final class MatrixRows {
  /** Rows beyond so many are left out, and it is said. */
  public static final int AT_MOST = 1_000;

  /** By which rule they are chosen. */
  public enum Rule {
    /** Every group. */
    GROUPS,
    /** Every unit. */
    UNITS,
    /** The groups, units and built-in subjects that an entry names at the place, above it as far as it reaches, or below. */
    WITH_ACCESS_BELOW,
    /** Everyone, single people too, whom such an entry names. */
    NAMED_BELOW,
    /** The groups and units in which there are outsiders and nobody else, and all outsiders. */
    OUTSIDE_FIRMS
  }

  /**
   * One row.
   *
   * @param depth in how many of the other rows it stands
   * @param parent the row of the group or unit that it stands in, or -1
   * @param beside what it has in common with those that it is compared with: the group or unit it is in, whether that is a row or not, or that it is in none; null for built-in subjects
   * @param weight how much it counts that it departs from those: less where they are alike only in that they are in nothing
   */
  public record Row(Subject subject, int depth, int parent, String beside, double weight) {}

  private static final double IN_NOTHING = 0.5;

  private static final List<String> KINDS = List.of("builtin", "unit", "group", "person");

  private final Structure structure;
  private final SnapshotAt moment;
  private final Joined joined;
  private final List<Row> rows = new ArrayList<>();
  private final Map<Subject, List<Subject>> inside = new HashMap<>();

  private MatrixRows(SnapshotAt moment) {
    this.moment = moment;
    structure = moment.snapshot().structure();
    joined = moment.joined();
  }

  /** The subjects that a rule chooses for a place and below, in no order. O(entries below), or O(groups × people / 64). */
  public static Set<Subject> chosen(SnapshotAt moment, Instant instant, Rule rule, int top) {
    Snapshot snapshot = moment.snapshot();
    Structure structure = snapshot.structure();
    Set<Subject> chosen = new LinkedHashSet<>();
    if (rule == Rule.GROUPS || rule == Rule.OUTSIDE_FIRMS) {
      structure.groups().keySet().forEach(id -> chosen.add(new Subject.OfGroup(id)));
    }
    if (rule == Rule.UNITS || rule == Rule.OUTSIDE_FIRMS) {
      structure.units().keySet().forEach(id -> chosen.add(new Subject.OfUnit(id)));
    }
    if (rule == Rule.OUTSIDE_FIRMS) {
      chosen.removeIf(subject -> {
        PersonSet people = moment.matching(subject).and(moment.active());
        return people.isEmpty() || people.intersects(moment.activeStaff());
      });
      chosen.add(Subject.BuiltIn.OUTSIDERS);
    } else if (rule == Rule.WITH_ACCESS_BELOW || rule == Rule.NAMED_BELOW) {
      Consumer<Entry> take = entry -> {
        if (!entry.period().endedBy(instant) && (rule == Rule.NAMED_BELOW || !(entry.subject() instanceof Subject.OfPerson))) {
          chosen.add(entry.subject());
        }
      };
      snapshot.reachingEntries(top).forEach(take);
      if (snapshot.parent(top) < 0) {
        structure.entries().forEach(take);
      } else {
        snapshot.below(top).forEach(place -> snapshot.ownEntries(place).forEach(take));
      }
    }
    return chosen;
  }

  /** Puts subjects in the order of rows: built-in ones, units, groups, people, by name, each below the first that it is directly in. O(subjects × groups each is in). */
  public static List<Row> arranged(SnapshotAt moment, Collection<? extends Subject> subjects) {
    MatrixRows made = new MatrixRows(moment);
    Set<Subject> all = Set.copyOf(subjects);
    Map<Subject, String> names = new HashMap<>();
    all.forEach(subject -> names.put(subject, SubjectNames.of(subject, made.structure)));
    Comparator<Subject> order = Comparator.comparingInt((Subject subject) -> KINDS.indexOf(subject.kind()))
        .thenComparing(names::get, String.CASE_INSENSITIVE_ORDER).thenComparing(Subject::id);
    List<Subject> roots = new ArrayList<>();
    all.stream().sorted(order).forEach(subject -> {
      Subject above = made.directlyIn(subject).stream().filter(all::contains).min(order).orElseGet(() -> made.nearestAbove(subject, all));
      if (above == null) {
        roots.add(subject);
      } else {
        made.inside.computeIfAbsent(above, any -> new ArrayList<>()).add(subject);
      }
    });
    roots.forEach(made::addWithInside);
    return List.copyOf(made.rows);
  }

  /** Without a recursion: groups nest to any depth. */
  private void addWithInside(Subject root) {
    record Next(Subject subject, int depth, int parent) {}
    List<Next> stack = new ArrayList<>(List.of(new Next(root, 0, -1)));
    while (!stack.isEmpty()) {
      Next next = stack.remove(stack.size() - 1);
      Subject in = directlyIn(next.subject()).stream().min(Subject::compare).orElse(null);
      String beside = next.subject() instanceof Subject.BuiltIn ? null : next.subject().kind() + (in == null ? " in none" : " in " + in.kind() + ":" + in.id());
      rows.add(new Row(next.subject(), next.depth(), next.parent(), beside, in == null ? IN_NOTHING : 1));
      List<Subject> within = inside.getOrDefault(next.subject(), List.of());
      for (int i = within.size() - 1; i >= 0; i--) {
        stack.add(new Next(within.get(i), next.depth() + 1, rows.size() - 1));
      }
    }
  }

  private List<Subject> directlyIn(Subject subject) {
    if (subject instanceof Subject.OfUnit) {
      String parent = structure.units().get(subject.id()).parent();
      return parent == null ? List.of() : List.of(new Subject.OfUnit(parent));
    }
    List<Subject> in = new ArrayList<>();
    if (subject instanceof Subject.OfGroup || subject instanceof Subject.OfPerson) {
      (subject instanceof Subject.OfGroup ? joined.group(subject.id()) : joined.person(subject.id())).forEach(one -> in.add(new Subject.OfGroup(one.group())));
    }
    return in;
  }

  /** Some row that the subject is in by way of others that are no rows; null without one. Of a ring there is none: groups close no cycle. */
  private Subject nearestAbove(Subject subject, Set<Subject> all) {
    return subject instanceof Subject.BuiltIn ? null
        : Containing.of(moment, subject).stream().filter(one -> !one.equals(subject) && one.getClass() == (subject instanceof Subject.OfUnit ? Subject.OfUnit.class : Subject.OfGroup.class) && all.contains(one)).findFirst().orElse(null);
  }
}
