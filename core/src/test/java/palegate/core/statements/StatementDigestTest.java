package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Two statements have the same digest only if they say the same, however often their cells repeat. */
class StatementDigestTest {
  private static final Instant AT = Instant.parse("2026-11-24T10:00:00Z");
  private static final Recipe RECIPE = Recipe.of(StatementKind.WALLS, "");
  private static final List<StatementTable.Column> COLUMNS = List.of(StatementTable.Column.key("a", "A", 10), StatementTable.Column.text("b", "B", 10));

  private static StatementTable table(List<List<String>> rows) {
    return new StatementTable("T", Map.of(), COLUMNS, () -> rows.stream().map(StatementTable.Row::new));
  }

  private static String digest(List<List<String>> rows) {
    return StatementDigest.of(RECIPE, AT, table(rows));
  }

  /** As it was before repeated cells were given as such, written anew: every cell whole, its length before it. */
  private static String plain(List<List<String>> rows) throws Exception {
    MessageDigest digest = MessageDigest.getInstance("SHA-256");
    List<String> cells = new ArrayList<>(List.of("pale-gate-statement 1", RECIPE.text(), AT.toString(), "a", "b"));
    rows.forEach(cells::addAll);
    for (String cell : cells) {
      byte[] bytes = cell.getBytes(StandardCharsets.UTF_8);
      digest.update(ByteBuffer.allocate(4).putInt(bytes.length).array());
      digest.update(bytes);
    }
    return "sha256:" + HexFormat.of().formatHex(digest.digest());
  }

  @Test
  void a_digest_of_before_is_still_known() throws Exception {
    List<List<String>> rows = List.of(List.of("x", "y"), List.of("x", ""), List.of("\u00e9".repeat(400_000), "y"));
    assertThat(StatementDigest.isOf(plain(rows), RECIPE, AT, table(rows))).isTrue();
    assertThat(StatementDigest.isOf(plain(rows), RECIPE, AT, table(rows.subList(0, 2)))).isFalse();
    assertThat(StatementDigest.isOf(digest(rows), RECIPE, AT, table(rows))).isTrue();
    assertThat(StatementDigest.isOf(digest(rows).replace("sha256-2:", "sha256:"), RECIPE, AT, table(rows))).as("the one kind is not taken for the other").isFalse();
    assertThat(StatementDigest.isOf(null, RECIPE, AT, table(rows))).isFalse();
  }

  @Test
  void whatever_is_altered_is_another_digest() {
    Map<String, List<List<String>>> known = new HashMap<>();
    for (long seed = 1; seed <= 2_000; seed++) {
      Random random = new Random(seed);
      List<List<String>> rows = new ArrayList<>();
      for (int i = 0; i < random.nextInt(6); i++) {
        rows.add(List.of(cell(random), cell(random)));
      }
      List<List<String>> held = known.putIfAbsent(digest(rows), rows);
      assertThat(held == null || held.equals(rows)).as("seed %d: %s and %s", seed, held, rows).isTrue();
      List<List<String>> turned = new ArrayList<>(rows);
      Collections.reverse(turned);
      assertThat(digest(turned).equals(digest(rows))).as("seed %d", seed).isEqualTo(turned.equals(rows));
    }
    assertThat(known).as("statements that differ").hasSizeGreaterThan(1_000);
  }

  /** Few of them, so that they repeat; some that share a place with others ("Aa" and "BB" have one hash), some long. */
  private static String cell(Random random) {
    return List.of("", "Aa", "BB", "C#", "Aa".repeat(300), "BB".repeat(300), "Aa".repeat(30), "BB".repeat(30), "\u0000\u0001", "x").get(random.nextInt(10));
  }

  /** As the class says it, written anew without anything that hurries it: a digest that was made of a statement must be found again for ever. */
  private static String literal(List<List<String>> rows) throws Exception {
    MessageDigest digest = MessageDigest.getInstance("SHA-256");
    String[] held = new String[1 << 17];
    List<String> cells = new ArrayList<>(List.of("pale-gate-statement 1", RECIPE.text(), AT.toString(), "a", "b"));
    rows.forEach(cells::addAll);
    for (String cell : cells) {
      int slot = cell.hashCode() * 0x9E3779B1 >>> 15;
      if (cell.length() <= 512 && cell.equals(held[slot])) {
        digest.update(ByteBuffer.allocate(4).putInt(1 << 24 | slot).array());
        continue;
      }
      if (cell.length() <= 512) {
        held[slot] = cell;
      }
      byte[] bytes = cell.getBytes(StandardCharsets.UTF_8);
      digest.update((byte) 0);
      digest.update(ByteBuffer.allocate(4).putInt(bytes.length).array());
      digest.update(bytes);
    }
    return "sha256-2:" + HexFormat.of().formatHex(digest.digest());
  }

  @Test
  void whatever_repeats_the_digest_is_the_one_that_is_described() throws Exception {
    for (long seed = 1; seed <= 400; seed++) {
      Random random = new Random(seed);
      List<List<String>> some = new ArrayList<>();
      for (int i = 0; i < 1 + random.nextInt(12); i++) {
        some.add(List.of(cell(random), cell(random)));
      }
      List<List<String>> rows = new ArrayList<>();
      // Whole runs come again, as the very same texts and as others that say the same.
      for (int run = 0; run < random.nextInt(8); run++) {
        int from = random.nextInt(some.size());
        boolean same = random.nextBoolean();
        some.subList(from, some.size()).forEach(row -> rows.add(same ? row : row.stream().map(cell -> new String(cell.toCharArray())).toList()));
      }
      assertThat(digest(rows)).as("seed %d", seed).isEqualTo(literal(rows));
    }
    List<List<String>> many = new ArrayList<>();
    for (int i = 0; i < 300_000; i++) {
      many.add(List.of("row " + i % 200_000, "name " + i % 997));
    }
    assertThat(digest(many)).as("more texts than there are places for").isEqualTo(literal(many));
  }

  @Test
  void a_long_statement_is_digested_in_pieces_as_in_one() {
    Random random = new Random(7);
    List<List<String>> rows = new ArrayList<>();
    for (int i = 0; i < 60_000; i++) {
      rows.add(List.of("row " + i + " " + "y".repeat(random.nextInt(40)), "z".repeat(random.nextInt(700))));
    }
    String whole = digest(rows);
    assertThat(digest(rows)).isEqualTo(whole);
    rows.set(59_999, List.of("row 59999 ", "altered"));
    assertThat(digest(rows)).isNotEqualTo(whole);
  }
}
