package palegate.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ShareChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.WallGap;

/**
 * What looks as if it belonged behind a wall, and is shared with somebody whom the wall keeps out or given to them by name. That it lies outside
 * is a finding of its own; this one says that it has been opened to just those whom it is to be kept from.
 */
final class WallGapGiven implements Rule {
  @Override
  public String code() {
    return "wall-gap-given";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "what looks as if it belonged behind a wall, given to those whom it keeps out";
  }

  @Override
  public String matters() {
    return "The wall was raised to keep it from them, and somebody has handed it to them beside the wall.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Map<String, List<WallGapsFound.GapOfWall>> gaps = WallGapsFound.gaps(survey).stream().collect(Collectors.groupingBy(gap -> gap.gap().place()));
    if (gaps.isEmpty()) {
      return Stream.empty();
    }
    Map<String, List<Barring>> barrings = new HashMap<>();
    List<Finding> found = new ArrayList<>();
    survey.grants().filter(grant -> grant.isShare() || grant.subject() instanceof Subject.OfPerson).filter(grant -> grant.period().holdsAt(survey.now())).forEach(grant ->
        survey.snapshot().path(survey.snapshot().placeNumber(grant.place())).stream().map(place -> gaps.get(survey.snapshot().place(place).id())).filter(at -> at != null).flatMap(List::stream).sorted(Comparator.comparing(WallGapsFound.GapOfWall::wall))
            .forEach(gap -> given(survey, grant, gap, barrings.computeIfAbsent(gap.wall(), wall -> Barring.ofPeople(survey.moment(), survey.structure().walls().get(wall)))).ifPresent(found::add)));
    return found.stream();
  }

  private Optional<Finding> given(Survey survey, Grant grant, WallGapsFound.GapOfWall of, List<Barring> barrings) {
    WallGap gap = of.gap();
    int place = survey.snapshot().placeNumber(grant.place());
    int[] concerned = barrings.stream().filter(barring -> gap.side() == null || gap.side().equals(barring.side())).map(Barring::people).reduce(PersonSet.NOBODY, PersonSet::or)
        .and(survey.people(grant.subject())).stream().filter(person -> !survey.moment().rights(person, place).isEmpty()).toArray();
    if (concerned.length == 0) {
      return Optional.empty();
    }
    PersonSet people = PersonSet.of(concerned);
    List<String> evidence = new ArrayList<>(List.of("It has “" + gap.said() + "”, like “" + gap.like() + "”."));
    survey.names(people).forEach(name -> evidence.add(name + " is kept out by the wall."));
    Change end = grant.isShare() ? new ShareChange.TakeBackShare(grant.place(), grant.id()) : new AccessChange.RemoveGrant(grant.place(), grant.id());
    List<Fix> fixes = new ArrayList<>();
    if (gap.fix() != null) {
      fixes.add(Fix.of("Take it in", gap.fix()));
    }
    fixes.add(Fix.of(grant.isShare() ? "Take the share back" : "Remove the entry", end));
    return Optional.of(new Finding(code(), severity(), "entry:" + grant.id(), "wall:" + of.wall(), survey.path(grant.place()) + " looks as if it belonged behind “" + of.wallName() + "”, and is " + (grant.isShare() ? "shared with " : "given to ")
        + survey.name(grant.subject()) + ".", evidence, fixes));
  }

  /** Taken in, it may bar others than these; taken back, somebody may have it by another way. */
  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
