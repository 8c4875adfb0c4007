package palegate.core.statements;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a statement can be about. */
public enum StatementKind {
  /** Who can reach a place and what is below it. */
  PLACE(About.A_PLACE),
  /** What a person, group, unit, all staff or all outsiders can reach. */
  SUBJECT(About.A_SUBJECT),
  /** Everyone at everything below a place, one row each, as short as can be. */
  EVERYONE(About.A_PLACE),
  /** Access lists as they stand: every entry, at the place where it stands. */
  LISTS(About.ANY_PLACE),
  /** Every place that stands alone, and what its break does. */
  BREAKS(About.ANY_PLACE),
  /** Walls, and whom they bar from what. */
  WALLS(About.EVERYTHING),
  /** People from outside: where they are members, and what they reach. */
  OUTSIDERS(About.ANY_PLACE),
  /** Who is cleared for guarded document types. */
  CLEARANCES(About.EVERYTHING),
  /** Who administers what, and who oversees what. */
  DUTIES(About.EVERYTHING),
  /** Documents that are private, frozen or checked out, with their owners. */
  CONDITIONS(About.ANY_PLACE),
  /** What people let others in by: shares and passes, with who made them and until when. */
  SHARES(About.ANY_PLACE),
  /** Roles, and where each is given. */
  ROLES(About.EVERYTHING),
  /** Groups with everybody in them, and by which chain. */
  GROUPS(About.EVERYTHING),
  /** Who opened what, took a copy of it, or was refused; kept by the server alone. */
  OPENINGS(About.ANY_PLACE),
  /** What was put in force between two days; kept by the server alone. */
  CHANGES(About.EVERYTHING),
  /** Who gained and lost what between two days, and by which change; kept by the server alone. */
  DIFFERENCE(About.ANY_PLACE),
  /** A round of review: who decided what when on what facts, and what has come of it; kept by the server alone. */
  ROUND(About.A_ROUND);

  /** What has to be named. */
  enum About {
    A_PLACE, A_SUBJECT, A_ROUND,
    /** A place may be named; without one it is the whole repository. */
    ANY_PLACE,
    EVERYTHING
  }

  private final About about;

  StatementKind(About about) {
    this.about = about;
  }

  public boolean needsPlace() {
    return about == About.A_PLACE;
  }

  public boolean needsSubject() {
    return about == About.A_SUBJECT;
  }

  public boolean needsRound() {
    return about == About.A_ROUND;
  }

  public boolean takesPlace() {
    return about == About.A_PLACE || about == About.ANY_PLACE;
  }

  /** Whether rows of people at places can be put together. */
  public boolean isGrouped() {
    return this == PLACE || this == SUBJECT;
  }

  /** Whether it is made from a structure alone, so that a bundle is enough. */
  public boolean isOfStructure() {
    return this != OPENINGS && this != CHANGES && this != DIFFERENCE && this != ROUND;
  }

  /** Whether it is about a stretch of time rather than an instant. */
  public boolean isOfPeriod() {
    return this == OPENINGS || this == CHANGES || this == DIFFERENCE;
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<StatementKind> parse(String word) {
    return Arrays.stream(values()).filter(kind -> kind.word().equals(word)).findFirst();
  }
}
