package palegate.core.questions;

/** Where what a person has at a place comes from: the foot of the paling. */
public enum Origin {
  /** An entry at the place itself gives it, to the person, their unit or a group they are in. */
  HERE,
  /** Only entries further up the tree give it. */
  ABOVE,
  /** Only by way of a group that stands inside another group. */
  THROUGH_GROUP,
  /** No entry gives it; an oversight here or above lets the person see. */
  OVERSIGHT,
  /** Nothing is given. */
  NONE
}
