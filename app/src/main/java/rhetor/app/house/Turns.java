package rhetor.app.house;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Lets people begin things that exclude one another one at a time: whoever comes second sees what
 * the first began.
 */
@Component
public class Turns {
  private final JdbcClient jdbc;

  Turns(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** What is begun one at a time. */
  public enum Turn {
    RUN,
    EDITION,
    PULL,
    STYLE,
    /** Words for a heading. */
    WORDS,
    /** Whatever changes who owns the house. */
    OWNER
  }

  /** Waits for the turn and keeps it until the transaction ends. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void take(Turn turn) {
    jdbc.sql("select what from turn where what = ? for update")
        .param(turn.name())
        .query(String.class)
        .single();
  }
}
