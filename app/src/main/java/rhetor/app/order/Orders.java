package rhetor.app.order;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import rhetor.app.intake.IntakeService;
import rhetor.app.product.ProductService;
import rhetor.app.range.Ranges;
import rhetor.core.order.Order;
import rhetor.core.order.OrderReader;
import rhetor.core.order.OrderReader.Named;
import rhetor.core.order.OrderReader.Sort;
import rhetor.core.style.Voices;

/** Understands orders in plain words by what the house has; nothing is done by it. */
@Service
public class Orders {
  private final ProductService products;
  private final Ranges ranges;
  private final IntakeService intakes;

  Orders(ProductService products, Ranges ranges, IntakeService intakes) {
    this.products = products;
    this.ranges = ranges;
    this.intakes = intakes;
  }

  /** What an order means, and what of it was not understood. */
  public Order read(String words) {
    return reader().read(words);
  }

  /** Orders that what was typed may become, the likeliest first. */
  List<String> completions(String words, int most) {
    return reader().completions(words, most);
  }

  private OrderReader reader() {
    List<Named> vocabulary = new ArrayList<>();
    ProductService.Choices choices = products.choices();
    choices.kinds().forEach(k -> vocabulary.add(new Named(Sort.KIND, k.name(), k.name())));
    choices.brands().forEach(b -> vocabulary.add(new Named(Sort.MAKER, b.name(), b.name())));
    ranges.all().forEach(r -> vocabulary.add(new Named(Sort.RANGE, r.name(), "" + r.id())));
    Voices.all().forEach(v -> vocabulary.add(new Named(Sort.VOICE, v.id(), v.id())));
    Set<String> suppliers = new HashSet<>();
    for (IntakeService.Taken sheet : intakes.taken()) {
      // The last sheet of a supplier is the one that is meant.
      if (suppliers.add(sheet.supplier())) {
        vocabulary.add(new Named(Sort.SHEET, sheet.supplier(), "" + sheet.id()));
      }
    }
    return new OrderReader(vocabulary);
  }
}
