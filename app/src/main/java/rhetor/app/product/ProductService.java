package rhetor.app.product;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import rhetor.app.web.Refused;
import rhetor.core.check.Audit;
import rhetor.core.compose.Draft;
import rhetor.core.exchange.TextColumns;
import tools.jackson.databind.json.JsonMapper;

/** Products, and what changes about them as their texts go along. */
@Service
public class ProductService {
  private final ProductStore store;
  private final JsonMapper json;

  ProductService(ProductStore store, JsonMapper json) {
    this.store = store;
    this.json = json;
  }

  /** Begins to take the products of a sheet in. */
  public ProductIntake intake(long intakeId) {
    return new ProductIntake(store, intakeId);
  }

  ProductPage page(ProductFilter filter, ProductStore.Order order, String after, int limit) {
    try {
      return store.page(filter, order, after, limit);
    } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
      throw Refused.invalid("The list can't be shown like that: its state or page key is unknown.");
    }
  }

  /** Ids of all products that match. */
  public List<Long> ids(ProductFilter filter) {
    try {
      return store.ids(filter);
    } catch (IllegalArgumentException e) {
      throw Refused.invalid("There is no state called " + filter.state() + ".");
    }
  }

  /** A product with its facts. */
  public Product get(long id) {
    return store.find(id).orElseThrow(() -> Refused.notFound("There is no such product."));
  }

  /** A product as lists show it. */
  public ProductLine line(long id) {
    return store.line(id).orElseThrow(() -> Refused.notFound("There is no such product."));
  }

  /** Notes that a product has a new text that counts. */
  public void setText(long id, long textId, Stage stage, Audit audit) {
    store.setText(id, textId, stage, audit.readiness().score(), audit.mustFix().size());
  }

  /** Gives a product another primary keyword, or none. */
  public void setKeyword(long id, String keyword) {
    store.setKeyword(id, keyword);
  }

  public void setStage(long id, Stage stage) {
    store.setStage(id, stage);
  }

  /** Notes that writing failed; the text that was there stays. */
  public void setFailed(long id, String reason) {
    store.setFailed(id, reason);
  }

  /** Notes that a text is live. */
  public void setPublished(long id, long textId, String page, String version) {
    store.setPublished(id, textId, page, version);
  }

  /** The cells to add to an intake's sheet, by row. */
  public Map<Integer, List<String>> textCells(long intake, boolean signedOnly) {
    Map<Integer, List<String>> cells = new HashMap<>();
    store.texts(
        intake,
        signedOnly,
        (row, draft, audit) ->
            cells.put(
                row,
                TextColumns.of(
                    json.readValue(draft, Draft.class), json.readValue(audit, Audit.class))));
    return cells;
  }

  /** How many products are in each stage, need fixing or failed. */
  public Map<String, Integer> counts() {
    Map<String, Integer> counts = new LinkedHashMap<>();
    for (Stage stage : Stage.values()) {
      counts.put(stage.name(), 0);
    }
    store.counts(counts::put);
    return counts;
  }
}
