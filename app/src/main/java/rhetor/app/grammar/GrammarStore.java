package rhetor.app.grammar;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.check.GrammarCheck.Mistake;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what the grammar checker found, by the hash of the sentence. */
@Repository
class GrammarStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;

  GrammarStore(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  /** What was found in those of the sentences that have been checked, by their hashes. */
  Map<String, List<Mistake>> found(List<String> hashes) {
    Map<String, List<Mistake>> found = new HashMap<>();
    if (hashes.isEmpty()) {
      return found;
    }
    jdbc.sql("select hash, mistakes from grammar_sentence where hash in (:hashes)")
        .param("hashes", hashes)
        .query(
            rs -> {
              found.put(
                  rs.getString(1),
                  rs.getString(2).isEmpty()
                      ? List.of()
                      : json.readValue(rs.getString(2), new TypeReference<List<Mistake>>() {}));
            });
    return found;
  }

  void put(String hash, List<Mistake> mistakes) {
    jdbc.sql("merge into grammar_sentence (hash, mistakes) key (hash) values (?, ?)")
        .params(hash, mistakes.isEmpty() ? "" : json.writeValueAsString(mistakes))
        .update();
  }

  /** Products whose text that counts has not been checked, the newest text first. */
  List<Long> unchecked(int limit) {
    // The index of stages spares those without a text, which may be very many.
    return jdbc.sql(
            "select p.id from product p where p.stage in ('DRAFTED', 'IN_PROOF', 'SIGNED_OFF', 'PUBLISHED') and not exists (select 1 from grammar_text g where g.text_id = p.text_id) order by p.text_id desc limit ?")
        .param(limit)
        .query(Long.class)
        .list();
  }

  void forgetTexts() {
    jdbc.sql("delete from grammar_text").update();
  }

  void checked(long text) {
    jdbc.sql("merge into grammar_text (text_id) key (text_id) values (?)").param(text).update();
  }
}
