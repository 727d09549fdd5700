package rhetor.app.kind;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.knowledge.HouseKnowledge.Decided;
import rhetor.app.knowledge.Standing;
import rhetor.app.knowledge.Touched;
import rhetor.app.web.Refused;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.reading.CellText;

/** The kinds of products over HTTP. */
@RestController
class KindController {
  private final HouseKinds kinds;

  KindController(HouseKinds kinds) {
    this.kinds = kinds;
  }

  /**
   * A kind of product as it is shown and sent; see {@link ProductClass} for its parts.
   *
   * @param names what English sheets call it
   * @param matters how much a fact matters, where that differs from the rest
   * @param title how titles are built, with slots such as {{name}}; empty for the usual way
   */
  record KindBody(
      @NotNull String id,
      @NotNull String noun,
      @NotNull String plural,
      @NotNull List<String> names,
      @NotNull List<String> essential,
      @NotNull Map<String, Integer> matters,
      @NotNull List<String> specification,
      @NotNull List<String> unspecified,
      @NotNull String title) {
    static KindBody of(ProductClass c) {
      return new KindBody(
          c.id(),
          c.noun(),
          c.plural(),
          c.names().getOrDefault("en", List.of()),
          c.essential(),
          c.matters(),
          c.specification(),
          c.unspecified(),
          c.title());
    }
  }

  /** A kind in a list. */
  record KindLine(String id, String plural, int products, Standing state) {}

  /** A kind with the facts that its products have. */
  record KindView(KindBody kind, Standing state, String by, List<HouseKinds.KindFact> facts) {}

  @GetMapping("/api/kinds")
  List<KindLine> list(@RequestParam(defaultValue = "") String search) {
    return kinds.list(search).stream()
        .map(
            c ->
                new KindLine(
                    c.kind().id(), c.kind().item().plural(), c.products(), c.kind().state()))
        .toList();
  }

  @GetMapping("/api/kinds/{id}")
  KindView get(@PathVariable String id) {
    Decided<ProductClass> d = kinds.get(id);
    return new KindView(KindBody.of(d.item()), d.state(), d.by(), kinds.facts(d.item()));
  }

  @PostMapping("/api/kinds/try")
  HouseKinds.KindTrial tryOut(@Valid @RequestBody KindBody body) {
    return kinds.tryOut(kind(body));
  }

  @PutMapping("/api/kinds/{id}")
  Touched put(@PathVariable String id, @Valid @RequestBody KindBody body, Principal person) {
    if (!id.equals(body.id())) {
      throw Refused.invalid("The short name can't be changed; add another kind instead.");
    }
    return new Touched(kinds.put(kind(body), person.getName()));
  }

  @PostMapping("/api/kinds/{id}/restore")
  Touched restore(@PathVariable String id) {
    return new Touched(kinds.restore(id));
  }

  /** What was sent, with what can't be changed of the class that ships under that id. */
  private ProductClass kind(KindBody body) {
    ProductClass shipped = kinds.shipped(body.id).orElse(null);
    Map<String, List<String>> names =
        new LinkedHashMap<>(shipped == null ? Map.of() : shipped.names());
    names.put(
        "en",
        body.names.stream()
            .map(CellText::clean)
            .map(n -> n.toLowerCase(Locale.ROOT))
            .filter(n -> !n.isEmpty())
            .distinct()
            .toList());
    return new ProductClass(
        body.id.strip(),
        CellText.clean(body.noun),
        CellText.clean(body.plural),
        names,
        shipped == null ? List.of() : shipped.kinds(),
        shipped == null ? List.of() : shipped.hypernyms(),
        shipped == null ? "" : shipped.parent(),
        body.essential,
        body.matters,
        body.specification,
        body.unspecified,
        CellText.clean(body.title),
        shipped == null ? List.of() : shipped.tells());
  }
}
