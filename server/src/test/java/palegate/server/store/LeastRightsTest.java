package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** The database user of the application has only what it needs. */
@ExtendWith(InDemo.class)
class LeastRightsTest {
  @Test
  void the_application_alters_no_table_and_neither_changes_nor_deletes_what_is_in_the_journal(TestApplication app) {
    JdbcClient jdbc = app.bean(JdbcClient.class);
    for (String forbidden : List.of("CREATE TABLE more (id INT)", "ALTER TABLE changes ADD COLUMN more INT", "DROP TABLE change_touches",
        "UPDATE changes SET note = 'nothing happened'", "DELETE FROM changes", "UPDATE change_touches SET thing = 'x'", "DELETE FROM change_touches", "DELETE FROM grants",
        "DELETE FROM place_states", "DELETE FROM place_labels", "UPDATE place_labels SET value = 'x'", "TRUNCATE TABLE changes", "SELECT * FROM mysql.user")) {
      assertThatThrownBy(() -> jdbc.sql(forbidden).update()).as(forbidden).rootCause().hasMessageContaining("denied");
    }
  }

  @Test
  void every_table_that_there_is_is_given_to_it_or_kept_from_it_on_purpose(TestApplication app) {
    JdbcClient owner = app.database().asOwner();
    List<String> tables = owner.sql("SELECT table_name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name <> 'flyway_schema_history'")
        .query(String.class).list();
    assertThat(tables).hasSizeGreaterThan(30);
    for (String table : tables) {
      assertThat(app.bean(JdbcClient.class).sql("SELECT COUNT(*) FROM " + table).query(Long.class).single()).as(table).isNotNegative();
    }
  }
}
