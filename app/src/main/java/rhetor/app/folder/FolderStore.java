package rhetor.app.folder;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;

/** Keeps what became of files that came into the watched folder. */
@Repository
class FolderStore {
  private static final int LONGEST = 2000;

  private final JdbcClient jdbc;
  private final Clock clock;

  FolderStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** What became of a file. */
  enum Outcome {
    /** It is being taken in; a crash may have come between. */
    BEGUN,
    TAKEN,
    /** A person has to say something about its columns first. */
    WAITS,
    PICTURES,
    /** The same content came before. */
    SAME,
    REJECTED
  }

  /**
   * A file that came.
   *
   * @param reason why it waits or was rejected, or what else there is to say
   * @param intake the intake that it became, 0 for none
   * @param run the run that writes for it, 0 for none
   * @param isPutBack whether its sheet stands in the folder with its texts
   */
  record FolderFile(
      long id,
      String hash,
      String name,
      Outcome outcome,
      String reason,
      long intake,
      long run,
      boolean isPutBack,
      Instant cameAt) {}

  private static FolderFile file(ResultSet rs) throws SQLException {
    return new FolderFile(
        rs.getLong("id"),
        rs.getString("hash"),
        rs.getString("name"),
        Outcome.valueOf(rs.getString("outcome")),
        rs.getString("reason"),
        rs.getLong("intake_id"),
        rs.getLong("run_id"),
        rs.getBoolean("put_back"),
        rs.getTimestamp("came_at").toInstant());
  }

  long add(String hash, String name, Outcome outcome, String reason) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into folder_file (hash, name, outcome, reason, came_at) values (?, ?, ?, ?, ?)")
        .params(hash, name, outcome.name(), cut(reason), Timestamp.from(clock.instant()))
        .update(key, "id");
    return key.getKey().longValue();
  }

  void begun(long id, long intake) {
    jdbc.sql("update folder_file set intake_id = ? where id = ?").params(intake, id).update();
  }

  /** Notes what became of it. */
  void ended(long id, Outcome outcome, String reason, long run) {
    jdbc.sql("update folder_file set outcome = ?, reason = ?, run_id = ? where id = ?")
        .params(Arrays.asList(outcome.name(), cut(reason), run == 0 ? null : run, id))
        .update();
  }

  void putBack(long id) {
    jdbc.sql("update folder_file set put_back = true where id = ?").param(id).update();
  }

  private static String cut(String reason) {
    return reason.length() > LONGEST ? reason.substring(0, LONGEST - 1) + "…" : reason;
  }

  /** The file of this content that wasn't rejected, if there was one. */
  Optional<FolderFile> find(String hash) {
    return jdbc.sql(
            "select * from folder_file where hash = ? and outcome not in ('SAME', 'REJECTED') order by id limit 1")
        .param(hash)
        .query((rs, i) -> file(rs))
        .optional();
  }

  /** Files that are written for and not put back yet. */
  List<FolderFile> toPutBack() {
    return jdbc.sql(
            "select * from folder_file where put_back = false and run_id is not null order by id")
        .query((rs, i) -> file(rs))
        .list();
  }

  List<FolderFile> latest(int most) {
    return jdbc.sql("select * from folder_file order by id desc limit ?")
        .param(most)
        .query((rs, i) -> file(rs))
        .list();
  }
}
