package palegate.core.journal;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.structure.Alteration;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/** What a database would say that changes altered, for histories that are kept in none. */
public final class Alterations {
  private Alterations() {}

  /** Of each change from one state to the next. */
  public static List<Between.Made> made(List<Between.State> states) {
    return IntStream.range(1, states.size()).mapToObj(i -> new Between.Made(states.get(i).change(), states.get(i).since(),
        alterations(states.get(i - 1).snapshot().structure(), states.get(i).snapshot().structure()))).toList();
  }

  private static List<Alteration> alterations(Structure before, Structure after) {
    List<Alteration> all = new ArrayList<>();
    differing(all, "unit", before.units(), after.units());
    differing(all, "person", before.people(), after.people());
    Stream.concat(before.groups().keySet().stream(), after.groups().keySet().stream()).distinct().sorted().forEach(id -> {
      Group was = before.groups().get(id);
      Group is = after.groups().get(id);
      if (!Objects.equals(bare(was), bare(is))) {
        all.add(new Alteration("group", id, bare(was), bare(is)));
      }
      List<Membership> had = was == null ? List.of() : was.members();
      List<Membership> has = is == null ? List.of() : is.members();
      had.stream().filter(held -> !has.contains(held)).forEach(held -> all.add(new Alteration("membership", id, new Alteration.GroupMembership(id, held), null)));
      new HashSet<>(has).stream().filter(held -> !had.contains(held)).forEach(held -> all.add(new Alteration("membership", id, null, new Alteration.GroupMembership(id, held))));
    });
    differing(all, "role", before.roles(), after.roles());
    differing(all, "type", before.types(), after.types());
    differing(all, "place", before.places(), after.places());
    differing(all, "grant", before.grants(), after.grants());
    differing(all, "withholding", before.withholdings(), after.withholdings());
    differing(all, "oversight", before.oversights(), after.oversights());
    differing(all, "wall", before.walls(), after.walls());
    differing(all, "approval", before.approvals(), after.approvals());
    differing(all, "sharing", before.sharing(), after.sharing());
    differing(all, "pass", before.passes(), after.passes());
    differing(all, "shortlist", before.shortlists(), after.shortlists());
    differing(all, "separation", before.separations(), after.separations());
    differing(all, "duty", before.duties(), after.duties());
    return all;
  }

  private static <T> void differing(List<Alteration> all, String kind, Parts<T> before, Parts<T> after) {
    Map<String, T> was = before;
    before.differing(after).stream().sorted().forEach(id -> all.add(new Alteration(kind, id, was.get(id), after.get(id))));
  }

  private static Group bare(Group group) {
    return group == null ? null : group.with(List.of());
  }
}
