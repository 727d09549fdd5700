package rhetor.core;

import java.util.List;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;

/** Kinds of products as a house may have decided them. */
public final class Kinds {
  private Kinds() {}

  /**
   * The panniers that ship, otherwise listed and titled.
   *
   * @param first what their specification lists first
   * @param none what it leaves out
   * @param title the pattern of their titles
   */
  public static ProductClass pannier(List<String> first, List<String> none, String title) {
    ProductClass p = Knowledge.standard().productClass("pannier").orElseThrow();
    return new ProductClass(
        p.id(),
        p.noun(),
        p.plural(),
        p.names(),
        p.kinds(),
        p.hypernyms(),
        p.parent(),
        p.essential(),
        p.matters(),
        first,
        none,
        title,
        p.tells());
  }
}
