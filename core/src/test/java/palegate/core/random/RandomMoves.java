package palegate.core.random;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.TypeChange;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/** Drafts in which places move, go, come back and come, and units and types come, go and are used at once. Some of the changes cannot be made. */
public final class RandomMoves {
  private final Structure earlier;
  private final Structure structure;
  private final RandomParts parts;
  private final String step;
  private final List<Change> changes = new ArrayList<>();

  private RandomMoves(Structure earlier, Structure structure, long seed, int step) {
    this.earlier = earlier;
    this.structure = structure;
    this.step = "m" + step + "-";
    parts = RandomParts.of(structure, seed * 37 + step);
  }

  /**
   * @param earlier some state before, of which what has gone may come back
   * @param step tells the ids of one draft from those of the next
   */
  public static List<Change> fromSeed(Structure earlier, Structure structure, long seed, int step) {
    RandomMoves moves = new RandomMoves(earlier, structure, seed, step);
    for (int i = 0; i < 8; i++) {
      moves.add(i, (int) Math.floorMod(seed + 3L * i + step, 8));
    }
    return moves.changes;
  }

  private void add(int i, int kind) {
    switch (kind) {
      case 0, 1 -> move(parts.place());
      case 2, 3 -> remove();
      case 4 -> comeBack();
      case 5 -> place("p" + step + i);
      case 6 -> unit("u" + step + i);
      default -> type("t" + step + i);
    }
  }

  private void move(String place) {
    changes.add(new PlaceChange.MovePlace(place, structure.places().get(place).kind() == PlaceKind.LIBRARY ? "root" : container()));
  }

  private void remove() {
    parts.place(place -> structure.places().values().stream().noneMatch(other -> place.id().equals(other.parent())))
        .ifPresent(leaf -> changes.add(new PlaceChange.RemovePlace(leaf)));
  }

  private void comeBack() {
    earlier.places().values().stream().filter(place -> !structure.places().containsKey(place.id())).sorted((a, b) -> a.id().compareTo(b.id()))
        .forEach(gone -> changes.add(new PlaceChange.AddPlace(gone)));
  }

  private void place(String id) {
    boolean folder = parts.chance(60);
    changes.add(new PlaceChange.AddPlace(Place.plain(id, folder ? PlaceKind.FOLDER : PlaceKind.DOCUMENT, container(), "New " + id, parts.chance(20), Map.of(), null, null, null)));
    if (folder) {
      changes.add(new PlaceChange.MovePlace(parts.place(), id));
    }
  }

  private void unit(String id) {
    changes.add(new PeopleChange.SetUnit(new Unit(id, "Unit " + id, parts.unit().filter(any -> parts.chance(50)).orElse(null))));
    parts.unit().filter(any -> parts.chance(40)).ifPresent(unit -> changes.add(new PeopleChange.SetUnit(new Unit(unit, "Unit", id))));
    parts.person().map(structure.people()::get).ifPresent(person -> changes.add(new PeopleChange.SetPerson(
        new Person(person.id(), person.name(), null, null, person.external(), person.active(), id))));
    changes.add(new AccessChange.AddGrant(new Grant("e" + id, parts.place(), new Subject.OfUnit(id), parts.role(), Set.of(), Period.ALWAYS, null)));
  }

  private void type(String id) {
    changes.add(new TypeChange.SetType(new DocumentType(id, "Type " + id, parts.chance(30), List.of(), List.of())));
    parts.place(Place::isDocument).ifPresent(document -> changes.add(new PlaceChange.SetDocument(document, id, null)));
    changes.add(new AccessChange.AddGrant(new Grant("e" + id, parts.place(), Subject.BuiltIn.STAFF, parts.role(), Set.of(id), Period.ALWAYS, null)));
    parts.type().ifPresent(type -> changes.add(new TypeChange.RemoveType(type)));
  }

  private String container() {
    return parts.place(place -> place.kind() == PlaceKind.LIBRARY || place.kind() == PlaceKind.FOLDER).orElse("root");
  }
}
