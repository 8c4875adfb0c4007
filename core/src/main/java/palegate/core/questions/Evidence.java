package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Trace.Acting;
import palegate.core.access.Trace.Guard;
import palegate.core.access.Trace.Silent;
import palegate.core.access.Trace.Why;
import palegate.core.access.stages.PersonAtPlace;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Everything that has a say about one person at one place, collected from the path to the root. */
final class Evidence implements PersonAtPlace {
  private static final MembershipPaths.Found NO_PATH = new MembershipPaths.Found(List.of(), false);

  private final Snapshot snapshot;
  private final SnapshotAt moment;
  private final Instant instant;
  private final int person;
  private final Person who;
  private final Place where;
  private final DocumentType type;
  private final MembershipPaths paths;
  private final List<Acting> grants = new ArrayList<>();
  private final List<Acting> withholdings = new ArrayList<>();
  private final List<Silent> silent = new ArrayList<>();
  private final List<Guard> walls = new ArrayList<>();
  private final List<Guard> clearances = new ArrayList<>();
  private final List<Guard> ceilings = new ArrayList<>();
  private final List<Guard> houseRules = new ArrayList<>();
  private final List<Guard> conditions = new ArrayList<>();
  private final List<Guard> oversights = new ArrayList<>();
  private boolean reserveSharing;
  private boolean noTakeaway;
  private int grantsReaching;
  private int withholdingsReaching;

  Evidence(SnapshotAt moment, Instant instant, int person, int place, Explanation.WallReasons reasons) {
    this.moment = moment;
    this.instant = instant;
    this.person = person;
    snapshot = moment.snapshot();
    who = snapshot.person(person);
    where = snapshot.place(place);
    type = where.type() == null ? null : snapshot.structure().types().get(where.type());
    paths = new MembershipPaths(moment);
    boolean stopped = false;
    for (int at = place; at >= 0; at = snapshot.parent(at)) {
      for (Entry entry : snapshot.ownEntries(at)) {
        sort(entry, stopped, at == place);
      }
      collectGuards(snapshot.place(at));
      snapshot.ownOversights(at).forEach(this::collect);
      stopped |= snapshot.place(at).standsAlone();
    }
    moment.walls().barring(person, place).forEach(wall -> collect(wall, reasons));
    if (type != null && type.guarded()) {
      type.clearances().forEach(this::collect);
    }
    collectConditions();
  }

  private void sort(Entry entry, boolean stopped, boolean here) {
    boolean grant = entry instanceof Grant;
    boolean acts = !stopped && entry.period().holdsAt(instant) && entry.touches(where.type());
    if (acts) {
      grantsReaching += grant ? 1 : 0;
      withholdingsReaching += grant ? 0 : 1;
    }
    if (!moment.matches(person, entry.subject())) {
      return;
    }
    if (!acts) {
      silent.add(new Silent(entry, whyNot(entry, stopped)));
      return;
    }
    MembershipPaths.Found found = paths.find(who, entry.subject());
    (grant ? grants : withholdings)
        .add(new Acting(entry, snapshot.rightsOf(entry), here, found.paths(), found.more()));
  }

  private Why whyNot(Entry entry, boolean stopped) {
    if (entry.period().endedBy(instant)) {
      return Why.ENDED;
    }
    if (!entry.period().holdsAt(instant)) {
      return Why.NOT_YET;
    }
    return stopped ? Why.BEHIND_A_BREAK : Why.OTHER_TYPES;
  }

  private void collectGuards(Place at) {
    if (at.guards().ceiling() != null) {
      Role role = role(at.guards().ceiling());
      ceilings.add(guard("ceiling", at.id(), "the ceiling " + role.name() + " at " + at.name(), role.rights(), NO_PATH));
    }
    if (at.guards().reserveSharing()) {
      reserveSharing = true;
      houseRules.add(guard("houseRule", at.id(), "sharing is reserved to those who govern, by a house rule at " + at.name(), null, NO_PATH));
    }
    if (at.guards().noTakeaway()) {
      noTakeaway = true;
      houseRules.add(guard("houseRule", at.id(), "taking away is for those who revise, by a house rule at " + at.name(), null, NO_PATH));
    }
  }

  private void collect(Oversight oversight) {
    if (oversight.period().holdsAt(instant) && moment.matches(person, oversight.subject())) {
      oversights.add(guard("oversight", oversight.id(), "an oversight at " + snapshot.structure().places().get(oversight.place()).name(),
          null, paths.find(who, oversight.subject())));
    }
  }

  private void collect(Wall wall, Explanation.WallReasons reasons) {
    walls.add(new Guard("wall", wall.id(), "the " + wall.barrier().kind() + " \"" + wall.name() + "\"",
        reasons == Explanation.WallReasons.SHOWN ? wall.reason() : null, null, List.of(), false));
  }

  private void collect(Clearance clearance) {
    if (clearance.period().holdsAt(instant) && moment.matches(person, clearance.subject())) {
      Role role = role(clearance.role());
      clearances.add(guard("clearance", null, "cleared as " + role.name() + naming(clearance.subject()), role.rights(),
          paths.find(who, clearance.subject())));
    }
  }

  private String naming(Subject subject) {
    return subject instanceof Subject.OfPerson ? "" : " through " + SubjectWords.of(subject, snapshot.structure());
  }

  private void collectConditions() {
    Conditions in = where.conditions();
    if (in.isPrivate()) {
      conditions.add(guard("condition", null, "private, of " + personName(where.owner()), null, NO_PATH));
    }
    if (in.frozen()) {
      conditions.add(guard("condition", null, "frozen", null, NO_PATH));
    }
    if (in.checkedOutBy() != null) {
      conditions.add(guard("condition", null, "checked out by " + personName(in.checkedOutBy()), null, NO_PATH));
    }
  }

  private String personName(String id) {
    return id.equals(who.id()) ? who.name() + " themself" : snapshot.structure().people().get(id).name();
  }

  private Role role(String id) {
    return snapshot.structure().roles().get(id);
  }

  private static Guard guard(String kind, String id, String words, Rights rights, MembershipPaths.Found found) {
    return new Guard(kind, id, words, null, rights, found.paths(), found.more());
  }

  Instant instant() {
    return instant;
  }

  Person who() {
    return who;
  }

  Place where() {
    return where;
  }

  /** The document's type, or null. */
  DocumentType type() {
    return type;
  }

  List<Silent> silent() {
    return silent;
  }

  int grantsReaching() {
    return grantsReaching;
  }

  int withholdingsReaching() {
    return withholdingsReaching;
  }

  List<Acting> acting(int stage) {
    return switch (stage) {
      case 2 -> grants;
      case 3 -> withholdings;
      default -> List.of();
    };
  }

  List<Guard> guards(int stage) {
    return switch (stage) {
      case 1 -> walls;
      case 4 -> clearances;
      case 5 -> who.external() ? ceilings : List.of();
      case 7 -> houseRules;
      case 8 -> conditions;
      case 9 -> oversights;
      default -> List.of();
    };
  }

  @Override
  public boolean active() {
    return who.active();
  }

  @Override
  public boolean external() {
    return who.external();
  }

  @Override
  public boolean barred() {
    return !walls.isEmpty();
  }

  @Override
  public int granted() {
    return grants.stream().mapToInt(acting -> acting.rights().mask()).reduce(0, (a, b) -> a | b);
  }

  @Override
  public int withheld() {
    return withholdings.stream().mapToInt(acting -> acting.rights().mask()).reduce(0, (a, b) -> a | b);
  }

  @Override
  public boolean guarded() {
    return type != null && type.guarded();
  }

  @Override
  public int cleared() {
    return clearances.stream().mapToInt(guard -> guard.rights().mask()).reduce(0, (a, b) -> a | b);
  }

  @Override
  public int ceiling() {
    return ceilings.stream().mapToInt(guard -> guard.rights().mask()).reduce(Rights.ALL.mask(), (a, b) -> a & b);
  }

  @Override
  public boolean reserveSharing() {
    return reserveSharing;
  }

  @Override
  public boolean noTakeaway() {
    return noTakeaway;
  }

  @Override
  public boolean privateToAnother() {
    return where.conditions().isPrivate() && !who.id().equals(where.owner());
  }

  @Override
  public boolean frozen() {
    return where.conditions().frozen();
  }

  @Override
  public boolean checkedOutByAnother() {
    return where.conditions().checkedOutBy() != null && !who.id().equals(where.conditions().checkedOutBy());
  }

  @Override
  public boolean overseen() {
    return !oversights.isEmpty();
  }
}
