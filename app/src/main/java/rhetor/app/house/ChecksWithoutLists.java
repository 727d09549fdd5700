package rhetor.app.house;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.stereotype.Component;

/**
 * Puts comparisons in place of checks that hold a list: H2 binds {@code check (x in (...))} to the
 * connection that used it first, and every change of the table fails once that one is closed.
 */
@Component
class ChecksWithoutLists implements JavaMigration {
  private static final Pattern LIST = Pattern.compile("\"(\\w+)\" IN\\((.+)\\)");

  @Override
  public MigrationVersion getVersion() {
    return MigrationVersion.fromVersion("13");
  }

  @Override
  public String getDescription() {
    return "checks without lists";
  }

  @Override
  public Integer getChecksum() {
    return null;
  }

  @Override
  public boolean canExecuteInTransaction() {
    return true;
  }

  private record Check(String table, String name, String clause) {}

  @Override
  public void migrate(Context context) throws SQLException {
    Connection connection = context.getConnection();
    JdbcClient jdbc = JdbcClient.create(new SingleConnectionDataSource(connection, true));
    List<Check> checks =
        jdbc.sql(
                """
                select t.table_name as "table", c.constraint_name as name, c.check_clause as clause
                from information_schema.check_constraints c
                join information_schema.table_constraints t on t.constraint_name = c.constraint_name
                  and t.constraint_schema = c.constraint_schema
                where c.check_clause like '%IN(%'""")
            .query(Check.class)
            .list();
    for (Check check : checks) {
      Matcher list = LIST.matcher(check.clause);
      if (!list.matches()) {
        throw new IllegalStateException("A check of another shape: " + check);
      }
      String column = list.group(1);
      jdbc.sql("alter table \"%s\" drop constraint \"%s\"".formatted(check.table, check.name))
          .update();
      jdbc.sql(
              "alter table \"%s\" add constraint \"%s_%s_KNOWN\" check (case \"%s\" when %s then true else \"%s\" is null end)"
                  .formatted(
                      check.table,
                      check.table,
                      column,
                      column,
                      String.join(" then true when ", list.group(2).split(", ")),
                      column))
          .update();
    }
  }
}
