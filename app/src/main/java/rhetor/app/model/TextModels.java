package rhetor.app.model;

import java.math.BigDecimal;
import java.net.URI;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.IntStream;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.Sha256;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.web.Refused;
import rhetor.core.model.Turn;

/**
 * The text models of the house. What one answered is kept under all that it was asked with, so that
 * asking the same again gives the same and costs nothing.
 */
@Service
public class TextModels {
  private static final int LONGEST_NAME = 80;

  /** About so many characters make a token, before a service has counted. */
  private static final int CHARACTERS_OF_TOKEN = 4;

  /** As much as so many characters a small picture counts for, before a service has counted. */
  private static final int CHARACTERS_OF_PICTURE = 4_000;

  /** Characters of an answer where nobody knows better. */
  private static final int USUAL_ANSWER = 4_000;

  private static final List<Turn> GREETING =
      List.of(new Turn(false, "Answer with the one word: ready"));

  private final ConnectionStore store;
  private final ModelClient client;
  private final HouseLog log;
  private final Purse purse;

  /** One question is asked once, by however many at the same time. */
  private final List<Lock> asking =
      IntStream.range(0, 1024).<Lock>mapToObj(i -> new ReentrantLock()).toList();

  TextModels(ConnectionStore store, ModelClient client, HouseLog log, Purse purse) {
    this.log = log;
    this.store = store;
    this.client = client;
    this.purse = purse;
  }

  List<Connection> all() {
    return store.all();
  }

  /** A connection by its id, if there still is one. */
  public Optional<Connection> find(long id) {
    return store.find(id);
  }

  /** A connection by its id. */
  public Connection get(long id) {
    return store.find(id).orElseThrow(() -> Refused.notFound("There is no such connection."));
  }

  ConnectionStore.Spent thisMonth(long id) {
    return purse.thisMonth(id);
  }

  /** What was spent over a connection in this calendar month, UTC. */
  public BigDecimal spentThisMonth(long id) {
    return purse.thisMonth(id).cost();
  }

  /** Adds a connection; its id. */
  @Transactional
  public long add(Connection connection, String by) {
    Connection clean = checked(connection);
    log.note(by, Event.CONNECTION_CHANGED, clean.name(), clean.address());
    return store.add(clean, by);
  }

  /** Changes a connection; an empty key leaves the one that is there. */
  @Transactional
  void put(Connection connection, String by) {
    Connection before = get(connection.id());
    Connection clean = checked(connection);
    boolean elsewhere = !host(clean.address()).equals(host(before.address()));
    if (clean.secret().isEmpty() && elsewhere && !before.secret().isEmpty()) {
      throw Refused.invalid(
          "The address leads to another service, which must not get this one’s key. Type the key that belongs to it.");
    }
    log.note(by, Event.CONNECTION_CHANGED, clean.name(), clean.address());
    store.put(
        clean.secret().isEmpty()
            ? new Connection(
                clean.id(),
                clean.name(),
                clean.address(),
                clean.model(),
                before.secret(),
                clean.priceAsked(),
                clean.priceAnswered(),
                clean.monthlyMost(),
                clean.takesPictures())
            : clean);
  }

  /** Takes a connection away; what it answered stays known. */
  @Transactional
  void remove(long id, String by) {
    log.note(by, Event.CONNECTION_CHANGED, get(id).name(), "removed");
    store.remove(id);
  }

  /** Seals the keys that an earlier version kept as they were typed. */
  @EventListener(ApplicationReadyEvent.class)
  public void sealOld() {
    store.sealOld();
  }

  List<String> hosts() {
    return store.hosts();
  }

  /** Lets models be asked at a host, such as {@code models.example} or {@code 10.0.0.7:8080}. */
  @Transactional
  public void allow(String host, String by) {
    String clean = host.strip().toLowerCase(Locale.ROOT);
    if (!clean.equals(authority("https://" + clean)) || clean.length() > 260) {
      throw Refused.invalid(
          "Name a host alone, such as models.example, with its port if it has one of its own.");
    }
    store.allow(clean, by);
    log.note(by, Event.CONNECTION_CHANGED, clean, "models may be asked there");
  }

  /** Lets no model be asked at a host any longer; connections to it stay and aren't used. */
  @Transactional
  void forbid(String host, String by) {
    store.forbid(host);
    log.note(by, Event.CONNECTION_CHANGED, host, "models may not be asked there any longer");
  }

  private void requireAllowed(String address) {
    String host = authority(address);
    if (!store.hosts().contains(host)) {
      throw Refused.invalid(
          "The owner hasn’t allowed %s. Allow it under Connections first; products’ facts are sent there."
              .formatted(host));
    }
  }

  /** Host and port of an address, in small letters; empty if it names none. */
  private static String authority(String address) {
    try {
      URI uri = URI.create(address);
      return uri.getHost() == null || uri.getUserInfo() != null
          ? ""
          : uri.getAuthority().toLowerCase(Locale.ROOT);
    } catch (IllegalArgumentException e) {
      return "";
    }
  }

  private Connection checked(Connection c) {
    String name = c.name().strip();
    String address = c.address().strip().replaceFirst("/+$", "");
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw Refused.invalid(
          "A connection needs a name of up to %d characters.".formatted(LONGEST_NAME));
    }
    if (host(address).isEmpty()) {
      throw Refused.invalid(
          "The address has to begin with http:// or https:// and name a host, such as https://models.example/v1.");
    }
    requireAllowed(address);
    if (c.model().isBlank()) {
      throw Refused.invalid("Say what the service calls the model.");
    }
    if (List.of(c.priceAsked(), c.priceAnswered(), c.monthlyMost()).stream()
        .anyMatch(p -> p.signum() < 0 || p.compareTo(BigDecimal.valueOf(1_000_000)) > 0)) {
      throw Refused.invalid("Prices and limits have to be from 0 to 1,000,000.");
    }
    return new Connection(
        c.id(),
        name,
        address,
        c.model().strip(),
        c.secret().strip(),
        c.priceAsked(),
        c.priceAnswered(),
        c.monthlyMost(),
        c.takesPictures());
  }

  /** Scheme, host and port of a web address; empty if it is none. */
  private static String host(String address) {
    try {
      URI uri = URI.create(address);
      boolean web =
          List.of("http", "https")
              .contains(String.valueOf(uri.getScheme()).toLowerCase(Locale.ROOT));
      return web && uri.getHost() != null && uri.getUserInfo() == null
          ? uri.getScheme() + "://" + uri.getHost() + ":" + uri.getPort()
          : "";
    } catch (IllegalArgumentException e) {
      return "";
    }
  }

  /** Asks for one word, so that address, model and key are known to be right; never kept. */
  Reply greet(long id) {
    Connection connection = get(id);
    requireAllowed(connection.address());
    return client.ask(connection, GREETING, ModelClient.TRIES);
  }

  /** Says that a question hasn't been asked yet. */
  public static final class NotAsked extends RuntimeException {
    NotAsked() {
      super("This hasn't been asked yet.", null, false, false);
    }
  }

  /**
   * A conversation that goes on as long as it went before, and costs nothing; it ends with {@link
   * NotAsked}.
   */
  public Conversation again(Connection connection) {
    return new Conversation(
        turns -> store.reply(hash(connection, turns)).orElseThrow(NotAsked::new));
  }

  /**
   * A conversation in which what hasn't been asked yet is asked.
   *
   * @param afresh whether what was answered before is asked again too, and the new answer kept
   */
  public Conversation conversation(Connection connection, boolean afresh, String by) {
    return new Conversation(
        turns -> ask(connection, turns, afresh, Payer.person(by), USUAL_ANSWER, ModelClient.TRIES));
  }

  /**
   * A conversation about a text of a run: it is for the run to ask again if there is no answer.
   *
   * @param answer about how many characters each answer will have, for the money that is held back
   */
  public Conversation conversation(Connection connection, Payer payer, int answer) {
    return new Conversation(turns -> ask(connection, turns, false, payer, answer, 1));
  }

  /**
   * The answer to a question: the one of before, else a new one, which is kept.
   *
   * @throws ModelTrouble if the money is spent, or the model doesn't answer
   */
  private Reply ask(
      Connection connection, List<Turn> turns, boolean afresh, Payer payer, int answer, int tries) {
    String hash = hash(connection, turns);
    Lock lock = asking.get(Math.floorMod(hash.hashCode(), asking.size()));
    lock.lock();
    try {
      Optional<Reply> kept = afresh ? Optional.empty() : store.reply(hash);
      if (kept.isPresent()) {
        return kept.get();
      }
      requireAllowed(connection.address());
      int asked =
          turns.stream()
              .mapToInt(t -> t.text().length() + t.pictures().size() * CHARACTERS_OF_PICTURE)
              .sum();
      try (Purse.Held held =
          purse.hold(
              connection, payer, estimate(connection, asked, 2 * answer), turns.size() > 1)) {
        Reply reply = client.ask(connection, turns, tries);
        store.keep(hash, connection, reply, payer);
        held.paid(reply.cost());
        return reply;
      }
    } finally {
      lock.unlock();
    }
  }

  /** About what a question of so many characters costs that is answered with so many. */
  public BigDecimal estimate(Connection connection, int asked, int answered) {
    return connection.cost(tokens(asked), tokens(answered));
  }

  private static int tokens(int characters) {
    return (characters + CHARACTERS_OF_TOKEN - 1) / CHARACTERS_OF_TOKEN;
  }

  private static String hash(Connection connection, List<Turn> turns) {
    StringBuilder all = new StringBuilder();
    all.append(connection.address()).append('\n').append(connection.model());
    turns.forEach(t -> all.append('\u0000').append(t.answered()).append('\u0000').append(t.text()));
    turns.forEach(t -> t.pictures().forEach(p -> all.append('\u0000').append(Sha256.hex(p))));
    return Sha256.hex(all.toString());
  }
}
