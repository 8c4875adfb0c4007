package palegate.server.session;

import java.util.Locale;

/** What an account may do in the console (access rules, section 9), as far as it exists yet. */
public enum Duty {
  /** Change grants, withholdings and breaks, by way of a draft. */
  ACCESS,
  /** Read everything, change nothing. */
  AUDIT,
  /** See why walls stand. */
  WALLS;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
