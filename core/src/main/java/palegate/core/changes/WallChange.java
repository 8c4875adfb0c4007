package palegate.core.changes;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import palegate.core.duties.Duty;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** A change of a wall (section 7). */
public sealed interface WallChange extends Change {
  /** The id of the wall. */
  String wall();

  @Override
  default String thing() {
    return "wall:" + wall();
  }

  @Override
  default Duty duty() {
    return Duty.WALLS;
  }

  private static Wall wall(WallChange change, Making on) {
    Wall wall = on.pending.wall(change.wall());
    if (wall == null) {
      on.refuseGone(change, "There is no wall [" + change.wall() + "] (any more).");
    }
    return wall;
  }

  /** Puts a wall there: a new one, or a changed one in the place of the wall with its id. */
  record SetWall(Wall changed) implements WallChange {
    /** One side of a wall of sides; of the other kinds of walls there is one, without a name. */
    private static final Shape<Barrier.Side> SIDE = Shape.<Barrier.Side>named("WallSide")
        .optional("name", FieldType.OTHER_NAME, side -> side.name().isEmpty() ? null : side.name())
        .needed("subjects", FieldType.list(Shape.SUBJECT, 1, FieldType.LIST_AT_MOST, "subjects"), "Name at least one person, group or unit.", Barrier.Side::subjects)
        .ids("places", "places", side -> side.scope().places()).ids("types", "document types", side -> side.scope().types())
        .optional("labels", FieldType.keyed(FieldType.list(FieldType.VALUE, 1, FieldType.LIST_AT_MOST, "values"), "labels", values -> values, Map::copyOf), SetWall::labels)
        .readBy(values -> {
          Map<String, List<String>> labels = values.get("labels");
          return new Barrier.Side(Objects.requireNonNullElse(values.text("name"), ""), values.list("subjects"), new Scope(values.set("places"), values.set("types"),
              labels == null ? Map.of() : labels.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, label -> Set.copyOf(label.getValue())))));
        });

    private static final Shape<Wall.Exempt> EXEMPT = Shape.<Wall.Exempt>named("WallExemption").subject(Wall.Exempt::subject).until(Wall.Exempt::until)
        .readBy(values -> new Wall.Exempt(values.subject(), values.get("until")));

    static final Shape<SetWall> SHAPE = Shape.<SetWall>named("SetWall")
        .made("wall", "w", SetWall::wall).needed("name", FieldType.NAME, "Give the wall a name.", set -> set.changed.name())
        .optional("reason", FieldType.TEXT, set -> set.changed.reason())
        .needed("state", FieldType.constant(Wall.State.class), "Say PLANNED, STANDING or LIFTED.", set -> set.changed.state()).period(set -> set.changed.period())
        .needed("barrier", FieldType.word(List.of("screen", "seal", "confine", "sides")), "Say screen, seal, confine or sides.", set -> set.changed.barrier().kind())
        .needed("sides", FieldType.list(SIDE, 1, FieldType.SIDES_AT_MOST, "sides"), "Say whom it bars, and from what.", SetWall::sides)
        .optional("exceptions", FieldType.list(EXEMPT, 0, FieldType.LIST_AT_MOST, "exceptions"), set -> set.changed.exceptions())
        .readBy(values -> new SetWall(new Wall(values.text("wall"), values.text("name"), values.text("reason"), values.get("state"), values.period(),
            barrier(values.text("barrier"), values.list("sides")), values.list("exceptions"))));

    public SetWall {
      Objects.requireNonNull(changed);
    }

    private static Map<String, List<String>> labels(Barrier.Side side) {
      Map<String, List<String>> labels = new TreeMap<>();
      side.scope().labels().forEach((key, values) -> labels.put(key, values.stream().sorted().toList()));
      return labels;
    }

    private static List<Barrier.Side> sides(SetWall set) {
      Barrier barrier = set.changed.barrier();
      return barrier instanceof Barrier.Sides of ? of.sides() : List.of(new Barrier.Side("", barrier.subjects(), barrier.scopes().get(0)));
    }

    private static Barrier barrier(String kind, List<Barrier.Side> sides) {
      return switch (kind) {
        case "screen" -> ofOne(kind, sides, Barrier.Screen::new);
        case "seal" -> ofOne(kind, sides, Barrier.Seal::new);
        case "confine" -> ofOne(kind, sides, Barrier.Confine::new);
        default -> new Barrier.Sides(sides);
      };
    }

    private static Barrier ofOne(String kind, List<Barrier.Side> sides, BiFunction<Scope, List<Subject>, Barrier> made) {
      if (sides.size() != 1) {
        throw new IllegalArgumentException("A wall of the kind " + kind + " has [" + sides.size() + "] sides. It has one; only a wall of sides has more.");
      }
      return made.apply(sides.get(0).scope(), sides.get(0).subjects());
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_WALL;
    }

    @Override
    public String wall() {
      return changed.id();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this);
      changed.barrier().subjects().forEach(checks::subject);
      changed.exceptions().forEach(exempt -> checks.subject(exempt.subject()));
      changed.barrier().scopes().forEach(scope -> checks.places(scope.places()).types(scope.types()));
      if (checks.passed()) {
        on.pending.put(changed);
      }
    }

    @Override
    public String words(Wording names) {
      return (names.before().walls().containsKey(changed.id()) ? "Change the wall " : "Make the wall ") + changed.name() + ", " + changed.state().word()
          + Wording.during(changed.period());
    }
  }

  /** Takes a wall away that has never stood otherwise than in this draft, or as the reverse of raising it. */
  record RemoveWall(String wall) implements WallChange {
    static final Shape<RemoveWall> SHAPE = Shape.<RemoveWall>named("RemoveWall")
        .needed("wall", FieldType.ID, "Name a wall.", RemoveWall::wall).readBy(values -> new RemoveWall(values.text("wall")));

    public RemoveWall {
      Objects.requireNonNull(wall);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_WALL;
    }

    @Override
    public void make(Making on) {
      Wall known = WallChange.wall(this, on);
      if (known != null) {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Take the wall " + names.name("wall", wall) + " away";
    }
  }

  /** Excepts a subject from a wall. */
  record AddException(String wall, Wall.Exempt exempt) implements WallChange {
    static final Shape<AddException> SHAPE = Shape.<AddException>named("AddException")
        .needed("wall", FieldType.ID, "Name a wall.", AddException::wall).subject(add -> add.exempt.subject()).until(add -> add.exempt.until())
        .readBy(values -> new AddException(values.text("wall"), new Wall.Exempt(values.subject(), values.get("until"))));

    public AddException {
      Objects.requireNonNull(wall);
      Objects.requireNonNull(exempt);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_EXCEPTION;
    }

    @Override
    public void make(Making on) {
      Wall known = WallChange.wall(this, on);
      if (known != null && on.checks(this)
          .refuseIf(known.exceptions().contains(exempt), "[" + known.name() + "] excepts them already.", "Remove this change from the draft.")
          .subject(exempt.subject()).passed()) {
        on.pending.put(known.except(exempt));
      }
    }

    @Override
    public String words(Wording names) {
      return "Except " + names.subject(exempt.subject()) + " from the wall " + names.name("wall", wall)
          + Wording.during(exempt.until() == null ? Period.ALWAYS : new Period(null, exempt.until()));
    }
  }

  /** Takes an exception, exactly as it stands, out of a wall. */
  record RemoveException(String wall, Wall.Exempt exempt) implements WallChange {
    static final Shape<RemoveException> SHAPE = Shape.<RemoveException>named("RemoveException")
        .needed("wall", FieldType.ID, "Name a wall.", RemoveException::wall).subject(remove -> remove.exempt.subject()).until(remove -> remove.exempt.until())
        .readBy(values -> new RemoveException(values.text("wall"), new Wall.Exempt(values.subject(), values.get("until"))));

    public RemoveException {
      Objects.requireNonNull(wall);
      Objects.requireNonNull(exempt);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_EXCEPTION;
    }

    @Override
    public void make(Making on) {
      Wall known = WallChange.wall(this, on);
      if (known != null && known.exceptions().contains(exempt)) {
        on.pending.put(known.without(exempt));
      } else if (known != null) {
        on.refuseGone(this, "The wall has no such exception (any more).");
      }
    }

    @Override
    public String words(Wording names) {
      return "Take the exception of " + names.subject(exempt.subject()) + " out of the wall " + names.name("wall", wall);
    }
  }
}
