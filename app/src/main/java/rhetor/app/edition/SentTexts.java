package rhetor.app.edition;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Remembers what was sent to the shop, so that the house's own words are known again wherever they
 * come from.
 */
@Component
class SentTexts {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  SentTexts(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** Notes what is about to be sent, in a transaction of its own so that no crash forgets it. */
  void note(long product, long text, ShopContent content) {
    jdbc.sql(
            """
            merge into sent_text (product_id, text_id, hash, content, sent_at) key (product_id, hash)
            values (?, ?, ?, ?, ?)""")
        .params(
            product,
            text,
            content.hash(),
            json.writeValueAsString(content),
            Timestamp.from(clock.instant()))
        .update();
  }

  /** Whether Rhetor sent just this of a product at some time. */
  boolean isOurs(long product, ShopContent content) {
    return jdbc.sql("select count(*) from sent_text where product_id = ? and hash = ?")
            .params(product, content.hash())
            .query(Integer.class)
            .single()
        > 0;
  }

  /** All that was sent of a product, the last first. */
  List<ShopContent> of(long product) {
    return jdbc.sql(
            "select content from sent_text where product_id = ? order by sent_at desc, id desc limit 20")
        .param(product)
        .query((rs, i) -> json.readValue(rs.getString(1), ShopContent.class))
        .list();
  }
}
