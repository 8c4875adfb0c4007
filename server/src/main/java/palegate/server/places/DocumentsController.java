package palegate.server.places;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.types.DocumentType;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;

/** The documents directly in a container as a list, with the columns that their type asks for (access rules, section 2). */
@RestController
class DocumentsController {
  /** A column: a field of the type that lists show, in the type's order; {@code width} in letters. */
  record FieldColumn(String key, String label, DocumentType.Kind kind, @MayBeMissing Integer width) {}

  /** A type of which there are documents here, and how many; {@code shortName} where there is little room. */
  record TypeHere(String id, String name, @MayBeMissing String shortName, int documents, List<FieldColumn> columns) {}

  /** A document with the values that its columns show, by the keys of fields; a person by name. */
  record DocumentLine(String id, String name, @MayBeMissing String type, @MayBeMissing String owner, Map<String, String> values) {}

  /** {@code typeless} counts the documents of no type. */
  record DocumentsHere(List<TypeHere> types, int typeless, Page<DocumentLine> documents) {}

  private final DraftedState shown;

  DocumentsController(DraftedState shown) {
    this.shown = shown;
  }

  /**
   * With the asker's draft. O(what is directly in it).
   *
   * @param type only documents of this type: they can be put in order by its fields, as {@code field.KEY}
   */
  @GetMapping("/api/places/{id}/documents")
  DocumentsHere documents(@PathVariable String id, @RequestParam(required = false) String type, @ParameterObject PageRequest part, Principal who) {
    Snapshot snapshot = shown.to(who.getName()).after();
    List<Place> here = snapshot.children(PlacesController.number(snapshot, id)).stream().map(snapshot::place).filter(Place::isDocument).toList();
    Map<String, Long> counts = here.stream().filter(one -> one.type() != null).collect(Collectors.groupingBy(Place::type, TreeMap::new, Collectors.counting()));
    List<TypeHere> types = counts.keySet().stream().map(snapshot.structure().types()::get).sorted(Comparator.comparing(DocumentType::name))
        .map(one -> new TypeHere(one.id(), one.name(), one.shortName(), counts.get(one.id()).intValue(), columns(one))).toList();
    DocumentType only = type == null || type.isEmpty() ? null : snapshot.structure().types().get(type);
    if (only == null && type != null && !type.isEmpty()) {
      throw Problem.notFound("type", type);
    }
    SortOrders<Place> orders = SortOrders.<Place>by("name", Comparator.comparing(Place::name)).or("type", Comparator.comparing(place -> typeName(snapshot, place)))
        .or("owner", Comparator.comparing(place -> person(snapshot, place.owner())));
    if (only != null) {
      only.fields().stream().filter(field -> !field.hidden()).forEach(field -> orders.or("field." + field.key(), order(snapshot, field)));
    }
    Page<DocumentLine> documents = orders.page(part, here.stream().filter(place -> only == null || only.id().equals(place.type()))
        .filter(place -> part.takesAll() || part.takes(place.name()) || values(snapshot, place).values().stream().anyMatch(part::takes)),
        place -> new DocumentLine(place.id(), place.name(), place.type() == null ? null : typeName(snapshot, place), place.owner() == null ? null : person(snapshot, place.owner()), values(snapshot, place)));
    return new DocumentsHere(types, (int) here.stream().filter(place -> place.type() == null).count(), documents);
  }

  private static List<FieldColumn> columns(DocumentType type) {
    return type.fields().stream().filter(field -> !field.hidden()).map(field -> new FieldColumn(field.key(), field.label(), field.kind(), field.width())).toList();
  }

  private static Map<String, String> values(Snapshot snapshot, Place place) {
    Map<String, String> values = new TreeMap<>();
    if (place.type() != null) {
      for (DocumentType.Field field : snapshot.structure().types().get(place.type()).fields()) {
        String value = place.labels().get(field.key());
        if (value != null && !field.hidden()) {
          values.put(field.key(), field.kind() == DocumentType.Kind.PERSON ? person(snapshot, value) : value);
        }
      }
    }
    return values;
  }

  /** Amounts and numbers by what they are worth, everything else as it is written; what is empty comes first. */
  private static Comparator<Place> order(Snapshot snapshot, DocumentType.Field field) {
    Function<Place, String> value = place -> {
      String kept = place.labels().getOrDefault(field.key(), "");
      return field.kind() == DocumentType.Kind.PERSON ? person(snapshot, kept) : kept;
    };
    return field.kind() == DocumentType.Kind.NUMBER || field.kind() == DocumentType.Kind.MONEY
        ? Comparator.comparingDouble((Place place) -> amount(value.apply(place))).thenComparing(value) : Comparator.comparing(value);
  }

  private static double amount(String value) {
    try {
      return Double.parseDouble(value.split(" ")[0]);
    } catch (NumberFormatException none) {
      return Double.NEGATIVE_INFINITY;
    }
  }

  private static String typeName(Snapshot snapshot, Place place) {
    return place.type() == null ? "" : snapshot.structure().types().get(place.type()).name();
  }

  private static String person(Snapshot snapshot, String id) {
    var person = id == null ? null : snapshot.structure().people().get(id);
    return person == null ? "" : person.name();
  }
}
