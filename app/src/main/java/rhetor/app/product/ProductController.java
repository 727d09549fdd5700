package rhetor.app.product;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.web.Refused;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.say.en.ValueText;

/** Lists of products, and one product's facts, over HTTP. */
@RestController
class ProductController {
  private static final int MOST = 200;
  private static final int MISSING_ROWS = 60;

  private final ProductService products;
  private final ValueText values;
  private final HouseKnowledge knowledge;

  ProductController(ProductService products, HouseKnowledge knowledge) {
    this.knowledge = knowledge;
    this.products = products;
    this.values = new ValueText(knowledge.standard());
  }

  /**
   * A fact as a person reads it, with the cells that say so.
   *
   * @param byHand whether a person typed it in or settled it
   */
  record FactView(
      String id,
      String label,
      String value,
      List<Source> sources,
      boolean foreign,
      boolean byHand) {}

  /** One of the things that sources say where they disagree. */
  record VersionView(String value, List<Source> sources) {}

  record ContradictionView(String id, String label, List<VersionView> versions) {}

  /** A concept that is essential for the product's class and has no fact. */
  record MissingView(String id, String label) {}

  record ProductView(
      ProductLine line,
      List<FactView> facts,
      List<ContradictionView> contradictions,
      List<MissingView> missing) {}

  record Version(@NotNull Integer version) {}

  record TypedFact(@NotNull String label, @NotNull String text) {}

  @GetMapping("/api/products")
  ProductPage page(
      @RequestParam(defaultValue = "") String search,
      @RequestParam(defaultValue = "ALL") String state,
      @RequestParam(defaultValue = "0") long intake,
      @RequestParam(defaultValue = "0") long range,
      @RequestParam(defaultValue = "") String kind,
      @RequestParam(defaultValue = "") String brand,
      @RequestParam(defaultValue = "0") int atLeast,
      @RequestParam(defaultValue = "0") int below,
      @RequestParam(defaultValue = "0") long reader,
      @RequestParam(defaultValue = "0") long run,
      @RequestParam(defaultValue = "SHEET") ProductLists.Order order,
      @RequestParam(defaultValue = "") String after,
      @RequestParam(defaultValue = "50") int limit) {
    return products.page(
        new ProductFilter(search, state, intake, range, kind, brand, atLeast, below, reader, run),
        order,
        after,
        Math.clamp(limit, 1, MOST));
  }

  /** Kinds and makers that the list can be narrowed to, the commonest first. */
  @GetMapping("/api/products/choices")
  ProductService.Choices choices() {
    return products.choices();
  }

  @GetMapping("/api/products/{id}")
  ProductView get(@PathVariable long id) {
    Product product = products.get(id);
    List<String> byHand = products.byHand(id);
    List<FactView> facts = new ArrayList<>();
    for (Fact f : product.facts().facts()) {
      facts.add(
          new FactView(
              f.id(),
              f.label(),
              values.spec(f.value()),
              f.sources(),
              f.foreign(),
              byHand.contains(f.id())));
    }
    List<ContradictionView> contradictions =
        product.facts().contradictions().stream()
            .map(
                c ->
                    new ContradictionView(
                        c.id(),
                        c.label(),
                        c.versions().stream()
                            .map(v -> new VersionView(values.spec(v.value()), v.sources()))
                            .toList()))
            .toList();
    List<MissingView> missing =
        products.missingConcepts(product.facts()).stream()
            .map(
                m ->
                    new MissingView(
                        m, knowledge.current().concept(m).map(Concept::label).orElse(m)))
            .toList();
    return new ProductView(products.line(id), facts, contradictions, missing);
  }

  @PutMapping("/api/products/{id}/settlements/{fact}")
  ProductView settle(
      @PathVariable long id,
      @PathVariable String fact,
      @Valid @RequestBody Version body,
      Principal person) {
    products.settle(id, fact, body.version(), person.getName());
    return get(id);
  }

  @DeleteMapping("/api/products/{id}/settlements/{fact}")
  ProductView unsettle(@PathVariable long id, @PathVariable String fact) {
    products.unsettle(id, fact);
    return get(id);
  }

  @PutMapping("/api/products/{id}/facts/{fact}")
  ProductView type(
      @PathVariable long id,
      @PathVariable String fact,
      @Valid @RequestBody TypedFact body,
      Principal person) {
    products.type(id, fact, body.label(), body.text(), person.getName());
    return get(id);
  }

  /** A class of products some of which lack something essential. */
  record ClassView(String id, String noun, int products) {}

  /**
   * One product in the grid of what is missing; a cell for each column, empty where it is missing.
   */
  record MissingRow(long id, String sku, String name, List<String> cells) {}

  record MissingPage(
      List<ClassView> classes, List<MissingView> columns, List<MissingRow> rows, long next) {}

  @GetMapping("/api/missing")
  MissingPage missing(
      @RequestParam(defaultValue = "") String productClass,
      @RequestParam(defaultValue = "0") long after) {
    List<ClassView> classes =
        products.incomplete().entrySet().stream()
            .map(
                e ->
                    new ClassView(
                        e.getKey(),
                        knowledge
                            .current()
                            .productClass(e.getKey())
                            .map(ProductClass::plural)
                            .orElse(e.getKey()),
                        e.getValue()))
            .toList();
    String chosen =
        productClass.isEmpty() && !classes.isEmpty() ? classes.getFirst().id() : productClass;
    List<Concept> columns =
        knowledge
            .current()
            .productClass(chosen)
            .map(ProductClass::essential)
            .orElse(List.of())
            .stream()
            .flatMap(e -> knowledge.current().concept(e).stream())
            .toList();
    List<Long> ids = products.incomplete(chosen, after, MISSING_ROWS + 1);
    List<MissingRow> rows = new ArrayList<>();
    for (long id : ids.subList(0, Math.min(MISSING_ROWS, ids.size()))) {
      ProductFacts facts = products.get(id).facts();
      rows.add(
          new MissingRow(
              id,
              facts.sku(),
              facts.name(),
              columns.stream()
                  .map(c -> facts.fact(c.id()).map(f -> values.spec(f.value())).orElse(""))
                  .toList()));
    }
    return new MissingPage(
        classes,
        columns.stream().map(c -> new MissingView(c.id(), c.label())).toList(),
        rows,
        ids.size() > MISSING_ROWS ? rows.getLast().id() : 0);
  }

  /** A cell of the grid that was filled in. */
  record Filled(long product, @NotNull String fact, @NotNull String text) {}

  record FilledCells(@NotNull @Size(max = 2000) List<@Valid Filled> cells) {}

  /** What could not be read, and why; everything else is kept. */
  record Refusal(long product, String fact, String why) {}

  record FilledAnswer(int kept, List<Refusal> refusals) {}

  @PostMapping("/api/missing")
  FilledAnswer fill(@Valid @RequestBody FilledCells body, Principal person) {
    List<Refusal> refusals = new ArrayList<>();
    for (Filled cell : body.cells()) {
      try {
        products.type(cell.product(), cell.fact(), cell.fact(), cell.text(), person.getName());
      } catch (Refused e) {
        refusals.add(new Refusal(cell.product(), cell.fact(), e.getMessage()));
      }
    }
    return new FilledAnswer(body.cells().size() - refusals.size(), refusals);
  }
}
