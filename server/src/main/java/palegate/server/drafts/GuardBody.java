package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import palegate.core.access.Oversight;
import palegate.core.drafts.Change;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.walls.Wall;
import palegate.core.duties.Duty;
import palegate.server.shell.MayBeMissing;

/** Changes of what limits and what oversees. */
public sealed interface GuardBody extends ChangeBody {

  @Schema(name = "SetGuards")
  record SetGuards(@NotBlank(message = "Name a place.") String place, @MayBeMissing String ceiling, boolean reserveSharing, boolean noTakeaway)
      implements GuardBody {
    @Override
    public Change toCore() {
      Guards guards = new Guards(ceiling, reserveSharing, noTakeaway);
      return new Change.SetGuards(place, guards.any() ? guards : Guards.NONE);
    }
  }

  @Schema(name = "Release")
  record Release(@NotBlank(message = "Name a document.") String place, @NotNull(message = "Name a condition.") Conditions.Condition condition)
      implements GuardBody {
    @Override
    public Change toCore() {
      return new Change.Release(place, condition);
    }
  }

  /** The reverse of a release; {@code by} and {@code since} are of a check-out. */
  @Schema(name = "PutUnder")
  record PutUnder(@NotBlank(message = "Name a document.") String place, @NotNull(message = "Name a condition.") Conditions.Condition condition,
      @MayBeMissing String by, @MayBeMissing Instant since) implements GuardBody {
    @Override
    public Change toCore() {
      return new Change.PutUnder(place, condition, by, since);
    }
  }

  @Schema(name = "AddOversight")
  record AddOversight(
      @MayBeMissing String entry, @NotBlank(message = "Name a place.") String place,
      @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject, @MayBeMissing Instant from, @MayBeMissing Instant until,
      @Size(max = 2000, message = "A note has at most 2,000 characters.") @MayBeMissing String note) implements GuardBody {
    @Override
    public Change toCore() {
      return new Change.AddOversight(new Oversight(entry, place, subject.toCore(), ChangeBody.period(from, until), note));
    }

    @Override
    public Duty duty() {
      return Duty.OVERSIGHT;
    }

    @Override
    public ChangeBody withEntry() {
      return entry != null ? this : new AddOversight(ChangeBody.newEntry(), place, subject, from, until, note);
    }
  }

  @Schema(name = "RemoveOversight")
  record RemoveOversight(@NotBlank(message = "Name the oversight.") String entry, @NotBlank(message = "Name a place.") String place) implements GuardBody {
    @Override
    public Change toCore() {
      return new Change.RemoveOversight(place, entry);
    }

    @Override
    public Duty duty() {
      return Duty.OVERSIGHT;
    }
  }

  @Schema(name = "AddException")
  record AddException(
      @NotBlank(message = "Name a wall.") String wall, @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @MayBeMissing Instant until) implements GuardBody {
    @Override
    public Change toCore() {
      return new Change.AddException(wall, new Wall.Exempt(subject.toCore(), until));
    }

    @Override
    public Duty duty() {
      return Duty.WALLS;
    }
  }

  @Schema(name = "RemoveException")
  record RemoveException(
      @NotBlank(message = "Name a wall.") String wall, @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @MayBeMissing Instant until) implements GuardBody {
    @Override
    public Change toCore() {
      return new Change.RemoveException(wall, new Wall.Exempt(subject.toCore(), until));
    }

    @Override
    public Duty duty() {
      return Duty.WALLS;
    }
  }
}
