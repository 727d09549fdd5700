package rhetor.app.style;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.range.Ranges;
import rhetor.app.web.Refused;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import rhetor.core.style.StyleProblem;
import rhetor.core.style.Voice;
import rhetor.core.style.VoiceMeasure;
import rhetor.core.style.VoiceProposal;
import rhetor.core.style.Voices;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/** Shows on products of the house what other styles would do, and keeps nothing. */
@Service
class StyleTrials {
  private static final int EXAMPLES = 3;
  private static final int MEASURED = 20;
  private static final int LONGEST_SAMPLE = 200_000;

  private final HouseStyle house;
  private final Ranges ranges;
  private final ProductService products;
  private final HouseKnowledge knowledge;

  StyleTrials(HouseStyle house, Ranges ranges, ProductService products, HouseKnowledge knowledge) {
    this.house = house;
    this.ranges = ranges;
    this.products = products;
    this.knowledge = knowledge;
  }

  /** One product's texts as they would be written under two styles. */
  record StyleExample(long product, String sku, String name, Worded now, Worded then) {}

  /**
   * What of a product's texts shows a style.
   *
   * @param description its blocks on lines of their own
   * @param marks what the style's checks say of it
   */
  record Worded(String title, String shortDescription, String description, List<String> marks) {}

  /**
   * What a style would do.
   *
   * @param problems why it can't be obeyed, at its place
   */
  record StyleTrial(List<StyleProblem> problems, List<StyleExample> examples) {}

  /** Tries a style of the house on three products of different kinds. */
  StyleTrial house(Style style) {
    List<StyleProblem> problems = StyleProblem.of(style);
    if (!problems.isEmpty()) {
      return new StyleTrial(problems, List.of());
    }
    List<StyleExample> examples = new ArrayList<>();
    for (long product : ofDifferentKinds()) {
      long range = ranges.of(product);
      examples.add(
          example(product, house.ofRange(range).style(), house.supposing(style, range).style()));
    }
    return new StyleTrial(problems, examples);
  }

  /** Tries what a part of the house would decide on products that it concerns. */
  StyleTrial layer(LayerOwner owner, StyleLayer layer) {
    house.require(owner);
    List<StyleProblem> problems = house.problems(owner, layer);
    if (!problems.isEmpty()) {
      return new StyleTrial(problems, List.of());
    }
    List<StyleExample> examples = new ArrayList<>();
    for (long product :
        owner.kind() == LayerOwner.Kind.RANGE ? ofRange(owner.id()) : ofDifferentKinds()) {
      long range = ranges.of(product);
      examples.add(
          example(
              product,
              house.whole(owner, range).style(),
              house.supposing(owner, layer, range).style()));
    }
    return new StyleTrial(problems, examples);
  }

  private List<Long> ofDifferentKinds() {
    Set<String> kinds = new HashSet<>();
    return products
        .look(
            facts -> facts.facts().size() > 4,
            (product, facts) ->
                kinds.add(facts.productClass()) ? Optional.of(product) : Optional.empty(),
            EXAMPLES)
        .examples();
  }

  private List<Long> ofRange(long range) {
    return products.ids(new ProductFilter("", "ALL", 0, range)).stream()
        .filter(id -> products.get(id).facts().facts().size() > 2)
        .limit(EXAMPLES)
        .toList();
  }

  private StyleExample example(long product, Style now, Style then) {
    ProductFacts facts = products.get(product).facts();
    return new StyleExample(
        product, facts.sku(), facts.name(), worded(facts, now), worded(facts, then));
  }

  /**
   * The style that comes nearest to texts which the house likes.
   *
   * @param pasted the texts, parted by empty lines
   */
  VoiceProposal sample(String pasted, Style style) {
    if (pasted.length() > LONGEST_SAMPLE) {
      throw Refused.invalid(
          "The texts have %,d characters; up to %,d are measured."
              .formatted(pasted.length(), LONGEST_SAMPLE));
    }
    VoiceMeasure measure = VoiceMeasure.of(VoiceMeasure.parts(pasted));
    if (!measure.suffices()) {
      throw Refused.invalid(
          "A voice is told from %d sentences or more; there are %d. Paste some more."
              .formatted(VoiceMeasure.FEWEST, measure.sentences()));
    }
    return VoiceProposal.of(measure, voices(), style);
  }

  /** How the voices sound on products of the house. */
  private Map<String, VoiceMeasure> voices() {
    List<ProductFacts> some =
        products
            .look(f -> f.facts().size() > 4, (id, facts) -> Optional.of(facts), MEASURED)
            .examples();
    Map<String, VoiceMeasure> measures = new LinkedHashMap<>();
    for (Voice voice : Voices.all()) {
      Composer composer = new Composer(knowledge.current(), 1);
      measures.put(
          voice.id(),
          VoiceMeasure.of(
              some.stream().map(f -> composer.compose(Brief.of(f).in(voice)).prose()).toList()));
    }
    return some.isEmpty() ? Map.of() : measures;
  }

  private Worded worded(ProductFacts facts, Style style) {
    Draft draft =
        new Composer(
                knowledge.current(), 1, Variety.ofFew(), products.figures(facts.productClass()))
            .compose(Brief.of(facts).under(style));
    List<String> marks =
        new Checker(knowledge.current(), style)
            .check(draft, facts, facts.keyword()).marks().stream().map(Mark::why).toList();
    return new Worded(
        draft.plain(Field.TITLE), draft.plain(Field.SHORT_DESCRIPTION), setOut(draft), marks);
  }

  /** The description's paragraphs on lines of their own; a list takes a line. */
  private static String setOut(Draft draft) {
    return draft.blocks(Field.DESCRIPTION).stream()
        .map(
            block ->
                String.join(
                    block.kind() == Block.Kind.LIST ? " · " : " ",
                    block.sentences().stream().map(Sentence::text).toList()))
        .collect(Collectors.joining("\n"));
  }
}
