package palegate.core.papers;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;

/** What a person may do with a place now, and in a plain sentence why not (sections 3 and 5). */
public final class Acts {
  /** What can be done with a place, in the order in which it is offered. */
  public enum Act {
    OPEN, COPY, ADD, DESCRIBE, REVISE, CHECK_OUT, CHECK_IN, MAKE_PRIVATE, MAKE_OPEN, FREEZE, UNFREEZE, DELETE;

    public static Act of(Conditions.Condition condition, boolean on) {
      return switch (condition) {
        case PRIVATE -> on ? MAKE_PRIVATE : MAKE_OPEN;
        case FROZEN -> on ? FREEZE : UNFREEZE;
        case CHECKED_OUT -> on ? CHECK_OUT : CHECK_IN;
      };
    }
  }

  /** @param why why not, in a sentence; null if it may be done */
  public record Offer(Act act, String why) {
    public boolean may() {
      return why == null;
    }
  }

  private final SnapshotAt at;
  private final int person;
  private final Place place;
  private final Rights rights;
  private final String id;

  private Acts(SnapshotAt at, int person, int number) {
    this.at = at;
    this.person = person;
    place = at.snapshot().place(number);
    rights = at.rightsNow(person, number);
    id = at.snapshot().person(person).id();
  }

  /** All that makes sense for such a place, in its present conditions. */
  public static List<Offer> of(SnapshotAt at, int person, int place) {
    Acts acts = new Acts(at, person, place);
    List<Offer> offers = new ArrayList<>();
    for (Act act : Act.values()) {
      if (acts.makesSense(act)) {
        offers.add(new Offer(act, acts.why(act)));
      }
    }
    return offers;
  }

  /** Why somebody may not do this now; null if they may. */
  public static String why(SnapshotAt at, int person, int place, Act act) {
    return new Acts(at, person, place).why(act);
  }

  private boolean makesSense(Act act) {
    Conditions in = place.conditions();
    return switch (act) {
      case OPEN, COPY, REVISE -> place.isDocument();
      case ADD -> place.kind().isContainer();
      case DESCRIBE, DELETE -> place.parent() != null;
      case CHECK_OUT -> place.isDocument() && in.checkedOutBy() == null;
      case CHECK_IN -> place.isDocument() && in.checkedOutBy() != null;
      case MAKE_PRIVATE -> place.isDocument() && place.owner() != null && !in.isPrivate();
      case MAKE_OPEN -> place.isDocument() && in.isPrivate();
      case FREEZE -> place.isDocument() && !in.frozen();
      case UNFREEZE -> place.isDocument() && in.frozen();
    };
  }

  private String why(Act act) {
    if (!makesSense(act)) {
      return "This is not the place for it.";
    }
    return switch (act) {
      case OPEN -> needs(Right.READ, "You can find this, but not open it.");
      case COPY -> needs(Right.COPY, "You may not take this out: no download, print or copy.");
      case ADD -> addsAnything() ? null : "You may not add anything here.";
      case DESCRIBE -> needs(Right.DESCRIBE, "You may not change its name or fields" + because());
      case REVISE -> needs(Right.REVISE, "You may not change its content" + because());
      case DELETE -> needs(Right.DELETE, "You may not delete this" + because());
      case CHECK_OUT -> needs(Right.REVISE, "Only who may change its content can check it out" + because());
      case CHECK_IN -> id.equals(place.conditions().checkedOutBy()) || rights.contains(Right.GOVERN) ? null : "Only who has it checked out can check it in, or who governs it.";
      case MAKE_PRIVATE -> id.equals(place.owner()) && rights.contains(Right.DESCRIBE) ? null : "Only its owner can make it private.";
      case MAKE_OPEN -> id.equals(place.owner()) || rights.contains(Right.GOVERN) ? null : "Only its owner, or who governs it, ends that it is private.";
      case FREEZE -> needs(Right.REVISE, "Only who may change its content can freeze it" + because());
      case UNFREEZE -> needs(Right.GOVERN, "Only who governs it can release it.");
    };
  }

  private boolean addsAnything() {
    return mayAdd(null) || at.snapshot().structure().types().keySet().stream().anyMatch(this::mayAdd);
  }

  private boolean mayAdd(String type) {
    return at.rightsOnNew(person, at.snapshot().placeNumber(place.id()), type).contains(Right.ADD);
  }

  /** Whether somebody may add a document of a type, or a folder, below a container. */
  public static boolean mayAdd(SnapshotAt at, int person, int container, String type) {
    return at.snapshot().place(container).kind().isContainer() && at.rightsOnNew(person, container, type).contains(Right.ADD);
  }

  private String needs(Right right, String otherwise) {
    return rights.contains(right) ? null : otherwise;
  }

  private String because() {
    Conditions in = place.conditions();
    if (in.frozen()) {
      return ": it is frozen.";
    }
    return in.checkedOutBy() != null && !Objects.equals(in.checkedOutBy(), id) ? ": somebody else has it checked out." : ".";
  }
}
