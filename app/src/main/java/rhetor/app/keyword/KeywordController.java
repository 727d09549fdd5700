package rhetor.app.keyword;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.InputStream;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Keywords over HTTP. */
@RestController
class KeywordController {
  private static final int MOST = 50;

  private final KeywordService keywords;
  private final SearchData search;
  private final Phrases phrases;

  KeywordController(KeywordService keywords, SearchData search, Phrases phrases) {
    this.phrases = phrases;
    this.keywords = keywords;
    this.search = search;
  }

  @GetMapping("/api/keywords")
  KeywordService.KeywordsView keywords() {
    return keywords.keywords();
  }

  @GetMapping("/api/keywords/rivals")
  List<KeywordService.Rival> rivals(@RequestParam String keyword) {
    return keywords.rivals(keyword);
  }

  /** Pages that are found by a keyword already. */
  @GetMapping("/api/keywords/pages")
  List<SearchStore.RankingPage> pages(@RequestParam String keyword) {
    return search.pages(keyword);
  }

  /** The search data that were taken in last; none if there were never any. */
  record SearchView(List<SearchStore.SearchIntake> last) {}

  @GetMapping("/api/keywords/search-data")
  SearchView searchData() {
    return new SearchView(search.last().stream().toList());
  }

  /** Takes search data in: the file itself is what is sent. */
  @PostMapping(path = "/api/keywords/search-data", consumes = "application/octet-stream")
  SearchStore.SearchIntake takeIn(
      @RequestParam(defaultValue = "search data") String fileName,
      InputStream body,
      Principal person) {
    String name = fileName.replaceAll(".*[/\\\\]", "").replaceAll("\\p{Cntrl}", "").strip();
    return search.takeIn(
        name.length() > 255 ? name.substring(0, 255) : name, body, person.getName());
  }

  @GetMapping("/api/keywords/proposals")
  List<SearchData.ProductQueries> proposals(
      @RequestParam(defaultValue = "true") boolean without,
      @RequestParam(defaultValue = "0") long after,
      @RequestParam(defaultValue = "20") int limit) {
    return search.proposals(without, after, Math.clamp(limit, 1, MOST));
  }

  /**
   * The next step of a change of many keywords.
   *
   * @param after product after which to go on, 0 for the first
   * @param keep whether the keywords are given, else only shown
   */
  record StepOrder(long after, boolean keep) {}

  /** Takes words that no fact bears out from keywords; or shows what would be left. */
  @PostMapping("/api/keywords/relieve")
  KeywordService.RuleStep relieve(@Valid @RequestBody StepOrder order) {
    return keywords.relieve(order.after(), order.keep());
  }

  @PostMapping("/api/keywords/adopt")
  KeywordService.RuleStep adopt(@Valid @RequestBody StepOrder order) {
    return search.adopt(order.after(), order.keep());
  }

  @GetMapping("/api/products/{id}/keywords")
  KeywordService.ProductKeywords of(@PathVariable long id) {
    return keywords.of(id);
  }

  /** Phrases of the product's kind that its facts bear out. */
  @GetMapping("/api/products/{id}/phrases")
  Phrases.PhrasesView phrases(@PathVariable long id) {
    return phrases.of(id);
  }

  /** A product's keywords: the primary one, two supporting ones at most, and required words. */
  record ProductKeywordsOrder(
      @NotNull String keyword,
      @NotNull List<@NotNull String> supporting,
      @NotNull List<@NotNull String> required) {}

  @PutMapping("/api/products/{id}/keywords")
  KeywordService.ProductKeywords put(
      @PathVariable long id, @Valid @RequestBody ProductKeywordsOrder order) {
    return keywords.put(id, order.keyword(), order.supporting(), order.required());
  }

  /** Keywords by the ids of products. */
  record KeywordOrder(@NotNull Map<Long, @NotNull String> keywords) {}

  /** How many products have another keyword. */
  record Assigned(int products) {}

  @PostMapping("/api/keywords/assign")
  Assigned assign(@Valid @RequestBody KeywordOrder order) {
    return new Assigned(keywords.assign(order.keywords()));
  }

  /**
   * A rule for products without a keyword.
   *
   * @param concepts facts that stand before the kind of thing
   * @param after product after which to go on, 0 for the first
   * @param keep whether the keywords are given, else only shown
   */
  record RuleOrder(@NotNull List<@NotNull String> concepts, long after, boolean keep) {}

  @PostMapping("/api/keywords/rule")
  KeywordService.RuleStep rule(@Valid @RequestBody RuleOrder order) {
    return keywords.rule(order.concepts(), order.after(), order.keep());
  }
}
