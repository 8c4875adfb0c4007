package palegate.core.literal;

import java.time.Instant;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;

/** The literal rules, answered as the engine answers. */
final class Literally {
  static final long FIRST_SEED = 20_261_002L;

  private Literally() {}

  static Rights standing(Structure structure, String person, String place, Instant instant) {
    return Rights.copyOf(LiteralRules.standing(structure, person, place, instant));
  }

  static Rights now(Structure structure, String person, String place, Instant instant) {
    return Rights.copyOf(LiteralRules.rights(structure, person, place, instant));
  }
}
