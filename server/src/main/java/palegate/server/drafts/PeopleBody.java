package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import palegate.core.drafts.Change;
import palegate.core.drafts.PeopleChange;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.duties.Duty;
import palegate.server.shell.MayBeMissing;

/** Changes of people, units, groups and memberships. */
public sealed interface PeopleBody extends ChangeBody {
  @Override
  default Duty duty() {
    return Duty.PEOPLE;
  }

  @Schema(name = "SetPerson")
  record SetPerson(
      @MayBeMissing String person, @NotBlank(message = "Give the person a name.") @Size(max = 300, message = "A name has at most 300 characters.") String name,
      @Size(max = 200, message = "A login has at most 200 characters.") @MayBeMissing String login,
      @Size(max = 300, message = "An address has at most 300 characters.") @MayBeMissing String email,
      boolean external, boolean active, @MayBeMissing String unit) implements PeopleBody {
    @Override
    public Change toCore() {
      return new PeopleChange.SetPerson(new Person(person, name.strip(), blankToNull(login), blankToNull(email), external, active, unit));
    }

    @Override
    public ChangeBody withEntry() {
      return person != null ? this : new SetPerson(NewIds.of("p"), name, login, email, external, active, unit);
    }
  }

  @Schema(name = "SetUnit")
  record SetUnit(@MayBeMissing String unit, @NotBlank(message = "Give the unit a name.") String name, @MayBeMissing String parent) implements PeopleBody {
    @Override
    public Change toCore() {
      return new PeopleChange.SetUnit(new Unit(unit, name.strip(), parent));
    }

    @Override
    public ChangeBody withEntry() {
      return unit != null ? this : new SetUnit(NewIds.of("u"), name, parent);
    }
  }

  @Schema(name = "RemoveUnit")
  record RemoveUnit(@NotBlank(message = "Name a unit.") String unit) implements PeopleBody {
    @Override
    public Change toCore() {
      return new PeopleChange.RemoveUnit(unit);
    }
  }

  @Schema(name = "SetGroup")
  record SetGroup(
      @MayBeMissing String group, @NotBlank(message = "Give the group a name.") String name,
      @Size(max = 2000, message = "A description has at most 2,000 characters.") @MayBeMissing String description) implements PeopleBody {
    @Override
    public Change toCore() {
      return new PeopleChange.SetGroup(group, name.strip(), blankToNull(description));
    }

    @Override
    public ChangeBody withEntry() {
      return group != null ? this : new SetGroup(NewIds.of("g"), name, description);
    }
  }

  @Schema(name = "RemoveGroup")
  record RemoveGroup(@NotBlank(message = "Name a group.") String group) implements PeopleBody {
    @Override
    public Change toCore() {
      return new PeopleChange.RemoveGroup(group);
    }
  }

  @Schema(name = "AddMember")
  record AddMember(
      @NotBlank(message = "Name a group.") String group, @Pattern(regexp = "person|group", message = "Say person or group.") String memberKind,
      @NotBlank(message = "Name a person or a group.") String member, @MayBeMissing Instant from, @MayBeMissing Instant until) implements PeopleBody {
    @Override
    public Change toCore() {
      return new Change.AddMember(group, membership(memberKind, member, from, until));
    }
  }

  @Schema(name = "RemoveMember")
  record RemoveMember(
      @NotBlank(message = "Name a group.") String group, @Pattern(regexp = "person|group", message = "Say person or group.") String memberKind,
      @NotBlank(message = "Name a person or a group.") String member, @MayBeMissing Instant from, @MayBeMissing Instant until) implements PeopleBody {
    @Override
    public Change toCore() {
      return new Change.RemoveMember(group, membership(memberKind, member, from, until));
    }
  }

  private static Membership membership(String kind, String member, Instant from, Instant until) {
    return new Membership("person".equals(kind) ? new Membership.PersonMember(member) : new Membership.GroupMember(member), ChangeBody.period(from, until));
  }

  private static String blankToNull(String text) {
    return text == null || text.isBlank() ? null : text.strip();
  }
}
