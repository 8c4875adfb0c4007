package palegate.server.session;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Random tokens, and the hashes under which they are kept: whoever reads the database cannot use them. */
final class Secrets {
  private static final SecureRandom RANDOM = new SecureRandom();
  private static final int BYTES = 32;

  private Secrets() {}

  static String fresh() {
    byte[] bytes = new byte[BYTES];
    RANDOM.nextBytes(bytes);
    return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }

  /** 64 letters of hexadecimal; tokens have enough chance in them to need no salt. */
  static String hash(String token) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException never) {
      throw new IllegalStateException("Every Java has SHA-256.", never);
    }
  }
}
