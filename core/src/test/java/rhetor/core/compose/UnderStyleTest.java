package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.Styles;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.exchange.Html;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.style.Style;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.template.StartingTemplates;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** What the composer writes for a house that has decided something. */
class UnderStyleTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final String HEADINGS =
      "SKU,Name,Type,Brand,Colour,Weight,Capacity,Material,Closure,IP rating,Pockets,Care,Reflective";

  private static final Map<Integer, ProductFacts> PRODUCTS = new HashMap<>();

  private static ProductFacts product(int i) {
    return PRODUCTS.computeIfAbsent(i, UnderStyleTest::read);
  }

  private static ProductFacts read(int i) {
    return Products.of(
        HEADINGS,
        "P%d,Lane %d,Panniers,Tolvane,grey,%d g,%d l,recycled polyester,roll-top,IPX6,2,wipe clean,yes"
            .formatted(i, i, 800 + i, 10 + i % 20));
  }

  private static List<Draft> drafts(Style style, int number) {
    Composer composer = new Composer(KNOWLEDGE, 3);
    List<Draft> drafts = new ArrayList<>();
    for (int i = 0; i < number; i++) {
      drafts.add(composer.compose(Brief.of(product(i)).under(style)));
    }
    return drafts;
  }

  private static String all(Draft draft) {
    StringBuilder all = new StringBuilder();
    for (Field field : Field.values()) {
      all.append(draft.plain(field)).append('\n');
    }
    return all.toString();
  }

  @Test
  void supporting_keywords_stand_where_a_description_speaks_of_its_product() {
    Style style =
        Styles.of(
            "{'supporting': ['recycled polyester pannier', 'bike rack pannier', 'gas stove']}");
    int placed = 0;
    for (Voice voice : Voices.all()) {
      Composer composer = new Composer(KNOWLEDGE, 5);
      for (int i = 0; i < 12; i++) {
        Draft draft = composer.compose(Brief.of(product(i)).under(style).in(voice));
        String prose = draft.prose();
        placed += prose.contains("bike rack pannier") ? 1 : 0;
        assertThat(prose).doesNotContain("gas stove", "a the ", "The It");
        assertThat(prose.split("bike rack pannier", -1)).hasSizeLessThanOrEqualTo(2);
        assertThat(draft.sentences(Field.DESCRIPTION).getFirst().text())
            .doesNotContain("bike rack pannier");
        for (Sentence sentence : draft.sentences(Field.DESCRIPTION)) {
          if (sentence.text().contains("bike rack pannier")) {
            assertThat(sentence.text()).containsIgnoringCase("the bike rack pannier");
            assertThat(sentence.support()).contains(Support.keyword("bike rack pannier"));
          }
        }
      }
    }
    assertThat(placed).isGreaterThan(48);
  }

  @Test
  void descriptions_are_set_out_as_the_house_wants_them() {
    Style style =
        Styles.of(
            "{'always': ['Spare parts are kept.'], 'structure': {'specification': false, 'paragraphSentences': 2, 'headingLevel': 2}}");
    int i = 0;
    for (Draft draft : drafts(style, 8)) {
      assertThat(draft.blocks(Field.DESCRIPTION))
          .allSatisfy(b -> assertThat(b.kind()).isEqualTo(Block.Kind.PARAGRAPH))
          .allSatisfy(b -> assertThat(b.sentences()).hasSizeLessThanOrEqualTo(2));
      assertThat(structureMarks(style, draft, product(i++))).isEmpty();
    }
    Draft usual = drafts(Style.standard(), 1).getFirst();
    assertThat(structureMarks(style, usual, product(0)))
        .anyMatch(why -> why.contains("no list of facts"))
        .anyMatch(why -> why.contains("2 sentences at most"));
    assertThat(structureMarks(Style.standard(), usual, product(0))).isEmpty();
    assertThat(Html.of(usual.blocks(Field.DESCRIPTION), 2)).contains("<h2>Specification</h2>");
  }

  private static List<String> structureMarks(Style style, Draft draft, ProductFacts product) {
    return new Checker(KNOWLEDGE, style)
        .check(draft, product, "").marks().stream()
            .filter(m -> m.check().equals("structure"))
            .map(Mark::why)
            .toList();
  }

  @Test
  void a_template_lists_no_facts_where_the_house_has_no_list() {
    Style style =
        Styles.of(
            "{'structure': {'specification': false, 'paragraphSentences': 0, 'headingLevel': 3}}");
    Brief brief =
        Brief.of(product(1)).under(style).after(StartingTemplates.all().getFirst().template());
    assertThat(new Composer(KNOWLEDGE, 3).compose(brief).blocks(Field.DESCRIPTION))
        .noneMatch(b -> b.kind() == Block.Kind.LIST);
  }

  @Test
  void fields_fit_with_the_houses_longer_words_in_them() {
    Style style =
        Styles.of(
            "{'voice': 'lively', 'spelling': 'AMERICAN', 'banned': [{'word': 'pannier', 'instead': 'bicycle saddlebag'}, {'word': 'measure', 'instead': 'be in its dimensions'}, {'word': 'recycled', 'instead': 'once used and recovered'}]}");
    int i = 0;
    for (Draft draft : drafts(style, 40)) {
      assertThat(
              new Checker(KNOWLEDGE, style)
                  .check(draft, product(i++), "").marks().stream()
                      .filter(m -> m.check().equals("length"))
                      .map(m -> m.field() + ": " + m.why()))
          .isEmpty();
    }
  }

  @Test
  void banned_words_stand_in_no_field() {
    Style style =
        Styles.of(
            "{'banned': [{'word': 'pannier', 'instead': 'bag'}, {'word': 'weather'}, {'word': 'weigh'}]}");
    for (Draft draft : drafts(style, 8)) {
      assertThat(all(draft)).doesNotContainIgnoringCase("pannier").containsIgnoringCase("bag");
      assertThat(draft.prose()).doesNotContain("weighs", "weighing", "weather");
    }
  }

  @Test
  void a_word_for_which_there_is_no_other_is_written_around() {
    Style style = Styles.of("{'banned': [{'word': 'roll-top'}]}");
    for (Draft draft : drafts(style, 10)) {
      assertThat(draft.prose()).isNotBlank().doesNotContain("roll-top");
      assertThat(draft.plain(Field.HIGHLIGHTS)).doesNotContainIgnoringCase("roll-top");
    }
  }

  @Test
  void titles_go_without_the_words_that_titles_never_have() {
    Style style = Styles.of("{'notInTitles': ['grey']}");
    for (Draft draft : drafts(style, 5)) {
      assertThat(draft.plain(Field.TITLE)).doesNotContain("grey");
      assertThat(draft.plain(Field.META_TITLE)).doesNotContain("grey");
      assertThat(draft.plain(Field.DESCRIPTION)).contains("grey");
    }
    assertThat(drafts(Style.standard(), 1).getFirst().plain(Field.TITLE)).contains("grey");
  }

  @Test
  void american_houses_read_american_in_every_field_but_the_name() {
    Style style = Styles.of("{'spelling': 'AMERICAN'}");
    ProductFacts product =
        Products.of("SKU,Name,Type,Colour,Capacity", "A,Grey Harbour,Panniers,grey,20 l");
    Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(product).under(style));
    assertThat(all(draft).replace("Grey Harbour", "")).contains("gray").doesNotContain("grey");
    assertThat(draft.plain(Field.DESCRIPTION)).contains("Color: gray").contains("Grey Harbour");
  }

  @ParameterizedTest
  @CsvSource({
    "DESCRIPTION,0,40",
    "DESCRIPTION,300,0",
    "DESCRIPTION,120,0",
    "SHORT_DESCRIPTION,90,0",
    "META_DESCRIPTION,0,14",
    "HIGHLIGHTS,120,0",
    "TITLE,30,0",
    "META_TITLE,24,0",
    "TAGS,40,0"
  })
  void what_does_not_fit_is_left_out_and_nothing_is_cut_off(Field field, int most, int words) {
    Style style =
        Styles.of(
            "{'lengths': {'%s': {'mostCharacters': %d, 'mostWords': %d}}}"
                .formatted(field.code(), most, words));
    Length length = style.length(field);
    for (Draft draft : drafts(style, 6)) {
      String text = draft.plain(field);
      assertThat(length.fits(text)).as(text).isTrue();
      if (field == Field.DESCRIPTION || field == Field.SHORT_DESCRIPTION) {
        assertThat(draft.sentences(field).getFirst().text()).matches(".*[.!?]");
      }
    }
  }

  @Test
  void what_the_house_always_says_ends_the_prose_and_is_its_own_ground() {
    String sentence = "We guarantee spare parts for ten years.";
    Style style = Styles.of("{'always': ['" + sentence + "']}");
    Checker checker = new Checker(KNOWLEDGE, style);
    for (int i = 0; i < 5; i++) {
      Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(product(i)).under(style));
      List<Block> blocks = draft.blocks(Field.DESCRIPTION);
      int heading =
          blocks.indexOf(
              blocks.stream()
                  .filter(b -> b.kind() == Block.Kind.HEADING)
                  .findFirst()
                  .orElseThrow());
      assertThat(blocks.get(heading - 1).sentences())
          .containsExactly(new Sentence(sentence, List.of(Support.house(sentence))));
      assertThat(checker.check(draft, product(i), "").marks()).isEmpty();
    }
    assertThat(new Checker(KNOWLEDGE).check(drafts(style, 1).getFirst(), product(0), "").mustFix())
        .as("another house doesn't answer for it")
        .isNotEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"plain", "warm", "lively", "expert", "playful", "refined"})
  void sentences_stay_as_short_as_the_house_wants_them(String voice) {
    Style style = Styles.of("{'voice': '%s', 'tuning': {'sentenceWords': 14}}".formatted(voice));
    List<String> longer =
        drafts(style, 8).stream()
            .flatMap(d -> d.sentences(Field.DESCRIPTION).stream())
            .map(Sentence::text)
            .filter(s -> Length.words(s) > 18)
            .toList();
    assertThat(longer).hasSizeLessThanOrEqualTo(1);
  }

  @Test
  void two_styles_tell_the_same_facts_differently_and_both_obey_themselves() {
    Style trail =
        Styles.of(
            "{'voice': 'lively', 'tuning': {'energy': 2, 'contractions': 'ALWAYS'}, 'banned': [{'word': 'pannier', 'instead': 'bike bag'}]}");
    Style club =
        Styles.of(
            "{'voice': 'refined', 'tuning': {'formality': 2, 'person': 'NOBODY'}, 'spelling': 'AMERICAN'}");
    double like = 0;
    for (int i = 0; i < 10; i++) {
      Draft one = new Composer(KNOWLEDGE, 3).compose(Brief.of(product(i)).under(trail));
      Draft other = new Composer(KNOWLEDGE, 3).compose(Brief.of(product(i)).under(club));
      like += Checker.likeness(one.prose(), other.prose());
      assertThat(new Checker(KNOWLEDGE, trail).check(one, product(i), "").mustFix()).isEmpty();
      assertThat(new Checker(KNOWLEDGE, club).check(other, product(i), "").mustFix()).isEmpty();
      assertThat(new Checker(KNOWLEDGE, club).check(one, product(i), "").marks()).isNotEmpty();
    }
    assertThat(like / 10).isLessThan(0.2);
  }

  @Test
  void titles_are_set_as_the_house_sets_them_and_others_are_marked_with_what_they_should_be() {
    Style style = Styles.of("{'titles': {'separator': 'DOT', 'capitals': 'EVERY_WORD'}}");
    Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(product(1)).under(style));
    String title = draft.plain(Field.TITLE);
    assertThat(title).doesNotContain(" – ").doesNotContain(" | ");
    assertThat(draft.plain(Field.META_TITLE)).contains(" · ").doesNotContain(" | ");
    Checker checker = new Checker(KNOWLEDGE, style);
    assertThat(checker.check(draft, product(1), "").marks())
        .extracting(Mark::check)
        .doesNotContain("title form");
    Draft other =
        draft.with(
            Field.TITLE,
            List.of(
                new Block(
                    Block.Kind.PARAGRAPH,
                    List.of(new Sentence(product(1).name() + " - pannier in grey", List.of())))));
    assertThat(checker.check(other, product(1), "").marks())
        .filteredOn(m -> m.check().equals("title form"))
        .singleElement()
        .satisfies(m -> assertThat(m.fix()).isEqualTo(product(1).name() + " · Pannier in Grey"));
  }

  @Test
  void
      each_description_says_one_thing_that_is_special_about_the_house_and_the_house_answers_for_it() {
    List<String> special =
        List.of(
            "We ride what we sell.",
            "Our workshop is in the shop.",
            "Every parcel goes by bicycle.");
    Style style =
        Styles.of(
            "{'special': ['We ride what we sell.', 'Our workshop is in the shop.', 'Every parcel goes by bicycle.']}");
    Set<String> told = new HashSet<>();
    for (Draft draft : drafts(style, 12)) {
      List<String> here =
          draft.sentences(Field.DESCRIPTION).stream()
              .filter(s -> special.contains(s.text()))
              .peek(
                  s ->
                      assertThat(s.support())
                          .containsExactly(new Support(Support.Kind.HOUSE, s.text())))
              .map(Sentence::text)
              .toList();
      assertThat(here).hasSize(1);
      told.addAll(here);
    }
    assertThat(told).hasSize(3);
    Draft one = drafts(style, 1).getFirst();
    assertThat(new Checker(KNOWLEDGE, style).check(one, product(0), "").mustFix()).isEmpty();
    assertThat(new Checker(KNOWLEDGE).check(one, product(0), "").mustFix())
        .extracting(Mark::check)
        .containsExactly("house sentence over");
  }

  @Test
  void a_rewritten_passage_obeys_too() {
    Style style =
        Styles.of("{'banned': [{'word': 'pannier', 'instead': 'bag'}], 'spelling': 'AMERICAN'}");
    Draft draft = drafts(Style.standard(), 1).getFirst();
    List<Block> rewritten =
        new Rewriter(KNOWLEDGE, 1, new RangeFigures(KNOWLEDGE), style)
            .rewrite(
                draft.blocks(Field.DESCRIPTION),
                Field.DESCRIPTION,
                Set.of(),
                product(0),
                "",
                new Rewriter.Order(Rewriter.Way.REWORDED, Voices.plain(), 1));
    String prose =
        rewritten.stream()
            .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
            .flatMap(b -> b.sentences().stream())
            .map(Sentence::text)
            .reduce("", (a, b) -> a + " " + b);
    assertThat(prose).contains("bag").doesNotContain("pannier", "grey");
  }
}
