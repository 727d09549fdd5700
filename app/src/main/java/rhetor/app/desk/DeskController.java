package rhetor.app.desk;

import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.intake.IntakeService;
import rhetor.app.product.ProductService;
import rhetor.app.run.RunService;

/** The numbers beside the words of the line of work. */
@RestController
class DeskController {
  private final IntakeService intakes;
  private final ProductService products;
  private final RunService runs;

  DeskController(IntakeService intakes, ProductService products, RunService runs) {
    this.intakes = intakes;
    this.products = products;
    this.runs = runs;
  }

  /**
   * How much waits: sheets, products without text, runs under way, texts to read, texts to publish.
   */
  record Waiting(
      int intake,
      int products,
      int runs,
      int proofs,
      int editions,
      int results,
      Map<String, Integer> stages) {}

  @GetMapping("/api/waiting")
  Waiting waiting() {
    Map<String, Integer> stages = products.counts();
    return new Waiting(
        intakes.waiting(),
        stages.get("UNWRITTEN"),
        runs.active(),
        stages.get("DRAFTED") + stages.get("IN_PROOF"),
        stages.get("SIGNED_OFF"),
        stages.get("PUBLISHED"),
        stages);
  }
}
