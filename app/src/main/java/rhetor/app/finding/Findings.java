package rhetor.app.finding;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.check.Audit;
import rhetor.core.check.Mark;
import rhetor.core.style.Field;

/** Keeps what the checks found, counted by cause, so that an audit needn't read the texts. */
@Repository
public class Findings {
  private final JdbcClient jdbc;
  private final JdbcTemplate template;

  Findings(JdbcClient jdbc, JdbcTemplate template) {
    this.jdbc = jdbc;
    this.template = template;
  }

  /**
   * Something that is wrong with several products' texts.
   *
   * @param cause the check that found it, such as {@code length}
   * @param products how many products have it
   * @param marks how often it is found
   * @param mendable how many of the marks can be mended by computation
   * @param fields where it is found
   */
  public record Cause(
      String cause,
      Mark.Weight weight,
      int products,
      int marks,
      int mendable,
      List<CauseField> fields) {}

  /** How many products have a cause in a field, by the field's code. */
  public record CauseField(String field, int products) {}

  private record Key(String field, String cause, Mark.Weight weight) {}

  /** Takes the place of what was found in a product's texts before. */
  public void put(long product, Audit audit) {
    forget(product);
    if (audit.marks().isEmpty()) {
      return;
    }
    Map<String, Object[]> rows = new TreeMap<>();
    for (Mark mark : audit.marks()) {
      Key key = new Key(mark.field().name(), mark.check(), mark.weight());
      Object[] row =
          rows.computeIfAbsent(
              key.toString(),
              k -> new Object[] {product, key.field, key.cause, key.weight.name(), 0, 0});
      row[4] = (int) row[4] + 1;
      row[5] = (int) row[5] + (mark.mends() ? 1 : 0);
    }
    template.batchUpdate(
        "insert into finding (product_id, field, cause, weight, marks, mendable) values (?, ?, ?, ?, ?, ?)",
        List.copyOf(rows.values()));
  }

  /** Codes of the fields of a product in which something must be fixed. */
  public List<String> fieldsToFix(long product) {
    return jdbc
        .sql(
            "select distinct field from finding where product_id = ? and weight = 'MUST_FIX' order by field")
        .param(product)
        .query(String.class)
        .list()
        .stream()
        .map(f -> Field.valueOf(f).code())
        .toList();
  }

  /** Takes away what was found in a product's texts. */
  public void forget(long product) {
    jdbc.sql("delete from finding where product_id = ?").param(product).update();
  }

  /**
   * All texts in figures.
   *
   * @param ready mean readiness
   * @param faultless texts in which nothing was found
   */
  public record Sum(int texts, int ready, int faultless) {}

  /** All texts in figures. */
  public Sum sum() {
    return jdbc.sql(
            """
            select count(*), coalesce(round(avg(cast(readiness as double))), 0),
              (select count(*) from product q where q.text_id is not null
                and not exists (select 1 from finding f where f.product_id = q.id))
            from product where text_id is not null
            """)
        .query((rs, i) -> new Sum(rs.getInt(1), rs.getInt(2), rs.getInt(3)))
        .single();
  }

  /** Whether there are texts of which nothing has been counted. */
  public boolean areMissing() {
    return jdbc.sql(
            """
            select exists (select 1 from product where stage in ('DRAFTED', 'IN_PROOF', 'SIGNED_OFF', 'PUBLISHED') and readiness < 100)
              and not exists (select 1 from finding)
            """)
        .query(Boolean.class)
        .single();
  }

  /** All causes, what must be fixed first and then by how many products have it. */
  public List<Cause> causes() {
    Map<String, List<CauseField>> fields = new HashMap<>();
    jdbc.sql(
            "select cause, weight, field, count(*) from finding group by cause, weight, field order by count(*) desc, field")
        .query(
            rs -> {
              fields
                  .computeIfAbsent(rs.getString(1) + rs.getString(2), k -> new ArrayList<>())
                  .add(new CauseField(code(rs.getString(3)), rs.getInt(4)));
            });
    return jdbc.sql(
            """
            select cause, weight, count(distinct product_id), sum(marks), sum(mendable)
            from finding group by cause, weight
            order by weight, count(distinct product_id) desc, cause
            """)
        .query(
            (rs, i) ->
                new Cause(
                    rs.getString(1),
                    Mark.Weight.valueOf(rs.getString(2)),
                    rs.getInt(3),
                    rs.getInt(4),
                    rs.getInt(5),
                    fields.getOrDefault(rs.getString(1) + rs.getString(2), List.of())))
        .list();
  }

  private static String code(String name) {
    return Field.valueOf(name).code();
  }

  /**
   * Products that have a cause, by their ids.
   *
   * @param field the only field looked at; nothing for all
   * @param mendable whether only those of which it can be mended
   * @param after id after which to go on, 0 for the first
   */
  public List<Long> products(
      String cause,
      Mark.Weight weight,
      Optional<Field> field,
      boolean mendable,
      long after,
      int limit) {
    return jdbc.sql(
            """
            select distinct product_id from finding
            where cause = ? and weight = ? and (? = '' or field = ?) and product_id > ? and mendable >= ?
            order by product_id limit ?
            """)
        .params(
            cause,
            weight.name(),
            field.map(Field::name).orElse(""),
            field.map(Field::name).orElse(""),
            after,
            mendable ? 1 : 0,
            limit)
        .query(Long.class)
        .list();
  }
}
