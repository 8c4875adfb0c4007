package palegate.bench;

import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/**
 * A structure cut down to what the others can express too: grants to people, groups and all staff, without dates
 * and narrowing, nested groups, breaks. No withholdings, units, guards, walls, conditions or oversight.
 */
final class Subset {
  private Subset() {}

  static Structure of(Structure whole) {
    List<Grant> grants = whole.grants().values().stream()
        .filter(grant -> !(grant.subject() instanceof Subject.OfUnit) && grant.subject() != Subject.BuiltIn.OUTSIDERS
            && grant.types().isEmpty())
        .map(grant -> new Grant(grant.id(), grant.place(), grant.subject(), grant.role(), grant.types(), Period.ALWAYS, null)).toList();
    List<Group> groups = whole.groups().values().stream().map(group -> group.with(group.members().stream()
        .map(member -> new Membership(member.member(), Period.ALWAYS)).distinct().toList())).toList();
    List<DocumentType> types = whole.types().values().stream().map(type -> DocumentType.open(type.id(), type.name(), List.of())).toList();
    List<Place> places = new ArrayList<>(whole.places().size());
    whole.places().values().forEach(place -> places.add(new Place(place.id(), place.kind(), place.parent(), place.name(),
        place.standsAlone(), place.labels(), place.type(), place.owner(), place.target(), Guards.NONE, Conditions.NONE)));
    return Structure.of(whole.units().values(), whole.people().values(), groups, whole.roles().values(), types, places, grants, List.of());
  }
}
