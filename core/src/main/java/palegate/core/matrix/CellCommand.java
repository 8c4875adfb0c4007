package palegate.core.matrix;

import java.util.Objects;
import palegate.core.roles.Rights;

/** What is wished of chosen cells. */
public sealed interface CellCommand {
  /** Each is to have just the rights of a role. */
  record SetRole(String role) implements CellCommand {
    public SetRole {
      Objects.requireNonNull(role);
    }
  }

  /** Each is to have these rights, and what they need, besides what it has. */
  record Add(Rights rights) implements CellCommand {
    public Add {
      Objects.requireNonNull(rights);
    }
  }

  /** Each is to have what it has without these, and without what needs them. */
  record Withhold(Rights rights) implements CellCommand {
    public Withhold {
      Objects.requireNonNull(rights);
    }
  }

  /** What is given and withheld at the place itself goes; what comes from elsewhere stays. */
  record Clear() implements CellCommand {}

  /** Each is to have just these rights: those of a chosen cell. */
  record Match(Rights rights) implements CellCommand {
    public Match {
      Objects.requireNonNull(rights);
    }
  }
}
