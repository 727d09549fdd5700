package rhetor.app.product;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/**
 * What sheets say of products is stored beside the products' own transaction, before they can be
 * seen, so it can't refer to them by a foreign key. In Java because the database chose the key's
 * name.
 */
@Component
class V26__FewerIndexes extends BaseJavaMigration {
  @Override
  public void migrate(Context context) throws Exception {
    Connection connection = context.getConnection();
    List<String> keys = new ArrayList<>();
    try (Statement statement = connection.createStatement()) {
      try (ResultSet rs =
          statement.executeQuery(
              "select constraint_name from information_schema.table_constraints where table_name = 'PRODUCT_SOURCE' and constraint_type = 'FOREIGN KEY'")) {
        while (rs.next()) {
          keys.add(rs.getString(1));
        }
      }
      for (String key : keys) {
        statement.execute("alter table product_source drop constraint \"" + key + "\"");
      }
      statement.execute("create index product_source_by_product on product_source (product_id)");
      // Readiness is looked for within stages, which have an index.
      statement.execute("drop index product_by_readiness");
    }
  }
}
