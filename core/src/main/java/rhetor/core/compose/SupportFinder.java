package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.keyword.KeywordMatch;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.say.en.ValueText;
import rhetor.core.text.Block;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Finds what sentences rest on that a person wrote or changed. */
public final class SupportFinder {
  private static final Pattern SLOT = Pattern.compile("\\{[^}]*\\}");

  /** Fewer words than that say no reason. */
  private static final int SHORTEST_REASON = 3;

  private static final Pattern BARE_NUMBER = Pattern.compile("\\d+(?:[.,]\\d+)?");

  /** Stands for a name. */
  private static final String NAMED = "…";

  private static final Pattern LEADING_ARTICLE = Pattern.compile("^(?:an?|the) ");

  private final Knowledge knowledge;
  private final ValueText values;

  public SupportFinder(Knowledge knowledge) {
    this.knowledge = knowledge;
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
      Optional<Claim> claim = claimed(sentence, fact, product.productClass());
      boolean named = fact.concept().equals("name") && states(sentence, product.name());
      if (named || claim.isPresent() || tells(sentence, fact, product.name())) {
        support.add(Support.fact(fact.id()));
      }
      claim.ifPresent(c -> support.add(Support.claim(c.id())));
    }
    if (!keyword.isBlank()
        && KeywordMatch.find(keyword, sentence).form() == KeywordMatch.Form.WORD_FOR_WORD) {
      support.add(Support.keyword(keyword));
    }
    return support;
  }

  private boolean tells(String sentence, Fact fact, String name) {
    if (states(sentence, fact.label() + ": " + values.spec(fact.value()))) {
      return true;
    }
    return switch (fact.value()) {
      case Value.YesNo(boolean yes) ->
          yes && called(fact).stream().anyMatch(w -> states(sentence, w));
      case Value.Quantity q when q.unit().isEmpty() -> counts(sentence, fact, q);
      default ->
          forms(fact.value()).stream()
              .anyMatch(
                  w ->
                      BARE_NUMBER.matcher(w).matches() && !name.isEmpty()
                          // "Tour 98" says nothing of a head of 98 square inches.
                          ? states(sentence.replace(name, NAMED), w)
                          : states(sentence, w));
    };
  }

  /** What texts may call a thing that a product has or is: "details that reflect light". */
  private Set<String> called(Fact fact) {
    Set<String> called = new LinkedHashSet<>(Set.of(fact.label()));
    knowledge
        .toldAs(fact.concept(), fact.label())
        .ifPresent(
            concept -> {
              called.addAll(concept.names().getOrDefault("en", List.of()));
              concept
                  .wordings()
                  .filter(w -> !SLOT.matcher(w).find())
                  .forEach(w -> called.add(LEADING_ARTICLE.matcher(w).replaceFirst("")));
            });
    return called;
  }

  /** Whether a sentence has the number and, at most two words on, what is counted. */
  private boolean counts(String sentence, Fact fact, Value.Quantity quantity) {
    String digits = values.spec(quantity);
    String number =
        digits.matches("\\d{1,2}")
            ? digits + "|" + English.number(Integer.parseInt(digits))
            : digits;
    return called(fact).stream()
        .map(noun -> English.singular(English.lastWord(noun)).toLowerCase(Locale.ROOT))
        .anyMatch(
            noun ->
                Pattern.compile(
                        "(?<![\\p{L}\\d.,])(?:%s)(?:[ -]\\p{L}+){0,2}[ -]%s"
                            .formatted(number, Pattern.quote(noun)))
                    .matcher(sentence.toLowerCase(Locale.ROOT))
                    .find());
  }

  /** The claim of a fact that a sentence makes, in the house's words for it. */
  private Optional<Claim> claimed(String sentence, Fact fact, String productClass) {
    return Licence.in(knowledge).of(fact, productClass).stream()
        .filter(
            claim ->
                claim.adj().stream().anyMatch(a -> states(sentence, a))
                    || claim.so().stream().anyMatch(so -> says(sentence, so)))
        .findFirst();
  }

  /** Whether a sentence has a reason's own words, which stand around its slots. */
  private static boolean says(String sentence, String reason) {
    return Arrays.stream(SLOT.split(reason))
        .map(part -> part.replace("~", "").strip())
        .filter(part -> part.split(" ").length >= SHORTEST_REASON)
        .anyMatch(part -> KeywordMatch.find(part, sentence).isInARow());
  }

  /** The ways in which a text may write a value. */
  private Set<String> forms(Value value) {
    Set<String> forms = new LinkedHashSet<>();
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
    if (value instanceof Value.Words(String w)) {
      ValueText.withPoint(w).ifPresent(forms::add);
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
