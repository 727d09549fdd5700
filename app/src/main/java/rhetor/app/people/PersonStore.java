package rhetor.app.people;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Keeps people. */
@Repository
class PersonStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  PersonStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  boolean isEmpty() {
    return jdbc.sql("select count(*) from person").query(Long.class).single() == 0;
  }

  List<Person> all() {
    return jdbc.sql("select id, email, name, role from person order by id")
        .query(Person.class)
        .list();
  }

  Optional<Person> find(String email) {
    return jdbc.sql("select id, email, name, role from person where email = ?")
        .param(email.strip().toLowerCase(Locale.ROOT))
        .query(Person.class)
        .optional();
  }

  Optional<Person> find(long id) {
    return jdbc.sql("select id, email, name, role from person where id = ?")
        .param(id)
        .query(Person.class)
        .optional();
  }

  Optional<String> password(String email) {
    return jdbc.sql("select password from person where email = ?")
        .param(email.strip().toLowerCase(Locale.ROOT))
        .query(String.class)
        .optional();
  }

  void add(String email, String name, Role role, String passwordHash) {
    jdbc.sql("insert into person (email, name, role, password, created_at) values (?, ?, ?, ?, ?)")
        .params(
            email.strip().toLowerCase(Locale.ROOT),
            name.strip(),
            role.name(),
            passwordHash,
            Timestamp.from(clock.instant()))
        .update();
  }

  void setRole(long id, Role role) {
    jdbc.sql("update person set role = ? where id = ?").params(role.name(), id).update();
  }

  long owners() {
    return jdbc.sql("select count(*) from person where role = 'OWNER'").query(Long.class).single();
  }

  void setPassword(long id, String hash) {
    jdbc.sql("update person set password = ? where id = ?").params(hash, id).update();
  }

  void remove(long id) {
    jdbc.sql("delete from person where id = ?").param(id).update();
  }

  /**
   * A second factor.
   *
   * @param secret sealed
   * @param recovery hashes of codes that were not used yet, with spaces between them
   * @param lastStep the last time step that was accepted
   */
  record Factor(String secret, String recovery, long lastStep) {}

  Optional<Factor> factor(long id) {
    return jdbc.sql(
            "select second_factor as secret, recovery, last_step from person where id = ? and second_factor is not null")
        .param(id)
        .query(Factor.class)
        .optional();
  }

  void setFactor(long id, String secret, String recovery, long lastStep) {
    jdbc.sql("update person set second_factor = ?, recovery = ?, last_step = ? where id = ?")
        .params(Arrays.asList(secret, recovery, lastStep, id))
        .update();
  }

  /** Notes that a time step was accepted; false if it, or a later one, was before. */
  boolean useStep(long id, long step) {
    return jdbc.sql("update person set last_step = ? where id = ? and last_step < ?")
            .params(step, id, step)
            .update()
        == 1;
  }

  void setRecovery(long id, String recovery) {
    jdbc.sql("update person set recovery = ? where id = ?").params(recovery, id).update();
  }
}
