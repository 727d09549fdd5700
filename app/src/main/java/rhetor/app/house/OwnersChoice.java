package rhetor.app.house;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps what the owner has decided about the house as a whole. */
@Component
public class OwnersChoice {
  private final JdbcClient jdbc;

  OwnersChoice(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** A setting, if the owner has decided it. */
  public Optional<String> find(String name) {
    return jdbc.sql("select setting from house_setting where name = ?")
        .param(name)
        .query(String.class)
        .optional();
  }

  /** Decides a setting. */
  public void put(String name, String setting) {
    jdbc.sql("merge into house_setting (name, setting) key (name) values (?, ?)")
        .params(name, setting)
        .update();
  }
}
