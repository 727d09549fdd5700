package rhetor.app.picture;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.model.Connection;
import rhetor.app.model.TextModels;
import rhetor.app.picture.PictureStore.Kept;
import rhetor.app.picture.PictureStore.Status;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.image.NamedColour;
import rhetor.core.model.PictureQuestion;
import rhetor.core.model.Turn;
import rhetor.core.reading.PictureProposer;
import rhetor.core.reading.PictureProposer.From;
import rhetor.core.reading.PictureProposer.Proposal;
import rhetor.core.reading.PictureProposer.Seen;
import rhetor.core.say.en.ValueText;

/** Products of which there is nothing but pictures: what those say is proposed, and confirmed. */
@Service
class PictureProducts {
  private static final Duration LOOK = Duration.ofSeconds(3);

  private static final int LONGEST_FILE = 80;

  /** As many characters as a question with its picture, and an answer, count for. */
  private static final int QUESTION = 4_600;

  private static final int ANSWER = 300;

  private final PictureService pictures;
  private final PictureStore store;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final TextModels models;
  private final TransactionTemplate transaction;

  PictureProducts(
      PictureService pictures,
      PictureStore store,
      ProductService products,
      HouseKnowledge knowledge,
      TextModels models,
      TransactionTemplate transaction) {
    this.pictures = pictures;
    this.store = store;
    this.products = products;
    this.knowledge = knowledge;
    this.models = models;
    this.transaction = transaction;
  }

  @Configuration
  static class Background {
    @Bean
    Task<Void> readPrint(PictureService pictures) {
      return Tasks.recurring("read-print", FixedDelay.of(LOOK))
          .execute(
              (instance, context) -> {
                while (!context.getSchedulerState().isShuttingDown() && pictures.readNext()) {
                  // Pictures that came meanwhile are next.
                }
              });
    }
  }

  /** A picture of no product, and what its product may be. */
  record Proposed(Kept picture, Proposal proposal) {}

  /** Pictures of no product behind one, at most so many, with what each says. */
  List<Proposed> page(long after, int limit) {
    PictureProposer proposer =
        new PictureProposer(knowledge.current(), new ValueText(knowledge.current())::spec);
    return store.page(Status.UNMATCHED, after, limit).stream()
        .map(k -> new Proposed(k, proposer.propose(seen(k))))
        .toList();
  }

  private static Seen seen(Kept picture) {
    return new Seen(
        picture.fileName(),
        picture.analysis().words(),
        picture.printed().orElse(List.of()),
        picture.analysis().colours().stream().map(NamedColour::name).toList(),
        picture.told().orElse(List.of()));
  }

  /** How many pictures of no product there are, and of how many nobody has read the print yet. */
  record Left(int unmatched, int unread) {}

  Left left() {
    return new Left(store.count(Status.UNMATCHED), store.countUnread());
  }

  /**
   * What asking a text model about pictures would take.
   *
   * @param pictures how many of them it hasn't been asked about
   * @param cost about what it costs
   */
  record Asking(int pictures, BigDecimal cost) {}

  /** What asking about pictures would cost; nothing is asked. */
  Asking asking(long connection, List<Long> ids) {
    Connection model = connection(connection);
    int open = (int) ids.stream().filter(this::isUntold).count();
    return new Asking(
        open, models.estimate(model, QUESTION, ANSWER).multiply(BigDecimal.valueOf(open)));
  }

  /**
   * Asks a text model what pictures show; what it says is proposed, and counts for nothing yet. One
   * that it says nothing of holds up no other.
   *
   * @return how many it said something of
   */
  int ask(long connection, List<Long> ids, String by) {
    Connection model = connection(connection);
    int told = 0;
    for (long id : ids.stream().filter(this::isUntold).toList()) {
      Kept picture = pictures.get(id);
      String shown = Base64.getEncoder().encodeToString(pictures.small(id));
      List<String> lines =
          PictureQuestion.lines(
              models
                  .conversation(model, false, by)
                  .answer(List.of(new Turn(false, PictureQuestion.PROMPT, List.of(shown)))));
      store.setTold(picture.id(), lines);
      told += lines.isEmpty() ? 0 : 1;
    }
    return told;
  }

  private boolean isUntold(long id) {
    return store
        .find(id)
        .filter(k -> k.status() == Status.UNMATCHED && k.told().isEmpty())
        .isPresent();
  }

  private Connection connection(long id) {
    Connection model = models.get(id);
    if (!model.takesPictures()) {
      throw Refused.invalid(
          "\"%s\" takes no pictures. Say under Connections that it does, if it does."
              .formatted(model.name()));
    }
    return model;
  }

  /** A fact that a person confirmed. */
  record Confirmed(String fact, String label, String text, From from) {}

  /** A product that a person makes of a picture. */
  record Wanted(long picture, String sku, String name, List<Confirmed> facts) {}

  /** What became of the pictures: products, those of them that are new, and what went wrong. */
  record MadeOfPictures(List<Long> products, int fresh, List<PictureTrouble> troubled) {}

  record PictureTrouble(long picture, String trouble) {}

  /**
   * Makes products of pictures, each with the facts that were confirmed; one whose SKU is there
   * gets the picture, and of the facts those that it lacks. One that can't be made holds up no
   * other.
   */
  MadeOfPictures make(List<Wanted> wanted, String by) {
    List<Long> made = new ArrayList<>();
    List<PictureTrouble> troubled = new ArrayList<>();
    int fresh = 0;
    for (Wanted one : wanted) {
      try {
        boolean isFresh = products.findSku(one.sku().strip()).isEmpty();
        long id = transaction.execute(status -> make(one, by));
        if (!made.contains(id)) {
          made.add(id);
          fresh += isFresh ? 1 : 0;
        }
      } catch (Refused e) {
        troubled.add(new PictureTrouble(one.picture(), e.getMessage()));
      } catch (DuplicateKeyException e) {
        troubled.add(
            new PictureTrouble(
                one.picture(), "Somebody made a product of this SKU a moment ago. Try again."));
      }
    }
    return new MadeOfPictures(made, fresh, troubled);
  }

  private long make(Wanted wanted, String by) {
    Kept picture = pictures.get(wanted.picture());
    if (picture.status() != Status.UNMATCHED) {
      throw Refused.conflict(
          "This picture belongs to %s already."
              .formatted(picture.sku().isEmpty() ? "a product" : picture.sku()));
    }
    Optional<Long> known = products.findSku(wanted.sku().strip());
    long product = known.orElseGet(() -> products.add(wanted.sku(), wanted.name(), by));
    for (Confirmed fact : wanted.facts()) {
      if (products.lacks(product, fact.fact())) {
        products.type(
            product,
            fact.fact(),
            fact.label(),
            fact.text(),
            by + ", " + origin(fact.from(), picture));
      }
    }
    store.setProduct(picture.id(), product, by + " made a product of it.");
    store.confirm(picture.id());
    return product;
  }

  private static String origin(From from, Kept picture) {
    String whole = picture.fileName();
    String file = whole.length() <= LONGEST_FILE ? whole : whole.substring(0, LONGEST_FILE);
    return switch (from) {
      case COLOUR -> "from the picture " + file;
      case PRINT -> "printed in the picture " + file;
      case CAPTION -> "written inside the file " + file;
      case FILE_NAME -> "from the name of the file " + file;
      case MODEL -> "seen by a text model in the picture " + file;
    };
  }
}
