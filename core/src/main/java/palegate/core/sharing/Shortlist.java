package palegate.core.sharing;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/**
 * Whom sharing proposes to the people of a unit, in order (section 12). It permits nothing.
 *
 * @param unit the id of the unit that it belongs to; a unit has one at most
 */
public record Shortlist(String unit, List<Audience> audiences) {
  public static final int AUDIENCES_AT_MOST = 12;

  /**
   * @param subject a group, a unit or all staff
   * @param text a sentence for the person who shares, or null
   */
  public record Audience(Subject subject, String name, String text) {
    public Audience {
      Objects.requireNonNull(subject);
      Objects.requireNonNull(name);
      WellFormed.require(WellFormed::name, name);
      WellFormed.require(WellFormed::text, text);
      if (subject instanceof Subject.OfPerson || subject == Subject.BuiltIn.OUTSIDERS) {
        throw new IllegalArgumentException("A shortlist proposes groups, units or all staff. Name one of them.");
      }
    }
  }

  public Shortlist {
    Objects.requireNonNull(unit);
    audiences = List.copyOf(audiences);
    if (audiences.isEmpty() || audiences.size() > AUDIENCES_AT_MOST) {
      throw new IllegalArgumentException("A shortlist of [" + audiences.size() + "] proposes nothing that is short. Name 1 to " + AUDIENCES_AT_MOST + ".");
    }
    if (new HashSet<>(audiences.stream().map(Audience::subject).toList()).size() < audiences.size()) {
      throw new IllegalArgumentException("The shortlist proposes the same audience twice. Name each once.");
    }
  }
}
