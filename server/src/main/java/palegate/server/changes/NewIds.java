package palegate.server.changes;

import com.fasterxml.uuid.Generators;
import com.fasterxml.uuid.impl.TimeBasedEpochGenerator;

/**
 * Ids for new things: a letter or two that say of what kind, and a time-ordered UUID (version 7), so that none is given
 * twice, on any instance. What people read is the name, not the id.
 */
public final class NewIds {
  private static final TimeBasedEpochGenerator UUIDS = Generators.timeBasedEpochGenerator();

  private NewIds() {}

  public static String of(String prefix) {
    return prefix + "-" + UUIDS.generate();
  }
}
