package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/** Whoever has installed an earlier state is brought up to this one, and loses nothing. */
class MigrationsTest {
  /**
   * An installation that has run a migration does not start with another one of its number. Lines are only ever added to that file, once a
   * migration has landed: what it should have been is a migration more.
   */
  @Test
  void what_has_landed_is_never_altered_or_renamed() throws Exception {
    List<String> landed = new String(read("/landed-migrations.sha256"), StandardCharsets.UTF_8).lines().toList();
    assertThat(landed).hasSizeGreaterThan(25);
    for (String line : landed) {
      String name = line.substring(66);
      assertThat(HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(read("/db/migration/" + name)))).as(name).isEqualTo(line.substring(0, 64));
    }
  }

  private static byte[] read(String resource) throws IOException {
    try (InputStream in = MigrationsTest.class.getResourceAsStream(resource)) {
      assertThat(in).as("%s is there", resource).isNotNull();
      return in.readAllBytes();
    }
  }

  @Test
  void who_saw_to_a_finding_and_what_was_said_is_there_under_the_new_names() {
    try (TestDatabase database = TestDatabase.start()) {
      Flyway.configure().dataSource(database.url(), "palegate_owner", database.ownerPassword()).locations("classpath:db/migration").target("26").load().migrate();
      JdbcClient owner = database.asOwner();
      owner.sql("INSERT INTO accounts (login, name, password_hash) VALUES ('old.hand', 'Old Hand', '{noop}x')").update();
      owner.sql("INSERT INTO finding_carers (finding_key, carer, given_by, given_at) VALUES ('group-empty group:g', 'old.hand', 'old.hand', '2026-11-29 13:00:00')").update();
      owner.sql("INSERT INTO finding_remarks (finding_key, written_by, written_at, remark) VALUES ('group-empty group:g', 'old.hand', '2026-11-29 13:01:00', 'Wanted in spring')").update();
      owner.sql("INSERT INTO finding_limits (soon_days, checked_out_days, nearly_same_people) VALUES (7, 21, 5)").update();
      try (TestApplication app = TestApplication.startEmpty(database)) {
        FindingFollowUps followUps = app.bean(FindingFollowUps.class);
        assertThat(followUps.of(List.of("group-empty group:g")).get("group-empty group:g").name()).isEqualTo("Old Hand");
        assertThat(followUps.comments("group-empty group:g")).singleElement().satisfies(comment -> assertThat(comment.text()).isEqualTo("Wanted in spring"));
        FindingSettings.Settings settings = app.bean(FindingSettings.class).now();
        assertThat(settings.limits().checkedOutDays()).as("what was set").isEqualTo(21);
        assertThat(settings.limits().unusedDays()).as("what could not be set then").isEqualTo(180);
      }
    }
  }

  /** For a day 26 and 27 were others: what they made is what 26 to 28 make. */
  @Test
  void whoever_installed_when_two_migrations_had_other_numbers_goes_on_with_all_that_is_there() {
    try (TestDatabase database = TestDatabase.start()) {
      Flyway.configure().dataSource(database.url(), "palegate_owner", database.ownerPassword()).locations("classpath:db/migration").target("25").load().migrate();
      Flyway.configure().dataSource(database.url(), "palegate_owner", database.ownerPassword()).locations("classpath:db/as-of-29-november").ignoreMigrationPatterns("*:missing").load().migrate();
      JdbcClient owner = database.asOwner();
      owner.sql("INSERT INTO accounts (login, name, password_hash) VALUES ('old.hand', 'Old Hand', '{noop}x')").update();
      owner.sql("INSERT INTO finding_assignments (finding_key, assignee, assigned_by, assigned_at) VALUES ('group-empty group:g', 'old.hand', 'old.hand', '2026-11-29 18:00:00')").update();
      owner.sql("INSERT INTO finding_limits (soon_days, checked_out_days, nearly_same_people, unused_days, draft_days) VALUES (7, 21, 5, 90, 30)").update();
      for (String start : List.of("first", "again")) {
        try (TestApplication app = TestApplication.startEmpty(database)) {
          assertThat(app.bean(FindingFollowUps.class).of(List.of("group-empty group:g")).get("group-empty group:g").name()).as(start).isEqualTo("Old Hand");
          assertThat(app.bean(FindingSettings.class).now().limits().unusedDays()).as(start).isEqualTo(90);
        }
      }
      assertThat(owner.sql("SELECT version FROM flyway_schema_history WHERE version >= 25 ORDER BY installed_rank").query(Integer.class).list()).startsWith(25, 26, 27, 28, 29);
      assertThat(columns(owner)).as("as whoever installs today has it").isEqualTo(columnsOfToday());
    }
  }

  private static List<String> columnsOfToday() {
    try (TestDatabase database = TestDatabase.start()) {
      Flyway.configure().dataSource(database.url(), "palegate_owner", database.ownerPassword()).locations("classpath:db/migration").load().migrate();
      return columns(database.asOwner());
    }
  }

  private static List<String> columns(JdbcClient owner) {
    return owner.sql("""
        SELECT CONCAT_WS(' ', table_name, column_name, column_type, is_nullable, column_key) FROM information_schema.columns
        WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position
        """).query(String.class).list();
  }
}
