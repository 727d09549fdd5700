package rhetor.app.concept;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductService;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.WordingTeacher;
import rhetor.core.say.en.Learner;

/**
 * Finds how the house's own pages tell what stands under headings that have no words yet: where a
 * sentence of a page pulled from the shop has a fact's value in it, and pages of several products
 * put it alike.
 */
@Service
class OwnPages {
  /** One page may be chance. */
  private static final int LEAST_PAGES = 2;

  /** So many products are in memory at once. */
  private static final int AT_ONCE = 500;

  private static final int MOST_PRODUCTS = 40;
  private static final int MOST = 100;
  private static final int LONGEST_SENTENCE = 200;
  private static final Pattern SENTENCE_END = Pattern.compile("(?<=[.!?])\\s+|\\n");

  private final HouseKnowledge house;
  private final ProductService products;

  OwnPages(HouseKnowledge house, ProductService products) {
    this.house = house;
    this.products = products;
  }

  /**
   * A wording that several pages have.
   *
   * @param pages how many
   */
  record PageWording(String heading, int pages, WordingTeacher.ProposedWording wording) {}

  private record Said(String heading, Learner.Worded worded) {}

  /** What was found of a wording: a sentence of it, and products that it was found on. */
  private record Found(String sentence, List<ProductFacts> products, int[] pages) {}

  /** The wordings of the house's own pages, those of most pages first. */
  List<PageWording> wordings() {
    Knowledge knowledge = house.current();
    Learner learner = new Learner(knowledge);
    Map<Said, Found> found = new LinkedHashMap<>();
    Map<Long, ProductFacts> some = new LinkedHashMap<>();
    products.eachSource(
        (product, text, facts) -> {
          some.put(product, facts);
          if (some.size() == AT_ONCE) {
            learn(some, knowledge, learner, found);
            some.clear();
          }
        });
    learn(some, knowledge, learner, found);
    WordingTeacher teacher = new WordingTeacher(knowledge);
    return found.entrySet().stream()
        .filter(e -> e.getValue().pages[0] >= LEAST_PAGES)
        .sorted(
            Comparator.comparingInt((Map.Entry<Said, Found> e) -> e.getValue().pages[0])
                .reversed()
                .thenComparing(e -> e.getKey().heading))
        .limit(MOST)
        .map(
            e ->
                new PageWording(
                    e.getKey().heading,
                    e.getValue().pages[0],
                    teacher.tried(
                        e.getValue().sentence,
                        e.getKey().worded,
                        e.getKey().heading,
                        e.getValue().products)))
        .toList();
  }

  private void learn(
      Map<Long, ProductFacts> some, Knowledge knowledge, Learner learner, Map<Said, Found> found) {
    products
        .pages(List.copyOf(some.keySet()))
        .forEach((id, page) -> learn(some.get(id), page, knowledge, learner, found));
  }

  private static void learn(
      ProductFacts product,
      String page,
      Knowledge knowledge,
      Learner learner,
      Map<Said, Found> found) {
    List<String> sentences =
        SENTENCE_END
            .splitAsStream(page)
            .map(String::strip)
            .filter(s -> !s.isEmpty() && s.length() <= LONGEST_SENTENCE)
            .toList();
    for (Fact fact : product.facts()) {
      boolean isUntold =
          fact.concept().isEmpty()
              && !fact.foreign()
              && knowledge.toldAs("", fact.label()).isEmpty();
      if (!isUntold) {
        continue;
      }
      sentences.stream()
          .flatMap(
              s ->
                  learner.learn(s, fact, product).stream()
                      .map(l -> Map.entry(s, new Learner.Worded(l.form(), l.wording()))))
          .findFirst()
          .ifPresent(
              l -> {
                Found of =
                    found.computeIfAbsent(
                        new Said(fact.label().strip(), l.getValue()),
                        k -> new Found(l.getKey(), new ArrayList<>(), new int[1]));
                of.pages[0]++;
                if (of.products.size() < MOST_PRODUCTS) {
                  of.products.add(product);
                }
              });
    }
  }
}
