package palegate.core.viewpoint;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import palegate.core.structure.Structure;

/**
 * What an asker may know of one state, as a line of text: where two lines about the same state are equal, whatever was told under one may
 * be told under the other. What is cut from a state (section 9) follows from which things are left, so their ids are enough.
 */
public final class KnownDigest {
  private static final String WHOLE = "whole";

  private KnownDigest() {}

  /** The same whoever asks, in whatever order things are held. O(things × log) where something is cut, else O(1). */
  public static String of(Viewpoint viewpoint) {
    if (viewpoint.whole()) {
      return WHOLE;
    }
    Structure known = viewpoint.snapshot().structure();
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      for (Collection<String> ids : List.of(known.units().keySet(), known.people().keySet(), known.groups().keySet(), known.roles().keySet(), known.types().keySet(), known.places().keySet(),
          known.grants().keySet(), known.withholdings().keySet(), known.oversights().keySet(), known.walls().keySet(), known.approvals().keySet(), known.duties().keySet())) {
        String[] sorted = ids.toArray(String[]::new);
        Arrays.sort(sorted);
        digest.update((sorted.length + ":").getBytes(StandardCharsets.UTF_8));
        for (String id : sorted) {
          digest.update((id + "\n").getBytes(StandardCharsets.UTF_8));
        }
      }
      return "sha256:" + HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException everyPlatformHasIt) {
      throw new IllegalStateException(everyPlatformHasIt);
    }
  }
}
