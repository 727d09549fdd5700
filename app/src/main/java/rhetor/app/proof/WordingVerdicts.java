package rhetor.app.proof;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.Turns;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.knowledge.HouseKnowledge.WordingVerdict;
import rhetor.app.product.Product;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.web.Refused;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Verdicts.Effect;
import rhetor.core.say.en.SaidAs;
import rhetor.core.say.en.SaidAs.Said;
import rhetor.core.style.Field;
import rhetor.core.style.Voices;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** What people think of the wordings that stand in texts, and what Rhetor makes of it. */
@Service
class WordingVerdicts {
  private static final int MOST = 5000;
  private static final int LONGEST_SENTENCE = 1000;
  private static final int LONGEST_PASSAGE = 4000;

  /** So many texts are looked through for a wording; the others are stale and say so. */
  private static final int MOST_TEXTS = 2000;

  private final HouseKnowledge house;
  private final ProductService products;
  private final TextStore texts;
  private final Turns turns;
  private final Clock clock;

  WordingVerdicts(
      HouseKnowledge house, ProductService products, TextStore texts, Turns turns, Clock clock) {
    this.house = house;
    this.products = products;
    this.texts = texts;
    this.turns = turns;
    this.clock = clock;
  }

  /**
   * A wording and what people think of it.
   *
   * @param good how many like it
   * @param bad how many don't
   */
  record Judged(
      String concept,
      String label,
      String form,
      String wording,
      int good,
      int bad,
      Effect effect,
      List<WordingVerdict> verdicts) {}

  /**
   * What a verdict did.
   *
   * @param products those whose texts say so and that nobody has changed by hand, so that they can
   *     be written anew
   */
  record Given(List<Judged> wordings, List<Long> products) {}

  /**
   * Keeps what somebody thinks of how a passage is put; said again, it takes the place of what they
   * said before.
   *
   * @param passage words of one or more of the field's sentences
   * @throws Refused if no wording stands in it
   */
  @Transactional
  public Given give(
      Product product,
      Draft draft,
      Field field,
      String passage,
      boolean isGood,
      String why,
      String by) {
    if (passage.length() > LONGEST_PASSAGE) {
      throw Refused.invalid(
          "Mark less at a time: up to %,d characters.".formatted(LONGEST_PASSAGE));
    }
    turns.take(Turns.Turn.WORDS);
    Knowledge knowledge = house.anew();
    SaidAs saidAs = new SaidAs(knowledge);
    Set<Said> said = new LinkedHashSet<>();
    for (Sentence sentence : draft.sentences(field)) {
      List<Said> of = saidAs.of(sentence, passage, product.facts(), Voices.all());
      of.forEach(s -> put(product.id(), s, isGood, why, sentence.text(), by));
      said.addAll(of);
    }
    if (said.isEmpty()) {
      throw Refused.invalid(
          "None of the words that facts are told in stands there. Change it by hand: Rhetor learns from that, too.");
    }
    Knowledge after = house.anew();
    boolean isSaidNoMore =
        said.stream()
            .anyMatch(
                s -> after.verdicts().effect(s.concept(), s.wording()) == Effect.SAID_NO_MORE);
    return new Given(
        list().stream()
            .filter(
                j ->
                    said.stream()
                        .anyMatch(
                            s ->
                                s.concept().id().equals(j.concept)
                                    && s.wording().equals(j.wording)))
            .toList(),
        isSaidNoMore ? saying(said, saidAs) : List.of());
  }

  private void put(long product, Said said, boolean isGood, String why, String text, String by) {
    house.put(
        new WordingVerdict(
            product,
            said.concept().id(),
            said.form(),
            said.wording(),
            isGood,
            why,
            text.length() > LONGEST_SENTENCE ? text.substring(0, LONGEST_SENTENCE) : text,
            by,
            clock.instant()));
  }

  /** Takes back what somebody thinks of wordings in a product's text. */
  @Transactional
  public void takeBack(long product, Map<String, List<String>> wordingsOfConcepts, String by) {
    turns.take(Turns.Turn.WORDS);
    wordingsOfConcepts.forEach(
        (concept, wordings) -> wordings.forEach(w -> house.removeVerdict(product, concept, w, by)));
  }

  /** Forgets all that people think of a wording. */
  @Transactional
  public void forget(String concept, String wording) {
    turns.take(Turns.Turn.WORDS);
    house.removeVerdicts(concept, wording);
  }

  /** All wordings that people have said something of, the latest first. */
  List<Judged> list() {
    Knowledge knowledge = house.current();
    Map<List<String>, List<WordingVerdict>> of = new LinkedHashMap<>();
    for (WordingVerdict o : house.wordingVerdicts(MOST)) {
      of.computeIfAbsent(List.of(o.concept(), o.wording()), k -> new ArrayList<>()).add(o);
    }
    List<Judged> all = new ArrayList<>();
    of.values()
        .forEach(
            each -> {
              WordingVerdict last = each.getFirst();
              Optional<Concept> concept = knowledge.concept(last.concept());
              int good = (int) each.stream().filter(WordingVerdict::isGood).count();
              all.add(
                  new Judged(
                      last.concept(),
                      concept.map(Concept::label).orElse(last.concept()),
                      last.form(),
                      last.wording(),
                      good,
                      each.size() - good,
                      concept
                          .map(c -> knowledge.verdicts().effect(c, last.wording()))
                          .orElse(Effect.AS_BEFORE),
                      List.copyOf(each)));
            });
    return all;
  }

  /**
   * The products whose text is as it was written and has one of some wordings. They are stale until
   * they are written anew, and so are those that weren't looked through.
   */
  private List<Long> saying(Set<Said> said, SaidAs saidAs) {
    Set<Long> asWritten =
        new HashSet<>(products.ids(new ProductFilter("", Stage.DRAFTED.name(), 0)));
    Set<Long> telling = new LinkedHashSet<>();
    said.forEach(
        s ->
            house.productsTelling(Support.Kind.FACT, s.fact()).stream()
                .filter(asWritten::contains)
                .forEach(telling::add));
    List<Long> all = List.copyOf(telling);
    int lookedAt = Math.min(MOST_TEXTS, all.size());
    products.markStale(all.subList(lookedAt, all.size()));
    List<Long> saying = new ArrayList<>();
    texts.unsigned(
        all.subList(0, lookedAt),
        "",
        text -> {
          Product product = products.get(text.productId());
          boolean isSaid =
              Arrays.stream(Field.values())
                  .flatMap(f -> text.draft().sentences(f).stream())
                  .anyMatch(
                      s ->
                          saidAs.of(s, product.facts(), Voices.all()).stream()
                              .anyMatch(said::contains));
          if (isSaid) {
            saying.add(product.id());
          }
        });
    products.markStale(saying);
    return saying;
  }
}
