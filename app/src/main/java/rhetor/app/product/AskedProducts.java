package rhetor.app.product;

import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * The products that a request means: those named, or all that match if none is. Absent parts choose
 * nothing; what they mean is said in {@link ProductFilter}.
 */
public record AskedProducts(
    List<@NotNull Long> products,
    String search,
    String state,
    Long intake,
    Long range,
    String kind,
    String brand,
    Integer atLeast,
    Integer below,
    Long reader,
    Long run) {
  public AskedProducts {
    // Who names a product without its id is told so, and doesn't get all of them.
    products =
        products == null ? List.of() : Collections.unmodifiableList(new ArrayList<>(products));
  }

  /** What all that match have in common. */
  public ProductFilter filter() {
    return new ProductFilter(
        search,
        state,
        intake == null ? 0 : intake,
        range == null ? 0 : range,
        kind,
        brand,
        atLeast == null ? 0 : atLeast,
        below == null ? 0 : below,
        reader == null ? 0 : reader,
        run == null ? 0 : run);
  }
}
