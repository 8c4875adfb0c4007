package palegate.core.random;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import palegate.core.changes.Change;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.RoleChange;
import palegate.core.changes.TypeChange;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/** Drafts that change who and what there is: people, units, groups, roles, types and places come, go, move and alter. */
public final class RandomLayouts {
  private final Structure structure;
  private final RandomParts parts;

  private RandomLayouts(Structure structure, long seed) {
    this.structure = structure;
    parts = RandomParts.of(structure, seed);
  }

  public static List<Change> fromSeed(Structure structure, long seed) {
    RandomLayouts layouts = new RandomLayouts(structure, seed);
    List<Change> changes = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      changes.add(layouts.change(i, (int) (seed + 5L * i) % 12));
    }
    return changes;
  }

  private Change change(int i, int kind) {
    return switch (kind) {
      case 0 -> new PeopleChange.SetPerson(new Person("np" + i, "New " + i, null, null, parts.chance(30), true, parts.unit().orElse(null)));
      case 1 -> parts.person().map(id -> altered(structure.people().get(id))).orElseGet(() -> new PeopleChange.SetGroup("ng" + i, "Group", null));
      case 2 -> new PeopleChange.SetUnit(new Unit(parts.unit().orElse("nu"), "Unit", parts.unit().orElse(null)));
      case 3 -> new PeopleChange.SetGroup(parts.group().filter(any -> parts.chance(50)).orElse("ng" + i), "Group " + i, "new");
      case 4 -> parts.group().<Change>map(PeopleChange.RemoveGroup::new).orElseGet(() -> new PeopleChange.RemoveUnit(parts.unit().orElse("none")));
      case 5 -> new RoleChange.SetRole(new Role(parts.chance(60) ? parts.role() : "nr", "Role", parts.rights()));
      case 6 -> new RoleChange.RemoveRole(parts.role());
      case 7 -> new TypeChange.SetType(new DocumentType(parts.type().filter(any -> parts.chance(70)).orElse("nt"), "Type", parts.chance(50), List.of(), List.of()));
      case 8 -> parts.type().<Change>map(TypeChange.RemoveType::new).orElseGet(() -> new RoleChange.RemoveRole("none"));
      case 9 -> added(i);
      case 10 -> new PlaceChange.MovePlace(parts.place(), parts.place());
      default -> parts.chance(50) ? new PlaceChange.RemovePlace(parts.place())
          : new PlaceChange.SetDocument(parts.place(), parts.type().orElse(null), parts.person().orElse(null));
    };
  }

  private Change altered(Person person) {
    return new PeopleChange.SetPerson(new Person(person.id(), person.name(), null, null, parts.chance(50) != person.external(), parts.chance(70),
        parts.unit().filter(any -> parts.chance(70)).orElse(null)));
  }

  private Change added(int i) {
    Optional<String> container = parts.place(place -> place.kind() == PlaceKind.LIBRARY || place.kind() == PlaceKind.FOLDER);
    PlaceKind kind = container.isEmpty() ? PlaceKind.LIBRARY : parts.chance(50) ? PlaceKind.FOLDER : PlaceKind.DOCUMENT;
    String type = kind == PlaceKind.DOCUMENT ? parts.type().orElse(null) : null;
    return new PlaceChange.AddPlace(Place.plain("nd" + i, kind, container.orElse("root"), "New " + i, parts.chance(20), Map.of("k", "v1"), type, null, null));
  }
}
