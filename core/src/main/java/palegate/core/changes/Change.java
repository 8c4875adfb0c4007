package palegate.core.changes;

import palegate.core.duties.Duty;

/**
 * One step of a draft (section 8). Each kind is one record that says all there is to say about it: how it is written down (its
 * {@link Shape}), what it touches, which duty it takes, how it is made, and how it reads in words. The API, drafts, the journal and
 * files of changes all write it the same way.
 *
 * <p>What undoes a change is found from what it altered, part by part, and not from its kind: see {@code palegate.core.reversal}.
 */
public sealed interface Change
    permits ChangeAtPlace, PeopleChange, MembershipChange, RoleChange, TypeChange, ClearanceChange, WallChange, ApprovalChange, DutyChange,
    PassChange, ShortlistChange, SeparationChange {
  ChangeKind kind();

  /** What the change is about, as kind and id joined by a colon; two changes with the same thing touch the same. */
  String thing();

  /** The duty that it takes (section 9). */
  Duty duty();

  /** Makes it, or refuses it with all its faults; either way the changes after it are made. Cost: what it touches. */
  void make(Making on);

  /** What it does, as a sentence without a full stop; names are those before it or, of what a draft makes, those after it. */
  String words(Wording names);
}
