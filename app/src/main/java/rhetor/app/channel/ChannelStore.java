package rhetor.app.channel;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.app.web.Refused;
import rhetor.core.style.Spelling;

/** Keeps channels. */
@Repository
class ChannelStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  ChannelStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  List<Channel> all() {
    return jdbc.sql("select * from channel order by name_key").query(ChannelStore::read).list();
  }

  Optional<Channel> find(long id) {
    return jdbc.sql("select * from channel where id = ?")
        .param(id)
        .query(ChannelStore::read)
        .optional();
  }

  private static Channel read(ResultSet rs, int row) throws SQLException {
    return new Channel(
        rs.getLong("id"),
        rs.getString("name"),
        Optional.ofNullable(rs.getString("spelling")).map(Spelling::valueOf),
        rs.getBoolean("takes_markup"));
  }

  long add(Channel channel, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    unique(
        channel,
        () ->
            jdbc.sql(
                    "insert into channel (name, spelling, takes_markup, made_by, made_at) values (?, ?, ?, ?, ?)")
                .params(
                    Arrays.asList(
                        channel.name(),
                        channel.spelling().map(Spelling::name).orElse(null),
                        channel.takesMarkup(),
                        by,
                        Timestamp.from(clock.instant())))
                .update(key, "id"));
    return key.getKey().longValue();
  }

  void put(Channel channel) {
    unique(
        channel,
        () ->
            jdbc.sql("update channel set name = ?, spelling = ?, takes_markup = ? where id = ?")
                .params(
                    Arrays.asList(
                        channel.name(),
                        channel.spelling().map(Spelling::name).orElse(null),
                        channel.takesMarkup(),
                        channel.id()))
                .update());
  }

  private static void unique(Channel channel, Runnable change) {
    try {
      change.run();
    } catch (DuplicateKeyException e) {
      throw Refused.conflict("There is a channel called \"%s\" already.".formatted(channel.name()));
    }
  }

  void remove(long id) {
    jdbc.sql("delete from channel where id = ?").param(id).update();
  }
}
