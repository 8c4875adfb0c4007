package palegate.core.people;

import java.util.Objects;

/** A member of a group for a period; the same member may stand again for another one (section 1). */
public record Membership(Member member, Period period) {

  /** Who can be a member: a person or another group. */
  public sealed interface Member {
    String id();
  }

  public record PersonMember(String id) implements Member {}

  public record GroupMember(String id) implements Member {}

  public Membership {
    Objects.requireNonNull(member);
    Objects.requireNonNull(period);
  }
}
