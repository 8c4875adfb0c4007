package palegate.server.store;

import java.util.List;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Brings the database up to what the application needs. For a day, on 29 November 2026, migration 26 made at once what 26 and 27 make now,
 * and 27 was what is 28: whoever installed then has the same tables under other numbers, and gets the numbers of everybody else.
 */
@Configuration
class Migrations {
  private static final String THEN = "findings are assigned and discussed";

  @Bean
  FlywayMigrationStrategy migrate() {
    return flyway -> {
      if (renumber(flyway)) {
        // The sums of these are those of the present files; nothing is run for them again.
        flyway.repair();
      }
      flyway.migrate();
    };
  }

  /** Whether anything was numbered anew. Two instances that start at once do it once. */
  private static boolean renumber(Flyway flyway) {
    JdbcClient jdbc = JdbcClient.create(flyway.getConfiguration().getDataSource());
    boolean migrated = jdbc.sql("SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name = 'flyway_schema_history'").query(Integer.class).single() == 1;
    return migrated && new TransactionTemplate(new DataSourceTransactionManager(flyway.getConfiguration().getDataSource())).execute(status -> {
      Optional<Integer> rank = jdbc.sql("SELECT installed_rank FROM flyway_schema_history WHERE version = '26' AND description = :then FOR UPDATE").param("then", THEN).query(Integer.class).optional();
      rank.ifPresent(at -> {
        named(jdbc, "27", "28", "limits of what is unused or forgotten");
        named(jdbc, "26", "27", THEN);
        List<Integer> later = jdbc.sql("SELECT installed_rank FROM flyway_schema_history WHERE installed_rank >= :at ORDER BY installed_rank DESC").param("at", at).query(Integer.class).list();
        later.forEach(one -> jdbc.sql("UPDATE flyway_schema_history SET installed_rank = installed_rank + 1 WHERE installed_rank = :one").param("one", one).update());
        jdbc.sql("""
            INSERT INTO flyway_schema_history (installed_rank, version, description, type, script, checksum, installed_by, installed_on, execution_time, success)
            SELECT :at, '26', 'findings are given and talked about', type, 'V26__findings_are_given_and_talked_about.sql', NULL, installed_by, installed_on, 0, 1
            FROM flyway_schema_history WHERE version = '27'
            """).param("at", at).update();
      });
      return rank.isPresent();
    });
  }

  private static void named(JdbcClient jdbc, String then, String now, String description) {
    jdbc.sql("UPDATE flyway_schema_history SET version = :now, description = :description, script = :script WHERE version = :then")
        .param("now", now).param("description", description).param("script", "V" + now + "__" + description.replace(' ', '_') + ".sql").param("then", then).update();
  }
}
