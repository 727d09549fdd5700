package rhetor.app.style;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.style.Angle;

/** Keeps the lines that hold for a time. */
@Repository
class AngleStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  AngleStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * An angle as it is kept.
   *
   * @param range the range it is for, 0 for the whole house
   */
  record KeptAngle(long id, long range, Angle angle) {}

  List<KeptAngle> all() {
    return jdbc.sql("select * from angle order by first_day, id").query((rs, i) -> kept(rs)).list();
  }

  Optional<KeptAngle> find(long id) {
    return jdbc.sql("select * from angle where id = ?")
        .param(id)
        .query((rs, i) -> kept(rs))
        .optional();
  }

  private static KeptAngle kept(ResultSet rs) throws SQLException {
    return new KeptAngle(
        rs.getLong("id"),
        rs.getLong("range_id"),
        new Angle(
            rs.getString("name"),
            rs.getString("line"),
            rs.getObject("first_day", LocalDate.class),
            rs.getObject("last_day", LocalDate.class)));
  }

  long add(long range, Angle angle, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into angle (range_id, name, line, first_day, last_day, made_by, made_at) values (?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                range == 0 ? null : range,
                angle.name(),
                angle.line(),
                angle.first(),
                angle.last(),
                by,
                Timestamp.from(clock.instant())))
        .update(key, "id");
    return key.getKey().longValue();
  }

  void put(long id, Angle angle) {
    jdbc.sql("update angle set name = ?, line = ?, first_day = ?, last_day = ? where id = ?")
        .params(angle.name(), angle.line(), angle.first(), angle.last(), id)
        .update();
  }

  void remove(long id) {
    jdbc.sql("delete from angle where id = ?").param(id).update();
  }

  /** Notes which angles hold on a day; how many have begun or ended since it was noted last. */
  int note(LocalDate day) {
    return jdbc.sql(
            "update angle set in_force = not in_force where in_force <> (? between first_day and last_day)")
        .param(day)
        .update();
  }
}
