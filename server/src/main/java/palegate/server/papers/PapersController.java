package palegate.server.papers;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.Change;
import palegate.core.changes.GuardChange;
import palegate.core.changes.PlaceChange;
import palegate.core.papers.Acts;
import palegate.core.papers.OwnReasons;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.server.changes.NewIds;
import palegate.server.inforce.PuttingInForce;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.Contents;
import palegate.server.types.TypeField;
import palegate.server.viewpoint.Viewpoints;

/** What somebody has of the repository as a person: to look through, to search, and to work on as far as their rights go. */
@RestController
@RequestMapping("/api/papers")
class PapersController {
  private static final int SORTED_AT_MOST = 5_000;

  /** {@code found} counts everything that the person can find. */
  record PapersView(@MayBeMissing String root, int found) {}

  /** @param passage whether the person cannot find it, and it only leads to something that they can */
  record Paper(String id, String name, String kind, @MayBeMissing String type, List<String> rights, List<String> conditions, boolean passage, @MayBeMissing String path) {}

  record PaperPost(String id, String name) {}

  record PaperField(TypeField field, @MayBeMissing String value) {}

  /** @param why why not, in a sentence; missing if it may be done */
  record PaperOffer(Acts.Act act, @MayBeMissing String why) {}

  record OwnReason(List<String> rights, OwnReasons.Kind kind, String words, @MayBeMissing Instant until) {}

  /** {@code reasons} in the order in which they act. */
  record OwnWhy(Paper paper, List<OwnReason> reasons) {}

  record AddableType(String id, String name, List<TypeField> fields) {}

  record PaperVersion(int version, String mediaType, int bytes, String putBy, Instant putAt) {}

  /** @param others labels that are no fields of its type */
  record PaperDetail(Paper paper, List<PaperPost> path, List<PaperField> fields, Map<String, String> others, @MayBeMissing String owner, @MayBeMissing String checkedOutBy, List<PaperOffer> acts,
      List<PaperVersion> versions, boolean addsFolders, List<AddableType> adds, @MayBeMissing Paper shows) {}

  record Described(@NotBlank(message = "Give it a name.") @Size(max = 300, message = "A name has at most 300 characters.") String name, @NotNull(message = "Send the labels.") Map<String, String> labels) {}

  record NewPaper(@NotBlank(message = "Give it a name.") @Size(max = 300, message = "A name has at most 300 characters.") String name, @MayBeMissing String type, boolean folder,
      @MayBeMissing Map<String, String> labels) {}

  record PaperCondition(@NotNull(message = "Name a condition.") Conditions.Condition condition, boolean on) {}

  record MadePaper(String id) {}

  private final Papers papers;
  private final PuttingInForce inForce;
  private final Contents contents;
  private final ContentIntake intake;
  private final Viewpoints viewpoints;
  private final Clock clock;

  PapersController(Papers papers, PuttingInForce inForce, Contents contents, ContentIntake intake, Viewpoints viewpoints, Clock clock) {
    this.papers = papers;
    this.inForce = inForce;
    this.contents = contents;
    this.intake = intake;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  @GetMapping
  PapersView mine(Principal who) {
    Papers.Own own = papers.of(who.getName());
    String root = own.snapshot().structure().repository().map(Place::id).filter(id -> own.places().shows(own.snapshot().placeNumber(id))).orElse(null);
    return new PapersView(root, own.places().count());
  }

  @GetMapping("/places/{id}/children")
  Page<Paper> children(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    Papers.Own own = papers.of(who.getName());
    SortOrders<Integer> order = SortOrders.<Integer>by("shown", (one, other) -> 0).or("name", Comparator.comparing(place -> own.snapshot().place(place).name()));
    return order.page(part, own.places().children(Papers.shown(own, id)).stream().filter(place -> part.takes(own.snapshot().place(place).name())), place -> paper(own, place, false));
  }

  @GetMapping("/places/{id}")
  PaperDetail place(@PathVariable String id, Principal who) {
    Papers.Own own = papers.of(who.getName());
    int number = Papers.shown(own, id);
    Snapshot snapshot = own.snapshot();
    Place place = snapshot.place(number);
    boolean found = own.places().finds(number);
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    DocumentType type = !found || place.type() == null ? null : snapshot.structure().types().get(place.type());
    Map<String, String> others = new TreeMap<>(found ? place.labels() : Map.of());
    List<PaperField> fields = new ArrayList<>();
    if (type != null) {
      type.fields().forEach(field -> fields.add(new PaperField(TypeField.of(field), others.remove(field.key()))));
    }
    boolean reads = found && own.places().rights(number).contains(Right.READ);
    int target = place.target() == null ? -1 : snapshot.placeNumber(place.target());
    boolean container = found && place.kind().isContainer();
    return new PaperDetail(paper(own, number, false), own.places().path(number).stream().map(post -> new PaperPost(snapshot.place(post).id(), snapshot.place(post).name())).toList(), fields, others,
        name(known, place.owner(), found), name(known, place.conditions().checkedOutBy(), found),
        found ? Acts.of(own.at(), own.person(), number).stream().map(offer -> new PaperOffer(offer.act(), offer.why())).toList() : List.of(),
        reads ? contents.versions(id).stream().map(about -> new PaperVersion(about.version(), about.mediaType(), about.bytes(), about.putBy(), about.putAt())).toList() : List.of(),
        container && Acts.mayAdd(own.at(), own.person(), number, null), container ? addable(own, number) : List.of(), own.places().finds(target) ? paper(own, target, true) : null);
  }

  /** Why one has at a place what one has there, as far as one may know it (section 9). */
  @GetMapping("/places/{id}/why")
  OwnWhy why(@PathVariable String id, Principal who) {
    Papers.Own own = papers.of(who.getName());
    int number = Papers.found(own, id);
    return new OwnWhy(paper(own, number, false), OwnReasons.of(own.places(), clock.instant(), own.person(), number).stream()
        .map(reason -> new OwnReason(reason.rights().words(), reason.kind(), reason.words(), reason.until())).toList());
  }

  private static String name(Structure known, String person, boolean found) {
    return !found || person == null ? null : known.people().containsKey(person) ? known.people().get(person).name() : "somebody whom you share no group with";
  }

  private static List<AddableType> addable(Papers.Own own, int container) {
    return own.snapshot().structure().types().values().stream().filter(type -> Acts.mayAdd(own.at(), own.person(), container, type.id()))
        .sorted(Comparator.comparing(DocumentType::name)).map(type -> new AddableType(type.id(), type.name(), type.fields().stream().map(TypeField::of).toList())).toList();
  }

  private static Paper paper(Papers.Own own, int number, boolean withPath) {
    Snapshot snapshot = own.snapshot();
    Place place = snapshot.place(number);
    boolean found = own.places().finds(number);
    String path = withPath ? String.join(" / ", own.places().path(number).stream().filter(post -> snapshot.parent(post) >= 0 && post != number).map(post -> snapshot.place(post).name()).toList()) : null;
    return new Paper(place.id(), place.name(), place.kind().word(), found ? Papers.typeName(snapshot, place.type()) : null, own.places().rights(number).words(),
        found ? Papers.words(place.conditions()) : List.of(), !found, path);
  }

  /** Everything that is found and is as wanted; the count is of all of it. */
  @GetMapping("/search")
  Page<Paper> search(@RequestParam(required = false) String text, @RequestParam(required = false) String type, @RequestParam(required = false) String owner,
      @RequestParam(required = false) String below, @RequestParam(required = false) Conditions.Condition condition, @RequestParam(defaultValue = "0") int offset,
      @RequestParam(defaultValue = "60") int limit, Principal who) {
    Papers.Own own = papers.of(who.getName());
    BitSet hits = papers.search(own, new Papers.Wanted(text, type, owner, below, condition));
    int total = hits.cardinality();
    Stream<Integer> ordered = total <= SORTED_AT_MOST ? hits.stream().boxed().sorted(own.snapshot().inTreeOrder()) : hits.stream().boxed();
    return Page.of(total, ordered.skip(Math.max(0, offset)), Math.max(0, offset), Math.max(1, Math.min(limit, 200)), place -> paper(own, place, true));
  }

  @PostMapping("/places/{id}/children")
  @ResponseStatus(HttpStatus.CREATED)
  MadePaper add(@PathVariable String id, @Valid @RequestBody NewPaper body, Principal who) {
    String made = NewIds.of(body.folder() ? "f" : "d");
    change(who, body.folder() ? "Added a folder" : "Added a document", own -> {
      int container = Papers.found(own, id);
      String type = body.folder() ? null : body.type();
      if (type != null && !own.snapshot().structure().types().containsKey(type)) {
        throw Problem.notFound("document type", type);
      }
      if (!Acts.mayAdd(own.at(), own.person(), container, type)) {
        throw Problem.of(HttpStatus.FORBIDDEN, "right-missing", "Not allowed", "You may not add this here.");
      }
      return List.of(new PlaceChange.AddPlace(Place.plain(made, body.folder() ? PlaceKind.FOLDER : PlaceKind.DOCUMENT, id, body.name().strip(), false,
          body.labels() == null ? Map.of() : filled(body.labels()), type, body.folder() ? null : own.asker().id(), null)));
    });
    return new MadePaper(made);
  }

  @PostMapping("/places/{id}/description")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void describe(@PathVariable String id, @Valid @RequestBody Described body, Principal who) {
    change(who, "Changed the description", own -> {
      int place = Papers.found(own, id);
      Papers.refuseUnless(own, place, Acts.Act.DESCRIBE);
      Place is = own.snapshot().place(place);
      List<Change> changes = new ArrayList<>();
      if (!is.name().equals(body.name().strip())) {
        changes.add(new PlaceChange.RenamePlace(id, body.name().strip()));
      }
      if (!is.labels().equals(filled(body.labels()))) {
        changes.add(new PlaceChange.SetLabels(id, filled(body.labels())));
      }
      return changes;
    });
  }

  @PostMapping("/places/{id}/condition")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void condition(@PathVariable String id, @Valid @RequestBody PaperCondition body, Principal who) {
    change(who, (body.on() ? "Made it " : "No longer ") + body.condition().words(), own -> {
      int place = Papers.found(own, id);
      Papers.refuseUnless(own, place, Acts.Act.of(body.condition(), body.on()));
      boolean checkOut = body.condition() == Conditions.Condition.CHECKED_OUT;
      return List.of(body.on() ? new GuardChange.PutUnder(id, body.condition(), checkOut ? own.asker().id() : null, checkOut ? clock.instant() : null) : new GuardChange.Release(id, body.condition()));
    });
  }

  /** Makes what an earlier version held the newest one again; the ones between stay. */
  @PostMapping("/places/{id}/versions/{version}/restoration")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void restore(@PathVariable String id, @PathVariable int version, Principal who) {
    Papers.Own own = papers.of(who.getName());
    Papers.refuseUnless(own, Papers.found(own, id), Acts.Act.REVISE);
    Contents.Content earlier = contents.find(id, Math.max(1, version)).orElseThrow(() -> Problem.notFound("version", Integer.toString(version)));
    intake.keep(id, earlier.mediaType(), earlier.bytes(), who.getName(), viewpoint -> {
      Papers.Own now = papers.of(who.getName());
      Papers.refuseUnless(now, Papers.found(now, id), Acts.Act.REVISE);
    });
  }

  @DeleteMapping("/places/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable String id, Principal who) {
    change(who, "Deleted", own -> {
      int place = Papers.found(own, id);
      Papers.refuseUnless(own, place, Acts.Act.DELETE);
      if (!own.places().children(place).isEmpty()) {
        throw Problem.of(HttpStatus.CONFLICT, "not-empty", "It is not empty", "Delete what is in it first, or ask whoever looks after it.");
      }
      return List.of(new PlaceChange.RemovePlace(id));
    });
  }

  /** What the person's rights allow is decided again on the state that it is put in force on. */
  private void change(Principal who, String note, Function<Papers.Own, List<Change>> changes) {
    inForce.byRight(who.getName(), note, () -> changes.apply(papers.of(who.getName())));
  }

  private static Map<String, String> filled(Map<String, String> labels) {
    Map<String, String> filled = new TreeMap<>();
    labels.forEach((key, value) -> {
      if (value != null && !value.isBlank()) {
        filled.put(key.strip(), value.strip());
      }
    });
    return filled;
  }
}
