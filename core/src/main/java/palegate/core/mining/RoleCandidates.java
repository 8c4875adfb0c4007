package palegate.core.mining;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.RoleChange;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;

/** Roles given together: as the role that they come to, or as one that is made for them. */
final class RoleCandidates {
  /** Roles of one subject at a place. */
  private record Alike(String place, Subject subject, Set<String> types, Period period) {}

  private RoleCandidates() {}

  static List<Candidate> joined(Mined state) {
    List<Candidate> all = new ArrayList<>();
    together(state).forEach((rights, places) -> of(state, rights).ifPresent(role -> places.forEach(grants -> all.add(new Candidate(Proposal.Kind.ROLE,
        "Give " + state.words(state.inPlaceOf(grants, grants.get(0).subject(), role.id())) + ", and not " + grants.size() + " roles that come to that.", replaced(state, grants, role.id()), grants.size() - 1)))));
    return all;
  }

  static List<Candidate> made(Mined state) {
    List<Candidate> all = new ArrayList<>();
    together(state).forEach((rights, places) -> {
      int saved = places.stream().mapToInt(grants -> grants.size() - 1).sum();
      if (saved > 1 && of(state, rights).isEmpty()) {
        String id = state.ids().get();
        String name = name(state, places.get(0));
        List<Change> changes = new ArrayList<>(List.of(new RoleChange.SetRole(new Role(id, name, rights))));
        places.forEach(grants -> changes.addAll(replaced(state, grants, id)));
        all.add(new Candidate(Proposal.Kind.NEW_ROLE, "Make a role of the rights that are given together " + places.size() + " times: “" + name + "”.", changes, saved));
      }
    });
    return all;
  }

  private static Optional<Role> of(Mined state, Rights rights) {
    return state.structure().roles().values().stream().filter(role -> role.rights().equals(rights)).min(Comparator.comparing(Role::id));
  }

  private static String name(Mined state, List<Grant> grants) {
    return Mined.free(new TreeSet<>(grants.stream().map(grant -> state.role(grant.role())).toList()).stream().collect(Collectors.joining(" and ")), grants.size() + " roles together",
        state.structure().roles().values().stream().map(Role::name).collect(Collectors.toSet()));
  }

  /** Several roles of one subject at one place for the same documents and time, by the rights that they come to. */
  private static Map<Rights, List<List<Grant>>> together(Mined state) {
    Map<Alike, List<Grant>> alike = new LinkedHashMap<>();
    state.currentGrants().forEach(grant -> alike.computeIfAbsent(new Alike(grant.place(), grant.subject(), grant.types(), grant.period()), any -> new ArrayList<>()).add(grant));
    Map<Rights, List<List<Grant>>> together = new LinkedHashMap<>();
    alike.values().stream().filter(grants -> grants.size() > 1)
        .forEach(grants -> together.computeIfAbsent(grants.stream().map(grant -> state.structure().roles().get(grant.role()).rights()).reduce(Rights.NONE, Rights::union), any -> new ArrayList<>()).add(grants));
    return together;
  }

  private static List<Change> replaced(Mined state, List<Grant> grants, String role) {
    List<Change> changes = new ArrayList<>(grants.stream().map(Mined::removal).toList());
    changes.add(new AccessChange.AddGrant(state.inPlaceOf(grants, grants.get(0).subject(), role)));
    return changes;
  }
}
