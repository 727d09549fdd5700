package rhetor.app.product;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductIntake.LeaveAlone;
import rhetor.app.web.Refused;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.reading.TextReader;

/**
 * Products that come without a sheet: entered by hand, or read from a text that somebody pasted.
 */
@Service
class HandService {
  private static final int LONGEST_TEXT = 200_000;

  private final ProductStore store;
  private final ProductService products;
  private final HouseKnowledge knowledge;

  HandService(ProductStore store, ProductService products, HouseKnowledge knowledge) {
    this.store = store;
    this.products = products;
    this.knowledge = knowledge;
  }

  /** A fact as a person enters it: a concept's id or a name of its own, and what it says. */
  record Entered(String fact, String label, String text) {}

  /** Reads a pasted text and stores nothing. */
  ProductFacts look(String sku, String name, String text, String by) {
    if (text.length() > LONGEST_TEXT) {
      throw Refused.invalid(
          "The text has %,d characters; up to %,d are read."
              .formatted(text.length(), LONGEST_TEXT));
    }
    return new TextReader(knowledge.current())
        .read(clean(sku, "SKU", 64), clean(name, "name", 400), text, "pasted by " + by);
  }

  /**
   * Adds a product, or gives a known one what the text says; its id.
   *
   * @param sort id of the class that it is of, or {@code goods}
   */
  @Transactional
  public long add(
      String sku, String name, String text, String sort, List<Entered> facts, String by) {
    ProductFacts product = look(sku, name, text, by);
    long intake = store.addIntake(text.isBlank() ? "HAND" : "PASTE", "By hand", product.name(), by);
    ProductIntake target = products.intake(intake, "By hand", LeaveAlone.NONE);
    target.add(target.prepare(product, 1));
    target.finish();
    long id = products.bySku(product.sku());
    for (Entered fact : facts) {
      if (!fact.text().isBlank()) {
        products.type(id, factId(fact), fact.label(), fact.text(), by);
      }
    }
    boolean shelved =
        facts.stream().anyMatch(f -> f.fact().equals("category") && !f.text().isBlank());
    if (!sort.equals("goods") && !shelved) {
      // What a person says it is counts before what its name sounds like.
      knowledge
          .current()
          .productClass(sort)
          .ifPresent(c -> products.type(id, "category", "Category", c.noun(), by));
    }
    return id;
  }

  private static String factId(Entered fact) {
    return fact.fact().isBlank() ? Fact.ownId(fact.label()) : fact.fact();
  }

  private static String clean(String text, String what, int most) {
    String clean = text.strip();
    if (clean.isEmpty() || clean.length() > most) {
      throw Refused.invalid(
          "The %s needs 1 to %d characters; without it nothing can be written."
              .formatted(what, most));
    }
    return clean;
  }
}
