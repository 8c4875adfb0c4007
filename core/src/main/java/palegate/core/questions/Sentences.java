package palegate.core.questions;

import java.util.List;
import java.util.stream.Collectors;
import palegate.core.access.Trace.Guard;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.text.Counted;

/** One sentence for each stage of an explanation: what it did and why, also when nothing matched. */
final class Sentences {
  private final Evidence evidence;
  private final Person who;
  private final Place where;

  Sentences(Evidence evidence) {
    this.evidence = evidence;
    who = evidence.who();
    where = evidence.where();
  }

  String reason(int stage, Rights before, Rights after) {
    return switch (stage) {
      case 0 -> active();
      case 1 -> walls();
      case 2 -> grants(after);
      case 3 -> withholdings(before.minus(after));
      case 4 -> clearance(before, after);
      case 5 -> ceiling(before, after);
      case 6 -> close(before, after);
      case 7 -> houseRules(before, after);
      case 8 -> conditions(before, after);
      default -> oversight(after.minus(before));
    };
  }

  private String active() {
    return who.active()
        ? who.name() + " is active" + (who.external() ? ", and an outsider." : ", and on staff.")
        : who.name() + " is not active, and an inactive person has no rights at all.";
  }

  private String walls() {
    List<Guard> walls = evidence.guards(1);
    return walls.isEmpty() ? "No wall bars " + who.name() + " from " + where.name() + "."
        : who.name() + " is barred by " + listed(walls) + ". No grant, break, oversight or duty passes a wall.";
  }

  private String grants(Rights given) {
    int count = evidence.acting(2).size();
    if (count == 0) {
      return evidence.grantsReaching() == 0
          ? "No grant in force reaches " + where.name() + "."
          : noneNames(evidence.grantsReaching(), "grant");
    }
    return Counted.of(count, "grant", "grants") + (count == 1 ? " gives " : " give ") + (given.isEmpty() ? "nothing" : words(given)) + ".";
  }

  private String withholdings(Rights taken) {
    int count = evidence.acting(3).size();
    if (count == 0) {
      return evidence.withholdingsReaching() == 0
          ? "No withholding in force reaches this place."
          : noneNames(evidence.withholdingsReaching(), "withholding");
    }
    return Counted.of(count, "withholding", "withholdings") + (count == 1 ? " takes " : " take ")
        + (taken.isEmpty() ? "nothing that was there" : words(taken)) + ".";
  }

  private String clearance(Rights before, Rights after) {
    if (!evidence.guarded()) {
      return evidence.type() == null ? "Nothing of a guarded type is asked about." : "The type " + evidence.type().name() + " is open.";
    }
    List<Guard> matching = evidence.guards(4);
    String type = "The type " + evidence.type().name() + " is guarded. ";
    if (matching.isEmpty()) {
      return type + "No clearance names " + who.name() + ", so nothing is left.";
    }
    return type + who.name() + " is " + listed(matching) + (before.equals(after) ? ", which leaves everything."
        : ", which leaves " + (after.isEmpty() ? "nothing" : words(after)) + ".");
  }

  private String ceiling(Rights before, Rights after) {
    if (!who.external()) {
      return "Ceilings are for outsiders; " + who.name() + " is on staff.";
    }
    List<Guard> ceilings = evidence.guards(5);
    return ceilings.isEmpty() ? "No ceiling for outsiders stands here or above."
        : "Outsiders keep at most what " + listed(ceilings) + (ceilings.size() == 1 ? " leaves" : " leave")
        + (before.equals(after) ? ": nothing falls away." : "; it takes " + words(before.minus(after)) + ".");
  }

  private static String close(Rights before, Rights after) {
    return before.isEmpty() ? "There is nothing that could lack what it needs."
        : before.equals(after) ? "Nothing falls away: every right here has what it needs."
        : "Falls away because what it needs is missing: " + words(before.minus(after)) + ".";
  }

  private String houseRules(Rights before, Rights after) {
    List<Guard> rules = evidence.guards(7);
    return rules.isEmpty() ? "No house rule holds here."
        : "Here " + listed(rules) + (before.equals(after) ? ": nothing falls away." : "; it takes " + words(before.minus(after)) + ".");
  }

  private String conditions(Rights before, Rights after) {
    List<Guard> conditions = evidence.guards(8);
    if (conditions.isEmpty()) {
      return where.isDocument() ? "The document is in no condition." : "Only documents have conditions.";
    }
    return "The document is " + listed(conditions) + (before.equals(after) ? ": nothing falls away."
        : "; that takes " + words(before.minus(after)) + " for as long as it lasts.");
  }

  private String oversight(Rights added) {
    List<Guard> oversights = evidence.guards(9);
    if (oversights.isEmpty()) {
      return "No oversight in force here or above names " + who.name() + ".";
    }
    if (who.external()) {
      return "Oversight never applies to outsiders, even through a group.";
    }
    return who.name() + " has " + listed(oversights) + (added.isEmpty() ? ", which adds nothing that is not there." : ", which adds " + words(added) + ".");
  }

  private String noneNames(int count, String noun) {
    return count == 1
        ? "The one " + noun + " in force that reaches here does not name " + who.name() + "."
        : "None of the " + count + " " + noun + "s in force that reach here names " + who.name() + ".";
  }

  private static String listed(List<Guard> guards) {
    List<String> all = guards.stream().map(Guard::words).distinct().collect(Collectors.toList());
    if (all.size() == 1) {
      return all.get(0);
    }
    String last = all.remove(all.size() - 1);
    return String.join(", ", all) + " and " + last;
  }

  private static String words(Rights rights) {
    return rights.equals(Rights.ALL) ? "all nine rights" : String.join(", ", rights.words());
  }
}
