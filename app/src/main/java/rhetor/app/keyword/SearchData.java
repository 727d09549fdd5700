package rhetor.app.keyword;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.keyword.QueryMatcher;
import rhetor.core.keyword.SearchColumns;
import rhetor.core.keyword.SearchHarvest;
import rhetor.core.keyword.SearchRow;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.ValueText;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetLimits;
import rhetor.core.sheet.SheetRow;
import rhetor.core.support.Judge;

/** Takes search data in, matches them to products, and proposes keywords from them. */
@Service
class SearchData {
  /** Search data are longer and narrower than suppliers' sheets. */
  static final SheetLimits LIMITS = new SheetLimits(400_000_000, 2_000_000, 50, 4_000);

  /** Results that somebody sees: two pages of them. */
  private static final double SEEN = 20;

  private static final int MOST_TROUBLES = 20;
  private static final int MOST_PAGES = 20_000;
  private static final int AT_ONCE = 100;

  private final SearchStore store;
  private final KeywordStore keywords;
  private final KeywordService assigning;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final TransactionTemplate transaction;
  private final ReentrantLock busy = new ReentrantLock();

  SearchData(
      SearchStore store,
      KeywordStore keywords,
      KeywordService assigning,
      ProductService products,
      HouseKnowledge knowledge,
      TransactionTemplate transaction) {
    this.store = store;
    this.keywords = keywords;
    this.assigning = assigning;
    this.products = products;
    this.knowledge = knowledge;
    this.transaction = transaction;
  }

  Optional<SearchStore.SearchIntake> last() {
    return store.last();
  }

  /** Takes a file in, in the place of the one before; nothing is kept if it can't be read. */
  SearchStore.SearchIntake takeIn(String fileName, InputStream in, String by) {
    if (!busy.tryLock()) {
      throw Refused.conflict("Search data are being taken in already. Wait until that is done.");
    }
    try {
      Path file = Files.createTempFile("search-data", ".sheet");
      try {
        Files.copy(in, file, StandardCopyOption.REPLACE_EXISTING);
        return takeIn(fileName, Sheet.open(file, LIMITS), by);
      } catch (SheetException e) {
        throw Refused.invalid(e.getMessage());
      } finally {
        Files.delete(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } finally {
      busy.unlock();
    }
  }

  private SearchStore.SearchIntake takeIn(String fileName, Sheet sheet, String by) {
    SearchColumns columns;
    try {
      columns = SearchColumns.of(sheet.layout().headings());
    } catch (IllegalArgumentException e) {
      throw Refused.invalid(e.getMessage());
    }
    SearchHarvest harvest = new SearchHarvest(matcher());
    Set<String> taken = keywords.taken();
    Map<String, SearchStore.RankingPage> pages = new HashMap<>();
    List<SearchStore.SearchTrouble> troubles = new ArrayList<>();
    long rows = 0;
    long skipped = 0;
    try (Sheet.Rows all = sheet.rows()) {
      while (all.hasNext()) {
        SheetRow line = all.next();
        if (line.isBlank()) {
          continue;
        }
        rows++;
        SearchColumns.Read read = columns.read(line.cells());
        if (read.row().isEmpty()) {
          skipped++;
          if (troubles.size() < MOST_TROUBLES) {
            troubles.add(new SearchStore.SearchTrouble(line.number(), read.why()));
          }
          continue;
        }
        harvest.add(read.row().get());
        note(read.row().get(), taken, pages);
      }
    }
    SearchStore.SearchIntake intake =
        new SearchStore.SearchIntake(
            fileName,
            rows,
            harvest.matched(),
            harvest.general(),
            harvest.unmatched(),
            skipped,
            troubles,
            by,
            Instant.EPOCH);
    transaction.executeWithoutResult(
        t -> store.replace(intake, harvest.kept(), List.copyOf(pages.values())));
    return store.last().orElseThrow();
  }

  /** Notes a page that is seen for a keyword of the house. */
  private static void note(
      SearchRow row, Set<String> taken, Map<String, SearchStore.RankingPage> pages) {
    String query = row.query().toLowerCase(Locale.ROOT);
    boolean seen = row.position() > 0 && row.position() <= SEEN && !row.page().isEmpty();
    if (seen && row.page().length() <= 500 && taken.contains(query) && pages.size() < MOST_PAGES) {
      pages.merge(
          query + "\n" + row.page(),
          new SearchStore.RankingPage(query, row.page(), row.position(), row.clicks()),
          (a, b) -> a.position() <= b.position() ? a : b);
    }
  }

  private QueryMatcher matcher() {
    QueryMatcher matcher = new QueryMatcher();
    ValueText values = new ValueText(knowledge.current());
    products.eachSource(
        (product, text, facts) -> {
          matcher.add(product, facts.name());
          matcher.add(product, facts.kindNoun(), 1);
          for (Fact fact : facts.facts()) {
            boolean brand = fact.concept().equals("brand");
            // The house's words count as the supplier's do, in whatever language those are.
            matcher.add(product, fact.source().raw(), brand ? 0.9 : 0.8);
            matcher.add(product, values.spec(fact.value()), brand ? 0.9 : 0.8);
          }
        });
    return matcher;
  }

  /**
   * A query that a product could be found by.
   *
   * @param free whether no product has it as its keyword
   * @param conflict what it says that no fact bears out; empty if all is borne out
   */
  record QueryView(
      String query,
      String page,
      long impressions,
      long clicks,
      double position,
      long volume,
      double competition,
      double relevance,
      boolean free,
      String conflict) {}

  /** A product with its keyword and the queries that matter most to it. */
  record ProductQueries(
      long product, String sku, String name, String keyword, List<QueryView> queries) {}

  /** Products with what is searched for that they are about, by their ids. */
  List<ProductQueries> proposals(boolean without, long after, int limit) {
    Set<String> taken = keywords.taken();
    return store.products(without, after, limit).stream()
        .map(products::get)
        .map(
            p ->
                new ProductQueries(
                    p.id(), p.facts().sku(), p.facts().name(), p.keyword(), queries(p, taken)))
        .toList();
  }

  private List<QueryView> queries(Product product, Set<String> taken) {
    Judge judge = new Judge(product.facts(), knowledge.current());
    return store.of(product.id()).stream()
        .map(
            kept -> {
              SearchRow row = kept.row();
              return new QueryView(
                  row.query(),
                  row.page(),
                  row.impressions(),
                  row.clicks(),
                  row.position(),
                  row.volume(),
                  row.competition(),
                  kept.relevance(),
                  !taken.contains(row.query().toLowerCase(Locale.ROOT)),
                  conflict(row.query(), product.facts(), judge));
            })
        .toList();
  }

  private static String conflict(String query, ProductFacts facts, Judge judge) {
    return KeywordUse.of(query, facts, judge).conflicts().stream()
        .map(a -> a.words())
        .findFirst()
        .orElse("");
  }

  /**
   * Gives the next products without a keyword the query that matters most to them, that facts bear
   * out and that no other product has; or shows what it would be.
   *
   * @param after product after which to go on, 0 for the first
   */
  KeywordService.RuleStep adopt(long after, boolean keep) {
    Set<String> taken = keywords.taken();
    List<Long> next = store.products(true, after, AT_ONCE);
    List<KeywordService.RuledKeyword> examples = new ArrayList<>();
    int given = 0;
    for (long id : next) {
      Product product = products.get(id);
      Optional<QueryView> best =
          queries(product, taken).stream()
              .filter(q -> q.free() && q.conflict().isEmpty())
              .findFirst();
      if (best.isPresent()) {
        String keyword = best.get().query();
        taken.add(keyword.toLowerCase(Locale.ROOT));
        given++;
        examples.add(
            new KeywordService.RuledKeyword(
                id, product.facts().sku(), product.facts().name(), keyword));
        if (keep) {
          assigning.assign(Map.of(id, keyword));
        }
      }
    }
    return new KeywordService.RuleStep(
        given,
        next.size() - given,
        next.size() < AT_ONCE ? 0 : next.getLast(),
        examples.subList(0, Math.min(examples.size(), KeywordService.SHOWN)));
  }

  /** Pages that are found by a keyword already. */
  List<SearchStore.RankingPage> pages(String keyword) {
    return store.pages(keyword);
  }
}
