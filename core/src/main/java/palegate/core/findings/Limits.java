package palegate.core.findings;

/**
 * From where on something is worth saying.
 *
 * @param soonDays what ends within so many days ends soon
 * @param checkedOutDays how long a document may be checked out
 * @param nearlySamePeople a break that does something to at most so many people is nearly the same as its parent
 * @param unusedDays what nobody has used for so many days is unused
 * @param draftDays a draft that was begun so many days ago is forgotten
 * @param evidenceAtMost so many lines of evidence are given
 */
public record Limits(int soonDays, int checkedOutDays, int nearlySamePeople, int unusedDays, int draftDays, int evidenceAtMost) {
  public static final Limits USUAL = new Limits(14, 14, 3, 180, 30, 8);
}
