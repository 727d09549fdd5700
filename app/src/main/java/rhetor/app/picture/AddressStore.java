package rhetor.app.picture;

import java.net.URI;
import java.net.URISyntaxException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.app.product.NamedPictures;

/** Keeps which pictures sources name, which hosts the house allows, and what came of fetching. */
@Repository
class AddressStore implements NamedPictures {
  private static final int BATCH = 500;
  private static final int LONGEST_ADDRESS = 2_000;
  private static final int LONGEST_TROUBLE = 400;

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final Clock clock;

  AddressStore(JdbcClient jdbc, JdbcTemplate template, Clock clock) {
    this.jdbc = jdbc;
    this.template = template;
    this.clock = clock;
  }

  private record Row(long product, String link) {}

  @Override
  public void named(long intake, String supplier, List<OfProduct> pictures) {
    List<Row> rows = new ArrayList<>();
    for (OfProduct p : pictures) {
      p.links().stream()
          .filter(l -> l.length() <= LONGEST_ADDRESS)
          .forEach(l -> rows.add(new Row(p.product(), l)));
    }
    Timestamp now = Timestamp.from(clock.instant());
    template.batchUpdate(
        """
        merge into picture_address as a
        using (values (cast(? as bigint), cast(? as varchar(2000)))) as n (product_id, address)
        on a.product_id = n.product_id and a.address = n.address
        when not matched then
          insert (product_id, address, host, file_name, intake_id, named_by, status, not_before)
          values (n.product_id, n.address, ?, ?, ?, ?, 'WAITING', ?)""",
        rows,
        BATCH,
        (s, r) -> {
          s.setLong(1, r.product);
          s.setString(2, r.link);
          s.setString(3, host(r.link));
          s.setString(4, fileName(r.link));
          s.setLong(5, intake);
          s.setString(6, supplier);
          s.setTimestamp(7, now);
        });
  }

  @Override
  public void withdrawn(long intake) {
    jdbc.sql("delete from picture_address where intake_id = ? and status <> 'FETCHED'")
        .param(intake)
        .update();
  }

  /** Host and port of a web address, in lower case; empty for a file name or a broken address. */
  static String host(String link) {
    try {
      URI uri = new URI(link.replace(" ", "%20"));
      boolean web =
          uri.getHost() != null
              && ("http".equalsIgnoreCase(uri.getScheme())
                  || "https".equalsIgnoreCase(uri.getScheme()));
      return web ? authority(uri) : "";
    } catch (URISyntaxException e) {
      return "";
    }
  }

  /** Host, and port if it is an unusual one. */
  static String authority(URI uri) {
    String host = uri.getHost().toLowerCase(Locale.ROOT);
    return uri.getPort() < 0 ? host : host + ":" + uri.getPort();
  }

  /** The last part of an address or path, in lower case, without what follows a question mark. */
  static String fileName(String link) {
    String name = link.replaceFirst("[?#].*$", "").replaceFirst(".*[/\\\\]", "");
    String lower = name.toLowerCase(Locale.ROOT);
    return lower.length() > 255 ? lower.substring(lower.length() - 255) : lower;
  }

  /**
   * A picture that waits to be fetched.
   *
   * @param tries how often it was tried before
   */
  record Waiting(long id, long productId, String address, String host, String namedBy, int tries) {}

  /** The next picture whose host is allowed and whose time has come. */
  Optional<Waiting> next(List<String> trusted) {
    return jdbc.sql(
            """
            select a.id, a.product_id, a.address, a.host, a.named_by, a.tries from picture_address a
            where a.status = 'WAITING' and a.host <> '' and a.not_before <= :now
              and (a.host in (:trusted) or a.host in (select h.host from picture_host h))
            order by a.not_before, a.id limit 1""")
        .param("now", Timestamp.from(clock.instant()))
        .param("trusted", trusted)
        .query(Waiting.class)
        .optional();
  }

  void fetched(long id, long picture) {
    jdbc.sql(
            "update picture_address set status = 'FETCHED', picture_id = ?, trouble = '' where id = ?")
        .params(picture, id)
        .update();
  }

  void failed(long id, String trouble) {
    jdbc.sql("update picture_address set status = 'FAILED', trouble = ? where id = ?")
        .params(cut(trouble), id)
        .update();
  }

  /** Lets a picture, and all others of its host, wait. */
  void later(Waiting address, Duration wait, String trouble) {
    Timestamp then = Timestamp.from(clock.instant().plus(wait));
    jdbc.sql("update picture_address set tries = tries + 1, trouble = ? where id = ?")
        .params(cut(trouble), address.id)
        .update();
    jdbc.sql(
            "update picture_address set not_before = ? where host = ? and status = 'WAITING' and not_before < ?")
        .params(then, address.host, then)
        .update();
  }

  private static String cut(String text) {
    return text.length() <= LONGEST_TROUBLE ? text : text.substring(0, LONGEST_TROUBLE);
  }

  /** Has everything that failed tried again. */
  int retry() {
    return jdbc.sql(
            "update picture_address set status = 'WAITING', tries = 0, not_before = ? where status = 'FAILED'")
        .param(Timestamp.from(clock.instant()))
        .update();
  }

  boolean isAllowed(String host) {
    return jdbc.sql("select count(*) from picture_host where host = ?")
            .param(host)
            .query(Integer.class)
            .single()
        > 0;
  }

  void allow(String host, String by) {
    jdbc.sql("merge into picture_host (host, allowed_by, allowed_at) key (host) values (?, ?, ?)")
        .params(host, by, Timestamp.from(clock.instant()))
        .update();
  }

  void disallow(String host) {
    jdbc.sql("delete from picture_host where host = ?").param(host).update();
  }

  /** How a host's pictures stand, or those that are named by file name only if it is empty. */
  record HostCount(String host, boolean allowed, int waiting, int fetched, int failed) {}

  List<HostCount> hosts() {
    return jdbc.sql(
            """
            select a.host, exists(select 1 from picture_host h where h.host = a.host) as allowed,
              sum(case when a.status = 'WAITING' then 1 else 0 end) as waiting,
              sum(case when a.status = 'FETCHED' then 1 else 0 end) as fetched,
              sum(case when a.status = 'FAILED' then 1 else 0 end) as failed
            from picture_address a group by a.host order by a.host""")
        .query(HostCount.class)
        .list();
  }

  /** A picture that could not be fetched, and why. */
  record Unfetched(long productId, String sku, String address, String trouble) {}

  List<Unfetched> troubles(int limit) {
    return jdbc.sql(
            """
            select a.product_id, p.sku, a.address, a.trouble from picture_address a join product p on p.id = a.product_id
            where a.status = 'FAILED' order by a.id limit ?""")
        .param(limit)
        .query(Unfetched.class)
        .list();
  }

  /** A product whose source names a file. */
  record NamesFile(long id, long productId, String namedBy) {}

  /** The products whose sources name a file of this name. */
  List<NamesFile> naming(String fileName) {
    return jdbc.sql(
            "select id, product_id, named_by from picture_address where file_name = ? order by id")
        .param(fileName(fileName))
        .query(NamesFile.class)
        .list();
  }
}
