package palegate.server.types;

import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.server.store.Snapshots;

/** The customer's document types. */
@RestController
class TypesController {
  record TypeView(String id, String name) {}

  private final Snapshots snapshots;

  TypesController(Snapshots snapshots) {
    this.snapshots = snapshots;
  }

  /** All types, by name. */
  @GetMapping("/api/types")
  List<TypeView> types() {
    return snapshots.current().snapshot().structure().types().values().stream()
        .map(type -> new TypeView(type.id(), type.name()))
        .sorted(Comparator.comparing(TypeView::name)).toList();
  }
}
