package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import palegate.core.drafts.Change;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.server.drafts.ChangeBody.SubjectRef;
import palegate.core.duties.Duty;
import palegate.server.shell.MayBeMissing;

/** Changes of whole walls; those of their exceptions are among the {@link GuardBody guards}. */
public sealed interface WallBody extends ChangeBody {
  @Override
  default Duty duty() {
    return Duty.WALLS;
  }

  /** One side of a wall of sides; of the other kinds of walls there is one, without a name. */
  @Schema(name = "WallSide")
  record WallSide(
      @MayBeMissing @Size(max = 300, message = "A name has at most 300 characters.") String name,
      @NotEmpty(message = "Name at least one person, group or unit.") List<@Valid SubjectRef> subjects,
      @MayBeMissing List<String> places, @MayBeMissing List<String> types, @MayBeMissing Map<String, List<String>> labels) {
    static WallSide of(String name, List<Subject> subjects, Scope scope) {
      Map<String, List<String>> labels = new TreeMap<>();
      scope.labels().forEach((key, values) -> labels.put(key, values.stream().sorted().toList()));
      return new WallSide(name, subjects.stream().map(SubjectRef::of).toList(), scope.places().stream().sorted().toList(),
          scope.types().stream().sorted().toList(), labels);
    }

    Scope scope() {
      return new Scope(places == null ? Set.of() : Set.copyOf(places), types == null ? Set.of() : Set.copyOf(types),
          labels == null ? Map.of() : labels.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, label -> Set.copyOf(label.getValue()))));
    }

    List<Subject> named() {
      return subjects.stream().map(SubjectRef::toCore).toList();
    }
  }

  @Schema(name = "WallExemption")
  record WallExemption(@NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject, @MayBeMissing Instant until) {}

  /** Puts a wall there: a new one, or a changed one in the place of the wall with that id. */
  @Schema(name = "SetWall")
  record SetWall(
      @MayBeMissing String wall, @NotBlank(message = "Give the wall a name.") @Size(max = 300, message = "A name has at most 300 characters.") String name,
      @MayBeMissing @Size(max = 2000, message = "A reason has at most 2,000 characters.") String reason,
      @NotNull(message = "Say PLANNED, STANDING or LIFTED.") Wall.State state, @MayBeMissing Instant from, @MayBeMissing Instant until,
      @NotNull(message = "Say screen, seal, confine or sides.")
      @Pattern(regexp = "screen|seal|confine|sides", message = "Say screen, seal, confine or sides.") String barrier,
      @NotEmpty(message = "Say whom it bars, and from what.") List<@Valid WallSide> sides, @MayBeMissing List<@Valid WallExemption> exceptions) implements WallBody {
    static SetWall of(Wall wall) {
      List<WallSide> sides = wall.barrier() instanceof Barrier.Sides of
          ? of.sides().stream().map(side -> WallSide.of(side.name(), side.subjects(), side.scope())).toList()
          : List.of(WallSide.of(null, wall.barrier().subjects(), wall.barrier().scopes().get(0)));
      return new SetWall(wall.id(), wall.name(), wall.reason(), wall.state(), wall.period().from(), wall.period().until(), wall.barrier().kind(), sides,
          wall.exceptions().stream().map(exempt -> new WallExemption(SubjectRef.of(exempt.subject()), exempt.until())).toList());
    }

    @Override
    public Change toCore() {
      return new Change.SetWall(new Wall(wall, name.strip(), reason, state, ChangeBody.period(from, until), toBarrier(),
          exceptions == null ? List.of() : exceptions.stream().map(one -> new Wall.Exempt(one.subject().toCore(), one.until())).toList()));
    }

    private Barrier toBarrier() {
      return switch (barrier) {
        case "screen" -> ofOne(side -> new Barrier.Screen(side.scope(), side.named()));
        case "seal" -> ofOne(side -> new Barrier.Seal(side.scope(), side.named()));
        case "confine" -> ofOne(side -> new Barrier.Confine(side.scope(), side.named()));
        default -> new Barrier.Sides(sides.stream().map(side -> new Barrier.Side(side.name() == null ? "" : side.name(), side.named(), side.scope())).toList());
      };
    }

    private Barrier ofOne(Function<WallSide, Barrier> made) {
      if (sides.size() != 1) {
        throw new IllegalArgumentException("A wall of the kind " + barrier + " has [" + sides.size() + "] sides. It has one; only a wall of sides has more.");
      }
      return made.apply(sides.get(0));
    }

    @Override
    public ChangeBody withEntry() {
      return wall != null ? this : new SetWall(NewIds.of("w"), name, reason, state, from, until, barrier, sides, exceptions);
    }
  }

  @Schema(name = "RemoveWall")
  record RemoveWall(@NotBlank(message = "Name a wall.") String wall) implements WallBody {
    @Override
    public Change toCore() {
      return new Change.RemoveWall(wall);
    }
  }
}
