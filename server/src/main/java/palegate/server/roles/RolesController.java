package palegate.server.roles;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.EntryView;

/** The customer's roles, where they are used, and what rights imply. */
@RestController
@RequestMapping("/api/roles")
class RolesController {
  /**
   * A role.
   *
   * @param people how many active people some current grant gives it to
   * @param sameAs the names of other roles with the very same rights
   */
  record RoleView(String id, String name, List<String> rights, int grants, int clearances, int ceilings, int people, List<String> sameAs, DraftedState.Drafted drafted) {}

  /** What a chosen set of rights comes to: {@code added} are those that the chosen ones need. */
  record Completed(List<String> rights, List<String> added) {}

  private final DraftedState shown;

  RolesController(DraftedState shown) {
    this.shown = shown;
  }

  /** All roles, those with the fewest rights first. */
  @GetMapping
  List<RoleView> roles(Principal who) {
    DraftedState.State state = shown.to(who.getName());
    return state.structure().roles().values().stream()
        .sorted(Comparator.comparing((Role role) -> role.rights().size()).thenComparing(Role::name)).map(role -> view(state, role)).toList();
  }

  private static RoleView view(DraftedState.State state, Role role) {
    Structure structure = state.structure();
    List<Grant> grants = structure.grants().values().stream().filter(grant -> grant.role().equals(role.id())).toList();
    PersonSet people = state.moment().matchingAny(grants.stream().filter(grant -> grant.period().holdsAt(state.now())).map(Grant::subject).distinct().toList())
        .and(state.moment().active());
    int clearances = (int) structure.types().values().stream().flatMap(type -> type.clearances().stream()).filter(clearance -> clearance.role().equals(role.id())).count();
    int ceilings = (int) structure.places().values().stream().filter(place -> role.id().equals(place.guards().ceiling())).count();
    List<String> sameAs = structure.roles().values().stream().filter(other -> !other.id().equals(role.id()) && other.rights().equals(role.rights()))
        .map(Role::name).sorted().toList();
    return new RoleView(role.id(), role.name(), role.rights().words(), grants.size(), clearances, ceilings, people.size(), sameAs,
        state.drafted(Structure::roles, role.id()));
  }

  /** The grants that give a role. */
  @GetMapping("/{id}/grants")
  Page<EntryView> grants(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    if (!state.structure().roles().containsKey(id)) {
      throw Problem.notFound("role", id);
    }
    SortOrders<Grant> grants = SortOrders.by("place", Comparator.comparing((Grant grant) -> state.after().placeNumber(grant.place()), state.after().inTreeOrder())
            .thenComparing(Grant::id))
        .or("subject", Comparator.comparing((Grant grant) -> SubjectNames.of(grant.subject(), state.structure())));
    return grants.page(part, state.structure().grants().values().stream().filter(grant -> grant.role().equals(id))
        .filter(grant -> part.takes(state.structure().places().get(grant.place()).name(), SubjectNames.of(grant.subject(), state.structure()))),
        grant -> EntryView.of(grant, state.after().rightsOf(grant), state.structure()));
  }

  /** The rights that a choice comes to, with those that its rights need. */
  @GetMapping("/completed")
  Completed completed(@RequestParam List<String> rights) {
    Rights chosen = Rights.copyOf(rights.stream().map(right -> Right.parse(right).orElseThrow(() -> Problem.notFound("right", right))).toList());
    return new Completed(chosen.complete().words(), chosen.complete().minus(chosen).words());
  }
}
