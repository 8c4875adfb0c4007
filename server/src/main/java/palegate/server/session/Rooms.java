package palegate.server.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import palegate.core.duties.Duty;
import palegate.core.viewpoint.Asker;

/** The rooms of the console that a duty needs; the others are not shown to its holder. */
public final class Rooms {
  private Rooms() {}

  /** Of somebody who asks; everybody has papers, and whoever is asked to review has reviews. */
  public static List<String> of(Asker asker, boolean reviews) {
    List<String> rooms = new ArrayList<>();
    add(rooms, asker.id() != null, "papers");
    Set<Duty> duties = asker.duties();
    rooms.addAll(duties.isEmpty() && asker.governsAnything() ? List.of("places", "journal") : of(duties));
    add(rooms, reviews, "reviews");
    return rooms;
  }

  /** In the order of the work. */
  public static List<String> of(Set<Duty> duties) {
    List<String> rooms = new ArrayList<>();
    add(rooms, !duties.isEmpty(), "gatehouse");
    boolean all = duties.contains(Duty.AUDIT);
    boolean places = all || duties.stream().anyMatch(duty -> duty.scope() == Duty.ScopeKind.PLACE) || duties.contains(Duty.WALLS);
    add(rooms, places, "places");
    add(rooms, all || duties.contains(Duty.ACCESS) || duties.contains(Duty.OVERSIGHT), "walk");
    add(rooms, places || duties.contains(Duty.PEOPLE), "people");
    add(rooms, all || duties.contains(Duty.ACCESS), "roles");
    add(rooms, all || duties.contains(Duty.TYPES) || duties.contains(Duty.ACCESS), "types");
    add(rooms, all || duties.contains(Duty.WALLS), "walls");
    add(rooms, places, "matrix");
    add(rooms, places || duties.contains(Duty.PEOPLE), "findings");
    add(rooms, places, "breaks");
    add(rooms, places || duties.contains(Duty.PEOPLE), "shares");
    add(rooms, places || duties.contains(Duty.PEOPLE), "statements");
    add(rooms, all || duties.contains(Duty.ROUNDS), "rounds");
    add(rooms, !duties.isEmpty(), "journal");
    add(rooms, all || duties.contains(Duty.SYSTEM), "duties");
    return rooms;
  }

  private static void add(List<String> rooms, boolean wanted, String room) {
    if (wanted) {
      rooms.add(room);
    }
  }
}
