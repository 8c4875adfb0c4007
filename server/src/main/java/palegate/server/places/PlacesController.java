package palegate.server.places;

import java.security.Principal;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.places.Place;
import palegate.core.questions.WhoCan;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import palegate.server.drafts.Drafts;
import palegate.server.people.PersonView;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;

/** The tree of places, one place, and who can do what there. */
@RestController
class PlacesController {
  /** One place with its path; {@code drafted} tells whether the asker's draft changes its access list. */
  record PlaceDetail(PlaceView place, List<PlaceView.Post> path, Map<String, String> labels, @MayBeMissing String owner, @MayBeMissing String target,
      boolean drafted, boolean standsAloneDrafted, List<String> guards) {}

  record Found(String id, String name, String kind, String path) {}

  record Holder(PersonView person, List<String> rights, String origin) {}

  private final Drafts drafts;
  private final Clock clock;

  PlacesController(Drafts drafts, Clock clock) {
    this.drafts = drafts;
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
    Moment moment = snapshot.at(clock.instant());
    return snapshot.children(number(snapshot, id)).stream().map(child -> PlaceView.of(moment, child)).toList();
  }

  /** Places whose name contains the text, in tree order. */
  @GetMapping("/api/places")
  Page<Found> find(@RequestParam String text, @RequestParam(defaultValue = "30") int limit, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), false);
    String wanted = text.toLowerCase(Locale.ROOT).strip();
    IntStream all = snapshot.placeCount() == 0 ? IntStream.empty() : snapshot.inDisplayOrder(0);
    int[] found = all.filter(place -> snapshot.place(place).name().toLowerCase(Locale.ROOT).contains(wanted)).toArray();
    return Page.of(found.length, IntStream.of(found).mapToObj(number -> new Found(snapshot.place(number).id(),
        snapshot.place(number).name(), snapshot.place(number).kind().word(), snapshot.pathText(number))), 0, limit);
  }

  @GetMapping("/api/places/{id}")
  PlaceDetail place(@PathVariable String id, Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    Snapshot snapshot = rehearsed.rehearsal().before();
    int number = number(snapshot, id);
    Place place = snapshot.place(number);
    Moment moment = snapshot.at(clock.instant());
    Snapshot after = rehearsed.rehearsal().after();
    int numberAfter = after.placeNumber(id);
    boolean standsAloneAfter = numberAfter >= 0 && after.place(numberAfter).standsAlone();
    boolean drafted = numberAfter < 0 || standsAloneAfter != place.standsAlone()
        || !after.ownEntries(numberAfter).equals(snapshot.ownEntries(number));
    return new PlaceDetail(PlaceView.of(moment, number), PlaceView.path(moment, number), new TreeMap<>(place.labels()),
        place.owner() == null ? null : snapshot.structure().people().get(place.owner()).name(),
        place.target(), drafted, standsAloneAfter, new GuardWords(moment).at(number));
  }

  /** Everyone with at least one right at the place, outsiders set apart by their mark, by name. */
  @GetMapping("/api/places/{id}/people")
  Page<Holder> people(@PathVariable String id, @RequestParam(defaultValue = "false") boolean drafted,
      @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "500") int limit, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), drafted);
    List<Holder> holders = WhoCan.at(snapshot, clock.instant(), number(snapshot, id)).stream()
        .map(holder -> new Holder(PersonView.of(holder.person(), snapshot.structure()), holder.rights().words(), holder.origin().name()))
        .sorted(Comparator.comparing((Holder holder) -> holder.person().name()).thenComparing(holder -> holder.person().id()))
        .toList();
    return Page.of(holders, offset, limit);
  }

  static int number(Snapshot snapshot, String id) {
    int number = snapshot.placeNumber(id);
    if (number < 0) {
      throw Problem.notFound("place", id);
    }
    return number;
  }
}
