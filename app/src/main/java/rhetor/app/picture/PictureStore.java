package rhetor.app.picture;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.image.PictureAnalysis;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps pictures and which products they show. */
@Repository
class PictureStore {
  private static final String PICTURE =
      "select x.*, p.sku, p.name from picture x left join product p on p.id = x.product_id ";

  private static final TypeReference<List<String>> LINES = new TypeReference<>() {};

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  PictureStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** Whether anybody has said that the picture shows its product. */
  enum Status {
    PROPOSED,
    CONFIRMED,
    UNMATCHED
  }

  /**
   * A picture as it is kept.
   *
   * @param productId the product it shows or seems to show, 0 if unknown
   * @param printed the lines printed on what it shows; empty where nobody has looked yet
   * @param told what a text model said that it shows; empty where none was asked
   */
  record Kept(
      long id,
      long productId,
      String sku,
      String name,
      String fileName,
      String storedAs,
      PictureAnalysis analysis,
      double confidence,
      String reason,
      Status status,
      Optional<List<String>> printed,
      Optional<List<String>> told) {}

  long add(
      long product,
      String fileName,
      String storedAs,
      PictureAnalysis analysis,
      double confidence,
      String reason,
      String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into picture (product_id, file_name, stored_as, hash, analysis, confidence, reason, status, created_by, created_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            java.util.Arrays.asList(
                product == 0 ? null : product,
                fileName,
                storedAs,
                analysis.hash(),
                json.writeValueAsString(analysis),
                confidence,
                reason,
                (product == 0 ? Status.UNMATCHED : Status.PROPOSED).name(),
                by,
                Timestamp.from(clock.instant())))
        .update(key, "id");
    return key.getKey().longValue();
  }

  private Kept read(ResultSet rs, int row) throws SQLException {
    return new Kept(
        rs.getLong("id"),
        rs.getLong("product_id"),
        orEmpty(rs.getString("sku")),
        orEmpty(rs.getString("name")),
        rs.getString("file_name"),
        rs.getString("stored_as"),
        json.readValue(rs.getString("analysis"), PictureAnalysis.class),
        rs.getDouble("confidence"),
        rs.getString("reason"),
        Status.valueOf(rs.getString("status")),
        lines(rs.getString("printed")),
        lines(rs.getString("told")));
  }

  private Optional<List<String>> lines(String stored) {
    return Optional.ofNullable(stored).map(s -> json.readValue(s, LINES));
  }

  void setTold(long id, List<String> lines) {
    jdbc.sql("update picture set told = ? where id = ?")
        .params(json.writeValueAsString(lines), id)
        .update();
  }

  /** The next picture of no product of which nobody has looked for what is printed on it. */
  Optional<Kept> unread() {
    return jdbc.sql(
            PICTURE + "where x.status = 'UNMATCHED' and x.printed is null order by x.id limit 1")
        .query(this::read)
        .optional();
  }

  int countUnread() {
    return jdbc.sql("select count(*) from picture where status = 'UNMATCHED' and printed is null")
        .query(Integer.class)
        .single();
  }

  void setPrinted(long id, List<String> lines) {
    jdbc.sql("update picture set printed = ? where id = ?")
        .params(json.writeValueAsString(lines), id)
        .update();
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }

  Optional<Kept> find(long id) {
    return jdbc.sql(PICTURE + "where x.id = ?").param(id).query(this::read).optional();
  }

  Optional<Kept> find(String storedAs, String fileName) {
    return jdbc.sql(PICTURE + "where x.stored_as = ? and x.file_name = ?")
        .params(storedAs, fileName)
        .query(this::read)
        .optional();
  }

  /** A picture's perceptual hash, for finding near-duplicates. */
  record Hash(long id, long hash, String fileName) {}

  List<Hash> hashes() {
    return jdbc.sql("select id, hash, file_name from picture order by id").query(Hash.class).list();
  }

  List<Kept> page(Status status, long after, int limit) {
    return jdbc.sql(PICTURE + "where x.status = ? and x.id > ? order by x.id limit ?")
        .params(status.name(), after, limit)
        .query(this::read)
        .list();
  }

  List<Kept> ofProduct(long product) {
    return jdbc.sql(PICTURE + "where x.product_id = ? order by x.id")
        .param(product)
        .query(this::read)
        .list();
  }

  int count(Status status) {
    return jdbc.sql("select count(*) from picture where status = ?")
        .param(status.name())
        .query(Integer.class)
        .single();
  }

  void setProduct(long id, long product, String reason) {
    jdbc.sql(
            "update picture set product_id = ?, confidence = 1, reason = ?, status = 'PROPOSED' where id = ?")
        .params(product, reason, id)
        .update();
  }

  boolean confirm(long id) {
    return jdbc.sql(
                "update picture set status = 'CONFIRMED' where id = ? and status = 'PROPOSED' and product_id is not null")
            .param(id)
            .update()
        == 1;
  }

  void unmatch(long id) {
    jdbc.sql(
            "update picture set product_id = null, status = 'UNMATCHED', confidence = 0, reason = 'A person said that it shows something else.' where id = ?")
        .param(id)
        .update();
  }

  void remove(long id) {
    jdbc.sql("delete from picture where id = ?").param(id).update();
  }
}
