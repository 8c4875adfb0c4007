package palegate.server.drafts;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.swagger.v3.oas.annotations.media.DiscriminatorMapping;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.drafts.Change;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.duties.Duty;
import palegate.server.shell.MayBeMissing;

/**
 * A change as it is sent, kept in the draft and written in the journal. The id of what a change makes (of an entry:
 * {@code entry}) may be left out; the server then gives one.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ChangeBody.AddGrant.class, name = "addGrant"),
  @JsonSubTypes.Type(value = ChangeBody.RemoveGrant.class, name = "removeGrant"),
  @JsonSubTypes.Type(value = ChangeBody.AddWithholding.class, name = "addWithholding"),
  @JsonSubTypes.Type(value = ChangeBody.RemoveWithholding.class, name = "removeWithholding"),
  @JsonSubTypes.Type(value = ChangeBody.BreakPlace.class, name = "break"),
  @JsonSubTypes.Type(value = ChangeBody.RejoinPlace.class, name = "rejoin"),
  @JsonSubTypes.Type(value = GuardBody.SetGuards.class, name = "setGuards"),
  @JsonSubTypes.Type(value = GuardBody.Release.class, name = "release"),
  @JsonSubTypes.Type(value = GuardBody.AddOversight.class, name = "addOversight"),
  @JsonSubTypes.Type(value = GuardBody.RemoveOversight.class, name = "removeOversight"),
  @JsonSubTypes.Type(value = GuardBody.AddException.class, name = "addException"),
  @JsonSubTypes.Type(value = GuardBody.RemoveException.class, name = "removeException"),
  @JsonSubTypes.Type(value = GuardBody.PutUnder.class, name = "putUnder"),
  @JsonSubTypes.Type(value = WallBody.SetWall.class, name = "setWall"),
  @JsonSubTypes.Type(value = WallBody.RemoveWall.class, name = "removeWall"),
  @JsonSubTypes.Type(value = PeopleBody.SetPerson.class, name = "setPerson"),
  @JsonSubTypes.Type(value = PeopleBody.SetUnit.class, name = "setUnit"),
  @JsonSubTypes.Type(value = PeopleBody.RemoveUnit.class, name = "removeUnit"),
  @JsonSubTypes.Type(value = PeopleBody.SetGroup.class, name = "setGroup"),
  @JsonSubTypes.Type(value = PeopleBody.RemoveGroup.class, name = "removeGroup"),
  @JsonSubTypes.Type(value = PeopleBody.AddMember.class, name = "addMember"),
  @JsonSubTypes.Type(value = PeopleBody.RemoveMember.class, name = "removeMember"),
  @JsonSubTypes.Type(value = RoleBody.SetRole.class, name = "setRole"),
  @JsonSubTypes.Type(value = RoleBody.RemoveRole.class, name = "removeRole"),
  @JsonSubTypes.Type(value = TypeBody.SetType.class, name = "setType"),
  @JsonSubTypes.Type(value = TypeBody.RemoveType.class, name = "removeType"),
  @JsonSubTypes.Type(value = TypeBody.AddClearance.class, name = "addClearance"),
  @JsonSubTypes.Type(value = TypeBody.RemoveClearance.class, name = "removeClearance"),
  @JsonSubTypes.Type(value = LayoutBody.AddPlace.class, name = "addPlace"),
  @JsonSubTypes.Type(value = LayoutBody.RenamePlace.class, name = "renamePlace"),
  @JsonSubTypes.Type(value = LayoutBody.MovePlace.class, name = "movePlace"),
  @JsonSubTypes.Type(value = LayoutBody.SetDocument.class, name = "setDocument"),
  @JsonSubTypes.Type(value = LayoutBody.SetLabels.class, name = "setLabels"),
  @JsonSubTypes.Type(value = LayoutBody.RemovePlace.class, name = "removePlace"),
  @JsonSubTypes.Type(value = ApprovalBody.SetApproval.class, name = "setApproval"),
  @JsonSubTypes.Type(value = ApprovalBody.RemoveApproval.class, name = "removeApproval")
})
@Schema(
    oneOf = {
      ChangeBody.AddGrant.class, ChangeBody.RemoveGrant.class, ChangeBody.AddWithholding.class, ChangeBody.RemoveWithholding.class,
      ChangeBody.BreakPlace.class, ChangeBody.RejoinPlace.class, GuardBody.SetGuards.class, GuardBody.Release.class,
      GuardBody.AddOversight.class, GuardBody.RemoveOversight.class, GuardBody.AddException.class, GuardBody.RemoveException.class,
      GuardBody.PutUnder.class, WallBody.SetWall.class, WallBody.RemoveWall.class, PeopleBody.SetPerson.class,
      PeopleBody.SetUnit.class, PeopleBody.RemoveUnit.class, PeopleBody.SetGroup.class, PeopleBody.RemoveGroup.class,
      PeopleBody.AddMember.class, PeopleBody.RemoveMember.class, RoleBody.SetRole.class, RoleBody.RemoveRole.class,
      TypeBody.SetType.class, TypeBody.RemoveType.class, TypeBody.AddClearance.class, TypeBody.RemoveClearance.class,
      LayoutBody.AddPlace.class, LayoutBody.RenamePlace.class, LayoutBody.MovePlace.class, LayoutBody.SetDocument.class,
      LayoutBody.SetLabels.class, LayoutBody.RemovePlace.class, ApprovalBody.SetApproval.class, ApprovalBody.RemoveApproval.class
    },
    discriminatorProperty = "kind",
    discriminatorMapping = {
      @DiscriminatorMapping(value = "addGrant", schema = ChangeBody.AddGrant.class),
      @DiscriminatorMapping(value = "removeGrant", schema = ChangeBody.RemoveGrant.class),
      @DiscriminatorMapping(value = "addWithholding", schema = ChangeBody.AddWithholding.class),
      @DiscriminatorMapping(value = "removeWithholding", schema = ChangeBody.RemoveWithholding.class),
      @DiscriminatorMapping(value = "break", schema = ChangeBody.BreakPlace.class),
      @DiscriminatorMapping(value = "rejoin", schema = ChangeBody.RejoinPlace.class),
      @DiscriminatorMapping(value = "setGuards", schema = GuardBody.SetGuards.class),
      @DiscriminatorMapping(value = "release", schema = GuardBody.Release.class),
      @DiscriminatorMapping(value = "addOversight", schema = GuardBody.AddOversight.class),
      @DiscriminatorMapping(value = "removeOversight", schema = GuardBody.RemoveOversight.class),
      @DiscriminatorMapping(value = "addException", schema = GuardBody.AddException.class),
      @DiscriminatorMapping(value = "removeException", schema = GuardBody.RemoveException.class),
      @DiscriminatorMapping(value = "putUnder", schema = GuardBody.PutUnder.class),
      @DiscriminatorMapping(value = "setWall", schema = WallBody.SetWall.class),
      @DiscriminatorMapping(value = "removeWall", schema = WallBody.RemoveWall.class),
      @DiscriminatorMapping(value = "setPerson", schema = PeopleBody.SetPerson.class),
      @DiscriminatorMapping(value = "setUnit", schema = PeopleBody.SetUnit.class),
      @DiscriminatorMapping(value = "removeUnit", schema = PeopleBody.RemoveUnit.class),
      @DiscriminatorMapping(value = "setGroup", schema = PeopleBody.SetGroup.class),
      @DiscriminatorMapping(value = "removeGroup", schema = PeopleBody.RemoveGroup.class),
      @DiscriminatorMapping(value = "addMember", schema = PeopleBody.AddMember.class),
      @DiscriminatorMapping(value = "removeMember", schema = PeopleBody.RemoveMember.class),
      @DiscriminatorMapping(value = "setRole", schema = RoleBody.SetRole.class),
      @DiscriminatorMapping(value = "removeRole", schema = RoleBody.RemoveRole.class),
      @DiscriminatorMapping(value = "setType", schema = TypeBody.SetType.class),
      @DiscriminatorMapping(value = "removeType", schema = TypeBody.RemoveType.class),
      @DiscriminatorMapping(value = "addClearance", schema = TypeBody.AddClearance.class),
      @DiscriminatorMapping(value = "removeClearance", schema = TypeBody.RemoveClearance.class),
      @DiscriminatorMapping(value = "addPlace", schema = LayoutBody.AddPlace.class),
      @DiscriminatorMapping(value = "renamePlace", schema = LayoutBody.RenamePlace.class),
      @DiscriminatorMapping(value = "movePlace", schema = LayoutBody.MovePlace.class),
      @DiscriminatorMapping(value = "setDocument", schema = LayoutBody.SetDocument.class),
      @DiscriminatorMapping(value = "setLabels", schema = LayoutBody.SetLabels.class),
      @DiscriminatorMapping(value = "removePlace", schema = LayoutBody.RemovePlace.class),
      @DiscriminatorMapping(value = "setApproval", schema = ApprovalBody.SetApproval.class),
      @DiscriminatorMapping(value = "removeApproval", schema = ApprovalBody.RemoveApproval.class)
    })
public sealed interface ChangeBody permits ChangeBody.AddGrant, ChangeBody.RemoveGrant, ChangeBody.AddWithholding, ChangeBody.RemoveWithholding,
    ChangeBody.BreakPlace, ChangeBody.RejoinPlace, GuardBody, WallBody, PeopleBody, RoleBody, TypeBody, LayoutBody, ApprovalBody {

  /** The change as the core knows it; a value that no change can have is refused. */
  Change toCore();

  /** The duty that it takes. */
  default Duty duty() {
    return Duty.ACCESS;
  }

  /** This change with an id for what it makes, if it makes anything and has none yet. */
  default ChangeBody withEntry() {
    return this;
  }

  @Schema(name = "SubjectRef")
  record SubjectRef(
      @NotNull(message = "Say person, group, unit or builtin.")
      @Pattern(regexp = "person|group|unit|builtin", message = "Say person, group, unit or builtin.") String kind,
      @NotBlank(message = "Name a person, group or unit.") String id) {
    Subject toCore() {
      return Subject.of(kind, id);
    }

    public static SubjectRef of(Subject subject) {
      return new SubjectRef(subject.kind(), subject.id());
    }
  }

  @Schema(name = "AddGrant")
  record AddGrant(
      @MayBeMissing String entry, @NotBlank(message = "Name a place.") String place,
      @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @NotBlank(message = "Choose a role.") String role, @MayBeMissing List<String> types, @MayBeMissing Instant from, @MayBeMissing Instant until,
      @Size(max = 2000, message = "A note has at most 2,000 characters.") @MayBeMissing String note) implements ChangeBody {
    @Override
    public Change toCore() {
      return new Change.AddGrant(grant());
    }

    Grant grant() {
      return new Grant(entry, place, subject.toCore(), role, typeSet(types), period(from, until), note);
    }

    @Override
    public ChangeBody withEntry() {
      return entry != null ? this : new AddGrant(newEntry(), place, subject, role, types, from, until, note);
    }
  }

  @Schema(name = "RemoveGrant")
  record RemoveGrant(@NotBlank(message = "Name the grant.") String entry, @NotBlank(message = "Name a place.") String place) implements ChangeBody {
    @Override
    public Change toCore() {
      return new Change.RemoveGrant(place, entry);
    }
  }

  @Schema(name = "AddWithholding")
  record AddWithholding(
      @MayBeMissing String entry, @NotBlank(message = "Name a place.") String place,
      @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @NotEmpty(message = "Name at least one right.") List<String> rights, @MayBeMissing List<String> types, @MayBeMissing Instant from, @MayBeMissing Instant until,
      @Size(max = 2000, message = "A note has at most 2,000 characters.") @MayBeMissing String note) implements ChangeBody {
    @Override
    public Change toCore() {
      return new Change.AddWithholding(new Withholding(
          entry, place, subject.toCore(), Rights.parse(rights), typeSet(types), period(from, until), note));
    }

    @Override
    public ChangeBody withEntry() {
      return entry != null ? this : new AddWithholding(newEntry(), place, subject, rights, types, from, until, note);
    }
  }

  @Schema(name = "RemoveWithholding")
  record RemoveWithholding(@NotBlank(message = "Name the withholding.") String entry, @NotBlank(message = "Name a place.") String place) implements ChangeBody {
    @Override
    public Change toCore() {
      return new Change.RemoveWithholding(place, entry);
    }
  }

  /** Who governs the place from the break on. */
  @Schema(name = "Keeper")
  record Keeper(
      @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @NotBlank(message = "Choose a role.") String role) {}

  @Schema(name = "BreakPlace")
  record BreakPlace(
      @MayBeMissing String entry, @NotBlank(message = "Name a place.") String place,
      @NotNull(message = "Say CARRY_OVER or EMPTY.") Change.Start start, @MayBeMissing List<@Valid Keeper> keepers) implements ChangeBody {
    @Override
    public Change toCore() {
      List<Keeper> named = keepers == null ? List.of() : keepers;
      List<Grant> grants = IntStream.range(0, named.size()).mapToObj(i -> new Grant(entry + ".k" + (i + 1),
          place, named.get(i).subject().toCore(), named.get(i).role(), Set.of(), Period.ALWAYS, null)).toList();
      return new Change.Break(place, start, grants, entry);
    }

    @Override
    public ChangeBody withEntry() {
      return entry != null ? this : new BreakPlace(newEntry(), place, start, keepers);
    }
  }

  @Schema(name = "RejoinPlace")
  record RejoinPlace(@NotBlank(message = "Name a place.") String place, boolean below, @MayBeMissing List<String> keep) implements ChangeBody {
    @Override
    public Change toCore() {
      return new Change.Rejoin(place, below, keep == null ? Set.of() : Set.copyOf(keep));
    }
  }

  static String newEntry() {
    return NewIds.of("e");
  }

  static Set<String> typeSet(List<String> types) {
    return types == null ? Set.of() : Set.copyOf(types);
  }

  static Period period(Instant from, Instant until) {
    return from == null && until == null ? Period.ALWAYS : new Period(cut(from), cut(until));
  }

  /** The database keeps microseconds. */
  private static Instant cut(Instant instant) {
    return instant == null ? null : instant.truncatedTo(ChronoUnit.MICROS);
  }
}
