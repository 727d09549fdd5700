package rhetor.app.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;

class ChecksWithoutListsTest {
  private static final String ADD =
      "insert into person (email, name, role, password, created_at) values (?, 'N', ?, 'x', current_timestamp)";

  @TempDir Path data;

  private HikariDataSource open() {
    HikariDataSource pool = new HikariDataSource();
    pool.setJdbcUrl("jdbc:h2:file:" + data.resolve("rhetor"));
    pool.setUsername("rhetor");
    pool.setPassword("");
    pool.setMinimumIdle(1);
    return pool;
  }

  private static Flyway flyway(HikariDataSource pool, String target) {
    return Flyway.configure()
        .dataSource(pool)
        .locations("classpath:db/migration")
        .javaMigrations(new ChecksWithoutLists())
        .target(target)
        .load();
  }

  /** A house that was made by an earlier Rhetor and is opened by this one. */
  @Test
  void a_table_can_be_changed_after_the_pool_has_retired_its_connections() {
    try (HikariDataSource pool = open()) {
      flyway(pool, "12").migrate();
      JdbcClient jdbc = JdbcClient.create(pool);
      jdbc.sql(ADD).params("old@test.example", "OWNER").update();
    }
    try (HikariDataSource pool = open()) {
      flyway(pool, "latest").migrate();
      JdbcClient jdbc = JdbcClient.create(pool);
      jdbc.sql(ADD).params("a@test.example", "OWNER").update();
      for (int i = 0; i < 3; i++) {
        pool.getHikariPoolMXBean().softEvictConnections();
        jdbc.sql(ADD).params(i + "@test.example", "READER").update();
      }
      assertThat(jdbc.sql("select count(*) from person").query(Long.class).single()).isEqualTo(5);
    }
  }

  @Test
  void unknown_values_are_still_refused_and_missing_ones_taken_where_a_column_may_lack_them() {
    try (HikariDataSource pool = open()) {
      flyway(pool, "latest").migrate();
      JdbcClient jdbc = JdbcClient.create(pool);
      assertThatThrownBy(() -> jdbc.sql(ADD).params("b@test.example", "KING").update())
          .isInstanceOf(DataIntegrityViolationException.class);
      String channel =
          "insert into channel (name, spelling, takes_markup, made_by, made_at) values (?, ?, true, 'x', current_timestamp)";
      jdbc.sql(channel).params("A", null).update();
      jdbc.sql(channel).params("B", "AMERICAN").update();
      assertThatThrownBy(() -> jdbc.sql(channel).params("C", "KLINGON").update())
          .isInstanceOf(DataIntegrityViolationException.class);
    }
  }

  @Test
  void no_check_of_the_schema_holds_a_list() {
    try (HikariDataSource pool = open()) {
      flyway(pool, "latest").migrate();
      assertThat(
              JdbcClient.create(pool)
                  .sql("select check_clause from information_schema.check_constraints")
                  .query(String.class)
                  .list())
          .isNotEmpty()
          .noneMatch(c -> c.contains(" IN("));
    }
  }
}
