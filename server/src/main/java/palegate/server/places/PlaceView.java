package palegate.server.places;

import java.util.List;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.server.shell.MayBeMissing;

/**
 * A place in the tree.
 *
 * @param containers how many containers stand directly below
 * @param papers how many documents and links stand directly below
 * @param breaksBelow how many places below stand alone
 * @param walled whether the place lies behind a screen, a seal or sides
 * @param limits whether a ceiling or house rules stand here, or reach it from above
 */
public record PlaceView(String id, @MayBeMissing String parent, String kind, String name, boolean standsAlone, @MayBeMissing String type, int depth,
    int containers, int papers, int breaksBelow, boolean walled, Limits limits) {

  /** Where what limits a place comes from. */
  public enum Limits { HERE, ABOVE, NONE }

  static PlaceView of(SnapshotAt moment, int number) {
    Snapshot snapshot = moment.snapshot();
    Place place = snapshot.place(number);
    int containers = 0;
    int papers = 0;
    for (int child : snapshot.children(number)) {
      if (snapshot.place(child).kind().isContainer()) {
        containers++;
      } else {
        papers++;
      }
    }
    String type = place.type() == null ? null : snapshot.structure().types().get(place.type()).name();
    return new PlaceView(place.id(), place.parent(), place.kind().word(), place.name(), place.standsAlone(), type,
        snapshot.depth(number), containers, papers, snapshot.breaksBelow(number), moment.walls().surround(number), limits(snapshot, number));
  }

  private static Limits limits(Snapshot snapshot, int number) {
    if (snapshot.place(number).guards().any()) {
      return Limits.HERE;
    }
    return snapshot.path(number).stream().anyMatch(at -> snapshot.place(at).guards().any()) ? Limits.ABOVE : Limits.NONE;
  }

  /** From the repository down to the place, for the path line. */
  static List<Post> path(SnapshotAt moment, int number) {
    return moment.snapshot().path(number).stream().map(at -> {
      Place place = moment.snapshot().place(at);
      return new Post(place.id(), place.name(), place.kind().word(), place.standsAlone(), moment.walls().surround(at));
    }).toList();
  }

  /** One post of a path line. */
  public record Post(String id, String name, String kind, boolean standsAlone, boolean walled) {}
}
