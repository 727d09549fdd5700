package rhetor.app.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.model.Connection;
import rhetor.app.model.ModelTrouble;
import rhetor.app.model.Payer;
import rhetor.app.model.TextModels;
import rhetor.app.picture.PictureService;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.Origin;
import rhetor.app.web.Refused;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.model.Amender;
import rhetor.core.model.Amends;
import rhetor.core.model.ModelWriter;
import rhetor.core.model.UnreadableAnswer;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;

/**
 * Has a text model write the products of a run, several at a time. What the model answered is kept
 * by its question, so that whatever a crash undoes is neither asked nor paid for again.
 */
@Component
class ModelRuns {
  private static final Logger LOG = LoggerFactory.getLogger(ModelRuns.class);

  /** One question is asked so often before its product has failed. */
  private static final int TRIES = 3;

  private static final int AHEAD = 25;
  private static final Duration BEAT = Duration.ofMillis(100);

  /** A service that has gone silent is left alone for so long, and for longer each time. */
  private static final List<Duration> ALONE =
      List.of(
          Duration.ofSeconds(20),
          Duration.ofMinutes(1),
          Duration.ofMinutes(3),
          Duration.ofMinutes(10));

  /** Fewer sentences than these say too little of a thing. */
  private static final int TOO_FEW = 3;

  private final RunStore runs;
  private final Outcomes outcomes;
  private final ProductService products;
  private final RunBriefs briefs;
  private final HouseKnowledge knowledge;
  private final TextModels models;
  private final PictureService pictures;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  /** How often in a row the service of a run had gone silent. */
  private final Map<Long, Integer> silences = new ConcurrentHashMap<>();

  ModelRuns(
      RunStore runs,
      Outcomes outcomes,
      ProductService products,
      RunBriefs briefs,
      HouseKnowledge knowledge,
      TextModels models,
      PictureService pictures,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.runs = runs;
    this.outcomes = outcomes;
    this.products = products;
    this.briefs = briefs;
    this.knowledge = knowledge;
    this.models = models;
    this.pictures = pictures;
    this.clock = clock;
  }

  /** Carries a run out, or what is left of it; when to go on, empty if nothing is left. */
  Optional<Instant> carryOut(Run run, Composer composer, BooleanSupplier stops) {
    Optional<Connection> connection = models.find(run.authorship().connection());
    if (connection.isEmpty() && !run.authorship().fallsBack()) {
      pause(
          run.id(),
          "The connection to the text model has been taken away. Stop this run and begin another.");
      return Optional.of(clock.instant());
    }
    try (ExecutorService threads =
        Executors.newCachedThreadPool(Thread.ofPlatform().name("model-", 1).factory())) {
      return new OneRun(run, connection, composer, stops, threads).carryOut();
    }
  }

  /** Lets a run wait for somebody, and tells so. */
  private void pause(long run, String why) {
    runs.pause(run, why);
    runs.find(run).map(RunTold::new).ifPresent(events::publishEvent);
  }

  /** Whether the composer can tell too little of a product. */
  static boolean isThin(Draft composed, Brief brief) {
    int sentences =
        composed.blocks(Field.DESCRIPTION).stream()
            .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
            .mapToInt(b -> b.sentences().size())
            .sum();
    Length length = brief.style().length(Field.DESCRIPTION);
    return sentences < TOO_FEW
        || composed.plain(Field.DESCRIPTION).length() < length.leastCharacters();
  }

  /** What is asked for a product, and what Rhetor would write itself. */
  private record Asked(Product product, Brief brief, Draft composed) {}

  /** What came of it: texts, or why there are none. */
  private record Came(
      Asked asked, Optional<ModelWriter.Written> written, RuntimeException trouble) {}

  /** A run while it is carried out, on one thread; only the questions have threads of their own. */
  private final class OneRun {
    private final Run run;
    private final Optional<Connection> connection;
    private final Composer composer;
    private final BooleanSupplier stops;
    private final ExecutorService threads;
    private final Payer payer;
    private final Amender amender;
    private final Pace pace = new Pace(ThreadLocalRandom.current());
    private final BlockingQueue<Came> came = new LinkedBlockingQueue<>();
    private final Set<Long> underWay = new HashSet<>();
    private final Map<Long, Integer> tries = new HashMap<>();
    private final Map<Long, Instant> later = new HashMap<>();
    private final List<Long> ahead = new ArrayList<>();

    /** Whether Rhetor writes all that is left. */
    private boolean fellBack;

    /** Whether people are told that it waits. */
    private boolean isTroubled;

    /** Why nothing more is asked; empty as long as something may be. */
    private Optional<RuntimeException> halt = Optional.empty();

    OneRun(
        Run run,
        Optional<Connection> connection,
        Composer composer,
        BooleanSupplier stops,
        ExecutorService threads) {
      this.run = run;
      this.connection = connection;
      this.composer = composer;
      this.stops = stops;
      this.threads = threads;
      this.fellBack = connection.isEmpty();
      this.isTroubled = !run.trouble().isEmpty();
      this.payer = new Payer(run.createdBy(), run.id(), run.authorship().most());
      this.amender = new Amender(knowledge.current(), run.authorship().amends());
    }

    Optional<Instant> carryOut() {
      boolean goesOn = true;
      while (true) {
        goesOn =
            goesOn
                && halt.isEmpty()
                && !stops.getAsBoolean()
                && runs.status(run.id()) == Run.Status.RUNNING;
        boolean isDone = goesOn && !begin();
        if (underWay.isEmpty() && (isDone || !goesOn)) {
          return isDone ? Optional.empty() : Optional.of(goesOnAt());
        }
        next().ifPresent(this::keep);
      }
    }

    private Instant goesOnAt() {
      if (halt.isEmpty()) {
        return clock.instant();
      }
      String why = halt.get().getMessage();
      if (!pace.isSilent()) {
        pause(run.id(), why);
        return clock.instant();
      }
      int before = silences.merge(run.id(), 1, Integer::sum) - 1;
      Instant at = clock.instant().plus(ALONE.get(Math.min(before, ALONE.size() - 1)));
      runs.await(run.id(), why, at);
      if (before == 1) {
        runs.find(run.id()).map(RunTold::new).ifPresent(events::publishEvent);
      }
      LOG.info("run {} waits until {}: {}", run.id(), at, why);
      return at;
    }

    /** Begins as many products as the service bears; false if there are none left to begin. */
    private boolean begin() {
      while (underWay.size() < pace.atOnce()) {
        Optional<Long> next = nextProduct();
        if (next.isEmpty()) {
          return !later.isEmpty() || !underWay.isEmpty();
        }
        begin(next.get());
        if (fellBack) {
          return true;
        }
      }
      return true;
    }

    private Optional<Long> nextProduct() {
      Instant now = clock.instant();
      Optional<Long> due =
          later.entrySet().stream()
              .filter(e -> !e.getValue().isAfter(now))
              .map(Map.Entry::getKey)
              .findFirst();
      if (due.isPresent()) {
        later.remove(due.get());
        return due;
      }
      if (ahead.isEmpty()) {
        runs.next(run.id(), AHEAD + underWay.size() + later.size()).stream()
            .filter(id -> !underWay.contains(id) && !later.containsKey(id))
            .forEach(ahead::add);
      }
      return ahead.isEmpty() ? Optional.empty() : Optional.of(ahead.removeFirst());
    }

    private void begin(long id) {
      Asked asked;
      try {
        Product product = products.get(id);
        Brief brief = briefs.of(product, run);
        asked = new Asked(product, brief, composer.compose(brief));
      } catch (RuntimeException e) {
        LOG.warn("product {} can't be written for", id, e);
        outcomes.fail(run, id, String.valueOf(e.getMessage()));
        return;
      }
      boolean isEnough =
          !ModelWriter.writes(run.extent())
              || run.authorship().engine() == Engine.BOTH && !isThin(asked.composed, asked.brief);
      if (isEnough || fellBack) {
        compose(
            asked,
            isEnough || connection.isEmpty()
                ? ""
                : "Rhetor wrote it, because the text model didn’t answer.");
        return;
      }
      underWay.add(id);
      threads.execute(() -> came.add(ask(asked)));
    }

    private Came ask(Asked asked) {
      try {
        int answer = 0;
        for (Field field : Field.values()) {
          answer += run.extent().has(field) ? asked.composed.plain(field).length() : 0;
        }
        return new Came(
            asked,
            Optional.of(
                new ModelWriter(
                        knowledge.current(),
                        models.conversation(connection.orElseThrow(), payer, answer))
                    .write(asked.brief, shown(asked.product.id()))),
            null);
      } catch (RuntimeException e) {
        return new Came(asked, Optional.empty(), e);
      }
    }

    /**
     * The product's picture, where the model takes any and there is one that somebody confirmed.
     */
    private List<String> shown(long product) {
      return connection.filter(Connection::takesPictures).isEmpty()
          ? List.of()
          : pictures.shown(product).map(p -> Base64.getEncoder().encodeToString(p)).stream()
              .toList();
    }

    private Optional<Came> next() {
      try {
        return underWay.isEmpty() && later.isEmpty()
            ? Optional.empty()
            : Optional.ofNullable(came.poll(BEAT.toMillis(), TimeUnit.MILLISECONDS));
      } catch (InterruptedException e) {
        // The server is stopped; what is under way is awaited no longer and begun anew with it.
        Thread.currentThread().interrupt();
        throw new IllegalStateException("interrupted", e);
      }
    }

    private void keep(Came one) {
      long id = one.asked.product.id();
      underWay.remove(id);
      if (one.written.isPresent()) {
        pace.answered();
        if (isTroubled) {
          isTroubled = false;
          silences.remove(run.id());
          runs.forgetTrouble(run.id());
        }
        keep(one.asked, amender.amended(one.written.get(), one.asked.composed, one.asked.brief));
        return;
      }
      switch (one.trouble) {
        case UnreadableAnswer unreadable -> {
          pace.answered();
          if (run.authorship().amends() == Amends.HOLD) {
            outcomes.fail(run, id, "The text model was asked twice and gave none of the fields.");
          } else {
            compose(one.asked, "Rhetor wrote it: " + unreadable.getMessage());
          }
        }
        case ModelTrouble trouble -> trouble(one.asked, trouble);
        case Refused refused -> halt(one.asked, refused);
        default -> {
          LOG.warn("asking for product {} failed", id, one.trouble);
          outcomes.fail(run, id, String.valueOf(one.trouble.getMessage()));
        }
      }
    }

    private void trouble(Asked asked, ModelTrouble trouble) {
      long id = asked.product.id();
      switch (trouble.kind()) {
        case MONEY, CONNECTION -> halt(asked, trouble);
        case QUESTION -> {
          pace.answered();
          failOrCompose(asked, trouble);
        }
        case CAPACITY -> {
          pace.tooMuch();
          again(id, trouble);
        }
        case SILENCE -> {
          pace.silent();
          if (pace.isSilent() || tries.merge(id, 1, Integer::sum) < TRIES) {
            again(id, trouble);
          } else {
            failOrCompose(asked, trouble);
          }
        }
      }
    }

    private void again(long id, ModelTrouble trouble) {
      later.put(id, clock.instant().plus(pace.pause(trouble.pause())));
      if (pace.isSilent()) {
        halt(trouble);
      }
    }

    private void failOrCompose(Asked asked, ModelTrouble trouble) {
      if (run.authorship().fallsBack()) {
        compose(asked, "Rhetor wrote it: " + trouble.getMessage());
      } else {
        outcomes.fail(run, asked.product.id(), trouble.getMessage());
      }
    }

    private void halt(Asked asked, RuntimeException why) {
      later.put(asked.product.id(), clock.instant());
      halt(why);
    }

    private void halt(RuntimeException why) {
      if (run.authorship().fallsBack()) {
        fellBack = true;
        later.replaceAll((id, at) -> clock.instant());
      } else {
        halt = Optional.of(why);
      }
    }

    private void compose(Asked asked, String note) {
      keep(asked, Outcomes.Writing.composed(asked.composed, note));
    }

    private void keep(Asked asked, Amender.Amended written) {
      keep(
          asked,
          new Outcomes.Writing(
              written.draft(),
              Origin.MODEL,
              connection.map(Connection::name).orElse(""),
              String.join(" ", written.notes())));
    }

    /** What was written from other facts than the product has by now is written anew. */
    private void keep(Asked asked, Outcomes.Writing writing) {
      outcomes.write(
          run,
          asked.product.id(),
          now ->
              now.facts().equals(asked.product.facts())
                      && now.keyword().equals(asked.product.keyword())
                  ? Optional.of(writing)
                  : Optional.empty());
    }
  }
}
