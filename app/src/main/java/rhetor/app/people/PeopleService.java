package rhetor.app.people;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.OwnersChoice;
import rhetor.app.house.Turns;
import rhetor.app.house.Vault;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.web.Refused;

/** Who works with the house, and whether they are who they say. */
@Service
public class PeopleService {
  private final PersonStore people;
  private final Hashing hashing;
  private final Tries tries;
  private final Turns turns;
  private final Vault vault;
  private final HouseLog log;
  private final OwnersChoice choice;
  private final Clock clock;
  private final String noPassword;

  PeopleService(
      PersonStore people,
      Hashing hashing,
      Tries tries,
      Turns turns,
      Vault vault,
      HouseLog log,
      OwnersChoice choice,
      Clock clock) {
    this.choice = choice;
    this.people = people;
    this.hashing = hashing;
    this.tries = tries;
    this.turns = turns;
    this.vault = vault;
    this.log = log;
    this.clock = clock;
    this.noPassword = hashing.encode("nobody has this password");
  }

  /** A name of this house that no other has. */
  String house() {
    return choice
        .find("house")
        .orElseGet(
            () -> {
              choice.put("house", UUID.randomUUID().toString());
              return choice.find("house").orElseThrow();
            });
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

  /** What became of a sign-in: a person, or nobody yet because a second factor is wanted. */
  record SignedIn(Optional<Person> person) {}

  /**
   * Checks who somebody is.
   *
   * @param code of the second factor, or a recovery code; empty if there is none or it is yet to be
   *     asked for
   * @param from the address the request comes from; tries are counted per person and address
   * @throws Refused if the password or the code is wrong, or there were too many tries
   */
  SignedIn signIn(String email, String password, String code, String from) {
    tries
        .wait(email, from)
        .ifPresent(
            wait -> {
              throw Refused.tooMany(
                  "Too many wrong tries. Wait %s, then try again.".formatted(inWords(wait)));
            });
    // A stranger's password is compared too, so that the time taken doesn't tell who exists.
    boolean right = hashing.matches(password, people.password(email).orElse(noPassword));
    Person person =
        people.find(email).filter(p -> right).orElseThrow(() -> wrong(email, from, "password"));
    Optional<PersonStore.Factor> factor = people.factor(person.id());
    if (factor.isPresent()) {
      if (code.isBlank()) {
        return new SignedIn(Optional.empty());
      }
      if (!accepts(person, factor.get(), code)) {
        throw wrong(email, from, "code");
      }
    }
    tries.right(email, from);
    log.note(person.email(), Event.SIGNED_IN, "", "");
    return new SignedIn(Optional.of(person));
  }

  /** Forgets all wrong tries, as the owner may after an attack. */
  public void forgive() {
    tries.forget();
  }

  private Refused wrong(String email, String from, String what) {
    tries.wrong(email, from);
    log.note(email, Event.SIGN_IN_REFUSED, "", "wrong " + what);
    return Refused.unknownPerson(
        what.equals("code")
            ? "The code isn't right, or it was used already. Wait for the next one."
            : "The address and the password don't go together.");
  }

  private static String inWords(Duration wait) {
    long seconds = wait.toSeconds() + 1;
    return seconds < 90 ? seconds + " seconds" : (seconds + 59) / 60 + " minutes";
  }

  private boolean accepts(Person person, PersonStore.Factor factor, String code) {
    OptionalLong step =
        SecondFactor.step(vault.open(factor.secret()), code, clock.instant(), factor.lastStep());
    if (step.isPresent()) {
      return people.useStep(person.id(), step.getAsLong());
    }
    String clean = code.strip().toUpperCase(Locale.ROOT);
    List<String> left = new ArrayList<>(List.of(factor.recovery().split(" ")));
    Optional<String> used =
        clean.length() < 16
            ? Optional.empty()
            : left.stream().filter(h -> !h.isEmpty() && hashing.matches(clean, h)).findFirst();
    used.ifPresent(
        h -> {
          left.remove(h);
          people.setRecovery(person.id(), String.join(" ", left));
          log.note(
              person.email(),
              Event.SECOND_FACTOR,
              "",
              "recovery code used, " + left.size() + " left");
        });
    return used.isPresent();
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
    return add(email, name, Role.OWNER, password, email);
  }

  /**
   * Adds a person.
   *
   * @param by who adds them
   */
  @Transactional
  public Person add(String email, String name, Role role, String password, String by) {
    requireGood(password, email, name);
    try {
      people.add(email, name, role, hashing.encode(password));
    } catch (DuplicateKeyException e) {
      throw Refused.conflict(email + " is here already.");
    }
    log.note(by, Event.PERSON_ADDED, email, role.name().toLowerCase(Locale.ROOT));
    return people.find(email).orElseThrow();
  }

  private static void requireGood(String password, String email, String name) {
    PasswordRules.problem(password, email, List.of(name))
        .ifPresent(
            why -> {
              throw Refused.invalid(why);
            });
  }

  /** Changes a person's own password; they have to know the one they have. */
  @Transactional
  void changePassword(String email, String now, String next, String from) {
    Person person = people.find(email).orElseThrow();
    requirePassword(email, now, from);
    if (now.equals(next)) {
      throw Refused.invalid("This is the password that you have. Take another one.");
    }
    requireGood(next, email, person.name());
    people.setPassword(person.id(), hashing.encode(next));
    log.note(email, Event.PASSWORD_CHANGED, "", "");
  }

  private void requirePassword(String email, String password, String from) {
    tries
        .wait(email, from)
        .ifPresent(
            wait -> {
              throw Refused.tooMany(
                  "Too many wrong tries. Wait %s, then try again.".formatted(inWords(wait)));
            });
    if (!hashing.matches(password, people.password(email).orElse(noPassword))) {
      tries.wrong(email, from);
      throw Refused.invalid("This is not the password that you have.");
    }
  }

  /** Gives a person another role; the last owner keeps theirs. */
  @Transactional
  public Person setRole(long id, Role role, String by) {
    turns.take(Turns.Turn.OWNER);
    Person person = get(id);
    if (role != Role.OWNER) {
      requireAnotherOwner(person);
    }
    people.setRole(id, role);
    log.note(
        by,
        Event.ROLE_CHANGED,
        person.email(),
        "%s to %s".formatted(person.role(), role).toLowerCase(Locale.ROOT));
    return get(id);
  }

  private Person get(long id) {
    return people.find(id).orElseThrow(() -> Refused.notFound("There is no such person."));
  }

  private void requireAnotherOwner(Person person) {
    if (person.role() == Role.OWNER && people.owners() == 1) {
      throw Refused.conflict("A house needs an owner. Make somebody else one first.");
    }
  }

  /** Removes a person; what they did stays under their address. */
  @Transactional
  Person remove(long id, String by) {
    turns.take(Turns.Turn.OWNER);
    Person person = get(id);
    requireAnotherOwner(person);
    people.remove(id);
    log.note(by, Event.PERSON_REMOVED, person.email(), "");
    return person;
  }

  /** Whether a person has a second factor. */
  boolean hasSecondFactor(String email) {
    return people.find(email).flatMap(p -> people.factor(p.id())).isPresent();
  }

  /**
   * Begins with a second factor: the secret that a person's device is to keep. It counts once a
   * code of it has been given back.
   */
  String offerSecondFactor() {
    return SecondFactor.secret();
  }

  /**
   * Turns a second factor on.
   *
   * @param secret the one that was offered
   * @param code what the device shows now
   * @return codes for whoever loses the device, each good once, never shown again
   */
  @Transactional
  List<String> confirmSecondFactor(
      String email, String password, String secret, String code, String from) {
    requirePassword(email, password, from);
    Person person = people.find(email).orElseThrow();
    if (!secret.matches("[A-Z2-7]{32}")) {
      throw Refused.invalid("This is not the secret that was offered. Begin again.");
    }
    OptionalLong step = SecondFactor.step(secret, code, clock.instant(), 0);
    if (step.isEmpty()) {
      throw Refused.invalid(
          "The code isn't right. Check that your device's clock is, and give the one that it shows now.");
    }
    List<String> recovery = SecondFactor.recoveryCodes();
    people.setFactor(
        person.id(),
        vault.seal(secret),
        String.join(" ", recovery.stream().map(hashing::encode).toList()),
        step.getAsLong());
    log.note(email, Event.SECOND_FACTOR, "", "turned on");
    return recovery;
  }

  /** Turns a person's own second factor off. */
  @Transactional
  void removeSecondFactor(String email, String password, String from) {
    requirePassword(email, password, from);
    people.setFactor(people.find(email).orElseThrow().id(), null, "", 0);
    log.note(email, Event.SECOND_FACTOR, "", "turned off");
  }

  /** Turns the second factor of somebody off who has lost their device and their codes. */
  @Transactional
  Person removeSecondFactor(long id, String by) {
    Person person = get(id);
    people.setFactor(id, null, "", 0);
    log.note(by, Event.SECOND_FACTOR, person.email(), "turned off");
    return person;
  }
}
