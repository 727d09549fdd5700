package rhetor.app.product;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.say.en.ValueText;

/** Products by hand and pasted texts over HTTP. */
@RestController
class HandController {
  /**
   * What people are asked for, by sort of product; everything else can be added under its own name.
   */
  private static final Map<String, List<String>> FIELDS =
      Map.of(
          "goods",
          List.of(
              "category",
              "brand",
              "material",
              "weight",
              "dimensions",
              "colour",
              "size",
              "use",
              "features",
              "care",
              "warranty"),
          "service",
          List.of(
              "category",
              "duration",
              "turnaround",
              "included",
              "not_included",
              "fits",
              "meeting_point",
              "warranty"),
          "stay",
          List.of(
              "category",
              "meeting_point",
              "group_size",
              "duration",
              "dates",
              "features",
              "included",
              "not_included",
              "min_age"),
          "outing",
          List.of(
              "category",
              "distance",
              "ascent",
              "duration",
              "level",
              "group_size",
              "min_age",
              "meeting_point",
              "dates",
              "language",
              "included",
              "not_included"));

  private final HandService hand;
  private final HouseKnowledge knowledge;
  private final ValueText values;

  HandController(HandService hand, HouseKnowledge knowledge) {
    this.hand = hand;
    this.knowledge = knowledge;
    this.values = new ValueText(knowledge.standard());
  }

  record HandField(String fact, String label) {}

  /** A sort of product and what people are asked for. */
  record HandSort(String sort, List<HandField> fields) {}

  record EnteredFact(
      @NotNull String fact, @NotNull @Size(max = 200) String label, @NotNull String text) {}

  record NewProduct(
      @NotBlank String sku,
      @NotBlank String name,
      @NotNull String text,
      String sort,
      @NotNull @Size(max = 200) List<@Valid EnteredFact> facts) {}

  record FoundFact(String label, String value, String raw) {}

  /** What a pasted text would give. */
  record Found(List<FoundFact> facts, List<String> disputed, List<String> pictures, String prose) {}

  record NewId(long id) {}

  @GetMapping("/api/hand/sorts")
  List<HandSort> sorts() {
    return List.of("goods", "service", "stay", "outing").stream()
        .map(
            s ->
                new HandSort(
                    s,
                    FIELDS.get(s).stream()
                        .map(
                            f ->
                                new HandField(
                                    f,
                                    knowledge
                                        .current()
                                        .concept(f)
                                        .map(Concept::label)
                                        .orElseThrow()))
                        .toList()))
        .toList();
  }

  @PostMapping("/api/hand/look")
  Found look(@Valid @RequestBody NewProduct product, Principal person) {
    ProductFacts pasted =
        hand.look(product.sku(), product.name(), product.text(), person.getName());
    return new Found(
        pasted.facts().stream()
            .filter(f -> !f.concept().equals("name"))
            .map((Fact f) -> new FoundFact(f.label(), values.spec(f.value()), f.source().raw()))
            .toList(),
        pasted.contradictions().stream().map(c -> c.label()).toList(),
        pasted.pictures(),
        pasted.supplierText());
  }

  @PostMapping("/api/hand")
  NewId add(@Valid @RequestBody NewProduct product, Principal person) {
    return new NewId(
        hand.add(
            product.sku(),
            product.name(),
            product.text(),
            product.sort() == null ? "goods" : product.sort(),
            product.facts().stream()
                .map(f -> new HandService.Entered(f.fact(), f.label(), f.text()))
                .toList(),
            person.getName()));
  }
}
