package palegate.server.places;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.duties.Duty;
import palegate.core.places.Place;
import palegate.core.questions.LinkReach;
import palegate.core.questions.PlacesNamed;
import palegate.core.questions.WhoCan;
import palegate.core.sharing.SharingRule;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import palegate.core.viewpoint.Asker;
import palegate.server.drafts.Drafts;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;

/** The tree of places, one place, and who can do what there. */
@RestController
class PlacesController {
  /** A label that flows down from a place above. */
  record Inherited(String key, String value, String from, String fromName) {}

  /**
   * One place with its path.
   *
   * @param labels its own, as the draft would have them; so are owner, type and guards
   * @param drafted whether the asker's draft changes anything of it
   * @param made whether only the draft has it
   * @param gone whether the draft takes it away
   * @param nameDrafted what the draft calls it
   */
  record PlaceDetail(PlaceView place, List<PlaceView.Post> path, Map<String, String> labels, List<Inherited> inheritedLabels, @MayBeMissing String owner,
      @MayBeMissing String ownerId, @MayBeMissing String typeId, @MayBeMissing Target target, boolean drafted, boolean made, boolean gone,
      boolean standsAloneDrafted, String nameDrafted, List<GuardWords.Limit> guards, @MayBeMissing String ceiling, boolean reserveSharing, boolean noTakeaway,
      boolean mayChange, boolean mayChangeList, boolean mayOversee, List<Overseer> overseers, @MayBeMissing SharingSaid sharing) {}

  /** What the place itself says about sharing, as the draft would have it. */
  record SharingSaid(SharingRule.Who who, boolean outsiders, @MayBeMissing String role, @MayBeMissing Integer days) {}

  /** Somebody who oversees the place from where they are appointed: here, or at {@code place} above. */
  record Overseer(String entry, String subject, String place, String placeName, boolean here, @MayBeMissing Instant from, @MayBeMissing Instant until, @MayBeMissing String note, boolean drafted) {}

  /**
   * The place that a link shows.
   *
   * @param people how many can find the link
   * @param opening how many of them can read what it shows: access to that is decided there
   */
  record Target(String id, String name, String path, int people, int opening) {}

  record Found(String id, String name, String kind, String path) {}

  record Holder(PersonView person, List<String> rights, String origin) {}

  private static final Comparator<WhoCan.Holder> BY_NAME = Comparator.comparing(WhoCan.Holder::person, PeopleOrder.BY_NAME);
  private static final SortOrders<WhoCan.Holder> HOLDERS = SortOrders.by("name", BY_NAME)
      .or("rights", Comparator.comparing((WhoCan.Holder holder) -> holder.rights().size()).thenComparing(BY_NAME))
      .or("origin", Comparator.comparing(WhoCan.Holder::origin).thenComparing(BY_NAME));

  private final Drafts drafts;
  private final Viewpoints viewpoints;
  private final Clock clock;

  PlacesController(Drafts drafts, Viewpoints viewpoints, Clock clock) {
    this.drafts = drafts;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  /** The repository itself. */
  @GetMapping("/api/repository")
  PlaceView root(@RequestParam(defaultValue = "false") boolean drafted, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), drafted);
    if (snapshot.placeCount() == 0) {
      throw Problem.notFound("repository", "");
    }
    return PlaceView.of(snapshot.at(clock.instant()), 0);
  }

  /** The places directly below one, containers first, then by name. */
  @GetMapping("/api/places/{id}/children")
  List<PlaceView> children(@PathVariable String id, @RequestParam(defaultValue = "false") boolean drafted, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), drafted);
    SnapshotAt moment = snapshot.at(clock.instant());
    return snapshot.children(number(snapshot, id)).stream().map(child -> PlaceView.of(moment, child)).toList();
  }

  /** Places whose name contains the text, the likeliest first. */
  @GetMapping("/api/places")
  Page<Found> find(@RequestParam String text, @RequestParam(defaultValue = "30") int limit, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), true);
    int[] found = PlacesNamed.of(snapshot, text.strip());
    return Page.of(found.length, IntStream.of(found).boxed(), 0, limit, number -> new Found(snapshot.place(number).id(),
        snapshot.place(number).name(), snapshot.place(number).kind().word(), snapshot.pathText(number)));
  }

  /** A place in force or, if only the draft has it, as the draft makes it. */
  @GetMapping("/api/places/{id}")
  PlaceDetail place(@PathVariable String id, Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    Snapshot before = rehearsed.rehearsal().before();
    Snapshot after = rehearsed.rehearsal().after();
    int numberAfter = after.placeNumber(id);
    boolean made = before.placeNumber(id) < 0;
    Snapshot snapshot = made ? after : before;
    int number = number(snapshot, id);
    Place place = snapshot.place(number);
    SnapshotAt moment = snapshot.at(clock.instant());
    boolean standsAloneAfter = numberAfter >= 0 && after.place(numberAfter).standsAlone();
    boolean drafted = made || numberAfter < 0 || !after.place(numberAfter).equals(place) || !after.ownEntries(numberAfter).equals(snapshot.ownEntries(number))
        || !Objects.equals(after.structure().sharing().get(id), snapshot.structure().sharing().get(id));
    Asker asker = viewpoints.asker(who.getName());
    boolean mayChange = asker.holdsAt(Duty.ACCESS, snapshot.structure(), id);
    Place shown = numberAfter < 0 ? place : after.place(numberAfter);
    return new PlaceDetail(PlaceView.of(moment, number), PlaceView.path(moment, number), new TreeMap<>(shown.labels()), inherited(snapshot, number),
        shown.owner() == null ? null : after.structure().people().get(shown.owner()).name(), shown.owner(), shown.type(), target(moment, number, shown.target()),
        drafted, made, numberAfter < 0, standsAloneAfter, numberAfter < 0 ? place.name() : after.place(numberAfter).name(),
        new GuardWords(moment).at(number), shown.guards().ceiling(), shown.guards().reserveSharing(), shown.guards().noTakeaway(), mayChange, mayChange || asker.governs(id), asker.holdsAt(Duty.OVERSIGHT, snapshot.structure(), id),
        overseers(before, numberAfter < 0 ? before : after, numberAfter < 0 ? number : numberAfter), sharing((numberAfter < 0 ? before : after).structure().sharing().get(id)));
  }

  private static SharingSaid sharing(SharingRule rule) {
    return rule == null ? null : new SharingSaid(rule.who(), rule.outsiders(), rule.role(), rule.days());
  }

  private static Target target(SnapshotAt moment, int link, String target) {
    Snapshot snapshot = moment.snapshot();
    int number = target == null ? -1 : snapshot.placeNumber(target);
    if (number < 0) {
      return null;
    }
    LinkReach reach = LinkReach.of(moment, link, number);
    return new Target(target, snapshot.place(number).name(), snapshot.pathText(number), reach.finding(), reach.opening());
  }

  /** Who is appointed at a place and above it, nearest first, as the draft would have it. */
  private static List<Overseer> overseers(Snapshot before, Snapshot shown, int number) {
    List<Overseer> overseers = new ArrayList<>();
    for (int at = number; at >= 0; at = shown.parent(at)) {
      Place place = shown.place(at);
      boolean here = at == number;
      shown.ownOversights(at).forEach(one -> overseers.add(new Overseer(one.id(), SubjectNames.of(one.subject(), shown.structure()), place.id(), place.name(), here,
          one.period().from(), one.period().until(), one.note(), !one.equals(before.structure().oversights().get(one.id())))));
    }
    return overseers;
  }

  /** Labels from above, each with where it comes from. */
  private static List<Inherited> inherited(Snapshot snapshot, int number) {
    Map<String, Inherited> labels = new TreeMap<>();
    for (int at = snapshot.parent(number); at >= 0; at = snapshot.parent(at)) {
      Place above = snapshot.place(at);
      above.labels().forEach((key, value) -> {
        if (!snapshot.place(number).labels().containsKey(key)) {
          labels.putIfAbsent(key, new Inherited(key, value, above.id(), above.name()));
        }
      });
    }
    return List.copyOf(labels.values());
  }

  /** Everyone with at least one right at the place, outsiders set apart by their mark. */
  @GetMapping("/api/places/{id}/people")
  Page<Holder> people(@PathVariable String id, @RequestParam(defaultValue = "false") boolean drafted,
      @ParameterObject PageRequest part, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), drafted);
    return HOLDERS.page(part, WhoCan.at(snapshot, clock.instant(), number(snapshot, id)).stream().filter(holder -> part.takes(holder.person().name())),
        holder -> new Holder(PersonView.of(holder.person(), snapshot.structure()), holder.rights().words(), holder.origin().name()));
  }

  static int number(Snapshot snapshot, String id) {
    int number = snapshot.placeNumber(id);
    if (number < 0) {
      throw Problem.notFound("place", id);
    }
    return number;
  }
}
