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
import java.util.UUID;
import java.util.stream.IntStream;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.drafts.Change;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.server.shell.MayBeMissing;

/**
 * A change as it is sent, kept in the draft and written in the journal. {@code entry} is the id of
 * the entry that the change makes; the server gives it if it is left out.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ChangeBody.AddGrant.class, name = "addGrant"),
  @JsonSubTypes.Type(value = ChangeBody.RemoveGrant.class, name = "removeGrant"),
  @JsonSubTypes.Type(value = ChangeBody.AddWithholding.class, name = "addWithholding"),
  @JsonSubTypes.Type(value = ChangeBody.RemoveWithholding.class, name = "removeWithholding"),
  @JsonSubTypes.Type(value = ChangeBody.BreakPlace.class, name = "break"),
  @JsonSubTypes.Type(value = ChangeBody.RejoinPlace.class, name = "rejoin")
})
@Schema(
    oneOf = {ChangeBody.AddGrant.class, ChangeBody.RemoveGrant.class, ChangeBody.AddWithholding.class,
        ChangeBody.RemoveWithholding.class, ChangeBody.BreakPlace.class, ChangeBody.RejoinPlace.class},
    discriminatorProperty = "kind",
    discriminatorMapping = {
      @DiscriminatorMapping(value = "addGrant", schema = ChangeBody.AddGrant.class),
      @DiscriminatorMapping(value = "removeGrant", schema = ChangeBody.RemoveGrant.class),
      @DiscriminatorMapping(value = "addWithholding", schema = ChangeBody.AddWithholding.class),
      @DiscriminatorMapping(value = "removeWithholding", schema = ChangeBody.RemoveWithholding.class),
      @DiscriminatorMapping(value = "break", schema = ChangeBody.BreakPlace.class),
      @DiscriminatorMapping(value = "rejoin", schema = ChangeBody.RejoinPlace.class)
    })
public sealed interface ChangeBody {
  String place();

  /** The change as the core knows it; a value that no entry can have is refused. */
  Change.AtPlace toCore();

  /** This change with an id for the entry that it makes, if it makes one and has none yet. */
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
    public Change.AtPlace toCore() {
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
    public Change.AtPlace toCore() {
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
    public Change.AtPlace toCore() {
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
    public Change.AtPlace toCore() {
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
    public Change.AtPlace toCore() {
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
  record RejoinPlace(@NotBlank(message = "Name a place.") String place, boolean below) implements ChangeBody {
    @Override
    public Change.AtPlace toCore() {
      return new Change.Rejoin(place, below);
    }
  }

  private static String newEntry() {
    return "e-" + UUID.randomUUID().toString().substring(0, 18);
  }

  private static Set<String> typeSet(List<String> types) {
    return types == null ? Set.of() : Set.copyOf(types);
  }

  private static Period period(Instant from, Instant until) {
    return from == null && until == null ? Period.ALWAYS : new Period(cut(from), cut(until));
  }

  /** The database keeps microseconds. */
  private static Instant cut(Instant instant) {
    return instant == null ? null : instant.truncatedTo(ChronoUnit.MICROS);
  }
}
