package rhetor.app.template;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.app.web.Refused;
import rhetor.core.template.Template;
import tools.jackson.databind.json.JsonMapper;

/** Keeps templates with all their versions, and which texts were built after which. */
@Repository
class TemplateStore {
  private static final String NEWEST =
      "select t.id, t.name, t.version, v.body, v.approved from template t join template_version v on v.template_id = t.id and v.version = t.version";

  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  TemplateStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  private HouseTemplate template(ResultSet rs) throws SQLException {
    return new HouseTemplate(
        rs.getLong(1),
        rs.getString(2),
        rs.getInt(3),
        json.readValue(rs.getString(4), Template.class),
        rs.getBoolean(5));
  }

  List<HouseTemplate> all() {
    return jdbc.sql(NEWEST + " order by t.name_key").query((rs, i) -> template(rs)).list();
  }

  Optional<HouseTemplate> find(long id) {
    return jdbc.sql(NEWEST + " where t.id = ?").param(id).query((rs, i) -> template(rs)).optional();
  }

  /** A version as the history lists it. */
  record TemplateVersion(int version, String by, Instant at) {}

  List<TemplateVersion> versions(long id) {
    return jdbc.sql(
            "select version, made_by, made_at from template_version where template_id = ? order by version desc limit 100")
        .param(id)
        .query(
            (rs, i) ->
                new TemplateVersion(rs.getInt(1), rs.getString(2), rs.getTimestamp(3).toInstant()))
        .list();
  }

  Optional<Template> version(long id, int version) {
    return jdbc.sql("select body from template_version where template_id = ? and version = ?")
        .params(id, version)
        .query((rs, i) -> json.readValue(rs.getString(1), Template.class))
        .optional();
  }

  long add(String name, Template template, boolean approved, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    unique(
        name,
        () ->
            jdbc.sql("insert into template (name, version) values (?, 1)")
                .param(name)
                .update(key, "id"));
    long id = key.getKey().longValue();
    addVersion(id, 1, template, approved, by);
    return id;
  }

  private void addVersion(long id, int version, Template template, boolean approved, String by) {
    jdbc.sql(
            "insert into template_version (template_id, version, body, approved, made_by, made_at) values (?, ?, ?, ?, ?, ?)")
        .params(
            id,
            version,
            json.writeValueAsString(template),
            approved,
            by,
            Timestamp.from(clock.instant()))
        .update();
  }

  /** Makes a version the newest; false if somebody was faster. */
  boolean put(long id, String name, int version, Template template, boolean approved, String by) {
    int[] changed = new int[1];
    unique(
        name,
        () ->
            changed[0] =
                jdbc.sql("update template set name = ?, version = ? where id = ? and version = ?")
                    .params(name, version, id, version - 1)
                    .update());
    if (changed[0] == 0) {
      return false;
    }
    addVersion(id, version, template, approved, by);
    return true;
  }

  /** Lets the newest version decide otherwise than the house; false if it is another by now. */
  boolean approve(long id, int version) {
    return jdbc.sql(
                """
                update template_version set approved = true where template_id = ? and version = ?
                  and version = (select t.version from template t where t.id = template_id)""")
            .params(id, version)
            .update()
        == 1;
  }

  private static void unique(String name, Runnable change) {
    try {
      change.run();
    } catch (DuplicateKeyException e) {
      throw Refused.conflict("There is a template called \"%s\" already.".formatted(name));
    }
  }

  void remove(long id) {
    jdbc.sql("delete from template where id = ?").param(id).update();
  }

  /** The template that a product's texts were built after. */
  Optional<HouseTemplate> of(long product) {
    return jdbc.sql(NEWEST + " join built_after b on b.template_id = t.id where b.product_id = ?")
        .param(product)
        .query((rs, i) -> template(rs))
        .optional();
  }

  /** Notes what a product's texts were built after; 0 for no template. */
  void builtAfter(long product, long template) {
    if (template == 0) {
      jdbc.sql("delete from built_after where product_id = ?").param(product).update();
    } else {
      jdbc.sql("merge into built_after (product_id, template_id) key (product_id) values (?, ?)")
          .params(product, template)
          .update();
    }
  }

  int texts(long template) {
    return jdbc.sql("select count(*) from built_after where template_id = ?")
        .param(template)
        .query(Integer.class)
        .single();
  }
}
