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
 * be told under the other. What is cut from a state (section 9) follows from which things are left, so their ids are enough; some things
 * are told to holders of a duty alone, whatever they may know, so the duties held belong to it.
 */
public final class KnownDigest {
  private KnownDigest() {}

  /** The same in whatever order things are held. O(things × log) where something is cut, else O(duties held). */
  public static String of(Viewpoint viewpoint) {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      add(digest, viewpoint.asker().held().stream().map(held -> held.duty().word() + " " + held.place() + " " + held.unit()).toList());
      if (!viewpoint.whole()) {
        Structure known = viewpoint.snapshot().structure();
        List.of(known.units().keySet(), known.people().keySet(), known.groups().keySet(), known.roles().keySet(), known.types().keySet(), known.places().keySet(), known.grants().keySet(),
            known.withholdings().keySet(), known.oversights().keySet(), known.walls().keySet(), known.approvals().keySet(), known.duties().keySet(),
            known.sharing().keySet(), known.passes().keySet(), known.shortlists().keySet(), known.separations().keySet()).forEach(ids -> add(digest, ids));
      }
      return "sha256:" + HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException everyPlatformHasIt) {
      throw new IllegalStateException(everyPlatformHasIt);
    }
  }

  private static void add(MessageDigest digest, Collection<String> texts) {
    String[] sorted = texts.toArray(String[]::new);
    Arrays.sort(sorted);
    digest.update((sorted.length + ":").getBytes(StandardCharsets.UTF_8));
    for (String text : sorted) {
      digest.update((text + "\n").getBytes(StandardCharsets.UTF_8));
    }
  }
}
