package palegate.core.access;

import java.time.Instant;
import java.util.List;
import palegate.core.people.Period;
import palegate.core.roles.Rights;

/**
 * Why a person has the rights they have at a place: every stage with what it made of the set, and
 * what acted in it (section 6).
 *
 * @param person the person's id
 * @param place the place's id
 * @param rights the result of the last stage: rights now
 * @param standing the same without stage 8: what the structure gives
 * @param stages in the order of section 6, up to the one that ended the evaluation
 * @param withoutWalls what would hold with no wall at all; null if no wall bars the person
 * @param silent entries that name the person but do not act here, each with the reason
 */
public record Trace(
    String person, String place, Instant instant, Rights rights, Rights standing, List<Step> stages,
    WithoutWalls withoutWalls, List<Silent> silent) {
  public Trace {
    stages = List.copyOf(stages);
    silent = List.copyOf(silent);
  }

  /** The answer as if there were no wall: the stages after the walls, and what they come to. */
  public record WithoutWalls(Rights rights, Rights standing, List<Step> stages) {
    public WithoutWalls {
      stages = List.copyOf(stages);
    }
  }

  /**
   * One stage.
   *
   * @param reason a sentence, there for every stage, also when nothing matched
   * @param acting the entries that acted: in the stages of grants and withholdings
   * @param guards what acted in all other stages
   */
  public record Step(int number, String title, Rights before, Rights after, String reason, List<Acting> acting, List<Guard> guards) {
    public Step {
      acting = List.copyOf(acting);
      guards = List.copyOf(guards);
    }
  }

  /**
   * An entry that acted.
   *
   * @param rights what it gives, or takes
   * @param here whether it stands at the place asked about rather than above it
   * @param paths the chains of memberships by which it matched, shortest first
   * @param morePaths whether there are chains beyond those listed
   */
  public record Acting(Entry entry, Rights rights, boolean here, List<MembershipPath> paths, boolean morePaths) {
    public Acting {
      paths = List.copyOf(paths);
    }
  }

  /**
   * A wall, clearance, ceiling, house rule, condition or oversight that acted.
   *
   * @param kind wall, clearance, ceiling, houseRule, condition or oversight
   * @param id the id of the wall or oversight, or of the place where a ceiling or rule stands; else null
   * @param words what it is, in a few words
   * @param reason a wall's reason, for those who may see it; else null
   * @param rights what it leaves or gives; null where it does not name rights
   */
  public record Guard(String kind, String id, String words, String reason, Rights rights, List<MembershipPath> paths, boolean morePaths) {
    public Guard {
      paths = List.copyOf(paths);
    }
  }

  /** A chain from the person up to the subject; empty if the entry names the person or everyone. */
  public record MembershipPath(List<Link> links) {
    public MembershipPath {
      links = List.copyOf(links);
    }
  }

  /** One link of the chain: the group or unit joined, and for how long. */
  public record Link(String kind, String id, Period period) {}

  /** An entry that names the person and does nothing here now. */
  public record Silent(Entry entry, Why why) {}

  /** Why an entry that would match does not act. */
  public enum Why {
    NOT_YET("it has not begun"),
    ENDED("it has ended"),
    OTHER_TYPES("it is narrowed to other document types"),
    BEHIND_A_BREAK("a break below it stops it");

    private final String words;

    Why(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }
}
