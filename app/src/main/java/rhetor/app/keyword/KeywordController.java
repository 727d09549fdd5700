package rhetor.app.keyword;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Keywords over HTTP. */
@RestController
class KeywordController {
  private final KeywordService keywords;

  KeywordController(KeywordService keywords) {
    this.keywords = keywords;
  }

  @GetMapping("/api/keywords")
  KeywordService.KeywordsView keywords() {
    return keywords.keywords();
  }

  @GetMapping("/api/keywords/rivals")
  List<KeywordService.Rival> rivals(@RequestParam String keyword) {
    return keywords.rivals(keyword);
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
