package palegate.core.questions;

import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.snapshot.SnapshotAt;

/**
 * What a link promises and what it keeps: whoever finds the link need not have anything where it leads, for access to that is
 * decided there (section 1). Two sets of people are met: it costs as much as the people there are, a bit each.
 *
 * @param finding how many can find the link
 * @param opening how many of them can read the place that it shows
 */
public record LinkReach(int finding, int opening) {
  public static LinkReach of(SnapshotAt moment, int link, int target) {
    PersonSet finding = moment.holdersOf(Right.FIND, link);
    return new LinkReach(finding.size(), finding.and(moment.holdersOf(Right.READ, target)).size());
  }
}
