package palegate.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import palegate.core.changes.Change;
import palegate.core.changes.PlaceChange;
import palegate.core.places.Place;

/** Papers whose owner is not there any more. */
final class OwnerInactive implements Rule {
  private static final int IN_A_DRAFT = 200;

  @Override
  public String code() {
    return "owner-inactive";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "papers whose owner is not there any more";
  }

  @Override
  public String matters() {
    return "What is private has nobody left who could open it to others.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    // Asked for each time, so that it is kept for the next.
    List<Place> owned = survey.ownedBy("owned by the inactive", person -> !person.active());
    return survey.whileSame(code(), Set.of(Touched.Kind.PLACES, Touched.Kind.PEOPLE), () -> look(survey, owned)).stream();
  }

  private List<Finding> look(Survey survey, List<Place> all) {
    Map<String, List<Place>> byOwner = new TreeMap<>();
    all.stream().sorted(Comparator.comparing(Place::id)).forEach(place -> byOwner.computeIfAbsent(place.owner(), any -> new ArrayList<>()).add(place));
    return byOwner.entrySet().stream().map(each -> {
      List<Place> owned = each.getValue();
      long hidden = owned.stream().filter(place -> place.conditions().isPrivate()).count();
      List<String> evidence = new ArrayList<>();
      if (hidden > 0) {
        evidence.add(hidden + " of them private.");
      }
      if (owned.size() > IN_A_DRAFT) {
        evidence.add("Too many to be mended in one draft.");
      }
      List<Change> changes = owned.stream().map(place -> (Change) new PlaceChange.SetDocument(place.id(), place.type(), null)).toList();
      return new Finding(code(), severity(), "person:" + each.getKey(), "", survey.structure().people().get(each.getKey()).name() + " is not active and still owns " + owned.size() + (owned.size() == 1 ? " document." : " documents."),
          evidence, hidden > 0 || owned.size() > IN_A_DRAFT ? List.of() : List.of(new Fix("Let them have no owner", changes)));
    }).toList();
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
