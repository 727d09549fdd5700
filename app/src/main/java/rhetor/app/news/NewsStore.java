package rhetor.app.news;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;

/** Keeps news, and what of them has still to be told. */
@Repository
class NewsStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  NewsStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** How something is told. */
  enum Way {
    MAIL,
    /** A signed call of a program. */
    CALL
  }

  /**
   * Something that happened.
   *
   * @param needsPerson whether somebody has to see to it
   * @param link where in Rhetor it is seen, such as {@code /runs/7}
   */
  record News(
      long id,
      boolean needsPerson,
      String subject,
      String detail,
      String link,
      Instant happenedAt) {}

  long add(boolean needsPerson, String subject, String detail, String link) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into news (needs_person, subject, detail, link, happened_at) values (?, ?, ?, ?, ?)")
        .params(needsPerson, cut(subject, 300), cut(detail, 2000), cut(link, 300), now())
        .update(key, "id");
    return key.getKey().longValue();
  }

  private Timestamp now() {
    return Timestamp.from(clock.instant());
  }

  private static String cut(String text, int most) {
    return text.length() > most ? text.substring(0, most - 1) + "…" : text;
  }

  List<News> latest(int most) {
    return jdbc.sql(
            "select id, needs_person, subject, detail, link, happened_at from news order by id desc limit ?")
        .param(most)
        .query(News.class)
        .list();
  }

  /**
   * People who want something told by mail, by their addresses; who only reads can see to nothing.
   */
  List<String> wanting(boolean needsPerson) {
    return jdbc.sql(
            "select email from person where mail_wish = 'ALL' or mail_wish = 'NEEDED' and ? and role <> 'READER'")
        .param(needsPerson)
        .query(String.class)
        .list();
  }

  MailWish wish(String email) {
    return MailWish.valueOf(
        jdbc.sql("select mail_wish from person where email = ?")
            .param(email)
            .query(String.class)
            .single());
  }

  void setWish(String email, MailWish wish) {
    jdbc.sql("update person set mail_wish = ? where email = ?").params(wish.name(), email).update();
  }

  void toTell(long news, Way way, String address, Instant from) {
    jdbc.sql("insert into news_delivery (news_id, way, address, next_at) values (?, ?, ?, ?)")
        .params(news, way.name(), address, Timestamp.from(from))
        .update();
  }

  /**
   * Something that has still to be told to somebody.
   *
   * @param tries how often it was tried in vain
   */
  record Delivery(
      long id,
      Way way,
      String address,
      int tries,
      boolean needsPerson,
      String subject,
      String detail,
      String link,
      Instant happenedAt) {}

  /** What is due by now, the oldest first. */
  List<Delivery> due(int most) {
    return jdbc.sql(
            """
            select d.id, d.way, d.address, d.tries, n.needs_person, n.subject, n.detail, n.link, n.happened_at
            from news_delivery d join news n on n.id = d.news_id
            where d.is_done = false and d.next_at <= ? order by d.id limit ?""")
        .params(now(), most)
        .query(Delivery.class)
        .list();
  }

  void told(long delivery) {
    jdbc.sql("update news_delivery set is_done = true, trouble = '' where id = ?")
        .param(delivery)
        .update();
  }

  void tryAgain(long delivery, Instant at, String trouble) {
    jdbc.sql("update news_delivery set tries = tries + 1, next_at = ?, trouble = ? where id = ?")
        .params(Timestamp.from(at), cut(trouble, 500), delivery)
        .update();
  }

  /** It isn't tried any longer. */
  void givenUp(long delivery, String trouble) {
    jdbc.sql("update news_delivery set is_done = true, tries = tries + 1, trouble = ? where id = ?")
        .params(cut(trouble, 500), delivery)
        .update();
  }

  /** The latest trouble in telling, empty if the last of each kind went well. */
  String trouble() {
    return jdbc.sql(
            "select trouble from news_delivery where id in (select max(id) from news_delivery where is_done or tries > 0 group by way) and trouble <> '' limit 1")
        .query(String.class)
        .optional()
        .orElse("");
  }
}
