package palegate.core.rounds;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Role;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Finds what a round asks about. What has ended is not asked about; what is to come is. O(entries and memberships in scope). */
public final class ReviewItems {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.UK).withZone(ZoneOffset.UTC);
  private static final String MEMBERSHIP = "membership:";
  /** Of what people have at places there can be as many as people times places: beyond this it is not counted on. */
  private static final int ACCESS_AT_MOST = 50_000;

  private final SnapshotAt moment;
  private final Snapshot snapshot;
  private final Structure structure;
  private final ReviewScope scope;
  private final List<ReviewItem> items = new ArrayList<>();

  private ReviewItems(SnapshotAt moment, ReviewScope scope) {
    this.moment = moment;
    this.scope = scope;
    snapshot = moment.snapshot();
    structure = snapshot.structure();
  }

  /** In a fixed order: by kind, by where it stands, by whom it is about. A place that is not there has nothing. */
  public static List<ReviewItem> of(SnapshotAt moment, ReviewScope scope) {
    ReviewItems found = new ReviewItems(moment, scope);
    found.find();
    Set<String> keys = new HashSet<>();
    // The same clearance or exception twice is one thing to ask about.
    return found.items.stream().filter(item -> keys.add(item.key()) && (!scope.outsidersOnly() || item.outsiders() > 0))
        .sorted(Comparator.comparing(ReviewItem::kind).thenComparing(ReviewItem::containerName).thenComparing(ReviewItem::subjectName).thenComparing(ReviewItem::key)).toList();
  }

  private void find() {
    if (scope.kinds().contains(ItemKind.MEMBERSHIP)) {
      structure.groups().values().stream().filter(group -> scope.groups().isEmpty() || scope.groups().contains(group.id())).forEach(group -> group.members().forEach(member -> membership(group, member)));
    }
    if (scope.kinds().stream().anyMatch(ItemKind::atPlaces)) {
      atPlaces();
    }
    if (scope.kinds().contains(ItemKind.EXCEPTION)) {
      structure.walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED).forEach(wall -> wall.exceptions().forEach(exempt -> exception(wall, exempt)));
    }
    if (scope.kinds().contains(ItemKind.CLEARANCE)) {
      structure.types().values().stream().filter(DocumentType::guarded).forEach(type -> type.clearances().forEach(clearance -> clearance(type, clearance)));
    }
    if (scope.kinds().contains(ItemKind.DUTY)) {
      structure.duties().values().forEach(this::duty);
    }
  }

  private void atPlaces() {
    int top = scope.place() == null ? structure.repository().map(repository -> snapshot.placeNumber(repository.id())).orElse(-1) : snapshot.placeNumber(scope.place());
    if (top < 0) {
      return;
    }
    if (scope.kinds().contains(ItemKind.ACCESS)) {
      items.addAll(new AccessItems(moment).below(top, scope.outsidersOnly() ? moment.activeOutsiders() : moment.active(), ACCESS_AT_MOST));
    }
    if (scope.kinds().contains(ItemKind.PASS)) {
      structure.passes().values().stream().filter(pass -> snapshot.path(snapshot.placeNumber(pass.place())).contains(top)).forEach(this::pass);
    }
    snapshot.inDisplayOrder(top).forEach(place -> {
      for (Entry entry : snapshot.ownEntries(place)) {
        if (scope.kinds().contains(ItemKind.GRANT) && entry instanceof Grant grant) {
          grant(place, grant);
        }
      }
      if (scope.kinds().contains(ItemKind.OVERSIGHT)) {
        snapshot.ownOversights(place).forEach(oversight -> oversight(place, oversight));
      }
    });
  }

  private void membership(Group group, Membership membership) {
    boolean person = membership.member() instanceof Membership.PersonMember;
    Subject subject = person ? new Subject.OfPerson(membership.member().id()) : new Subject.OfGroup(membership.member().id());
    add(ItemKind.MEMBERSHIP, membershipKey(group.id(), membership), subject, group.id(), group.name(), null, membership.period(),
        (person ? "" : "Everybody in ") + SubjectNames.of(subject, structure) + (person ? " is in " : " is also in ") + group.name(), "group:" + group.id(), 0);
  }

  static String membershipKey(String group, Membership membership) {
    return MEMBERSHIP + group + ":" + (membership.member() instanceof Membership.PersonMember ? "person:" : "group:") + membership.member().id() + from(membership.period());
  }

  private void grant(int place, Grant grant) {
    Role role = structure.roles().get(grant.role());
    String types = grant.types().isEmpty() ? "" : ", only for " + String.join(", ", grant.types().stream().map(type -> structure.types().containsKey(type) ? structure.types().get(type).name() : type).sorted().toList());
    add(ItemKind.GRANT, "grant:" + grant.id(), grant.subject(), grant.place(), snapshot.pathText(place), grant.role(), grant.period(),
        role.name() + " for " + SubjectNames.of(grant.subject(), structure) + " at " + snapshot.pathText(place) + types + shared(grant), "place:" + grant.place(), (role.rights().contains(Right.GOVERN) ? 3 : 0) + (grant.subject() instanceof Subject.OfPerson ? 1 : 0));
  }

  private String shared(Grant grant) {
    return grant.sharedBy() != null ? ", shared by " + SubjectNames.of(new Subject.OfPerson(grant.sharedBy()), structure) : grant.pass() != null ? ", through a pass" : "";
  }

  /** It is about whoever made it, who is not asked about it; how many people it concerns are those whom it is for. */
  private void pass(Pass pass) {
    if (pass.period().endedBy(moment.instant())) {
      return;
    }
    int outsiders = moment.matchingAny(pass.audience()).and(moment.activeOutsiders()).size();
    String where = snapshot.pathText(snapshot.placeNumber(pass.place()));
    Subject maker = new Subject.OfPerson(pass.maker());
    items.add(new ReviewItem("pass:" + pass.id(), ItemKind.PASS, maker, SubjectNames.of(maker, structure), pass.place(), where, pass.role(), pass.period(), moment.matchingAny(pass.audience()).and(moment.active()).size(), outsiders,
        2 + (outsiders > 0 ? 4 : 0) + (pass.period().until() == null ? 2 : 0), "A pass of " + SubjectNames.of(maker, structure) + " lets " + String.join(", ", pass.audience().stream().map(subject -> SubjectNames.of(subject, structure)).toList())
            + " in to " + where + ", as " + structure.roles().get(pass.role()).name() + dates(pass.period()) + ".", "pass:" + pass.id()));
  }

  private void oversight(int place, Oversight oversight) {
    add(ItemKind.OVERSIGHT, "oversight:" + oversight.id(), oversight.subject(), oversight.place(), snapshot.pathText(place), null, oversight.period(),
        "Oversight of " + snapshot.pathText(place) + " for " + SubjectNames.of(oversight.subject(), structure), "place:" + oversight.place(), 2);
  }

  private void exception(Wall wall, Wall.Exempt exempt) {
    Period period = new Period(null, exempt.until());
    add(ItemKind.EXCEPTION, "exception:" + wall.id() + ":" + exempt.subject().kind() + ":" + exempt.subject().id() + ":" + exempt.until(), exempt.subject(), wall.id(), wall.name(), null, period,
        "The wall “" + wall.name() + "” does not bar " + SubjectNames.of(exempt.subject(), structure), "wall:" + wall.id(), 3);
  }

  private void clearance(DocumentType type, Clearance clearance) {
    add(ItemKind.CLEARANCE, "clearance:" + type.id() + ":" + clearance.subject().kind() + ":" + clearance.subject().id() + ":" + clearance.role() + from(clearance.period()) + (clearance.period().until() == null ? "" : "-" + clearance.period().until().getEpochSecond()), clearance.subject(), type.id(), type.name(), clearance.role(), clearance.period(),
        "Clearance for " + type.name() + ", at most " + structure.roles().get(clearance.role()).name() + ", for " + SubjectNames.of(clearance.subject(), structure), "type:" + type.id(), 1);
  }

  private void duty(DutyAssignment duty) {
    String over = duty.place() != null && snapshot.placeNumber(duty.place()) >= 0 ? " over " + snapshot.pathText(snapshot.placeNumber(duty.place()))
        : duty.unit() != null && structure.units().containsKey(duty.unit()) ? " over " + structure.units().get(duty.unit()).name() : "";
    add(ItemKind.DUTY, "duty:" + duty.id(), duty.subject(), duty.duty().word(), duty.duty().word(), null, duty.period(), "The duty " + duty.duty().word() + over + " for " + SubjectNames.of(duty.subject(), structure), "duty:" + duty.id(),
        duty.duty() == Duty.SYSTEM || duty.duty() == Duty.WALLS ? 3 : 1);
  }

  private String dates(Period period) {
    return (period.from() != null && period.from().isAfter(moment.instant()) ? " from " + DAY.format(period.from()) : "") + (period.until() == null ? "" : " until " + DAY.format(period.until()));
  }

  private static String from(Period period) {
    return period.from() == null ? "" : ":" + period.from().getEpochSecond();
  }

  private void add(ItemKind kind, String key, Subject subject, String container, String containerName, String role, Period period, String sentence, String thing, int risk) {
    if (period.endedBy(moment.instant())) {
      return;
    }
    PersonSet people = moment.matching(subject).and(moment.active());
    int outsiders = people.sizeOfAnd(moment.activeOutsiders());
    items.add(new ReviewItem(key, kind, subject, SubjectNames.of(subject, structure), container, containerName, role, period, people.size(), outsiders,
        risk + (outsiders > 0 ? 4 : 0) + (outsiders > 0 && period.until() == null ? 2 : 0), sentence + dates(period) + ".", thing));
  }

  /** Items in the order in which they are read: what was changed since the last round, then the risky, then what stands in one place together. */
  public static List<ReviewItem> inReadingOrder(List<ReviewItem> items, Set<String> changedSince) {
    Map<String, Integer> riskOfContainer = new LinkedHashMap<>();
    items.forEach(item -> riskOfContainer.merge(item.kind() + item.container(), item.risk(), Math::max));
    return items.stream().sorted(Comparator.comparing((ReviewItem item) -> changedSince.contains(item.key()) ? 0 : 1).thenComparing(item -> -riskOfContainer.get(item.kind() + item.container()))
        .thenComparing(ReviewItem::kind).thenComparing(ReviewItem::containerName).thenComparing(item -> -item.risk()).thenComparing(ReviewItem::subjectName).thenComparing(ReviewItem::key)).toList();
  }
}
