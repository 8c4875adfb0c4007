package palegate.server.walk;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.papers.Acts;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.types.DocumentType;
import palegate.core.walk.Walk;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.WalkRecords;
import palegate.server.views.PersonView;

/**
 * The repository exactly as one person has it. Nothing can be done there, and no content of any document is given. Another walk may go
 * beside the first: as somebody else, on an earlier day, or with the walker's draft.
 */
@RestController
@RequestMapping("/api/walk/{person}")
class WalkController {
  record BeginWalk(@NotBlank(message = "Say why: it is written down with the walk.") @Size(max = 2000, message = "A reason has at most 2,000 characters.") String reason) {}

  /** {@code root} is missing where nothing shows; {@code found} counts what they find of what the walker may see. */
  record WalkView(PersonView person, @MayBeMissing String root, int found, List<WalkRecords.Begun> earlier) {}

  /** How a place shows to somebody. */
  enum Shown {
    FOUND, PASSAGE, HIDDEN
  }

  /**
   * One place of a walk.
   *
   * @param why why it is hidden; missing where it is not
   * @param besideRights what whoever is beside has there; missing where nobody is
   */
  record WalkStep(String id, String name, String kind, @MayBeMissing String type, Shown shown, @MayBeMissing Walk.Hidden why, List<String> rights, List<String> conditions, @MayBeMissing Shown besideShown,
      @MayBeMissing List<String> besideRights, @MayBeMissing String path) {}

  record StepPost(String id, String name) {}

  record StepField(String label, String value) {}

  /** Something they would be offered or, with {@code why}, refused with this sentence. */
  record StepOffer(Acts.Act act, @MayBeMissing String why) {}

  record StepDetail(WalkStep step, List<StepPost> path, List<StepField> fields, List<StepOffer> acts, boolean addsFolders, List<String> adds) {}

  private static final int EARLIER = 8;
  private static final int SORTED_AT_MOST = 5_000;

  private final Walks walks;

  WalkController(Walks walks) {
    this.walks = walks;
  }

  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void begin(@PathVariable String person, @Valid @RequestBody BeginWalk body, Principal who) {
    walks.begin(who, person, body.reason().strip());
  }

  /** {@code at} is an earlier day, or a later one as the structure says today; {@code drafted} the state with the walker's draft. */
  @GetMapping
  WalkView walk(@PathVariable String person, @RequestParam(required = false) Instant at, @RequestParam(defaultValue = "false") boolean drafted, Principal who) {
    Walk walk = walks.of(who, person, at, drafted);
    Snapshot snapshot = walk.snapshot();
    String root = snapshot.structure().repository().map(Place::id).filter(id -> walk.shows(snapshot.placeNumber(id))).orElse(null);
    return new WalkView(PersonView.of(snapshot.person(walk.person()), snapshot.structure()), root, walk.count(), walks.earlier(who, person, EARLIER));
  }

  /** Another walk beside the first; none unless something of it is asked for. */
  private Walk beside(Principal who, String person, String besidePerson, Instant besideAt, Boolean besideDrafted, Instant at, boolean drafted) {
    return besidePerson == null && besideAt == null && besideDrafted == null ? null
        : walks.of(who, besidePerson == null ? person : besidePerson, besideAt == null && besideDrafted == null ? at : besideAt, besideDrafted == null ? besideAt == null && drafted : besideDrafted);
  }

  /** What shows directly below a place; with {@code hidden} also what does not, each with why. */
  @GetMapping("/places/{id}/children")
  Page<WalkStep> children(@PathVariable String person, @PathVariable String id, @RequestParam(required = false) Instant at, @RequestParam(defaultValue = "false") boolean drafted,
      @RequestParam(defaultValue = "false") boolean hidden, @RequestParam(required = false) String besidePerson, @RequestParam(required = false) Instant besideAt, @RequestParam(required = false) Boolean besideDrafted,
      @ParameterObject PageRequest part, Principal who) {
    Walk walk = walks.of(who, person, at, drafted);
    Walk beside = beside(who, person, besidePerson, besideAt, besideDrafted, at, drafted);
    Snapshot snapshot = walk.snapshot();
    int place = seen(walk, beside, id, hidden);
    List<Integer> shown = snapshot.children(place).stream().filter(child -> hidden ? walk.maySee(child) : walk.shows(child) || beside != null && beside.shows(numberIn(beside, snapshot, child))).toList();
    SortOrders<Integer> orders = SortOrders.<Integer>by("shown", (one, other) -> 0).or("name", Comparator.comparing(child -> snapshot.place(child).name()));
    return orders.page(part, shown.stream().filter(child -> part.takes(snapshot.place(child).name())), child -> step(walk, beside, child, false));
  }

  private static int numberIn(Walk other, Snapshot snapshot, int place) {
    return other.snapshot().placeNumber(snapshot.place(place).id());
  }

  /** A place that shows to one of the two or, where hidden ones are wanted, that the walker may see; any other is as if it did not exist. */
  private static int seen(Walk walk, Walk beside, String id, boolean hidden) {
    int place = walk.snapshot().placeNumber(id);
    if (place < 0 || !(walk.shows(place) || hidden && walk.maySee(place) || beside != null && beside.shows(beside.snapshot().placeNumber(id)))) {
      throw Problem.notFound("place", id);
    }
    return place;
  }

  private static Shown shown(Walk walk, int place) {
    return walk.finds(place) ? Shown.FOUND : walk.shows(place) ? Shown.PASSAGE : Shown.HIDDEN;
  }

  private static WalkStep step(Walk walk, Walk beside, int number, boolean withPath) {
    Snapshot snapshot = walk.snapshot();
    Place place = snapshot.place(number);
    int other = beside == null ? -1 : numberIn(beside, snapshot, number);
    return new WalkStep(place.id(), place.name(), place.kind().word(), place.type() == null ? null : snapshot.structure().types().get(place.type()).name(), shown(walk, number), walk.hidden(number).orElse(null), walk.rights(number).words(),
        Stream.of(Conditions.Condition.values()).filter(place.conditions()::has).map(Conditions.Condition::words).toList(),
        beside == null ? null : shown(beside, other), beside == null ? null : other < 0 ? List.of() : beside.rights(other).words(),
        withPath ? String.join(" / ", walk.path(number).stream().filter(post -> snapshot.parent(post) >= 0 && post != number).map(post -> snapshot.place(post).name()).toList()) : null);
  }

  /** A place with its fields, and what they would be offered and refused there. */
  @GetMapping("/places/{id}")
  StepDetail place(@PathVariable String person, @PathVariable String id, @RequestParam(required = false) Instant at, @RequestParam(defaultValue = "false") boolean drafted,
      @RequestParam(defaultValue = "false") boolean hidden, @RequestParam(required = false) String besidePerson, @RequestParam(required = false) Instant besideAt, @RequestParam(required = false) Boolean besideDrafted, Principal who) {
    Walk walk = walks.of(who, person, at, drafted);
    Walk beside = beside(who, person, besidePerson, besideAt, besideDrafted, at, drafted);
    int number = seen(walk, beside, id, hidden);
    Snapshot snapshot = walk.snapshot();
    Place place = snapshot.place(number);
    boolean found = walk.finds(number);
    boolean container = found && place.kind().isContainer();
    return new StepDetail(step(walk, beside, number, false), walk.path(number).stream().map(post -> new StepPost(snapshot.place(post).id(), snapshot.place(post).name())).toList(), found ? fields(snapshot, place) : List.of(),
        found ? Acts.of(walk.at(), walk.person(), number).stream().map(offer -> new StepOffer(offer.act(), offer.why())).toList() : List.of(), container && Acts.mayAdd(walk.at(), walk.person(), number, null),
        container ? snapshot.structure().types().values().stream().filter(type -> Acts.mayAdd(walk.at(), walk.person(), number, type.id())).map(DocumentType::name).sorted().toList() : List.of());
  }

  private static List<StepField> fields(Snapshot snapshot, Place place) {
    Map<String, String> others = new TreeMap<>(place.labels());
    List<StepField> fields = new ArrayList<>();
    if (place.type() != null) {
      snapshot.structure().types().get(place.type()).fields().forEach(field -> {
        String value = others.remove(field.key());
        if (value != null) {
          fields.add(new StepField(field.label(), value));
        }
      });
    }
    others.forEach((key, value) -> fields.add(new StepField(key, value)));
    return fields;
  }

  /** What they would find by a part of a name; texts of documents are not looked through, for the walker may not read them. */
  @GetMapping("/search")
  Page<WalkStep> search(@PathVariable String person, @RequestParam String text, @RequestParam(required = false) Instant at, @RequestParam(defaultValue = "false") boolean drafted,
      @RequestParam(defaultValue = "false") boolean hidden, @RequestParam(defaultValue = "60") int limit, Principal who) {
    Walk walk = walks.of(who, person, at, drafted);
    Snapshot snapshot = walk.snapshot();
    List<Integer> hits = text.isBlank() || snapshot.placeCount() == 0 ? List.of() : IntStream.of(snapshot.placesNamed(text.strip())).filter(place -> hidden ? walk.maySee(place) : walk.finds(place)).boxed().toList();
    Stream<Integer> ordered = hits.size() <= SORTED_AT_MOST ? hits.stream().sorted(snapshot.inTreeOrder()) : hits.stream();
    return Page.of(hits.size(), ordered, 0, Math.max(1, Math.min(limit, 200)), place -> step(walk, null, place, true));
  }
}
