package rhetor.app.edition;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.category.Categories;
import rhetor.app.house.LastingTask;
import rhetor.app.house.Turns;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductIntake;
import rhetor.app.product.ProductIntake.LeaveAlone;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.fact.ProductFacts;
import rhetor.core.reading.CellText;
import rhetor.core.reading.TextReader;

/**
 * Pulls the shop's category pages and products in, page by page: what stands there is read for
 * facts and kept as the base of a rewrite. Each page commits with the place to go on from, so a
 * pull that is interrupted goes on.
 */
@Service
public class PullService {
  static final TaskDescriptor<Long> TASK = TaskDescriptor.of("pull-shop", Long.class);

  private static final Logger LOG = LoggerFactory.getLogger(PullService.class);

  /** Whose word it is in a product's sources. */
  private static final String SHOP = "The shop";

  private static final int PAGE = 50;
  private static final Pattern SENTENCE_END = Pattern.compile("(?<=[.!?])\\s+|\\n");

  private final JdbcClient jdbc;
  private final ShopClient shop;
  private final Categories categories;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final SchedulerClient scheduler;
  private final TransactionTemplate transaction;
  private final SentTexts sent;
  private final Turns turns;
  private final Clock clock;

  PullService(
      JdbcClient jdbc,
      ShopClient shop,
      Categories categories,
      ProductService products,
      HouseKnowledge knowledge,
      @Lazy SchedulerClient scheduler,
      TransactionTemplate transaction,
      SentTexts sent,
      Turns turns,
      Clock clock) {
    this.sent = sent;
    this.turns = turns;
    this.jdbc = jdbc;
    this.shop = shop;
    this.categories = categories;
    this.products = products;
    this.knowledge = knowledge;
    this.scheduler = scheduler;
    this.transaction = transaction;
    this.clock = clock;
  }

  @Configuration
  static class Background {
    @Bean
    Task<Long> pullShop(PullService pulls) {
      return LastingTask.of(TASK, pulls::carryOut);
    }
  }

  /** How far a pull is. */
  enum Status {
    RUNNING,
    DONE,
    FAILED
  }

  /** One act of pulling the shop's products in. */
  record Pull(
      long id,
      long intakeId,
      String lastCategory,
      int categories,
      boolean categoriesDone,
      String lastSku,
      int pulled,
      Status status,
      String trouble) {}

  private static final String PULL =
      "select id, intake_id, last_category, categories, categories_done, last_sku, pulled, status, trouble from pull ";

  Optional<Pull> latest() {
    return jdbc.sql(PULL + "order by id desc limit 1").query(Pull.class).optional();
  }

  private Pull get(long id) {
    return jdbc.sql(PULL + "where id = ?").param(id).query(Pull.class).single();
  }

  /** Whether a pull is under way: it may have passed what changes in the shop meanwhile. */
  public boolean isUnderWay() {
    return latest().filter(p -> p.status == Status.RUNNING).isPresent();
  }

  /** Begins a pull unless one is under way; the id of that which is. */
  @Transactional
  public long begin(String by) {
    turns.take(Turns.Turn.PULL);
    return latest().filter(p -> p.status == Status.RUNNING).orElseGet(() -> next(by)).id;
  }

  /** How a pull ended: empty while it goes on, else why it failed or no words if it didn't. */
  public Optional<String> ended(long id) {
    Pull pull = get(id);
    return pull.status == Status.RUNNING ? Optional.empty() : Optional.of(pull.trouble);
  }

  /** Begins a pull, or goes on with the last one if that failed. */
  @Transactional
  public Pull start(String by) {
    turns.take(Turns.Turn.PULL);
    if (latest().filter(p -> p.status == Status.RUNNING).isPresent()) {
      throw Refused.conflict("The shop's products are being pulled in right now.");
    }
    return next(by);
  }

  private Pull next(String by) {
    Optional<Pull> last = latest();
    long id;
    if (last.filter(p -> p.status == Status.FAILED).isPresent()) {
      id = last.get().id;
      jdbc.sql("update pull set status = 'RUNNING', trouble = '' where id = ?").param(id).update();
    } else {
      GeneratedKeyHolder key = new GeneratedKeyHolder();
      jdbc.sql(
              "insert into pull (intake_id, last_category, categories, categories_done, last_sku, pulled, status, trouble, started_by, started_at) values (?, '', 0, false, '', 0, 'RUNNING', '', ?, ?)")
          .params(
              products.newIntake("SHOP", SHOP, "Products of the shop", by),
              by,
              Timestamp.from(clock.instant()))
          .update(key, "id");
      id = key.getKey().longValue();
    }
    scheduler.scheduleIfNotExists(
        TASK.instance(id + "-" + clock.instant().toEpochMilli()).data(id).build(), clock.instant());
    return get(id);
  }

  /** Carries a pull out, or what is left of it; whether it has ended. */
  boolean carryOut(long id, BooleanSupplier stops) {
    try {
      while (get(id).status == Status.RUNNING) {
        if (stops.getAsBoolean()) {
          return false;
        }
        Pull pull = get(id);
        if (pull.categoriesDone) {
          List<ShopClient.Goods> page = shop.page(pull.lastSku, PAGE);
          transaction.executeWithoutResult(t -> keep(pull, page));
        } else {
          List<Categories.Pulled> page = shop.categories(pull.lastCategory, PAGE);
          transaction.executeWithoutResult(t -> keepCategories(pull, page));
        }
      }
    } catch (ShopClient.ShopRefused e) {
      if (stops.getAsBoolean()) {
        return false;
      }
      fail(id, e.getMessage());
    } catch (RuntimeException e) {
      if (stops.getAsBoolean()) {
        return false;
      }
      LOG.error("pull {} failed", id, e);
      fail(
          id,
          "Something went wrong that Rhetor didn't foresee. Pull again to go on; if it stays, look into the log.");
    }
    return true;
  }

  private void fail(long id, String trouble) {
    jdbc.sql("update pull set status = 'FAILED', trouble = ? where id = ?")
        .params(trouble, id)
        .update();
  }

  /** What stands on a page that isn't the house's own words: those are no evidence of anything. */
  private String strangers(ShopClient.Goods goods) {
    List<ShopContent> ours = products.findSku(goods.sku()).map(sent::of).orElse(List.of());
    Set<String> own = new HashSet<>();
    ours.forEach(c -> own.addAll(sentences(c.shortDescription() + "\n" + c.description())));
    if (own.isEmpty()) {
      return goods.shortDescription() + "\n" + goods.description();
    }
    return sentences(goods.shortDescription() + "\n" + goods.description()).stream()
        .filter(s -> !own.contains(s))
        .collect(Collectors.joining("\n"));
  }

  private static List<String> sentences(String html) {
    return SENTENCE_END
        .splitAsStream(CellText.lines(html))
        .map(s -> s.replaceAll("\\s+", " ").strip())
        .filter(s -> !s.isEmpty())
        .toList();
  }

  private void keepCategories(Pull pull, List<Categories.Pulled> page) {
    categories.keep(page);
    jdbc.sql("update pull set last_category = ?, categories = ?, categories_done = ? where id = ?")
        .params(
            page.isEmpty() ? pull.lastCategory : page.getLast().key(),
            pull.categories + page.size(),
            page.isEmpty(),
            pull.id)
        .update();
  }

  private void keep(Pull pull, List<ShopClient.Goods> page) {
    if (page.isEmpty()) {
      jdbc.sql("update pull set status = 'DONE' where id = ?").param(pull.id).update();
      return;
    }
    ProductIntake target = products.intake(pull.intakeId, SHOP, LeaveAlone.NONE);
    int row = pull.pulled;
    Map<String, String> shelves =
        categories.ofProducts(page.stream().map(ShopClient.Goods::sku).toList());
    for (ShopClient.Goods goods : page) {
      row++;
      String text = strangers(goods);
      if (!goods.title().isBlank() && !text.isBlank()) {
        ProductFacts read =
            new TextReader(knowledge.current())
                .read(
                    goods.sku(),
                    goods.title(),
                    shelves.getOrDefault(goods.sku(), ""),
                    text,
                    "page in the shop");
        target.add(
            target.prepare(
                read.withPictures(read.pictures().stream().map(shop::absolute).toList()), row));
      }
    }
    target.finish();
    jdbc.sql("update pull set last_sku = ?, pulled = ? where id = ?")
        .params(page.getLast().sku(), row, pull.id)
        .update();
  }
}
