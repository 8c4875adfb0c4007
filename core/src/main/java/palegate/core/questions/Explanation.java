package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Trace;
import palegate.core.access.Trace.Acting;
import palegate.core.access.Trace.Silent;
import palegate.core.access.Trace.Step;
import palegate.core.access.Trace.Why;
import palegate.core.access.stages.PersonAtPlace;
import palegate.core.access.stages.Pipeline;
import palegate.core.access.stages.Stage;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/**
 * Answers "why": runs the stages over the entries themselves, where the fast path works on classes,
 * and writes down what each did.
 */
public final class Explanation {
  private final Snapshot snapshot;
  private final Moment moment;
  private final Instant instant;
  private final int person;
  private final int place;
  private final MembershipPaths membershipPaths;
  private final List<Acting> grants = new ArrayList<>();
  private final List<Acting> withholdings = new ArrayList<>();
  private final List<Silent> silent = new ArrayList<>();
  private int grantsReaching;
  private int withholdingsReaching;

  private Explanation(Snapshot snapshot, Instant instant, int person, int place) {
    this.snapshot = snapshot;
    this.moment = snapshot.at(instant);
    this.instant = instant;
    this.person = person;
    this.place = place;
    membershipPaths = new MembershipPaths(moment);
  }

  /** Explains one person at one place, both named by their numbers. O(entries on the path). */
  public static Trace of(Snapshot snapshot, Instant instant, int person, int place) {
    return new Explanation(snapshot, instant, person, place).trace();
  }

  private Trace trace() {
    sortEntries();
    PersonAtPlace asked = new Asked();
    List<Step> steps = new ArrayList<>();
    Rights rights = Rights.NONE;
    for (Stage stage : Pipeline.STAGES) {
      Rights before = rights;
      rights = stage.stops(asked) ? Rights.NONE : stage.apply(before, asked);
      steps.add(new Step(stage.number(), stage.title(), before, rights, reason(stage, before, rights), acting(stage)));
      if (stage.stops(asked)) {
        break;
      }
    }
    return new Trace(
        snapshot.person(person).id(), snapshot.place(place).id(), instant, rights, steps, silent);
  }

  private void sortEntries() {
    String type = snapshot.place(place).type();
    boolean stopped = false;
    for (int at = place; at >= 0; at = snapshot.parent(at)) {
      for (Entry entry : snapshot.ownEntries(at)) {
        sort(entry, type, stopped, at == place);
      }
      stopped |= snapshot.place(at).standsAlone();
    }
  }

  private void sort(Entry entry, String type, boolean stopped, boolean here) {
    boolean grant = entry instanceof Grant;
    boolean acts = !stopped && entry.period().holdsAt(instant) && entry.touches(type);
    if (acts) {
      grantsReaching += grant ? 1 : 0;
      withholdingsReaching += grant ? 0 : 1;
    }
    if (!moment.matches(person, entry.subject())) {
      return;
    }
    if (!acts) {
      silent.add(new Silent(entry, whyNot(entry, type, stopped)));
      return;
    }
    MembershipPaths.Found found = membershipPaths.find(snapshot.person(person), entry.subject());
    (grant ? grants : withholdings)
        .add(new Acting(entry, snapshot.rightsOf(entry), here, found.paths(), found.more()));
  }

  private Why whyNot(Entry entry, String type, boolean stopped) {
    if (entry.period().endedBy(instant)) {
      return Why.ENDED;
    }
    if (!entry.period().holdsAt(instant)) {
      return Why.NOT_YET;
    }
    return stopped ? Why.BEHIND_A_BREAK : Why.OTHER_TYPES;
  }

  private List<Acting> acting(Stage stage) {
    return switch (stage.number()) {
      case 2 -> grants;
      case 3 -> withholdings;
      default -> List.of();
    };
  }

  private String reason(Stage stage, Rights before, Rights after) {
    Person who = snapshot.person(person);
    Place where = snapshot.place(place);
    return switch (stage.number()) {
      case 0 -> who.active()
          ? who.name() + " is active" + (who.external() ? ", and an outsider." : ", and on staff.")
          : who.name() + " is not active, and an inactive person has no rights at all.";
      case 2 -> grantReason(who, where, after);
      case 3 -> withholdingReason(who, before, after);
      default -> before.isEmpty() ? "There is nothing that could lack what it needs."
          : before.equals(after)
          ? "Nothing falls away: every right here has what it needs."
          : "Falls away because what it needs is missing: " + listed(before.minus(after)) + ".";
    };
  }

  private String grantReason(Person who, Place where, Rights after) {
    if (grants.isEmpty()) {
      return grantsReaching == 0
          ? "No grant in force reaches " + where.name() + "."
          : noneNames(grantsReaching, "grant", who);
    }
    return counted(grants.size(), "grant") + (grants.size() == 1 ? " gives " : " give ")
        + (after.isEmpty() ? "nothing" : listed(after)) + ".";
  }

  private String withholdingReason(Person who, Rights before, Rights after) {
    if (withholdings.isEmpty()) {
      return withholdingsReaching == 0
          ? "No withholding in force reaches this place."
          : noneNames(withholdingsReaching, "withholding", who);
    }
    Rights taken = before.minus(after);
    return counted(withholdings.size(), "withholding") + (withholdings.size() == 1 ? " takes " : " take ")
        + (taken.isEmpty() ? "nothing that was there" : listed(taken)) + ".";
  }

  private static String noneNames(int count, String noun, Person who) {
    return count == 1
        ? "The one " + noun + " in force that reaches here does not name " + who.name() + "."
        : "None of the " + count + " " + noun + "s in force that reach here names " + who.name() + ".";
  }

  private static String listed(Rights rights) {
    return rights.equals(Rights.ALL) ? "all nine rights" : String.join(", ", rights.words());
  }

  private static String counted(int count, String noun) {
    return count + " " + noun + (count == 1 ? "" : "s");
  }

  private final class Asked implements PersonAtPlace {
    @Override
    public boolean active() {
      return snapshot.person(person).active();
    }

    @Override
    public Rights granted() {
      return united(grants);
    }

    @Override
    public Rights withheld() {
      return united(withholdings);
    }

    private Rights united(List<Acting> acting) {
      return acting.stream().map(Acting::rights).reduce(Rights.NONE, Rights::union);
    }
  }
}
