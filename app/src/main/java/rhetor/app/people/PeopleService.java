package rhetor.app.people;

import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.Turns;
import rhetor.app.web.Refused;

/** Who works with the house, and whether they are who they say. */
@Service
public class PeopleService {
  private static final int TRIES = 6;
  private static final Duration PER = Duration.ofMinutes(1);
  private static final int LEAST_PASSWORD = 10;
  private static final int REMEMBERED = 10_000;

  private final PersonStore people;
  private final PasswordEncoder passwords;
  private final Turns turns;
  private final String noPassword;
  private final Map<String, Bucket> tries = new ConcurrentHashMap<>();

  PeopleService(PersonStore people, PasswordEncoder passwords, Turns turns) {
    this.turns = turns;
    this.people = people;
    this.passwords = passwords;
    this.noPassword = passwords.encode("nobody has this password");
  }

  /** Whether nobody has been created yet, so that the first visitor becomes the owner. */
  public boolean needsOwner() {
    return people.isEmpty();
  }

  public List<Person> all() {
    return people.all();
  }

  /** The person with this address, as they are now. */
  public Optional<Person> find(String email) {
    return people.find(email);
  }

  /**
   * Checks a password.
   *
   * @param from the address the request comes from; tries are counted per person and address
   * @throws Refused if the password is wrong, or there were too many tries
   */
  public Person signIn(String email, String password, String from) {
    String key = email.strip().toLowerCase(Locale.ROOT) + " " + from;
    if (tries.size() > REMEMBERED) {
      tries.clear();
    }
    Bucket bucket =
        tries.computeIfAbsent(
            key,
            k ->
                Bucket.builder()
                    .addLimit(l -> l.capacity(TRIES).refillIntervally(TRIES, PER))
                    .build());
    if (!bucket.tryConsume(1)) {
      throw Refused.tooMany("Too many tries. Wait a minute, then try again.");
    }
    // A stranger's password is compared too, so that the time taken doesn't tell who exists.
    boolean right = passwords.matches(password, people.password(email).orElse(noPassword));
    Person person =
        people
            .find(email)
            .filter(p -> right)
            .orElseThrow(
                () -> Refused.unknownPerson("The address and the password don't go together."));
    tries.remove(key);
    return person;
  }

  /**
   * Creates the owner of a new house.
   *
   * @throws Refused if there is somebody already
   */
  @Transactional
  public Person createOwner(String email, String name, String password) {
    turns.take(Turns.Turn.OWNER);
    if (!people.isEmpty()) {
      throw Refused.conflict("This house has an owner already. Ask them to add you.");
    }
    return add(email, name, Role.OWNER, password);
  }

  /** Adds a person. */
  @Transactional
  public Person add(String email, String name, Role role, String password) {
    if (password.length() < LEAST_PASSWORD) {
      throw Refused.invalid(
          "The password has "
              + password.length()
              + " characters; use at least "
              + LEAST_PASSWORD
              + ".");
    }
    try {
      people.add(email, name, role, passwords.encode(password));
    } catch (DuplicateKeyException e) {
      throw Refused.conflict(email + " is here already.");
    }
    return people.find(email).orElseThrow();
  }

  /** Gives a person another role; the last owner keeps theirs. */
  @Transactional
  public Person setRole(long id, Role role) {
    turns.take(Turns.Turn.OWNER);
    Person person = people.find(id).orElseThrow(() -> Refused.notFound("There is no such person."));
    if (person.role() == Role.OWNER && role != Role.OWNER && people.owners() == 1) {
      throw Refused.conflict("A house needs an owner. Make somebody else one first.");
    }
    people.setRole(id, role);
    return people.find(id).orElseThrow();
  }
}
