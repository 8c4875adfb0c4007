package palegate.server.roles;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.duties.Duty;
import palegate.core.questions.SeparationWords;
import palegate.core.questions.SeparationsBroken;
import palegate.core.separations.Separation;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PersonView;

/** What no one person may hold together, and who does (access rules, section 13): of what the asker may know, as their draft would have it. */
@RestController
@RequestMapping("/api/separations")
class SeparationsController {
  /** @param words what the side names, in words */
  record KeptApartSide(String words, List<String> roles, List<String> rights, List<String> groups, List<Duty> duties, List<String> types) {}

  /** @param broken how many people hold it together now */
  record SeparationView(String id, String name, @MayBeMissing String reason, boolean needsApproval, Separation.Within within, List<KeptApartSide> sides, int broken, DraftedState.Drafted drafted) {}

  /** Somebody who holds it together: the sides by their number from 1, and the first place where. */
  record TogetherLine(PersonView person, List<Integer> sides, @MayBeMissing String placeId, @MayBeMissing String path, int places) {}

  private final DraftedState shown;

  SeparationsController(DraftedState shown) {
    this.shown = shown;
  }

  @GetMapping
  List<SeparationView> separations(Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Structure structure = state.structure();
    List<SeparationsBroken.Broken> broken = structure.separations().isEmpty() ? List.of() : SeparationsBroken.of(state.moment()).all();
    return structure.separations().values().stream().sorted(Comparator.comparing(Separation::name).thenComparing(Separation::id)).map(one -> new SeparationView(one.id(), one.name(), one.reason(), one.needsApproval(), one.within(),
        one.sides().stream().map(side -> new KeptApartSide(SeparationWords.of(side, structure), side.roles().stream().sorted().toList(), side.rights().words(), side.groups().stream().sorted().toList(), side.duties().stream().sorted().toList(),
            side.types().stream().sorted().toList())).toList(),
        (int) broken.stream().filter(found -> found.separation().equals(one.id())).count(), state.drafted(Structure::separations, one.id()))).toList();
  }

  @GetMapping("/{id}/people")
  Page<TogetherLine> people(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    if (!state.structure().separations().containsKey(id)) {
      throw Problem.notFound("separation", id);
    }
    Snapshot snapshot = state.after();
    SortOrders<TogetherLine> orders = SortOrders.<TogetherLine>by("name", Comparator.comparing((TogetherLine line) -> line.person().name()).thenComparing(line -> line.person().id()))
        .or("places", Comparator.comparing(TogetherLine::places).thenComparing(line -> line.person().id()));
    return orders.page(part, SeparationsBroken.of(state.moment()).all().stream().filter(one -> one.separation().equals(id)).map(one -> new TogetherLine(PersonView.of(state.structure().people().get(one.person()), state.structure()),
        one.sides().stream().map(side -> side + 1).toList(), one.place(), one.place() == null ? null : snapshot.pathText(snapshot.placeNumber(one.place())), one.places())).filter(line -> part.takes(line.person().name())), line -> line);
  }
}
