package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.Styles;
import rhetor.core.check.Mark.Weight;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.exchange.Html;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.VoiceMeasure;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/** A rule of the house is caught wherever a text came from. */
class StyleCheckTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final ProductFacts product =
      Products.of(
          "SKU,Name,Category,Weight,Material,Colour,Capacity",
          "A,Harbour Pannier 22,Panniers,830 g,recycled nylon,moss green,22 l");

  private final Draft draft = new Composer(KNOWLEDGE, 1).compose(Brief.of(product));

  private List<Mark> marks(Style style, Draft of, String check) {
    return new Checker(KNOWLEDGE, style)
        .check(of, product, "").marks().stream()
            .filter(m -> m.check().equals(check))
            .filter(m -> m.field() == Field.DESCRIPTION || m.field() == Field.TITLE)
            .toList();
  }

  private Draft with(String html) {
    return draft.with(Field.DESCRIPTION, Html.parse(html));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{'banned': [{'word': 'rugged', 'instead': 'strong'}]} | A rugged bag. | banned word | rugged | A strong bag. | MUST_FIX",
        "{'banned': [{'word': 'indestructible'}]} | It is indestructible. | banned word | indestructible | '' | MUST_FIX",
        "{'spelling': 'AMERICAN'} | It comes in a green colour. | spelling | colour | It comes in a green color. | WEIGH",
        "{'spelling': 'BRITISH'} | A Harbour Pannier 22 with gray hooks. | spelling | gray | A Harbour Pannier 22 with grey hooks. | WEIGH",
        "{} | It holds 22 litres! | exclamation | ! | It holds 22 litres. | WEIGH",
        "{} | It holds 22 litres 🚲. | emoji | 🚲 | It holds 22 litres . | WEIGH",
        "{'tuning': {'person': 'NOBODY'}} | You can fill it with 22 litres. | person | You | '' | WEIGH",
        "{'tuning': {'contractions': 'NEVER'}} | It’s green and doesn't fade. | contraction | It’s | It is green and does not fade. | WEIGH",
        "{'tuning': {'sentenceWords': 8}} | It holds 22 litres and it weighs 830 g in all. | sentence length | '' | '' | WEIGH"
      })
  void what_somebody_typed_is_held_to_the_house_and_mended_where_that_can_be_computed(
      String style, String typed, String check, String words, String fix, Weight weight) {
    Draft by = with("<p>" + typed + "</p>");
    assertThat(marks(Styles.of(style), by, check))
        .first()
        .isEqualTo(
            new Mark(weight, check, Field.DESCRIPTION, 0, words, why(style, by, check), fix));
    assertThat(marks(Styles.of("{'exclamations': true, 'emoji': true}"), by, check))
        .as("where the house doesn't mind")
        .filteredOn(m -> !m.check().equals("spelling"))
        .isEmpty();
  }

  private String why(String style, Draft by, String check) {
    String why = marks(Styles.of(style), by, check).getFirst().why();
    assertThat(why).matches("(?s)(?:The house|The sentence has).*[.]\"?");
    return why;
  }

  @Test
  void a_word_that_titles_never_have_may_stand_in_a_description() {
    Style style = Styles.of("{'notInTitles': ['moss green']}");
    Draft titled =
        with("<p>It comes in moss green.</p>")
            .with(
                Field.TITLE,
                List.of(
                    new Block(
                        Block.Kind.PARAGRAPH,
                        List.of(new Sentence("Harbour Pannier 22, moss green", List.of())))));
    assertThat(marks(style, titled, "banned word"))
        .singleElement()
        .satisfies(
            m -> {
              assertThat(m.field()).isEqualTo(Field.TITLE);
              assertThat(m.why()).contains("never stands in the house's titles");
            });
  }

  @Test
  void lengths_are_the_houses_in_characters_and_words() {
    Style style =
        Styles.of(
            "{'lengths': {'description': {'mostWords': 5}, 'title': {'leastCharacters': 60, 'mostCharacters': 90}}}");
    assertThat(marks(style, draft, "length"))
        .extracting(Mark::field, Mark::weight)
        .contains(
            org.assertj.core.groups.Tuple.tuple(Field.DESCRIPTION, Weight.MUST_FIX),
            org.assertj.core.groups.Tuple.tuple(Field.TITLE, Weight.WEIGH));
    assertThat(marks(Style.standard(), draft, "length")).isEmpty();
  }

  @Test
  void what_every_description_says_is_missed_and_can_be_put_in() {
    Style style =
        Styles.of(
            "{'always': ['Spare parts are kept.'], 'required': ['recycled', 'winter rides']}");
    assertThat(marks(style, draft, "house sentence"))
        .singleElement()
        .satisfies(m -> assertThat(m.fix()).isEqualTo("Spare parts are kept."));
    assertThat(marks(style, draft, "required word"))
        .extracting(Mark::words)
        .containsExactly("winter rides");
    assertThat(
            marks(
                style,
                with("<p>It is for a winter ride.</p><p>Spare parts are kept.</p>"),
                "required word"))
        .extracting(Mark::words)
        .containsExactly("recycled");
  }

  @Test
  void readiness_tells_of_it() {
    Style style = Styles.of("{'banned': [{'word': 'nylon', 'instead': 'cloth'}]}");
    int before = new Checker(KNOWLEDGE).check(draft, product, "").readiness().score();
    assertThat(new Checker(KNOWLEDGE, style).check(draft, product, "").readiness().score())
        .isLessThan(before);
  }

  @Test
  void a_keyword_that_the_house_does_not_say_is_told_once() {
    Style style = Styles.of("{'banned': [{'word': 'pannier', 'instead': 'bike bag'}]}");
    Draft written = new Composer(KNOWLEDGE, 1).compose(Brief.of(product).under(style));
    assertThat(
            new Checker(KNOWLEDGE, style)
                .check(written, product, "nylon pannier").marks().stream()
                    .filter(m -> m.check().startsWith("keyword")))
        .singleElement()
        .satisfies(
            m -> {
              assertThat(m.check()).isEqualTo("keyword conflict");
              assertThat(m.why()).contains("\"pannier\", which the house doesn't say");
            });
    assertThat(written.plain(Field.TITLE)).contains("Harbour Pannier 22");
  }

  @Test
  void a_description_that_sounds_otherwise_than_what_the_house_likes_is_marked() {
    VoiceMeasure liked =
        VoiceMeasure.of(
            List.of(
                "You’ll love it! It’s so light! Don’t you want it? You’ve got room! It’s yours! You’re off!"));
    Style style = Styles.liking(liked);
    Draft stiff =
        with(
            "<p>The construction of this bag from recycled nylon is of a nature that permits its use in conditions of rain. The volume of the bag is 22 litres in the configuration supplied. The weight of the bag is 830 g in the configuration supplied. The colour of the bag is moss green in all of its parts. The material of the bag is recycled nylon in all of its parts.</p>");
    assertThat(marks(style, stiff, "voice"))
        .singleElement()
        .satisfies(m -> assertThat(m.why()).contains("doesn't sound like", " against "));
    assertThat(marks(Style.standard(), stiff, "voice")).isEmpty();
  }

  @Test
  void a_line_for_a_time_is_missed_while_it_holds_and_left_out_when_it_is_over() {
    Style dark = Style.standard().withAngles(List.of("Made for dark mornings."));
    assertThat(marks(dark, draft, "angle"))
        .singleElement()
        .satisfies(m -> assertThat(m.fix()).isEqualTo("Made for dark mornings."));
    Draft mended = Mending.of(draft, marks(dark, draft, "angle"));
    assertThat(marks(dark, mended, "angle")).isEmpty();
    assertThat(new Composer(KNOWLEDGE, 1).compose(Brief.of(product).under(dark)).prose())
        .endsWith("Made for dark mornings.");

    List<Mark> over = marks(Style.standard(), mended, "house sentence over");
    assertThat(over).singleElement().matches(m -> m.weight() == Weight.MUST_FIX && m.mends());
    assertThat(Mending.of(mended, over)).isEqualTo(draft);
  }

  @Test
  void a_supporting_keyword_counts_in_any_form_and_is_a_tag() {
    Style style = Styles.of("{'supporting': ['nylon pannier', 'commuter bag']}");
    Draft by = with("<p>Our nylon panniers hold 22 litres.</p>");
    assertThat(marks(style, by, "supporting keyword"))
        .extracting(Mark::words)
        .containsExactly("commuter bag");
    assertThat(new Composer(KNOWLEDGE, 1).compose(Brief.of(product).under(style)).plain(Field.TAGS))
        .contains("nylon pannier, commuter bag");
  }
}
