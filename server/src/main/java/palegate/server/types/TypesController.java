package palegate.server.types;

import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.TypeChange;
import palegate.core.duties.Duty;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Conversion;
import palegate.core.questions.PeopleByRights;
import palegate.core.questions.TypeMatrix;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.types.FieldFaults;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.changes.ChangeBody;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** The customer's document types: fields, clearances, and who may do what with papers of each. */
@RestController
@RequestMapping("/api/types")
class TypesController {
  record ClearanceView(SubjectView subject, String role, String roleName, List<String> rights, @MayBeMissing Instant from, @MayBeMissing Instant until, boolean current) {}

  /** A type with its fields, and how many documents are of it. */
  record TypeView(String id, String name, @MayBeMissing String shortName, boolean guarded, List<String> libraries, List<TypeField> fields,
      List<ClearanceView> clearances, int documents, DraftedState.Drafted drafted) {}

  /** A document whose fields are not as its type asks, with what is wrong with each. */
  record Lacking(String place, String path, List<String> faults) {}

  /** A value that a changed type would convert; {@code after} is missing where it cannot be converted and stays. */
  record Converted(String place, String path, String field, String before, @MayBeMissing String after) {}

  /** {@code alike} of the {@code people} have exactly what is {@code common}. */
  record CellView(int people, int finds, int reads, int adds, int deletes, List<String> common, int alike) {}

  /** Somebody behind a cell, and what they would have on a new document. */
  record BehindCell(PersonView person, List<String> rights, boolean common) {}

  /** {@code named} counts all whom the place names; {@code subjects} are the first of them. */
  record MatrixView(int named, List<SubjectView> subjects, List<TypeName> types, List<List<CellView>> cells) {}

  /** A part of what a changed type would convert, and how many of all the values cannot be converted. */
  record ConversionView(long total, long lost, List<Converted> items) {}

  record TypeName(String id, String name, boolean guarded) {}

  private final DraftedState shown;
  private final Viewpoints viewpoints;

  TypesController(DraftedState shown, Viewpoints viewpoints) {
    this.shown = shown;
    this.viewpoints = viewpoints;
  }

  /** All types, by name. */
  @GetMapping
  List<TypeView> types(Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Viewpoint viewpoint = viewpoints.of(who.getName());
    return sorted(state.structure()).stream().map(type -> view(state, type, viewpoint)).toList();
  }

  private static List<DocumentType> sorted(Structure structure) {
    return structure.types().values().stream().sorted(Comparator.comparing(DocumentType::name).thenComparing(DocumentType::id)).toList();
  }

  private static TypeView view(DraftedState.State state, DocumentType type, Viewpoint viewpoint) {
    int documents = viewpoint.whole() || !viewpoint.asker().holds(Duty.TYPES) ? (int) state.after().documentsOf(type.id()).count() : viewpoint.documentsOf(type.id());
    return new TypeView(type.id(), type.name(), type.shortName(), type.guarded(), type.libraries().stream().sorted().toList(),
        type.fields().stream().map(TypeField::of).toList(), type.clearances().stream().map(clearance -> view(state, clearance)).toList(),
        documents, state.drafted(Structure::types, type.id()));
  }

  private static ClearanceView view(DraftedState.State state, Clearance clearance) {
    var role = state.structure().roles().get(clearance.role());
    return new ClearanceView(SubjectView.of(clearance.subject(), state.moment()), role.id(), role.name(), role.rights().words(), clearance.period().from(),
        clearance.period().until(), clearance.period().holdsAt(state.now()));
  }

  /** The documents of a type whose fields are not as it asks: empty where one is required, or of another kind. O(documents of the type). */
  @GetMapping("/{id}/lacking")
  Page<Lacking> lacking(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    DocumentType type = known(state, id);
    SortOrders<Place> documents = SortOrders.<Place>by("place", Comparator.comparing(place -> state.after().placeNumber(place.id()), state.after().inTreeOrder()))
        .or("name", Comparator.comparing(Place::name));
    return documents.page(part, IntStream.of(lacking(state, type)).mapToObj(state.after()::place)
        .filter(document -> part.takesAll() || part.takes(path(state, document))), document -> new Lacking(document.id(), path(state, document),
        faults(state, document, type).stream().map(fault -> fault.value() == null ? fault.field().label() + ": empty" : fault.field().label() + ": \u201c" + fault.value() + "\u201d").toList()));
  }

  private static int[] lacking(DraftedState.State state, DocumentType type) {
    return type.fields().stream().noneMatch(field -> field.required() || field.kind() != DocumentType.Kind.TEXT) ? new int[0]
        : state.after().documentsOf(type.id()).filter(place -> !faults(state, state.after().place(place), type).isEmpty()).toArray();
  }

  private static List<FieldFaults.FieldFault> faults(DraftedState.State state, Place document, DocumentType type) {
    return FieldFaults.of(type, document.labels(), id -> Optional.of(id).filter(state.after().structure().people()::containsKey));
  }

  /** What a changed type would make of the values that its documents have, those that cannot be converted first: asked before it is drafted. */
  @PostMapping("/conversion")
  ConversionView conversion(@RequestBody ChangeBody sent, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    if (!(sent.read() instanceof TypeChange.SetType changed)) {
      throw Problem.faults("Only a type can be asked about here.", List.of(new Problem.Fault("kind", "This is not a change of a type.", "Send a change of the kind setType.")));
    }
    List<Conversion.Converted> all = Conversion.of(state.structure(), changed.type());
    Comparator<Conversion.Converted> byPlace = Comparator.comparing(one -> state.after().placeNumber(one.document().id()), state.after().inTreeOrder());
    SortOrders<Conversion.Converted> listing = SortOrders.<Conversion.Converted>by("after", Comparator.comparing((Conversion.Converted one) -> one.after() != null).thenComparing(byPlace))
        .or("place", byPlace)
        .or("field", Comparator.comparing((Conversion.Converted one) -> one.field().label()).thenComparing(byPlace))
        .or("before", Comparator.comparing(Conversion.Converted::before));
    Page<Converted> page = listing.page(part, all.stream()
        .filter(one -> part.takesAll() || part.takes(path(state, one.document()) + " " + one.field().label() + " " + one.before())),
        one -> new Converted(one.document().id(), path(state, one.document()), one.field().label(), one.before(), one.after()));
    return new ConversionView(page.total(), all.stream().filter(one -> one.after() == null).count(), page.items());
  }

  /** Who may see, add and delete papers of each type: of a library, or of the repository as a whole. */
  @GetMapping("/matrix")
  MatrixView matrix(@RequestParam(required = false) String library, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    int container = library == null ? 0 : state.after().placeNumber(library);
    if (container < 0 || library != null && state.after().place(container).kind() != PlaceKind.LIBRARY) {
      throw Problem.notFound("library", library);
    }
    List<DocumentType> types = sorted(state.structure()).stream()
        .filter(type -> library == null || type.libraries().isEmpty() || type.libraries().contains(library)).toList();
    if (state.after().placeCount() == 0) {
      // To whoever may know no place there is nobody who could add anything.
      return new MatrixView(0, List.of(), types.stream().map(type -> new TypeName(type.id(), type.name(), type.guarded())).toList(), List.of());
    }
    Page<Subject> named = subjects(state, container, part);
    List<Subject> subjects = named.items();
    TypeMatrix matrix = TypeMatrix.of(state.moment(), container, subjects, types);
    List<List<CellView>> cells = new ArrayList<>();
    for (int row = 0; row < subjects.size(); row++) {
      List<CellView> line = new ArrayList<>();
      for (int column = 0; column < types.size(); column++) {
        TypeMatrix.Cell cell = matrix.cell(row, column);
        line.add(new CellView(cell.people(), cell.finds(), cell.reads(), cell.adds(), cell.deletes(), cell.common().words(), cell.alike()));
      }
      cells.add(line);
    }
    return new MatrixView((int) named.total(), subjects.stream().map(subject -> SubjectView.of(subject, state.moment())).toList(),
        types.stream().map(type -> new TypeName(type.id(), type.name(), type.guarded())).toList(), cells);
  }

  /** The people behind one cell of the matrix, those first who have something else than most. */
  @GetMapping("/matrix/people")
  Page<BehindCell> behind(@RequestParam(required = false) String library, @RequestParam String type, @RequestParam String kind, @RequestParam String subject,
      @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    int container = library == null ? 0 : state.after().placeNumber(library);
    Subject named = kind.matches("person|group|unit|builtin") ? subject(kind, subject) : null;
    if (container < 0 || named == null || state.after().placeCount() == 0) {
      throw Problem.notFound("cell of the matrix", subject);
    }
    List<PeopleByRights.Alike> groups = TypeMatrix.behind(state.moment(), container, named, known(state, type));
    Map<Integer, Rights> rights = new HashMap<>();
    groups.forEach(group -> group.people().forEach(person -> rights.put(person, group.rights())));
    Rights common = groups.isEmpty() ? Rights.NONE : groups.get(0).rights();
    SortOrders<Integer> people = SortOrders.<Integer>by("other", Comparator.comparing((Integer person) -> rights.get(person).equals(common))
        .thenComparing(state.after()::person, PeopleOrder.BY_NAME)).or("name", Comparator.comparing(state.after()::person, PeopleOrder.BY_NAME));
    return people.page(part, rights.keySet().stream().filter(person -> part.takes(state.after().person(person).name())),
        person -> new BehindCell(PersonView.of(state.after().person(person), state.structure()), rights.get(person).words(), rights.get(person).equals(common)));
  }

  private static Subject subject(String kind, String id) {
    return kind.equals("builtin") && Subject.BuiltIn.parse(id).isEmpty() ? null : Subject.of(kind, id);
  }

  /** Whom the entries that reach the container name, or the clearances of any type: groups and units before people, by name. */
  private static Page<Subject> subjects(DraftedState.State state, int container, PageRequest part) {
    List<Subject> named = new ArrayList<>();
    state.after().reachingEntries(container).forEach(entry -> named.add(entry.subject()));
    if (container == 0) {
      state.structure().entries().forEach(entry -> named.add(entry.subject()));
    }
    state.structure().types().values().forEach(type -> type.clearances().forEach(clearance -> named.add(clearance.subject())));
    SortOrders<Subject> listing = SortOrders.<Subject>by("kind", Comparator.comparing((Subject subject) -> subject instanceof Subject.OfPerson)
            .thenComparing(subject -> SubjectNames.of(subject, state.structure())))
        .or("name", Comparator.comparing(subject -> SubjectNames.of(subject, state.structure())))
        .or("outsiders", Comparator.comparingInt(subject -> SubjectView.of(subject, state.moment()).outsiders()));
    return listing.page(part, named.stream().distinct().filter(subject -> part.takes(SubjectNames.of(subject, state.structure()))), subject -> subject);
  }

  private static String path(DraftedState.State state, Place place) {
    return state.after().pathText(state.after().placeNumber(place.id()));
  }

  private static DocumentType known(DraftedState.State state, String id) {
    DocumentType type = state.structure().types().get(id);
    if (type == null) {
      throw Problem.notFound("type", id);
    }
    return type;
  }
}
