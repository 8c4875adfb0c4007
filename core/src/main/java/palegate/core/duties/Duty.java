package palegate.core.duties;

import java.util.Arrays;
import java.util.Locale;

/** What somebody may administer (access rules, section 9), as far as it exists yet. */
public enum Duty {
  /** Change access lists, breaks, house rules, ceilings, roles, and which places there are. */
  ACCESS,
  /** Read everything, change nothing. */
  AUDIT,
  /** Draft walls and except people from them; see why walls stand. */
  WALLS,
  /** Change people, units, groups and memberships. */
  PEOPLE,
  /** Change document types, their fields and clearances. */
  TYPES,
  /** Appoint overseers. */
  OVERSIGHT;

  /** The duties that let somebody change anything: by way of a draft. */
  public static Duty[] changing() {
    return Arrays.stream(values()).filter(duty -> duty != AUDIT).toArray(Duty[]::new);
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Duty parse(String word) {
    return valueOf(word.toUpperCase(Locale.ROOT));
  }
}
