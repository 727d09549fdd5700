package rhetor.app.intake;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.reading.ColumnProfile;
import rhetor.core.reading.KnownReading;
import rhetor.core.reading.KnownReading.ColumnChange;
import rhetor.core.reading.Reading;
import rhetor.core.sheet.SheetLayout;
import tools.jackson.databind.json.JsonMapper;

/** Keeps intakes. */
@Repository
class IntakeStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  IntakeStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  long add(
      String supplier,
      String fileName,
      String storedAs,
      SheetLayout layout,
      Reading reading,
      List<ColumnChange> changes,
      String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            """
            insert into intake (kind, supplier, file_name, stored_as, layout, reading, changes, status, created_by, created_at)
            values ('SHEET', ?, ?, ?, ?, ?, ?, 'PROPOSED', ?, ?)
            """)
        .params(
            supplier,
            fileName,
            storedAs,
            json.writeValueAsString(layout),
            json.writeValueAsString(reading),
            json.writeValueAsString(changes),
            by,
            Timestamp.from(clock.instant()))
        .update(key, "id");
    return key.getKey().longValue();
  }

  /**
   * Reads a sheet that waits in another way: as another supplier's, or from another place in it.
   */
  void propose(
      long id, String supplier, SheetLayout layout, Reading reading, List<ColumnChange> changes) {
    jdbc.sql(
            "update intake set supplier = ?, layout = ?, reading = ?, changes = ?, seen = false where id = ? and status = 'PROPOSED'")
        .params(
            supplier,
            json.writeValueAsString(layout),
            json.writeValueAsString(reading),
            json.writeValueAsString(changes),
            id)
        .update();
  }

  /** Keeps others from changing an intake until the transaction ends. */
  void lock(long id) {
    jdbc.sql("select id from intake where id = ? for update").param(id).query(Long.class).list();
  }

  void setSeen(long id) {
    jdbc.sql("update intake set seen = true where id = ?").param(id).update();
  }

  List<KnownReading> knownReadings() {
    return jdbc.sql("select supplier, reading, profiles from known_reading order by supplier")
        .query(
            (rs, i) ->
                new KnownReading(
                    rs.getString(1),
                    json.readValue(rs.getString(2), Reading.class),
                    List.of(json.readValue(rs.getString(3), ColumnProfile[].class))))
        .list();
  }

  void remember(KnownReading known) {
    jdbc.sql(
            "merge into known_reading (supplier, reading, profiles) key (supplier) values (?, ?, ?)")
        .params(
            known.supplier(),
            json.writeValueAsString(known.reading()),
            json.writeValueAsString(known.profiles()))
        .update();
  }

  /** The supplier's last intake that was taken, before this one. */
  Optional<Long> before(String supplier, long id) {
    return jdbc.sql("select max(id) from intake where supplier = ? and id < ? and status = 'TAKEN'")
        .params(supplier, id)
        .query(Long.class)
        .optional();
  }

  boolean takeBack(long id) {
    return jdbc.sql("update intake set status = 'TAKEN_BACK' where id = ? and status = 'TAKEN'")
            .param(id)
            .update()
        == 1;
  }

  Optional<Intake> find(long id) {
    return jdbc.sql("select * from intake where kind = 'SHEET' and id = ?")
        .param(id)
        .query(this::read)
        .optional();
  }

  List<Intake> latest(int limit) {
    return jdbc.sql("select * from intake where kind = 'SHEET' order by id desc limit ?")
        .param(limit)
        .query(this::read)
        .list();
  }

  int waiting() {
    return jdbc.sql("select count(*) from intake where status = 'PROPOSED'")
        .query(Integer.class)
        .single();
  }

  void setReading(long id, Reading reading) {
    jdbc.sql("update intake set reading = ? where id = ? and status = 'PROPOSED'")
        .params(json.writeValueAsString(reading), id)
        .update();
  }

  /** Marks an intake as being taken in; false if somebody else has begun, or it is done. */
  boolean begin(long id) {
    return jdbc.sql("update intake set status = 'TAKING' where id = ? and status = 'PROPOSED'")
            .param(id)
            .update()
        == 1;
  }

  /** Whether a sheet's copy is that of an intake. */
  boolean isOfAny(String storedAs) {
    return jdbc.sql("select count(*) from intake where stored_as = ?")
            .param(storedAs)
            .query(Integer.class)
            .single()
        > 0;
  }

  /** Lets an intake that could not be taken in be begun again. */
  void release(long id) {
    jdbc.sql("update intake set status = 'PROPOSED' where id = ? and status = 'TAKING'")
        .param(id)
        .update();
  }

  void finish(long id, IntakeResult result) {
    jdbc.sql("update intake set status = 'TAKEN', result = ? where id = ?")
        .params(json.writeValueAsString(result), id)
        .update();
  }

  void delete(long id) {
    jdbc.sql("delete from intake where id = ? and status = 'PROPOSED'").param(id).update();
  }

  private Intake read(ResultSet rs, int row) throws SQLException {
    String result = rs.getString("result");
    return new Intake(
        rs.getLong("id"),
        rs.getString("supplier"),
        rs.getString("file_name"),
        rs.getString("stored_as"),
        json.readValue(rs.getString("layout"), SheetLayout.class),
        json.readValue(rs.getString("reading"), Reading.class),
        List.of(json.readValue(rs.getString("changes"), ColumnChange[].class)),
        rs.getBoolean("seen"),
        Intake.Status.valueOf(rs.getString("status")),
        result == null ? IntakeResult.NONE : json.readValue(result, IntakeResult.class),
        rs.getString("created_by"),
        rs.getTimestamp("created_at").toInstant());
  }
}
