package rhetor.app.product;

import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Lists of products, paged by key: each page is the next in an index, however many there are. */
@Repository
public class ProductLists {
  private static final String LINE =
      "p.id, p.sku, p.name, p.brand, p.kind, p.stage, p.failed, p.stale, p.readiness, p.must_fix, p.missing, p.disputed, p.keyword, p.page";

  /** So many products that were found are asked for by their ids, more by their words. */
  private static final int FEW = 1_000;

  /** Places of the alphabet that are looked through at once, at first and at most. */
  private static final int FIRST_PLACES = 200;

  private static final int MOST_PLACES = 5_000;

  /** More kinds or makers than these are looked for by their words. */
  private static final int MOST_CHOICES = 200;

  private final JdbcClient jdbc;
  private final ProductCounts counts;
  private final ProductNames names;

  ProductLists(JdbcClient jdbc, ProductCounts counts, ProductNames names) {
    this.jdbc = jdbc;
    this.counts = counts;
    this.names = names;
  }

  /** An order of products: the column it sorts by, and its direction. */
  public enum Order {
    NAME("name", false),
    LEAST_READY("readiness", false),
    MOST_READY("readiness", true),
    SHEET("id", false);

    private final String column;
    private final boolean descending;

    Order(String column, boolean descending) {
      this.column = column;
      this.descending = descending;
    }

    /** All of one direction, so that an index gives it, read forwards or backwards. */
    private String by(String... columns) {
      return Arrays.stream(columns)
          .map(c -> c + (descending ? " desc" : ""))
          .collect(Collectors.joining(", "));
    }
  }

  /**
   * What must be true of the products of a list, whatever their stage.
   *
   * @param few whether it names the products by their ids
   */
  private record Where(String sql, List<Object> params, boolean few) {}

  private Where where(ProductFilter filter) {
    StringBuilder sql = new StringBuilder("true");
    List<Object> params = new ArrayList<>();
    boolean few = false;
    if (!filter.search().isEmpty()) {
      List<Long> found = names.find(filter.search(), FEW + 1);
      few = found.size() <= FEW;
      if (few) {
        sql.append(
            found.isEmpty()
                ? " and false"
                : found.stream()
                    .map(String::valueOf)
                    .collect(Collectors.joining(", ", " and p.id in (", ")")));
      } else {
        sql.append(" and (locate(?, lower(p.name)) > 0 or locate(?, lower(p.sku)) > 0)");
        String part = filter.search().toLowerCase(Locale.ROOT);
        params.addAll(List.of(part, part));
      }
    }
    if (filter.intake() != 0) {
      sql.append(
          " and p.id in (select s.product_id from product_source s where s.id between ? and ? and not s.withdrawn)");
      params.addAll(
          List.of(
              ProductStore.sourceId(filter.intake(), 0),
              ProductStore.sourceId(filter.intake() + 1, -1)));
    }
    if (filter.range() != 0) {
      sql.append(" and p.id in (select i.product_id from in_range i where i.range_id = ?)");
      params.add(filter.range());
    }
    if (!filter.kind().isEmpty()) {
      sql.append(" and p.kind = ?");
      params.add(filter.kind());
    }
    if (!filter.brand().isEmpty()) {
      sql.append(" and p.brand = ?");
      params.add(filter.brand());
    }
    if (filter.atLeast() > 0) {
      sql.append(" and p.readiness >= ?");
      params.add(filter.atLeast());
    }
    if (filter.below() > 0) {
      sql.append(" and p.readiness between 0 and ?");
      params.add(filter.below() - 1);
    }
    if (filter.reader() == ProductFilter.NOBODY) {
      sql.append(" and not exists (select 1 from assignment a where a.product_id = p.id)");
    } else if (filter.reader() != 0) {
      sql.append(" and p.id in (select a.product_id from assignment a where a.reader_id = ?)");
      params.add(filter.reader());
    }
    if (filter.run() != 0) {
      sql.append(
          " and p.id in (select w.product_id from run_item w where w.run_id = ? and w.status = 'WRITTEN')");
      params.add(filter.run());
    }
    switch (filter.state()) {
      case "FIX" -> sql.append(" and must_fix > 0");
      case "READY" -> sql.append(" and must_fix = 0");
      case "FAILED" -> sql.append(" and failed is not null");
      case "STALE" -> sql.append(" and stale");
      case "DISPUTED" -> sql.append(" and disputed > 0");
      case "INCOMPLETE" -> sql.append(" and missing > 0");
      case "NO_KEYWORD" -> sql.append(" and p.keyword = ''");
      case "COMMENTED" ->
          sql.append(
              " and p.id in (select c.product_id from text_comment c where c.settled_by is null)");
      default -> {
        // Stages are looked for one by one.
      }
    }
    return new Where(sql.toString(), params, few);
  }

  /** The stages of a filter; none for all. */
  private static List<Stage> stages(ProductFilter filter) {
    return switch (filter.state()) {
      case "ALL", "FIX", "FAILED", "STALE", "DISPUTED", "INCOMPLETE", "NO_KEYWORD", "COMMENTED" ->
          List.of();
      case "READY", "PROOF" -> List.of(Stage.DRAFTED, Stage.IN_PROOF);
      default -> List.of(Stage.valueOf(filter.state()));
    };
  }

  /**
   * A page of products.
   *
   * @param after key of the page before, or empty for the first
   * @throws IllegalArgumentException if the state or the key is unknown
   */
  ProductPage page(ProductFilter filter, Order order, String after, int limit) {
    Where where = where(filter);
    List<Stage> stages = stages(filter);
    long total = total(filter, stages, where);
    List<ProductLine> lines =
        order == Order.NAME && !where.few
            ? alphabetical(where, stages, after, limit)
            : sorted(where, stages, order, after, limit);
    boolean more = lines.size() > limit;
    List<ProductLine> items = more ? lines.subList(0, limit) : lines;
    return new ProductPage(withPictures(items), total, more ? key(items.getLast(), order) : "");
  }

  /** Goes through the alphabet until enough are found that match; one more than the limit. */
  private List<ProductLine> alphabetical(Where where, List<Stage> stages, String after, int limit) {
    Optional<ProductNames.Place> from =
        Optional.of(after)
            .filter(a -> !a.isEmpty())
            .map(ProductLists::key)
            .map(k -> new ProductNames.Place(k.value, k.id));
    List<ProductLine> found = new ArrayList<>();
    int most = Math.max(FIRST_PLACES, limit + 1);
    for (List<ProductNames.Place> places = names.inAlphabet(from, most);
        !places.isEmpty() && found.size() <= limit;
        places = names.inAlphabet(from, most)) {
      Map<Long, ProductLine> matching = new HashMap<>();
      List<Object> params = new ArrayList<>();
      params.add(places.stream().map(ProductNames.Place::id).toArray());
      params.addAll(where.params);
      jdbc.sql(
              "select "
                  + LINE
                  + " from table(id bigint = ?) t join product p on p.id = t.id where "
                  + where.sql
                  + in(stages))
          .params(params)
          .query(ProductLists::line)
          .list()
          .forEach(l -> matching.put(l.id(), l));
      places.stream()
          .map(p -> matching.get(p.id()))
          .filter(Objects::nonNull)
          .limit(limit + 1L - found.size())
          .forEach(found::add);
      from = Optional.of(places.getLast());
      most = Math.min(MOST_PLACES, 4 * most);
    }
    return found;
  }

  /** The next products that match, in an order that an index has; one more than the limit. */
  private List<ProductLine> sorted(
      Where where, List<Stage> stages, Order order, String after, int limit) {
    if (stages.isEmpty() && order.column.equals("readiness")) {
      // There is an index of readiness within each stage, and none over all: intakes pay for them.
      stages = List.of(Stage.values());
    }
    List<Object> params = new ArrayList<>();
    String sql;
    if (stages.isEmpty()) {
      sql = select(order, "", where, after, limit, params);
    } else {
      // Each stage has its own part of an index.
      List<String> each = new ArrayList<>();
      for (Stage stage : stages) {
        each.add("(" + select(order, stage.name(), where, after, limit, params) + ")");
      }
      sql = String.join(" union all ", each);
      if (stages.size() > 1) {
        sql += " order by " + order.by(order.column, "id") + " limit " + (limit + 1);
      }
    }
    return jdbc.sql(sql).params(params).query(ProductLists::line).list();
  }

  /** Pictures are looked up for the lines that are shown, not for all that were sorted. */
  private List<ProductLine> withPictures(List<ProductLine> lines) {
    Map<Long, Long> pictures = new HashMap<>();
    jdbc.sql(
            "select x.product_id, min(x.id) from table(id bigint = ?) t join picture x on x.product_id = t.id where x.status = 'CONFIRMED' group by x.product_id")
        .param(lines.stream().map(ProductLine::id).toArray())
        .query(
            rs -> {
              pictures.put(rs.getLong(1), rs.getLong(2));
            });
    return lines.stream().map(l -> l.withPicture(pictures.getOrDefault(l.id(), 0L))).toList();
  }

  private String select(
      Order order, String stage, Where where, String after, int limit, List<Object> params) {
    String column = "p." + order.column;
    String sql = "select " + LINE + " from product p where " + where.sql;
    params.addAll(where.params);
    if (!stage.isEmpty()) {
      // In the order of ids, most products of a common stage would be sorted to show a few; the
      // index of stages is kept from that.
      boolean isCommon =
          order == Order.SHEET && counts.all().get(stage) * 20L > counts.all().get("ALL");
      sql += isCommon ? " and concat(p.stage, '') = ?" : " and p.stage = ?";
      params.add(stage);
    }
    if (!after.isEmpty()) {
      Key key = key(after);
      String compare = order.descending ? "<" : ">";
      sql +=
          " and %1$s %2$s= ? and (%1$s %2$s ? or %1$s = ? and p.id %2$s ?)"
              .formatted(column, compare);
      Object value = order == Order.NAME ? key.value : Long.parseLong(key.value);
      params.addAll(Collections.nCopies(3, value));
      params.add(key.id);
    }
    boolean byStage = !stage.isEmpty() && order.column.equals("readiness");
    String by = byStage ? order.by("p.stage", column, "p.id") : order.by(column, "p.id");
    return sql + " order by " + by + " limit " + (limit + 1);
  }

  /** How many match; what is counted anyway isn't counted again. */
  private long total(ProductFilter filter, List<Stage> stages, Where where) {
    boolean isAnywhere = filter.isAnywhere();
    Map<String, Integer> all = counts.all();
    if (isAnywhere && filter.search().isEmpty()) {
      if (filter.state().equals("PROOF")) {
        return stages.stream().mapToInt(s -> all.get(s.name())).sum();
      }
      if (all.containsKey(filter.state())) {
        return all.get(filter.state());
      }
    }
    if (isAnywhere && filter.state().equals("ALL")) {
      return names.count(filter.search());
    }
    return jdbc.sql("select count(*) from product p where " + where.sql + in(stages))
        .params(where.params)
        .query(Long.class)
        .single();
  }

  private static String in(List<Stage> stages) {
    return stages.isEmpty()
        ? ""
        : stages.stream()
            .map(s -> "'" + s.name() + "'")
            .collect(Collectors.joining(", ", " and p.stage in (", ")"));
  }

  /** The last product of a page: its id and what it was sorted by. */
  private record Key(long id, String value) {}

  private static Key key(String written) {
    String[] parts =
        new String(Base64.getUrlDecoder().decode(written), StandardCharsets.UTF_8).split("\n", 2);
    if (parts.length < 2) {
      throw new IllegalArgumentException("no key of a page: " + written);
    }
    return new Key(Long.parseLong(parts[0]), parts[1]);
  }

  private static String key(ProductLine last, Order order) {
    String value =
        switch (order) {
          case NAME -> last.name();
          case LEAST_READY, MOST_READY -> String.valueOf(last.readiness());
          case SHEET -> String.valueOf(last.id());
        };
    return Base64.getUrlEncoder()
        .withoutPadding()
        .encodeToString((last.id() + "\n" + value).getBytes(StandardCharsets.UTF_8));
  }

  private static ProductLine line(ResultSet rs, int row) throws SQLException {
    return new ProductLine(
        rs.getLong("id"),
        rs.getString("sku"),
        rs.getString("name"),
        rs.getString("brand"),
        rs.getString("kind"),
        Stage.valueOf(rs.getString("stage")),
        Objects.requireNonNullElse(rs.getString("failed"), ""),
        rs.getBoolean("stale"),
        rs.getInt("readiness"),
        rs.getInt("must_fix"),
        rs.getInt("missing"),
        rs.getInt("disputed"),
        rs.getString("keyword"),
        Objects.requireNonNullElse(rs.getString("page"), ""),
        0);
  }

  /**
   * Ids of all products that match, in order of their id.
   *
   * @throws IllegalArgumentException if the state is unknown
   */
  List<Long> ids(ProductFilter filter) {
    Where where = where(filter);
    return jdbc.sql(
            "select p.id from product p where " + where.sql + in(stages(filter)) + " order by p.id")
        .params(where.params)
        .query(Long.class)
        .list();
  }

  /** What was counted of all products, and when that was true. */
  private record Counted(long revision, int products, ProductService.Choices choices) {}

  private volatile Counted counted = new Counted(-1, 0, null);

  /** The commonest kinds and makers; counted anew once products have changed. */
  ProductService.Choices choices() {
    Counted known = counted;
    long revision = counts.factsRevision();
    int products = counts.all().get("ALL");
    if (known.revision != revision || known.products != products) {
      known =
          new Counted(
              revision,
              products,
              new ProductService.Choices(commonest("kind"), commonest("brand")));
      counted = known;
    }
    return known.choices;
  }

  private List<ProductService.NamedCount> commonest(String column) {
    return jdbc.sql(
            "select %1$s as name, count(*) as products from product where %1$s <> '' group by %1$s order by products desc, name limit ?"
                .formatted(column))
        .param(MOST_CHOICES)
        .query(ProductService.NamedCount.class)
        .list();
  }

  /** One product as lists show it. */
  Optional<ProductLine> line(long id) {
    return jdbc.sql("select " + LINE + " from product p where p.id = ?")
        .param(id)
        .query(ProductLists::line)
        .optional()
        .map(l -> withPictures(List.of(l)).getFirst());
  }
}
