package palegate.core.rounds;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import palegate.core.people.Period;
import palegate.core.people.Subject;

/**
 * One thing that a reviewer is asked about, with the facts as they were when it was asked.
 *
 * @param key the same for the same thing, in any state
 * @param subject whom it is about
 * @param container where it stands: a group, place, wall or type by its id; of a duty, the word
 * @param containerName how it is called
 * @param role what it gives, by the id of a role; null where it is not about a role
 * @param people how many active people it concerns; {@code outsiders} are those of them from outside
 * @param risk the more, the sooner it is asked: outsiders, govern, no end, a person by name
 * @param sentence what it is
 * @param thing what the journal calls that which it belongs to, as {@code kind:id}
 */
public record ReviewItem(String key, ItemKind kind, Subject subject, String subjectName, String container, String containerName, String role, Period period, int people, int outsiders, int risk, String sentence, String thing) {

  /** The place at which it stands, if it stands at one. */
  public String place() {
    return kind.atPlaces() ? container : null;
  }

  /** Of what it is: another one says that something has changed since. How many people it concerns is not of it. */
  public String digest() {
    try {
      String facts = String.join("\u001f", key, sentence);
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(facts.getBytes(StandardCharsets.UTF_8))).substring(0, 24);
    } catch (NoSuchAlgorithmException everyPlatformHasIt) {
      throw new IllegalStateException(everyPlatformHasIt);
    }
  }
}
