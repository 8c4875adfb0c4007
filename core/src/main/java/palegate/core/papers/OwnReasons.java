package palegate.core.papers;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Trace;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.questions.Explanation;
import palegate.core.questions.SubjectWords;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * Why somebody has at a place that they find what they have there, told to themself without a duty (sections 6 and 9). It names what
 * gives them something or takes it: places that show to them, groups and units that they are in, roles. What else there is – other
 * people and whom they are, entries for others, walls, notes, what has not begun – is in no word of it.
 */
public final class OwnReasons {
  /**
   * One thing that gives rights or takes some away, in the order in which they act: what is given and not taken further down is what the
   * person has.
   *
   * @param words one sentence to the person
   * @param until when it ends; null if it does not
   */
  public record Reason(Rights rights, Kind kind, String words, Instant until) {}

  /** Whether rights come of it, fall away for it, or were never there. */
  public enum Kind {
    GIVES, TAKES, LACKING
  }

  private final FoundPlaces places;
  private final Snapshot snapshot;
  private final Structure structure;
  private final int number;
  private final List<Reason> reasons = new ArrayList<>();

  private OwnReasons(FoundPlaces places, int number) {
    this.places = places;
    this.number = number;
    snapshot = places.at().snapshot();
    structure = snapshot.structure();
  }

  /**
   * All of them. O(what stands on the path to the root).
   *
   * @param places what the person finds
   * @param place a number that they find
   */
  public static List<Reason> of(FoundPlaces places, Instant now, int person, int place) {
    OwnReasons own = new OwnReasons(places, place);
    own.tell(Explanation.of(places.at(), now, person, place, Explanation.WallReasons.HIDDEN));
    return List.copyOf(own.reasons);
  }

  private void tell(Trace trace) {
    for (Trace.Step step : trace.stages()) {
      Rights fell = step.before().minus(step.after());
      switch (step.number()) {
        case 2 -> step.acting().forEach(this::given);
        case 3 -> step.acting().forEach(taken -> withheld(taken, step.before()));
        case 4 -> falls(fell, clearance(step));
        case 5 -> falls(fell, "Outsiders keep at most what " + step.guards().stream().map(guard -> where(guard.id())).distinct().collect(Collectors.joining(" and ")) + " leaves them");
        case 6 -> falls(fell, "What they need is not there: " + fell.list().stream().flatMap(right -> right.need().stream()).distinct().filter(need -> !step.after().contains(need)).map(Right::word).collect(Collectors.joining(", ")));
        case 7 -> houseRules(fell);
        case 8 -> falls(fell, condition(trace.person()));
        case 9 -> overseen(step);
        default -> { }
      }
    }
    Rights lacking = Rights.ALL.minus(reasons.stream().filter(reason -> reason.kind() == Kind.GIVES).map(Reason::rights).reduce(Rights.NONE, Rights::union));
    if (!lacking.isEmpty()) {
      reasons.add(new Reason(lacking, Kind.LACKING, lacking.size() == 1 ? "Nothing gives you this here." : "Nothing gives you these here.", null));
    }
  }

  private void falls(Rights rights, String words) {
    if (!rights.isEmpty()) {
      reasons.add(new Reason(rights, Kind.TAKES, words + ".", null));
    }
  }

  private void given(Trace.Acting acting) {
    Grant grant = (Grant) acting.entry();
    reasons.add(new Reason(acting.rights(), Kind.GIVES, structure.roles().get(grant.role()).name() + (grant.sharedBy() == null ? "" : ", shared") + ", given " + where(grant) + " to " + whom(acting) + ".", until(acting)));
  }

  private void withheld(Trace.Acting acting, Rights before) {
    Rights taken = acting.rights().intersect(before);
    if (!taken.isEmpty()) {
      reasons.add(new Reason(taken, Kind.TAKES, "Withheld " + where(acting.entry()) + " from " + whom(acting) + ".", until(acting)));
    }
  }

  /** When the entry ends, or before that every membership through which it is theirs; null if not all of those are known, or one does not end. */
  private static Instant until(Trace.Acting acting) {
    Instant entry = acting.entry().period().until();
    List<Instant> chains = acting.paths().stream().map(path -> path.links().stream().map(link -> link.period().until()).filter(Objects::nonNull).min(Comparator.naturalOrder()).orElse(null)).toList();
    Instant memberships = acting.morePaths() || chains.isEmpty() || chains.contains(null) ? null : Collections.max(chains);
    return entry == null || memberships != null && memberships.isBefore(entry) ? memberships : entry;
  }

  private String clearance(Trace.Step step) {
    String type = snapshot.place(number).type() == null ? "" : structure.types().get(snapshot.place(number).type()).name();
    return step.guards().isEmpty() ? type + " is a guarded type, for which you are not cleared"
        : type + " is a guarded type: you are " + step.guards().stream().map(Trace.Guard::words).distinct().collect(Collectors.joining(" and "));
  }

  private void houseRules(Rights fell) {
    falls(fell.intersect(Rights.of(Right.SHARE)), "By a house rule only those who govern may share here");
    falls(fell.minus(Rights.of(Right.SHARE)), "By a house rule only those who may change content may take it away from here");
  }

  private String condition(String person) {
    Conditions in = snapshot.place(number).conditions();
    List<String> words = new ArrayList<>();
    if (in.isPrivate() && !person.equals(snapshot.place(number).owner())) {
      words.add("it is private");
    }
    if (in.frozen()) {
      words.add("it is frozen");
    }
    if (in.checkedOutBy() != null && !person.equals(in.checkedOutBy())) {
      words.add("somebody else has it checked out");
    }
    return "For as long as " + String.join(" and ", words);
  }

  private void overseen(Trace.Step step) {
    Rights added = step.after().minus(step.before());
    if (!added.isEmpty()) {
      reasons.add(new Reason(added, Kind.GIVES, "You oversee this.", null));
    }
  }

  private String where(Entry entry) {
    return entry.place().equals(snapshot.place(number).id()) ? "here" : "at " + where(entry.place());
  }

  /** What the path leaves out stays unnamed. */
  private String where(String place) {
    int there = snapshot.placeNumber(place);
    return there == number ? "this place" : places.shows(there) ? snapshot.place(there).name() : "a place above";
  }

  private String whom(Trace.Acting acting) {
    if (acting.entry().subject() instanceof Subject.OfPerson) {
      return "you";
    }
    String name = SubjectWords.of(acting.entry().subject(), structure);
    if (acting.paths().isEmpty() || acting.paths().get(0).links().size() < 2) {
      return name;
    }
    List<Trace.Link> links = acting.paths().get(0).links();
    return name + ", where you are through " + links.subList(0, links.size() - 1).stream().map(this::joined).collect(Collectors.joining(" and "));
  }

  private String joined(Trace.Link link) {
    return link.kind().equals("unit") ? structure.units().get(link.id()).name() : structure.groups().get(link.id()).name();
  }
}
