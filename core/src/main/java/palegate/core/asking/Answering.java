package palegate.core.asking;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import palegate.core.access.Trace;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.questions.Explanation;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.text.Counted;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.ways.WaysTo;

/** Answers typed questions from one state at one instant, which is what whoever asks may know of it. */
public final class Answering {
  private static final int NAMED = 5;

  private final SnapshotAt moment;
  private final Snapshot snapshot;
  private final String when;
  private final List<Answer.Choice> choices = new ArrayList<>();
  private final List<String> missing = new ArrayList<>();

  private Answering(SnapshotAt moment, String when) {
    this.moment = moment;
    this.snapshot = moment.snapshot();
    this.when = when;
  }

  /** @param when how the instant is said, as "on 3 March 2026"; empty for now */
  public static Answer of(Question question, SnapshotAt moment, String when) {
    return new Answering(moment, when).answer(question);
  }

  private Answer answer(Question question) {
    if (question instanceof Question.Can can) {
      return can(can);
    }
    if (question instanceof Question.WhoCan who) {
      return who(who);
    }
    if (question instanceof Question.WhatCan what) {
      return what(what);
    }
    if (question instanceof Question.WhatChanged changed) {
      return changed(changed);
    }
    return question instanceof Question.WhoBehind behind ? behind(behind) : takes((Question.WhatTakes) question);
  }

  /** The one thing that a name means; null if there are several, or none: then it is kept what is to be asked back. */
  private Named one(String typed, List<Named> found) {
    if (found.size() > 1) {
      choices.add(new Answer.Choice(typed, found));
    } else if (found.isEmpty()) {
      missing.add(typed);
    }
    return found.size() == 1 ? found.get(0) : null;
  }

  private static String said(Named named, String typed) {
    return named == null ? "“" + typed + "”" : named.kind().equals("place") ? named.about().substring(named.about().indexOf(", ") + 2) : named.name();
  }

  private static String word(Right right) {
    return right == null ? "reach" : switch (right) {
      case FIND -> "find";
      case ADD -> "add to";
      default -> right.word();
    };
  }

  private String when() {
    return when.isEmpty() ? "" : " " + when;
  }

  private Answer with(String reading, String sentence, Answer.Evidence evidence) {
    boolean open = !choices.isEmpty() || !missing.isEmpty();
    return new Answer(reading, open ? null : sentence, choices, missing, evidence);
  }

  private Answer can(Question.Can asked) {
    Named person = one(asked.person(), Named.people(snapshot, asked.person()));
    Named place = one(asked.place(), Named.places(snapshot, asked.place()));
    String who = said(person, asked.person());
    String where = said(place, asked.place());
    String reading = "Whether " + who + " can " + word(asked.right()) + " " + where + when() + ", and why";
    String sentence = null;
    if (person != null && place != null) {
      Trace trace = Explanation.of(moment, moment.instant(), snapshot.personNumber(person.id()), snapshot.placeNumber(place.id()), Explanation.WallReasons.HIDDEN);
      boolean may = asked.right() == null ? !trace.rights().isEmpty() : trace.rights().contains(asked.right());
      sentence = may ? "Yes: " + who + " can " + (asked.right() == null ? trace.rights().words().stream().collect(Collectors.joining(", ")) : word(asked.right())) + " " + where + when() + "."
          : "No: " + who + " cannot " + word(asked.right()) + " " + where + when() + "; " + because(trace, asked.right());
    }
    return with(reading, sentence, new Answer.Evidence("why", person, place, null, asked.right()));
  }

  /** The stage at which it failed: the one that took it, or that nothing gave it. */
  private static String because(Trace trace, Right right) {
    for (Trace.Step step : trace.stages()) {
      boolean taken = right == null ? !step.before().isEmpty() && step.after().isEmpty() : step.before().contains(right) && !step.after().contains(right);
      if (taken) {
        return "it falls at " + step.title() + ".";
      }
    }
    Trace.Step last = trace.stages().isEmpty() ? null : trace.stages().get(trace.stages().size() - 1);
    return last != null && last.title().equals("active") ? "they are not active." : last != null && last.title().equals("walls") && trace.withoutWalls() != null ? "a wall keeps them out." : "nothing gives it to them.";
  }

  private Answer who(Question.WhoCan asked) {
    Named place = one(asked.place(), Named.places(snapshot, asked.place()));
    String where = said(place, asked.place());
    String reading = "Who can " + word(asked.right()) + " " + where + when();
    String sentence = null;
    if (place != null) {
      int number = snapshot.placeNumber(place.id());
      PersonSet people = asked.right() == null ? moment.holdersNow(number).anyone() : moment.holdersNow(number).of(asked.right());
      sentence = people.isEmpty() ? "Nobody can " + word(asked.right()) + " " + where + when() + "." : Counted.of(people.size(), "person", "people") + " can " + word(asked.right()) + " " + where + when() + ": " + names(people) + ".";
    }
    return with(reading, sentence, new Answer.Evidence("people", null, place, null, asked.right()));
  }

  private String names(PersonSet people) {
    List<String> first = people.stream().mapToObj(person -> snapshot.person(person).name()).sorted().limit(NAMED).toList();
    int more = people.size() - first.size();
    return String.join(", ", first) + (more > 0 ? " and " + Counted.of(more, "other", "others") : "");
  }

  private Answer what(Question.WhatCan asked) {
    Named subject = one(asked.subject(), Named.subjects(snapshot, asked.subject()));
    String who = said(subject, asked.subject());
    String reading = "What " + who + " can " + word(asked.right()) + when();
    String sentence = null;
    if (subject != null) {
      PersonSet people = moment.matching(Subject.of(subject.kind(), subject.id())).and(moment.active());
      long documents = IntStream.range(0, moment.classCount()).filter(number -> moment.documentsInClass(number) > 0)
          .filter(number -> asked.right() == null ? moment.holdersOfClass(number).anyone().intersects(people) : moment.holdersOfInClass(asked.right(), number).intersects(people)).mapToLong(moment::documentsInClass).sum();
      sentence = subject.kind().equals("person") ? who + " can " + word(asked.right()) + " " + Counted.of(documents, "document", "documents") + when() + ", conditions of documents aside."
          : Counted.of(people.size(), "person is", "people are") + " in " + who + "; between them they can " + word(asked.right()) + " " + Counted.of(documents, "document", "documents") + when() + ", conditions of documents aside.";
    }
    return with(reading, sentence, new Answer.Evidence("reach", subject != null && subject.kind().equals("person") ? subject : null, null, subject, asked.right()));
  }

  /** What it means is found here; the changes themselves are not part of a state. */
  private Answer changed(Question.WhatChanged asked) {
    List<Named> found = new ArrayList<>(Named.subjects(snapshot, asked.thing()));
    found.removeIf(one -> one.kind().equals("builtin"));
    List<Named> places = Named.places(snapshot, asked.thing());
    if (found.isEmpty() || places.size() == 1 && places.get(0).name().equalsIgnoreCase(asked.thing())) {
      found = places;
    }
    Named thing = one(asked.thing(), found.isEmpty() ? Named.walls(snapshot, asked.thing()) : found);
    String reading = "What changed that touched " + said(thing, asked.thing()) + (asked.since() == null ? "" : " since " + asked.since());
    return with(reading, null, new Answer.Evidence("history", null, null, thing, null));
  }

  private Answer behind(Question.WhoBehind asked) {
    Named found = one(asked.wall(), Named.walls(snapshot, asked.wall()));
    String reading = "Whom the wall " + said(found, asked.wall()) + " keeps out";
    String sentence = null;
    if (found != null) {
      Wall wall = snapshot.structure().walls().get(found.id());
      PersonSet people = Barring.people(Barring.of(moment, wall));
      sentence = (wall.barsAt(moment.instant()) ? "It keeps out " : "It does not stand now; it would keep out ") + (people.isEmpty() ? "nobody." : Counted.of(people.size(), "person", "people") + ": " + names(people) + ".");
    }
    return with(reading, sentence, new Answer.Evidence("wall", null, null, found, null));
  }

  private Answer takes(Question.WhatTakes asked) {
    Named person = one(asked.person(), Named.people(snapshot, asked.person()));
    Named place = one(asked.place(), Named.places(snapshot, asked.place()));
    Right right = asked.right() == null ? Right.FIND : asked.right();
    String who = said(person, asked.person());
    String reading = "What it would take for " + who + " to " + word(right) + " " + said(place, asked.place());
    String sentence = null;
    if (person != null && place != null) {
      WaysTo.Answer ways = WaysTo.find(snapshot, moment.instant(), WaysTo.Direction.GIVE, right, snapshot.personNumber(person.id()), snapshot.placeNumber(place.id()));
      sentence = ways.already() ? "Nothing: " + who + " can already." : ways.ways().isEmpty() ? (ways.impossible() == null ? "No single change does it." : ways.impossible())
          : Counted.of(ways.ways().size(), "way", "ways") + ". The one with the fewest others: " + ways.ways().get(0).words();
    }
    return with(reading, sentence, new Answer.Evidence("ways", person, place, null, right));
  }
}
