package palegate.core.drafts;

import java.util.List;
import java.util.Objects;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;

/** One step of a draft (section 8). The same shapes in the API, the core, and the journal. */
public sealed interface Change {
  /** The id of the place whose access list the change alters. */
  String place();

  /** Adds a grant. */
  record AddGrant(Grant grant) implements Change {
    public AddGrant {
      Objects.requireNonNull(grant);
    }

    @Override
    public String place() {
      return grant.place();
    }
  }

  /** Removes a grant that stands at the place. */
  record RemoveGrant(String place, String grant) implements Change {
    public RemoveGrant {
      Objects.requireNonNull(place);
      Objects.requireNonNull(grant);
    }
  }

  /** Adds a withholding. */
  record AddWithholding(Withholding withholding) implements Change {
    public AddWithholding {
      Objects.requireNonNull(withholding);
    }

    @Override
    public String place() {
      return withholding.place();
    }
  }

  /** Removes a withholding that stands at the place. */
  record RemoveWithholding(String place, String withholding) implements Change {
    public RemoveWithholding {
      Objects.requireNonNull(place);
      Objects.requireNonNull(withholding);
    }
  }

  /**
   * Breaks a place: from now on it stands alone.
   *
   * @param keepers grants at the place that the break makes as well, so that somebody governs
   * @param prefix begins the ids of the entries that carrying over makes
   */
  record Break(String place, Start start, List<Grant> keepers, String prefix) implements Change {
    public Break {
      Objects.requireNonNull(place);
      Objects.requireNonNull(start);
      Objects.requireNonNull(prefix);
      keepers = List.copyOf(keepers);
    }
  }

  /** What a broken place starts with. */
  enum Start {
    /** The entries that reached the place become its own. */
    CARRY_OVER,
    /** Nothing but the place's own entries. */
    EMPTY
  }

  /**
   * Lets a place follow its parent again and discards its own list.
   *
   * @param below whether the breaks further down are rejoined too
   */
  record Rejoin(String place, boolean below) implements Change {
    public Rejoin {
      Objects.requireNonNull(place);
    }
  }
}
