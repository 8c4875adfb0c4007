package palegate.core.findings;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;

/** More at one place than is usual beside it. */
final class RightsBeyondPeers implements Rule {
  @Override
  public String code() {
    return "rights-beyond-peers";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "more at one place than is usual beside it";
  }

  @Override
  public String matters() {
    return "Where somebody has the same at three places and more at the one beside, that one is mostly an oversight.";
  }

  /**
   * A grant of more than is usual.
   *
   * @param parent above the places that are beside each other
   * @param usual the role that is usual there
   * @param many at how many places it is; or, of whoever keeps one among others, how many others there are
   */
  private record Beyond(String parent, String grant, String usual, long many, boolean keeps) {}

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.byPlace("more than is usual beside it", Beyond::parent, places -> look(survey, places)).stream().map(one -> found(survey, one));
  }

  private static List<Beyond> look(Survey survey, IntStream parents) {
    BitSet among = new BitSet();
    parents.forEach(among::set);
    List<Grant> acting = survey.grants().filter(grant -> grant.types().isEmpty() && grant.period().holdsAt(survey.now())).filter(grant -> {
      int parent = survey.snapshot().parent(survey.snapshot().placeNumber(grant.place()));
      return parent >= 0 && among.get(parent);
    }).toList();
    return Stream.concat(beyondTheirOwn(survey, acting), keepersAmongOthers(survey, acting)).toList();
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  private static final int MANY = 8;

  /** The same subject has one role at most of the places beside each other, and more at one. */
  private static Stream<Beyond> beyondTheirOwn(Survey survey, List<Grant> acting) {
    Map<List<Object>, List<Grant>> beside = new LinkedHashMap<>();
    acting.forEach(grant -> {
      Place place = survey.structure().places().get(grant.place());
      beside.computeIfAbsent(List.of(place.parent(), place.kind(), grant.subject()), any -> new ArrayList<>()).add(grant);
    });
    return beside.entrySet().stream().filter(each -> each.getValue().size() >= 4).flatMap(each -> {
      List<Grant> grants = each.getValue();
      Map<String, Long> byRole = grants.stream().collect(Collectors.groupingBy(Grant::role, TreeMap::new, Collectors.counting()));
      String usual = byRole.entrySet().stream().max(Map.Entry.<String, Long>comparingByValue()).orElseThrow().getKey();
      long count = byRole.get(usual);
      return count < 3 || count * 4 < grants.size() * 3L ? Stream.empty() : grants.stream().filter(grant -> isMore(survey, grant.role(), usual))
          .map(grant -> new Beyond((String) each.getKey().get(0), grant.id(), usual, count, false));
    });
  }

  /** Whoever keeps one of many places beside each other, where nobody keeps the others but who keeps what is above. */
  private static Stream<Beyond> keepersAmongOthers(Survey survey, List<Grant> acting) {
    Snapshot snapshot = survey.snapshot();
    Map<List<Object>, List<Grant>> beside = new LinkedHashMap<>();
    acting.stream().filter(grant -> !(grant.subject() instanceof Subject.OfPerson)).forEach(grant -> {
      Place place = survey.structure().places().get(grant.place());
      beside.computeIfAbsent(List.of(place.parent(), place.kind()), any -> new ArrayList<>()).add(grant);
    });
    return beside.entrySet().stream().flatMap(each -> {
      List<Grant> governing = each.getValue().stream().filter(grant -> governs(survey, grant)).toList();
      Map<String, Long> others = each.getValue().stream().filter(grant -> !governs(survey, grant)).collect(Collectors.groupingBy(Grant::role, TreeMap::new, Collectors.counting()));
      String usual = others.entrySet().stream().max(Map.Entry.<String, Long>comparingByValue()).map(Map.Entry::getKey).orElse(null);
      if (governing.isEmpty() || usual == null || others.get(usual) < 3) {
        return Stream.empty();
      }
      int parent = snapshot.placeNumber((String) each.getKey().get(0));
      long places = snapshot.childrenInNoOrder(parent).stream().filter(child -> snapshot.place(child).kind() == each.getKey().get(1)).count();
      PersonSet above = survey.moment().holdersOf(Right.GOVERN, parent);
      List<Grant> keep = governing.stream().filter(grant -> !survey.people(grant.subject()).minus(above).isEmpty()).toList();
      return places < MANY || keep.size() * 10L > Math.max(20, places) ? Stream.empty() : keep.stream().filter(grant -> isMore(survey, grant.role(), usual))
          .map(grant -> new Beyond((String) each.getKey().get(0), grant.id(), usual, places - 1, true));
    });
  }

  private static boolean governs(Survey survey, Grant grant) {
    return survey.structure().roles().get(grant.role()).rights().contains(Right.GOVERN);
  }

  private static boolean isMore(Survey survey, String role, String usual) {
    Rights more = survey.structure().roles().get(role).rights();
    Rights rights = survey.structure().roles().get(usual).rights();
    return !more.equals(rights) && more.containsAll(rights);
  }

  private Finding found(Survey survey, Beyond one) {
    Grant grant = survey.structure().grants().get(one.grant());
    String usual = one.usual();
    String others = one.keeps() ? "whoever else is named at the " + one.many() + " places beside it has mostly “" + survey.role(usual) + "”." : "“" + survey.role(usual) + "” at " + one.many() + " places beside it.";
    return new Finding(code(), severity(), "entry:" + grant.id(), usual, survey.name(grant.subject()) + (grant.subject() instanceof Subject.OfPerson ? " has “" : " have “") + survey.role(grant.role()) + "” at " + survey.path(grant.place()) + ", and "
        + others, List.of("More there: " + survey.structure().roles().get(grant.role()).rights().minus(survey.structure().roles().get(usual).rights()) + "."),
        List.of(Fix.of("Give “" + survey.role(usual) + "” there too", new AccessChange.RemoveGrant(grant.place(), grant.id()),
            AccessChange.adding(grant.giving(usual)))));
  }
}
