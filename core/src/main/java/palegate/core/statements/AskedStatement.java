package palegate.core.statements;

import java.time.Instant;
import java.util.Objects;
import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

/** A recipe, the state it is asked of and the instant: what every kind of statement is made from. */
record AskedStatement(Snapshot snapshot, Instant instant, Recipe recipe) {
  AskedStatement {
    Objects.requireNonNull(snapshot);
    Objects.requireNonNull(instant);
    Objects.requireNonNull(recipe);
  }

  Structure structure() {
    return snapshot.structure();
  }

  SnapshotAt moment() {
    return snapshot.at(instant);
  }

  /** The place that is named, or the repository; a place that is not there is refused. */
  int place() {
    if (recipe.id().isEmpty() || recipe.kind().needsSubject()) {
      return structure().repository().map(repository -> snapshot.placeNumber(repository.id())).orElse(-1);
    }
    int place = snapshot.placeNumber(recipe.id());
    if (place < 0) {
      throw new RefusedRecipe("id", "There is no place [" + recipe.id() + "].", "Name a place by its id.");
    }
    return place;
  }

  /** The places at and below the one that is named, in tree order; without documents and links if they are left out. */
  int[] places() {
    int top = place();
    IntStream all = top < 0 ? IntStream.empty() : snapshot.inDisplayOrder(top);
    return (recipe.documents() ? all : all.filter(place -> snapshot.place(place).kind().isContainer())).toArray();
  }

  /** " at and below X" where a place is named; else nothing. */
  String where() {
    return recipe.id().isEmpty() ? "" : " at " + snapshot.pathText(place()) + " and below";
  }

  Subject subject() {
    int at = recipe.id().indexOf(':');
    String kind = at < 0 ? "person" : recipe.id().substring(0, at);
    String id = recipe.id().substring(at + 1);
    if (!recipe.isThere(structure())) {
      throw new RefusedRecipe("id", "There is no subject [" + recipe.id() + "].", "Name one as person:ID, group:ID, unit:ID, builtin:staff or builtin:outsiders.");
    }
    return Subject.of(kind, id);
  }

  /** Whom the statement is about: a subject's people, or everybody. */
  PersonSet people() {
    return recipe.kind().needsSubject() ? moment().matching(subject()) : PersonSet.of(IntStream.range(0, snapshot.personRoom()).toArray());
  }
}
