package rhetor.app.category;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.Product;
import rhetor.app.product.ProductIntake;
import rhetor.app.product.ProductIntake.LeaveAlone;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.fact.ProductFacts;
import rhetor.core.plan.PageFacts;

/**
 * Takes category pages in among what the house writes for: with facts computed from the products
 * that stand on them, so that they are written, proofed and published as products are.
 */
@Service
class CategoryTexts {
  /** Whose word it is in a page's sources. */
  private static final String PAGES = "Category pages";

  /** A SKU has 64 characters. */
  private static final int LONGEST_KEY = 55;

  private static final int MOST_TOLD = 5;

  private final Categories categories;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final HouseLog log;

  CategoryTexts(
      Categories categories, ProductService products, HouseKnowledge knowledge, HouseLog log) {
    this.categories = categories;
    this.products = products;
    this.knowledge = knowledge;
    this.log = log;
  }

  /**
   * What became of pages that were taken in.
   *
   * @param products ids of what the house now writes for, in the pages' order
   * @param left pages that were not, each with the reason
   */
  record Taken(int added, int changed, int unchanged, List<Long> products, List<String> left) {}

  /**
   * Takes pages in, or gives those that were taken in before the facts that hold now.
   *
   * @param keys what the shop calls them by; none for all of them
   * @throws Refused if the shop has no such page, or nothing that the house knows stands on any
   */
  @Transactional
  public Taken take(List<String> keys, String by) {
    List<String> wanted =
        keys.isEmpty()
            ? categories.all().stream().map(Categories.Line::key).toList()
            : keys.stream().distinct().toList();
    List<ProductFacts> pages = new ArrayList<>();
    List<String> left = new ArrayList<>();
    PageFacts facts = new PageFacts(knowledge.current());
    for (String key : wanted) {
      String name =
          categories
              .name(key)
              .orElseThrow(
                  () ->
                      Refused.notFound(
                          "The shop has no category page \"%s\". Pull its pages again."
                              .formatted(key)));
      List<ProductFacts> shown = shown(key);
      if (shown.isEmpty()) {
        left.add(name + ": none of the products on it is known here.");
      } else if (key.length() > LONGEST_KEY) {
        left.add(
            "%s: what the shop calls it by has more than %d characters."
                .formatted(name, LONGEST_KEY));
      } else {
        pages.add(facts.of(Categories.sku(key), name, shown));
      }
    }
    if (pages.isEmpty()) {
      throw Refused.conflict(
          "No page could be taken. Take the sheets of their products in, or pull the shop's products, first. "
              + String.join(" ", left.subList(0, Math.min(left.size(), MOST_TOLD))));
    }
    long intake = products.newIntake("SHOP", PAGES, pages.size() + " category pages", by);
    ProductIntake target = products.intake(intake, PAGES, LeaveAlone.NONE);
    for (int i = 0; i < pages.size(); i++) {
      target.add(target.prepare(pages.get(i), i + 1));
    }
    ProductIntake.Counts counts = target.finish();
    log.note(by, Event.INTAKE_TAKEN, PAGES, pages.size() + " pages");
    return new Taken(
        counts.added(),
        counts.changed(),
        counts.unchanged(),
        pages.stream().map(p -> products.bySku(p.sku())).toList(),
        left);
  }

  private List<ProductFacts> shown(String key) {
    return categories.skus(key).stream()
        .map(products::findSku)
        .flatMap(Optional::stream)
        .map(products::get)
        .map(Product::facts)
        .toList();
  }
}
