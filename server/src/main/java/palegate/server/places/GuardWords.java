package palegate.server.places;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import palegate.core.access.Oversight;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.sharing.SharingRule;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/** What limits a place beside its access list, in words: walls, clearance, ceilings, house rules, sharing, conditions, oversight. */
final class GuardWords {
  /**
   * One of them.
   *
   * @param kind the word it is counted by
   */
  record Limit(String kind, String sentence) {}

  private final SnapshotAt moment;
  private final Snapshot snapshot;

  GuardWords(SnapshotAt moment) {
    this.moment = moment;
    snapshot = moment.snapshot();
  }

  /** A sentence each, in the order of the stages. */
  List<Limit> at(int number) {
    List<Limit> words = new ArrayList<>();
    for (Wall wall : moment.walls().around(number)) {
      int barred = moment.walls().barredBy(wall, number).and(moment.active()).size();
      String noun = wall.barrier() instanceof Barrier.Confine ? "confinement" : wall.barrier() instanceof Barrier.Sides ? "wall of sides" : wall.barrier().kind();
      words.add(new Limit("wall", "The " + noun + " \u201c" + wall.name() + "\u201d keeps " + (barred == 1 ? "1 person" : barred + " people") + " out."));
    }
    Place here = snapshot.place(number);
    if (here.type() != null && snapshot.structure().types().get(here.type()).guarded()) {
      words.add(new Limit("clearance", snapshot.structure().types().get(here.type()).name() + " is a guarded type: only those who are cleared keep anything."));
    }
    for (int at : snapshot.path(number)) {
      addGuards(words, snapshot.place(at), at == number);
      addSharing(words, snapshot.place(at), at == number);
    }
    addConditions(words, here);
    for (int at : snapshot.path(number)) {
      snapshot.ownOversights(at).stream().filter(oversight -> oversight.period().holdsAt(moment.instant()))
          .sorted(Comparator.comparing(Oversight::id)).forEach(oversight -> words.add(new Limit("oversight", SubjectNames.of(oversight.subject(), snapshot.structure())
              + " may see everything here, by an oversight at " + snapshot.structure().places().get(oversight.place()).name() + ".")));
    }
    return words;
  }

  private void addGuards(List<Limit> words, Place at, boolean here) {
    String where = here ? "here" : "from " + at.name();
    if (at.guards().ceiling() != null) {
      words.add(new Limit("ceiling", "Outsiders keep at most " + snapshot.structure().roles().get(at.guards().ceiling()).name() + ", a ceiling " + where + "."));
    }
    if (at.guards().reserveSharing()) {
      words.add(new Limit("house rule", "Sharing is reserved to those who govern, a house rule " + where + "."));
    }
    if (at.guards().noTakeaway()) {
      words.add(new Limit("house rule", "Taking away is for those who revise, a house rule " + where + "."));
    }
  }

  private void addSharing(List<Limit> words, Place at, boolean here) {
    SharingRule rule = snapshot.structure().sharing().get(at.id());
    if (rule != null) {
      String where = here ? "here" : "from " + at.name();
      List<String> bounds = new ArrayList<>();
      bounds.add(rule.outsiders() ? "also with outsiders" : "not with outsiders");
      if (rule.role() != null) {
        bounds.add(snapshot.structure().roles().get(rule.role()).name() + " at most");
      }
      if (rule.days() != null) {
        bounds.add("for " + (rule.days() == 1 ? "a day" : rule.days() + " days") + " at most");
      }
      words.add(new Limit("rule of sharing", rule.who() == SharingRule.Who.NOBODY ? "Nobody shares, as is said " + where + "."
          : (rule.who() == SharingRule.Who.KEEPERS ? "Only keepers share, " : "Whoever may share shares ") + String.join(", ", bounds) + ", as is said " + where + "."));
    }
  }

  private void addConditions(List<Limit> words, Place here) {
    Conditions in = here.conditions();
    if (in.isPrivate()) {
      words.add(new Limit("condition", "Private: only " + snapshot.structure().people().get(here.owner()).name() + " keeps what the list gives."));
    }
    if (in.frozen()) {
      words.add(new Limit("condition", "Frozen: nobody may revise, describe or delete it."));
    }
    if (in.checkedOutBy() != null) {
      words.add(new Limit("condition", "Checked out by " + snapshot.structure().people().get(in.checkedOutBy()).name() + ": nobody else may revise or delete it."));
    }
  }
}
