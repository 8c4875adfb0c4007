package palegate.core.duties;

import java.util.Arrays;
import java.util.Locale;

/** What somebody may administer (access rules, section 9). Administering gives no rights on documents. */
public enum Duty {
  /** Change grants, withholdings, breaks, house rules, ceilings and which places there are, at a place and below; roles and rules of approval with the whole repository. */
  ACCESS(ScopeKind.PLACE),
  /** Read everything, change nothing. */
  AUDIT(ScopeKind.NONE),
  /** Raise, change and lift walls, and except people from them; see why walls stand. */
  WALLS(ScopeKind.NONE),
  /** Change people, units, groups and memberships: of a unit and below, or all. */
  PEOPLE(ScopeKind.UNIT),
  /** Change document types, their fields and clearances. */
  TYPES(ScopeKind.NONE),
  /** Appoint overseers, at a place and below. */
  OVERSIGHT(ScopeKind.PLACE),
  /** Run reviews, of a place and below. */
  ROUNDS(ScopeKind.PLACE),
  /** Settings, imports, and who holds which duty. */
  SYSTEM(ScopeKind.NONE);

  /** What a duty is limited to. */
  public enum ScopeKind {
    /** A place and everything below it; always named, for all of them it is the repository. */
    PLACE,
    /** A unit and the units below it; without one, everybody. */
    UNIT,
    NONE
  }

  private final ScopeKind scope;

  Duty(ScopeKind scope) {
    this.scope = scope;
  }

  public ScopeKind scope() {
    return scope;
  }

  /** The duties that let somebody change anything: by way of a draft. */
  public static Duty[] changing() {
    return Arrays.stream(values()).filter(duty -> duty != AUDIT && duty != ROUNDS).toArray(Duty[]::new);
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Duty parse(String word) {
    return valueOf(word.toUpperCase(Locale.ROOT));
  }
}
