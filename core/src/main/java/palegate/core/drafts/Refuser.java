package palegate.core.drafts;

/** Told of what cannot be made, and what would be right. */
@FunctionalInterface
interface Refuser {
  void refuse(Change change, String what, String remedy);
}
