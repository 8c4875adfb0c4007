package palegate.core.access.stages;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.roles.Rights;

/** What the stages ask about all people at once, at one place at one instant. */
public interface EveryoneAtPlace {
  RoaringBitmap active();

  List<Line> grants();

  List<Line> withholdings();

  /** The people whom an entry matches, and its rights. The bitmap is only to be read. */
  record Line(RoaringBitmap people, Rights rights) {}
}
