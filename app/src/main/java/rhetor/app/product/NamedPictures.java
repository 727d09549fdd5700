package rhetor.app.product;

import java.util.List;

/** Told which pictures the source of a product names, when the product is stored. */
public interface NamedPictures {

  /**
   * A product's pictures.
   *
   * @param links their addresses or file names, as they stand in the source
   */
  record OfProduct(long product, List<String> links) {}

  /**
   * Notes the pictures that an intake names; called in the transaction that stores the products.
   */
  void named(long intake, String supplier, List<OfProduct> pictures);

  /** Forgets the pictures that an intake named and that have not come yet. */
  void withdrawn(long intake);
}
