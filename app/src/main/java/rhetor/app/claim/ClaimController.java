package rhetor.app.claim;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.knowledge.HouseKnowledge.Decided;
import rhetor.app.knowledge.Standing;
import rhetor.app.knowledge.Touched;
import rhetor.app.web.Refused;
import rhetor.core.compose.ClaimAtWork;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.reading.CellText;
import rhetor.core.style.Voices;

/** The house's claims over HTTP. */
@RestController
class ClaimController {
  private static final int PAGE = 60;

  private final HouseClaims claims;
  private final HouseKnowledge knowledge;

  ClaimController(HouseClaims claims, HouseKnowledge knowledge) {
    this.claims = claims;
    this.knowledge = knowledge;
  }

  /** A claim as it is shown and sent; see {@link Claim} for its parts. */
  record ClaimBody(
      @NotNull String id,
      @NotNull String concept,
      @NotNull List<String> contains,
      Double atLeast,
      Double atMost,
      String unit,
      @NotNull List<String> classes,
      @NotNull List<String> adj,
      @NotNull List<String> so,
      @NotNull String text) {
    Claim claim() {
      return new Claim(
          id.strip(),
          concept,
          clean(contains),
          atLeast,
          atMost,
          unit,
          classes,
          clean(adj),
          false,
          clean(so),
          CellText.clean(text));
    }

    private static List<String> clean(List<String> phrases) {
      return phrases.stream().map(CellText::clean).filter(p -> !p.isEmpty()).distinct().toList();
    }

    static ClaimBody of(Claim c) {
      return new ClaimBody(
          c.id(),
          c.concept(),
          c.contains(),
          c.atLeast(),
          c.atMost(),
          c.unit(),
          c.classes(),
          c.adj(),
          c.so(),
          c.text());
    }
  }

  /**
   * A claim as lists show it.
   *
   * @param fact what its fact is called
   * @param says its words as they stand in a text
   */
  record ClaimView(ClaimBody claim, String fact, List<String> says, Standing state, String by) {}

  record ClaimPage(List<ClaimView> items, String next) {}

  /** A kind of fact or a class of products, to choose from. */
  record Choice(String id, String label) {}

  record ClaimChoices(List<Choice> facts, List<Choice> classes) {}

  @GetMapping("/api/claims")
  ClaimPage list(
      @RequestParam(defaultValue = "") String search,
      @RequestParam(defaultValue = "ALL") String state,
      @RequestParam(defaultValue = "") String after) {
    List<ClaimView> items =
        claims.list(search, Standing.named(state), after, PAGE + 1).stream()
            .map(this::view)
            .toList();
    boolean more = items.size() > PAGE;
    List<ClaimView> page = more ? items.subList(0, PAGE) : items;
    return new ClaimPage(page, more ? page.getLast().claim().id() : "");
  }

  private ClaimView view(Decided<Claim> d) {
    return new ClaimView(
        ClaimBody.of(d.item()),
        knowledge
            .current()
            .concept(d.item().concept())
            .map(Concept::label)
            .orElse(d.item().concept()),
        says(d.item()),
        d.state(),
        d.by());
  }

  private static List<String> says(Claim claim) {
    List<String> says = new ArrayList<>(claim.adj());
    for (String so : claim.so()) {
      says.add("so " + ClaimAtWork.clause(so));
    }
    return says;
  }

  @GetMapping("/api/claims/choices")
  ClaimChoices choices() {
    return new ClaimChoices(
        knowledge.current().concepts().stream()
            .map(c -> new Choice(c.id(), c.label()))
            .sorted(Comparator.comparing(Choice::label))
            .toList(),
        knowledge.current().classes().stream()
            .filter(ProductClass::isConcrete)
            .map(c -> new Choice(c.id(), c.plural()))
            .sorted(Comparator.comparing(Choice::label))
            .toList());
  }

  @PostMapping("/api/claims/try")
  HouseClaims.ClaimTrial tryOut(@Valid @RequestBody ClaimBody body) {
    return claims.tryOut(body.claim(), Voices.plain());
  }

  @PutMapping("/api/claims/{id}")
  Touched put(@PathVariable String id, @Valid @RequestBody ClaimBody body, Principal person) {
    if (!id.equals(body.claim().id())) {
      throw Refused.invalid("The claim's short name can't be changed; add another claim instead.");
    }
    return new Touched(claims.put(body.claim(), person.getName()));
  }

  @PostMapping("/api/claims/{id}/approve")
  void approve(@PathVariable String id, Principal person) {
    claims.approve(id, person.getName());
  }

  @PostMapping("/api/claims/{id}/ban")
  Touched ban(@PathVariable String id, Principal person) {
    return new Touched(claims.ban(id, person.getName()));
  }

  @PostMapping("/api/claims/{id}/restore")
  Touched restore(@PathVariable String id) {
    return new Touched(claims.restore(id));
  }
}
