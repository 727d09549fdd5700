package rhetor.app.proof;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.app.log.Event;
import rhetor.app.product.Stage;

/** Keeps what people did to many texts at once. */
@Repository
class ActStore {
  private static final String ACT =
      "select id, deed, what, texts, done_by as by, done_at as at, coalesce(taken_back_by, '') as taken_back_by from act ";

  /** What each product's text is, for one deed. */
  private static final String LEFT =
      """
      select case
        when p.text_id is null then 'UNWRITTEN'
        when p.stage = 'PUBLISHED' then 'PUBLISHED'
        %s else '' end as reason, p.id, p.text_id, p.stage, p.readiness
      from table(id bigint = ?) asked join product p on p.id = asked.id""";

  private final JdbcClient jdbc;
  private final Clock clock;

  ActStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** What can be done to many texts at once. */
  enum Deed {
    SIGN_OFF(
        Stage.SIGNED_OFF,
        Event.SIGNED_OFF,
        """
        when p.stage = 'SIGNED_OFF' then 'DONE_BEFORE'
        when p.must_fix > 0 then 'MUST_FIX'
        when p.stale or p.failed is not null
          or exists (select 1 from to_recheck r where r.product_id = p.id) then 'CHANGED'"""),
    SEND_BACK(Stage.IN_PROOF, Event.SENT_BACK, "when p.stage <> 'SIGNED_OFF' then 'DONE_BEFORE'"),
    /** The text before that of a run counts again; one that a person has worked on since stays. */
    KEEP_OLD(
        Stage.IN_PROOF,
        Event.OLD_TEXTS_KEPT,
        """
        when p.stage = 'SIGNED_OFF' then 'SIGNED_OFF'
        when not exists (select 1 from text t
          where t.id = p.text_id and t.run_id is not null and t.parent_id is not null) then 'NO_OLDER'"""),
    /** Words put in the place of others; see {@link ManySubstitutions}. */
    SUBSTITUTE(Stage.IN_PROOF, Event.WORDS_SUBSTITUTED, "when true then 'DONE_BEFORE'"),
    /** Cells corrected in a table; see {@link TextTable}. */
    CORRECT(Stage.IN_PROOF, Event.TEXTS_CORRECTED, "when true then 'DONE_BEFORE'");

    private final Stage to;
    private final Event event;
    private final String left;

    /**
     * @param left branches of a case, for the texts that it leaves as they are
     */
    Deed(Stage to, Event event, String left) {
      this.to = to;
      this.event = event;
      this.left = left;
    }

    /** The stage that texts have afterwards. */
    Stage to() {
      return to;
    }

    /** What the log calls it. */
    Event event() {
      return event;
    }

    /** Whether it changes texts, and not only how far they are. */
    boolean makesRevisions() {
      return this == SUBSTITUTE || this == CORRECT;
    }

    private String sql() {
      return LEFT.formatted(left);
    }
  }

  /** Why a text is left as it is. */
  enum Left {
    UNWRITTEN,
    PUBLISHED,
    DONE_BEFORE,
    MUST_FIX,
    CHANGED,
    SIGNED_OFF,
    NO_OLDER
  }

  /**
   * An act.
   *
   * @param what which words were put for which, or which fields were corrected; empty for the rest
   * @param texts how many it was done to
   * @param takenBackBy who took it back, empty if nobody has
   */
  record Act(
      long id, Deed deed, String what, int texts, String by, Instant at, String takenBackBy) {}

  /** A product whose text a deed would be done to. */
  record Candidate(long id, long textId, Stage stage) {}

  /** How many of the products are left as they are, by reason. */
  Map<Left, Integer> left(Deed deed, List<Long> products) {
    Map<Left, Integer> left = new LinkedHashMap<>();
    jdbc.sql("select reason, count(*) from (" + deed.sql() + ") where reason <> '' group by reason")
        .param(products.toArray())
        .query(
            rs -> {
              left.put(Left.valueOf(rs.getString(1)), rs.getInt(2));
            });
    return left;
  }

  /** The texts that a deed would be done to, the least ready first. */
  List<Candidate> candidates(Deed deed, List<Long> products) {
    return jdbc.sql(
            "select id, text_id, stage from ("
                + deed.sql()
                + ") where reason = '' order by readiness, id")
        .param(products.toArray())
        .query(Candidate.class)
        .list();
  }

  /** Notes an act and the texts it was done to; its id. */
  long add(Deed deed, List<Candidate> texts, String by) {
    long act = begin(deed, "", by);
    goOn(act, texts);
    return act;
  }

  /** Notes an act that nothing has been done to yet; its id. */
  long begin(Deed deed, String what, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql("insert into act (deed, what, texts, done_by, done_at) values (?, ?, 0, ?, ?)")
        .params(deed.name(), what, by, Timestamp.from(clock.instant()))
        .update(key, "id");
    return key.getKey().longValue();
  }

  /** Forgets an act that nothing was done to. */
  void forget(long act) {
    jdbc.sql("delete from act where id = ? and texts = 0").param(act).update();
  }

  /** Notes further texts that an act was done to. */
  void goOn(long act, List<Candidate> texts) {
    jdbc.sql("update act set texts = texts + ? where id = ?").params(texts.size(), act).update();
    jdbc.sql(
            """
            insert into act_text (act_id, product_id, text_id, stage)
            select ?, id, text_id, stage from table(id bigint = ?, text_id bigint = ?, stage varchar(10) = ?)""")
        .params(
            act,
            texts.stream().map(Candidate::id).toArray(),
            texts.stream().map(Candidate::textId).toArray(),
            texts.stream().map(c -> c.stage().name()).toArray())
        .update();
  }

  Optional<Act> find(long id) {
    return jdbc.sql(ACT + "where id = ?").param(id).query(Act.class).optional();
  }

  /** The latest acts, the last first. */
  List<Act> latest(int limit) {
    return jdbc.sql(ACT + "order by id desc limit ?").param(limit).query(Act.class).list();
  }

  /** What was done to a product's text among many, the last first. */
  List<Act> ofProduct(long product, int limit) {
    return jdbc.sql(
            ACT
                + "where id in (select act_id from act_text where product_id = ?) order by id desc limit ?")
        .params(product, limit)
        .query(Act.class)
        .list();
  }

  /** The texts of an act, with the stage that each had before. */
  List<Candidate> texts(long act) {
    return jdbc.sql(
            "select product_id as id, text_id, stage from act_text where act_id = ? order by product_id")
        .param(act)
        .query(Candidate.class)
        .list();
  }

  /** Notes that an act is taken back; whether it wasn't before. */
  boolean takeBack(long act, String by) {
    return jdbc.sql(
                "update act set taken_back_by = ?, taken_back_at = ? where id = ? and taken_back_at is null")
            .params(by, Timestamp.from(clock.instant()), act)
            .update()
        == 1;
  }
}
