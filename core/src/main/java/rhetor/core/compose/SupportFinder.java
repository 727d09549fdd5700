package rhetor.core.compose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.keyword.KeywordMatch;

/** Finds what sentences rest on that a person wrote or changed. */
public final class SupportFinder {
  private final ValueText values;

  public SupportFinder(Knowledge knowledge) {
    this.values = new ValueText(knowledge);
  }

  /**
   * The same blocks with support: sentences that stood in {@code before} keep theirs, others get
   * the facts whose values they state.
   */
  public List<Block> attach(
      List<Block> blocks, List<Sentence> before, ProductFacts product, String keyword) {
    Map<String, List<Support>> known = new HashMap<>();
    before.forEach(s -> known.put(s.text(), s.support()));
    return blocks.stream()
        .map(
            b ->
                new Block(
                    b.kind(),
                    b.sentences().stream()
                        .map(
                            s ->
                                new Sentence(
                                    s.text(),
                                    known.containsKey(s.text())
                                        ? known.get(s.text())
                                        : find(s.text(), product, keyword)))
                        .toList()))
        .toList();
  }

  private List<Support> find(String sentence, ProductFacts product, String keyword) {
    List<Support> support = new ArrayList<>();
    for (Fact fact : product.facts()) {
      boolean named = fact.concept().equals("name") && states(sentence, product.name());
      if (named || forms(fact.value()).stream().anyMatch(w -> states(sentence, w))) {
        support.add(Support.fact(fact.id()));
      }
    }
    if (!keyword.isBlank()
        && KeywordMatch.find(keyword, sentence).form() == KeywordMatch.Form.WORD_FOR_WORD) {
      support.add(Support.keyword(keyword));
    }
    return support;
  }

  /** The ways in which a text may write a value. */
  private Set<String> forms(Value value) {
    Set<String> forms = new LinkedHashSet<>();
    if (value instanceof Value.YesNo || value instanceof Value.Quantity q && q.unit().isEmpty()) {
      return forms;
    }
    forms.add(values.prose(value));
    forms.add(values.spec(value));
    forms.add(values.attributive(value));
    if (value instanceof Value.Terms(List<String> items)) {
      forms.addAll(items);
    }
    if (value instanceof Value.Quantity q) {
      Value.Quantity plain = new Value.Quantity(q.amount(), q.unit(), "");
      forms.add(values.prose(plain));
      forms.add(values.spec(plain));
      forms.add(values.spec(plain).replace(" ", ""));
    }
    forms.removeIf(f -> f.length() < 2);
    return forms;
  }

  private static boolean states(String sentence, String words) {
    return Pattern.compile(
            "(?<![\\p{L}\\d])" + Pattern.quote(words.toLowerCase(Locale.ROOT)) + "(?![\\p{L}\\d])")
        .matcher(sentence.toLowerCase(Locale.ROOT))
        .find();
  }
}
