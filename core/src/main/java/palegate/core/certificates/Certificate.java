package palegate.core.certificates;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import palegate.core.bundle.BundleWriter;
import palegate.core.changes.ChangeJson;
import palegate.core.changes.WallChange;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What was proved of which walls, in words that can be checked: the digest of the state and of each wall's definition, how many pairs
 * were asked about, and what leaked. It is written as JSON: {@code {"format": "pale-gate-certificate", "version": 1, …}}.
 *
 * @param at the instant that was asked about
 * @param bundleDigest {@code sha256:} and the digest of the bundle
 */
public record Certificate(Instant at, String bundleDigest, List<Proved> walls) {
  /** One wall's proof; {@code definition} is the digest of the wall as it was then. */
  public record Proved(String wall, String name, String definition, boolean planned, Instant provedFor, long pairs, long leaks, long explained, long explainedLeaks, long seed) {
    public static Proved of(Wall wall, WallProof proof) {
      return new Proved(wall.id(), wall.name(), digestOf(wall), proof.planned(), proof.at(), proof.pairs(), proof.leaks(), proof.explained(), proof.explainedLeaks(), proof.seed());
    }
  }

  private static final String FORMAT = "pale-gate-certificate";
  private static final JsonMapper JSON = JsonMapper.shared();

  public Certificate {
    walls = List.copyOf(walls);
  }

  public boolean holds() {
    return walls.stream().allMatch(wall -> wall.leaks() == 0 && wall.explainedLeaks() == 0);
  }

  /** The digest of a state, as it is written in a bundle without a number of a change: the same state has the same. O(structure). */
  public static String digest(Structure structure) {
    MessageDigest digest = sha256();
    try (DigestOutputStream out = new DigestOutputStream(OutputStream.nullOutputStream(), digest)) {
      BundleWriter.write(structure, out);
    } catch (IOException impossible) {
      throw new UncheckedIOException(impossible);
    }
    return text(digest.digest());
  }

  /** The digest of some bytes, as a bundle's file. */
  public static String digest(byte[] bytes) {
    return text(sha256().digest(bytes));
  }

  /** The digest of a wall's definition: of all that it says but its name and reason. */
  public static String digestOf(Wall wall) {
    ObjectNode json = (ObjectNode) ChangeJson.write(new WallChange.SetWall(wall));
    json.remove(List.of("kind", "name", "reason"));
    return digest(json.toString().getBytes(StandardCharsets.UTF_8));
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException missing) {
      throw new IllegalStateException("Every Java has SHA-256.", missing);
    }
  }

  private static String text(byte[] digest) {
    return "sha256:" + HexFormat.of().formatHex(digest);
  }

  public String toJson() {
    ObjectNode json = JSON.createObjectNode().put("format", FORMAT).put("version", 1).put("at", at.toString()).put("bundleDigest", bundleDigest);
    ArrayNode array = json.putArray("walls");
    walls.forEach(wall -> array.addObject().put("wall", wall.wall()).put("name", wall.name()).put("definition", wall.definition()).put("planned", wall.planned()).put("provedFor", wall.provedFor().toString())
        .put("pairs", wall.pairs()).put("leaks", wall.leaks()).put("explained", wall.explained()).put("explainedLeaks", wall.explainedLeaks()).put("seed", Long.toString(wall.seed())));
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(json);
  }

  /** Reads one; empty if the text is no certificate of this form. */
  public static Optional<Certificate> read(String text) {
    try {
      JsonNode json = JSON.readTree(text);
      if (!FORMAT.equals(json.path("format").asString("")) || json.path("version").asInt(0) != 1 || !json.path("walls").isArray()) {
        return Optional.empty();
      }
      List<Proved> walls = new ArrayList<>();
      for (JsonNode wall : json.path("walls")) {
        walls.add(new Proved(wall.path("wall").asString(), wall.path("name").asString(""), wall.path("definition").asString(""), wall.path("planned").asBoolean(false), Instant.parse(wall.path("provedFor").asString(json.path("at").asString())),
            wall.path("pairs").asLong(), wall.path("leaks").asLong(), wall.path("explained").asLong(0), wall.path("explainedLeaks").asLong(0), Long.parseLong(wall.path("seed").asString("0"))));
      }
      return Optional.of(new Certificate(Instant.parse(json.path("at").asString()), json.path("bundleDigest").asString(), walls));
    } catch (JacksonException | DateTimeParseException | NumberFormatException unread) {
      return Optional.empty();
    }
  }
}
