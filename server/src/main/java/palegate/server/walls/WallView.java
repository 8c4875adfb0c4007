package palegate.server.walls;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import palegate.core.questions.WallConflict;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.ScopeDescription;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.MayBeMissing;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** A wall as its page shows it. {@code bars} tells whether it bars anybody now; {@code barsYou} whether it bars the asker. */
record WallView(String id, String name, @MayBeMissing String reason, String kind, Wall.State state, @MayBeMissing Instant from, @MayBeMissing Instant until, boolean bars, boolean barsYou,
    List<SideView> sides, List<ExceptionView> exceptions, List<ConflictView> conflicts, DraftedState.Drafted drafted) {

  /** One scope and whom it names; {@code name} is missing for a wall of one scope. */
  record SideView(@MayBeMissing String name, List<SubjectView> subjects, List<PlaceRef> placesNamed, List<TypeRef> typesNamed, Map<String, List<String>> labels, Coverage coverage) {}

  record PlaceRef(String id, String path) {}

  record TypeRef(String id, String name) {}

  /** What a scope covers. */
  record Coverage(int places, int documents, List<ScopeDescription.Part> libraries, List<ScopeDescription.Part> types, List<ScopeDescription.Criterion> criteria, List<ScopeDescription.Oddity> oddities) {}

  record ExceptionView(SubjectView subject, @MayBeMissing Instant until, boolean current) {}

  /** Somebody on two sides or more. */
  record ConflictView(PersonView person, List<String> sides) {}

  static WallView of(DraftedState.State state, Wall wall, boolean barsYou) {
    Structure structure = state.structure();
    List<SideView> sides = new ArrayList<>();
    for (Barrier.Side side : sides(wall)) {
      sides.add(new SideView(side.name().isEmpty() ? null : side.name(), side.subjects().stream().map(subject -> SubjectView.of(subject, state.moment())).toList(),
          places(state.after(), side.scope()), side.scope().types().stream().filter(structure.types()::containsKey).map(id -> new TypeRef(id, structure.types().get(id).name()))
              .sorted(Comparator.comparing(TypeRef::name)).toList(), labels(side.scope()), coverage(state.after(), side.scope(), side.name().isEmpty() ? wall.name() : side.name())));
    }
    return new WallView(wall.id(), wall.name(), wall.reason(), wall.barrier().kind(), wall.state(), wall.period().from(), wall.period().until(), wall.barsAt(state.now()), barsYou, sides,
        wall.exceptions().stream().map(one -> new ExceptionView(SubjectView.of(one.subject(), state.moment()), one.until(), one.currentAt(state.now()))).toList(),
        WallConflict.all(state.moment(), state.now()).stream().filter(conflict -> conflict.wall().equals(wall.id()))
            .map(conflict -> new ConflictView(PersonView.of(structure.people().get(conflict.person()), structure), conflict.sides())).toList(),
        state.drafted(Structure::walls, wall.id()));
  }

  /** One without a name for a wall of one scope. */
  static List<Barrier.Side> sides(Wall wall) {
    return wall.barrier() instanceof Barrier.Sides many ? many.sides() : List.of(new Barrier.Side("", wall.barrier().subjects(), wall.barrier().scopes().get(0)));
  }

  private static List<PlaceRef> places(Snapshot snapshot, Scope scope) {
    return scope.places().stream().filter(id -> snapshot.placeNumber(id) >= 0).map(id -> new PlaceRef(id, snapshot.pathText(snapshot.placeNumber(id)))).sorted(Comparator.comparing(PlaceRef::path)).toList();
  }

  private static Map<String, List<String>> labels(Scope scope) {
    Map<String, List<String>> labels = new TreeMap<>();
    scope.labels().forEach((key, values) -> labels.put(key, values.stream().sorted().toList()));
    return labels;
  }

  static Coverage coverage(Snapshot snapshot, Scope scope, String name) {
    ScopeDescription found = ScopeDescription.of(snapshot, scope, name);
    return new Coverage(found.places(), found.documents(), found.libraries(), found.types(), found.criteria(), found.oddities());
  }
}
