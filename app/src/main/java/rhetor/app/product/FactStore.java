package rhetor.app.product;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.fact.CellInWords;
import rhetor.core.fact.HouseName;
import rhetor.core.fact.Settlement;
import rhetor.core.fact.Value;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what people say about facts: typed in, settled, and named in the house's way. */
@Repository
class FactStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  FactStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** A fact as it was typed in. */
  record Typed(String factId, String label, String text, String typedBy) {}

  List<Typed> typed(long product) {
    return jdbc.sql(
            "select fact_id, label, text, typed_by from typed_fact where product_id = ? order by typed_at, fact_id")
        .param(product)
        .query(Typed.class)
        .list();
  }

  void type(long product, Typed fact) {
    jdbc.sql(
            "merge into typed_fact (product_id, fact_id, label, text, typed_by, typed_at) key (product_id, fact_id) values (?, ?, ?, ?, ?, ?)")
        .params(product, fact.factId, fact.label, fact.text, fact.typedBy, now())
        .update();
  }

  void untype(long product, String factId) {
    jdbc.sql("delete from typed_fact where product_id = ? and fact_id = ?")
        .params(product, factId)
        .update();
  }

  List<Settlement> settled(long product) {
    return jdbc.sql("select fact_id, fact_value from settlement where product_id = ?")
        .param(product)
        .query(
            (rs, i) ->
                new Settlement(rs.getString(1), json.readValue(rs.getString(2), Value.class)))
        .list();
  }

  void settle(long product, Settlement settlement, String by) {
    jdbc.sql(
            "merge into settlement (product_id, fact_id, fact_value, settled_by, settled_at) key (product_id, fact_id) values (?, ?, ?, ?, ?)")
        .params(
            product,
            settlement.factId(),
            json.writerFor(Value.class).writeValueAsString(settlement.value()),
            by,
            now())
        .update();
  }

  void unsettle(long product, String factId) {
    jdbc.sql("delete from settlement where product_id = ? and fact_id = ?")
        .params(product, factId)
        .update();
  }

  private Timestamp now() {
    return Timestamp.from(clock.instant());
  }

  /** A house name as it is kept. */
  record Kept(long id, HouseName.Kind kind, String written, String printed) {
    HouseName name() {
      return new HouseName(kind, written, printed);
    }
  }

  List<Kept> houseNames() {
    return jdbc.sql("select id, kind, written, printed from house_name order by kind, written")
        .query(Kept.class)
        .list();
  }

  void addHouseName(HouseName name) {
    jdbc.sql("merge into house_name (kind, written, printed) key (kind, written) values (?, ?, ?)")
        .params(name.kind().name(), name.written(), name.printed())
        .update();
  }

  boolean removeHouseName(long id) {
    return jdbc.sql("delete from house_name where id = ?").param(id).update() == 1;
  }

  List<CellInWords> cellsInWords() {
    return jdbc.sql("select fact_id, written, words from cell_in_words")
        .query(CellInWords.class)
        .list();
  }

  void putInWords(CellInWords cell, String by) {
    jdbc.sql(
            "merge into cell_in_words (fact_id, written, words, said_by, said_at) key (fact_id, written) values (?, ?, ?, ?, ?)")
        .params(cell.factId(), cell.written(), cell.words(), by, now())
        .update();
  }

  void removeWords(String factId, String written) {
    jdbc.sql("delete from cell_in_words where fact_id = ? and written = ?")
        .params(factId, written)
        .update();
  }
}
