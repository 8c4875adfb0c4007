package palegate.core.drafts;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.duties.Duty;
import palegate.core.people.Membership;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.types.Clearance;
import palegate.core.walls.Wall;

/** One step of a draft (section 8). The same shapes in the API, the core, and the journal. */
public sealed interface Change
    permits Change.AtPlace, Change.InGroup, Change.OfType, Change.OfWall, PeopleChange, RoleChange, TypeChange, LayoutChange,
        ApprovalChange {

  /** Its kind, as the API, the journal and rules of approval name it. */
  default String kind() {
    String name = getClass().getSimpleName();
    return Character.toLowerCase(name.charAt(0)) + name.substring(1);
  }

  /** The duty that it takes (section 9). */
  Duty duty();


  /** A change of what stands at one place. */
  sealed interface AtPlace extends Change {
    /** The id of the place. */
    String place();

    @Override
    default String thing() {
      return "place:" + place();
    }

    @Override
    default Duty duty() {
      return Duty.ACCESS;
    }
  }

  /** A change of one group's members. */
  sealed interface InGroup extends Change {
    /** The id of the group. */
    String group();

    @Override
    default String thing() {
      return "group:" + group();
    }

    @Override
    default Duty duty() {
      return Duty.PEOPLE;
    }
  }

  /** A change of one document type's clearances. */
  sealed interface OfType extends Change {
    /** The id of the type. */
    String type();

    @Override
    default String thing() {
      return "type:" + type();
    }

    @Override
    default Duty duty() {
      return Duty.TYPES;
    }
  }

  /** A change of one wall. */
  sealed interface OfWall extends Change {
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
  }

  /** Adds a grant. */
  record AddGrant(Grant grant) implements AtPlace {
    public AddGrant {
      Objects.requireNonNull(grant);
    }

    @Override
    public String place() {
      return grant.place();
    }
  }

  /** Removes a grant that stands at the place. */
  record RemoveGrant(String place, String grant) implements AtPlace {
    public RemoveGrant {
      Objects.requireNonNull(place);
      Objects.requireNonNull(grant);
    }
  }

  /** Adds a withholding. */
  record AddWithholding(Withholding withholding) implements AtPlace {
    public AddWithholding {
      Objects.requireNonNull(withholding);
    }

    @Override
    public String place() {
      return withholding.place();
    }
  }

  /** Removes a withholding that stands at the place. */
  record RemoveWithholding(String place, String withholding) implements AtPlace {
    public RemoveWithholding {
      Objects.requireNonNull(place);
      Objects.requireNonNull(withholding);
    }
  }

  /**
   * Breaks a place: from now on it stands alone.
   *
   * @param keepers grants at the place that the break makes as well, so that somebody governs
   * @param prefix begins the ids of the entries that carrying over makes
   */
  record Break(String place, Start start, List<Grant> keepers, String prefix) implements AtPlace {
    public Break {
      Objects.requireNonNull(place);
      Objects.requireNonNull(start);
      Objects.requireNonNull(prefix);
      keepers = List.copyOf(keepers);
    }
  }

  /** What a broken place starts with. */
  enum Start {
    /** The entries that reached the place become its own. */
    CARRY_OVER,
    /** Nothing but the place's own entries. */
    EMPTY
  }

  /**
   * Lets a place follow its parent again and discards its own list.
   *
   * @param below whether the breaks further down are rejoined too
   * @param keep the ids of those of its own entries that stay: an undone break discards only what it made
   */
  record Rejoin(String place, boolean below, Set<String> keep) implements AtPlace {
    public Rejoin {
      Objects.requireNonNull(place);
      keep = Set.copyOf(keep);
    }

    public Rejoin(String place, boolean below) {
      this(place, below, Set.of());
    }
  }

  /** Sets the ceiling and house rules of a place. */
  record SetGuards(String place, Guards guards) implements AtPlace {
    public SetGuards {
      Objects.requireNonNull(place);
      Objects.requireNonNull(guards);
    }
  }

  /** Sets the own labels of a place. */
  record SetLabels(String place, Map<String, String> labels) implements AtPlace {
    public SetLabels {
      Objects.requireNonNull(place);
      labels = Map.copyOf(labels);
    }
  }

  /** Releases a document from a condition. */
  record Release(String place, Conditions.Condition condition) implements AtPlace {
    public Release {
      Objects.requireNonNull(place);
      Objects.requireNonNull(condition);
    }
  }

  /**
   * Puts a document under a condition, as the reverse of a release.
   *
   * @param by who has it checked out; null for the other conditions
   * @param since since when they have; null for the other conditions
   */
  record PutUnder(String place, Conditions.Condition condition, String by, Instant since) implements AtPlace {
    public PutUnder {
      Objects.requireNonNull(place);
      Objects.requireNonNull(condition);
    }
  }

  /** Appoints an overseer. */
  record AddOversight(Oversight oversight) implements AtPlace {
    public AddOversight {
      Objects.requireNonNull(oversight);
    }

    @Override
    public String place() {
      return oversight.place();
    }

    @Override
    public Duty duty() {
      return Duty.OVERSIGHT;
    }
  }

  /** Ends an appointment that stands at the place. */
  record RemoveOversight(String place, String oversight) implements AtPlace {
    public RemoveOversight {
      Objects.requireNonNull(place);
      Objects.requireNonNull(oversight);
    }

    @Override
    public Duty duty() {
      return Duty.OVERSIGHT;
    }
  }

  /** Puts a person or a group into a group. */
  record AddMember(String group, Membership membership) implements InGroup {
    public AddMember {
      Objects.requireNonNull(group);
      Objects.requireNonNull(membership);
    }
  }

  /** Takes a membership, exactly as it stands, out of a group. */
  record RemoveMember(String group, Membership membership) implements InGroup {
    public RemoveMember {
      Objects.requireNonNull(group);
      Objects.requireNonNull(membership);
    }
  }

  /** Clears a subject for a type. */
  record AddClearance(String type, Clearance clearance) implements OfType {
    public AddClearance {
      Objects.requireNonNull(type);
      Objects.requireNonNull(clearance);
    }
  }

  /** Takes a clearance, exactly as it stands, away. */
  record RemoveClearance(String type, Clearance clearance) implements OfType {
    public RemoveClearance {
      Objects.requireNonNull(type);
      Objects.requireNonNull(clearance);
    }
  }

  /** Puts a wall there: a new one, or a changed one in the place of the wall with its id. */
  record SetWall(Wall changed) implements OfWall {
    public SetWall {
      Objects.requireNonNull(changed);
    }

    @Override
    public String wall() {
      return changed.id();
    }
  }

  /** Takes a wall away that has never stood otherwise than in this draft, or as the reverse of raising it. */
  record RemoveWall(String wall) implements OfWall {
    public RemoveWall {
      Objects.requireNonNull(wall);
    }
  }

  /** Excepts a subject from a wall. */
  record AddException(String wall, Wall.Exempt exempt) implements OfWall {
    public AddException {
      Objects.requireNonNull(wall);
      Objects.requireNonNull(exempt);
    }
  }

  /** Takes an exception, exactly as it stands, out of a wall. */
  record RemoveException(String wall, Wall.Exempt exempt) implements OfWall {
    public RemoveException {
      Objects.requireNonNull(wall);
      Objects.requireNonNull(exempt);
    }
  }

  /** What the change is about, as kind and id joined by a colon; two changes with the same thing touch the same. */
  String thing();
}
