package palegate.server.journal;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import palegate.core.duties.Duty;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;

/** The exact content of what sections 11 to 13 add, in words: rules of sharing, passes, shortlists and separations. */
final class SharingWords {
  private SharingWords() {}

  /** What it is called in a heading; null if it is none of them. */
  static String title(Names names, Object thing) {
    return thing instanceof SharingRule rule ? "Sharing at " + names.place(rule.place())
        : thing instanceof Pass pass ? "Pass to " + names.place(pass.place())
        : thing instanceof Shortlist list ? "Shortlist of " + names.unit(list.unit())
        : thing instanceof Separation separation ? separation.name() : null;
  }

  /** Whether it was one of them, and its fields have been put. */
  static boolean fields(Names names, Map<String, String> fields, Object thing) {
    if (thing instanceof SharingRule rule) {
      fields.put("place and below", names.place(rule.place()));
      fields.put("who shares", switch (rule.who()) {
        case NOBODY -> "nobody";
        case KEEPERS -> "only keepers";
        case SHARERS -> "whoever may share";
      });
      fields.put("with outsiders", rule.outsiders() ? "yes" : "no");
      AlteredWords.put(fields, "gives at most", rule.role() == null ? null : names.role(rule.role()));
      AlteredWords.put(fields, "days at most", rule.days() == null ? null : rule.days().toString());
    } else if (thing instanceof Pass pass) {
      fields.put("place", names.place(pass.place()));
      fields.put("role", names.role(pass.role()));
      fields.put("for", pass.audience().stream().map(names::subject).collect(Collectors.joining(", ")));
      fields.put("maker", names.person(pass.maker()));
      AlteredWords.period(fields, pass.period());
      AlteredWords.put(fields, "people at most", pass.uses() == null ? null : pass.uses().toString());
      AlteredWords.put(fields, "note", pass.note());
    } else if (thing instanceof Shortlist list) {
      fields.put("unit", names.unit(list.unit()));
      int position = 0;
      for (Shortlist.Audience audience : list.audiences()) {
        position++;
        fields.put("audience " + position, "\u201c" + audience.name() + "\u201d: " + names.subject(audience.subject()) + (audience.text() == null ? "" : " \u2013 " + audience.text()));
      }
    } else if (thing instanceof Separation separation) {
      fields.put("name", separation.name());
      AlteredWords.put(fields, "reason", separation.reason());
      fields.put("asks for approval", separation.needsApproval() ? "yes" : "no");
      fields.put("kept apart", separation.within() == Separation.Within.PLACE ? "at one place" : "anywhere");
      int position = 0;
      for (Separation.Side side : separation.sides()) {
        position++;
        side(names, fields, "side " + position + ": ", side);
      }
    } else {
      return false;
    }
    return true;
  }

  private static void side(Names names, Map<String, String> fields, String side, Separation.Side of) {
    AlteredWords.put(fields, side + "roles", names.all(of.roles(), names::role));
    AlteredWords.put(fields, side + "rights", of.rights().isEmpty() ? null : of.rights().toString());
    AlteredWords.put(fields, side + "groups", names.all(of.groups(), names::group));
    List<String> duties = of.duties().stream().sorted().map(Duty::word).toList();
    AlteredWords.put(fields, side + "duties", duties.isEmpty() ? null : String.join(", ", duties));
    AlteredWords.put(fields, side + "documents of the types", names.all(of.types(), names::type));
  }
}
