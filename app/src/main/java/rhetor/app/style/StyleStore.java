package rhetor.app.style;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the house's style with all its versions. */
@Repository
class StyleStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  StyleStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** A version as the history lists it. */
  record StyleVersion(long version, String note, String by, Instant at) {}

  long add(Style style, String note, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql("insert into house_style (body, note, made_by, made_at) values (?, ?, ?, ?)")
        .params(json.writeValueAsString(style), note, by, Timestamp.from(clock.instant()))
        .update(key, "version");
    return key.getKey().longValue();
  }

  /** The newest version's number, 0 if the house has decided nothing yet. */
  long newest() {
    return jdbc.sql("select coalesce(max(version), 0) from house_style").query(Long.class).single();
  }

  Optional<Style> find(long version) {
    return jdbc.sql("select body from house_style where version = ?")
        .param(version)
        .query((rs, i) -> json.readValue(rs.getString(1), Style.class))
        .optional();
  }

  List<StyleVersion> history() {
    return jdbc.sql(
            "select version, note, made_by, made_at from house_style order by version desc limit 100")
        .query(StyleStore::version)
        .list();
  }

  /** What a part of the house decides, and the number of that decision. */
  record KeptLayer(int version, StyleLayer layer) {}

  /** What parts of the house decide. */
  Map<LayerOwner, KeptLayer> layers() {
    Map<LayerOwner, KeptLayer> layers = new HashMap<>();
    jdbc.sql(
            "select kind, owner, version, layer from style_layer l where version = (select max(o.version) from style_layer o where o.kind = l.kind and o.owner = l.owner)")
        .query(
            rs -> {
              layers.put(
                  new LayerOwner(LayerOwner.Kind.valueOf(rs.getString(1)), rs.getString(2)),
                  layer(rs));
            });
    return layers;
  }

  Optional<KeptLayer> layer(LayerOwner owner) {
    return jdbc.sql(
            "select kind, owner, version, layer from style_layer where kind = ? and owner = ? order by version desc fetch first row only")
        .params(owner.kind().name(), owner.owner())
        .query((rs, i) -> layer(rs))
        .optional();
  }

  /** What a part of the house decided then. */
  Optional<KeptLayer> layer(LayerOwner owner, int version) {
    return jdbc.sql(
            "select kind, owner, version, layer from style_layer where kind = ? and owner = ? and version = ?")
        .params(owner.kind().name(), owner.owner(), version)
        .query((rs, i) -> layer(rs))
        .optional();
  }

  List<StyleVersion> history(LayerOwner owner) {
    return jdbc.sql(
            "select version, note, made_by, made_at from style_layer where kind = ? and owner = ? order by version desc limit 100")
        .params(owner.kind().name(), owner.owner())
        .query(StyleStore::version)
        .list();
  }

  private static StyleVersion version(ResultSet rs, int row) throws SQLException {
    return new StyleVersion(
        rs.getLong(1), rs.getString(2), rs.getString(3), rs.getTimestamp(4).toInstant());
  }

  private KeptLayer layer(ResultSet rs) throws SQLException {
    return new KeptLayer(rs.getInt(3), json.readValue(rs.getString(4), StyleLayer.class));
  }

  /**
   * Adds a version of what a part of the house decides.
   *
   * @return whether there was none of that number yet
   */
  boolean putLayer(LayerOwner owner, KeptLayer kept, String note, String by) {
    try {
      jdbc.sql(
              "insert into style_layer (kind, owner, version, layer, note, made_by, made_at) values (?, ?, ?, ?, ?, ?, ?)")
          .params(
              owner.kind().name(),
              owner.owner(),
              kept.version(),
              json.writeValueAsString(kept.layer()),
              note,
              by,
              Timestamp.from(clock.instant()))
          .update();
      return true;
    } catch (DuplicateKeyException e) {
      return false;
    }
  }

  void removeLayer(LayerOwner owner) {
    jdbc.sql("delete from style_layer where kind = ? and owner = ?")
        .params(owner.kind().name(), owner.owner())
        .update();
  }

  /** Words that one product's texts should have. */
  Optional<StyleLayer> words(long product) {
    return jdbc.sql("select layer from product_words where product_id = ?")
        .param(product)
        .query((rs, i) -> json.readValue(rs.getString(1), StyleLayer.class))
        .optional();
  }

  void putWords(long product, StyleLayer layer) {
    if (layer.equals(StyleLayer.NOTHING)) {
      jdbc.sql("delete from product_words where product_id = ?").param(product).update();
    } else {
      jdbc.sql("merge into product_words (product_id, layer) key (product_id) values (?, ?)")
          .params(product, json.writeValueAsString(layer))
          .update();
    }
  }
}
