package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Voices;
import rhetor.core.text.Draft;

/** Which words of a cell may stand in which wording, read as a shopper would read the sentence. */
class WordsThatFitTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final int SEEDS = 8;

  /** The prose of a product of one further column, in several settings of chance. */
  private static String prose(String kind, String heading, String cell) {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category," + heading + ",Weight",
            "A1,Marlow,%s,\"%s\",900 g".formatted(kind, cell));
    return IntStream.range(0, SEEDS)
        .mapToObj(seed -> new Composer(KNOWLEDGE, seed).compose(Brief.of(product)))
        .map(Draft::prose)
        .map(text -> text.split("Specification")[0])
        .collect(Collectors.joining("\n"));
  }

  @ParameterizedTest
  @CsvSource({
    "Panniers, Closure, toggle, with a toggle",
    "Panniers, Closure, side, side closure",
    "Shelves, Mount, two brackets, two brackets",
    "Shelves, Mount, ceiling, on the ceiling",
    "Shelves, Mount, wall, on the wall",
    "Coffee, Tasting notes, 'plum, tobacco, pear', tobacco",
    "Panniers, Colour, 'white, chalk, brick', 'white, chalk and brick'",
    "Panniers, Colour, ochre/lead, in ochre and lead",
    "Bottles, Colour, clear, clear bottle",
    "Panniers, Colour, natural, natural colour",
    "Panniers, Colours, 'navy, petrol', navy blue and petrol",
    "Doorbells, Battery, 2 x AAA, two AAA cells",
    "Trays, Dimensions cm, '30 x 20; 45 x 30', 30 × 20 cm and 45 × 30 cm",
    "Baskets, Material, split willow, split willow basket",
    "Rugs, Load, '2,500 g', 2.5 kg",
    "Jugs, Capacity, 1250 ml, 1.25",
    "Jugs, Capacity, 1255 ml, '1,255'",
    "T-shirts, Material, linen, T-shirt",
    "D-locks, Material, steel, D-lock",
    "Trays, Gauge, 0.6 mm, a material thickness of 0.6 mm",
    "Bird baths, Includes, 'S-hook, ring', an S-hook",
    "e-readers, Material, linen, e-reader",
    "Saucepans, Lid, glass, a lid of glass",
    "Saucepans, Lids, glass, lids of glass",
    "Chests of drawers, Drawers, 3, three drawers"
  })
  void is_said(String kind, String heading, String cell, String said) {
    assertThat(prose(kind, heading, cell)).contains(said);
  }

  /** What a set comes with is not itself, nor does anybody file it under what it lacks. */
  @ParameterizedTest
  @CsvSource({
    "Kettles, In the box, 'kettle, filter', (?:comes? with|includes?) (?:[^.]*and )?a kettle",
    "Lamps, In the box, '2 lamps, 2 cables', 2 lamps",
    "Panniers, Colour, ochre/lead, (?:comes?|available) in ochre",
    "Lamps, Height cm, 82, stands",
    "Panniers, Lining, elbow felt, elbow felt",
    "Panniers, Build, 90 min, has 90 min",
    "Panniers, Colour, Penny Lane, Penny Lane",
    "Panniers, Finish, UV400, UV400 finish"
  })
  void says_nothing(String kind, String heading, String cell, String notSaid) {
    assertThat(prose(kind, heading, cell)).doesNotContainPattern(notSaid);
  }

  @Test
  void nothing_is_filed_under_what_it_lacks() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Free from,Made in", "A1,Marlow,Soaps,\"palm oil, silicone\",Norway");
    Draft draft = new Composer(KNOWLEDGE, 1).compose(Brief.of(product));
    assertThat(draft.plain(Field.TAGS)).doesNotContain("palm oil", "silicone").contains("Norway");
  }

  /** Where nobody knows what a product is, what people type is no name for it. */
  @Test
  void a_keyword_stands_in_no_title_of_what_nobody_knows() {
    ProductFacts product =
        Products.of("SKU,Name,Keyword,Weight", "A1,Marlow,quonk winter horse,900 g");
    Draft draft = new Composer(KNOWLEDGE, 1).compose(Brief.of(product));
    assertThat(draft.plain(Field.TITLE)).isEqualTo("Marlow");
  }

  /** A weight in front of what has nothing to do with it. */
  @Test
  void a_measure_in_front_belongs_to_what_follows() {
    for (String voice : List.of("plain", "expert", "lively")) {
      ProductFacts product =
          Products.of(
              "SKU,Name,Category,Weight,Colour,Made in", "A1,Marlow,Kettles,900 g,red,Norway");
      for (int seed = 0; seed < SEEDS; seed++) {
        Draft draft =
            new Composer(KNOWLEDGE, seed)
                .compose(
                    Brief.of(product)
                        .in(
                            Voices.all().stream()
                                .filter(v -> v.id().equals(voice))
                                .findFirst()
                                .orElseThrow()));
        assertThat(draft.prose()).doesNotContainPattern("(?:At|Weighing) 900 g, [^.]* is a ");
      }
    }
  }

  @ParameterizedTest
  @CsvSource({
    "Trays, Dimensions cm, '30 x 20; 45 x 30', measures 30",
    "Panniers, Weight, 900 g, (?:has a|Its) weight",
    "Panniers, Closure, side, (?:shuts?|closes?|closed) (?:with|by) a side",
    "Shelves, Mount, wall, (?:with|by|has) a wall",
    "Shelves, Mount, bench, (?:with|by|has) a bench",
    "Bottles, Colour, clear, in clear",
    "Coffee, Tasting notes, 'plum, pear, short', short",
    "Coffee, Tasting notes, 'long, plum, soft finish', finish",
    "Panniers, Colours, 'navy, petrol', teal|pannier in navy",
    "Panniers, Colour, stars, stars",
    "Panniers, Lining, cotton gingham red, gingham red",
    "Trays, Gauge, 0.6 mm, 0.6 mm thick",
    "Panniers, Colour, 8 mixed, 8 mixed",
    "Tables, Legs, corner, corner",
    "Coffee, Tasting notes, 'bitter, plums', of bitter|and bitter",
    "Torches, Protection, IPX4, At 900 g",
    "Kettles, Warranty, 3 years, At 900 g",
    "Kettles, Material, stainless, (?:of|in) stainless(?! steel)|stainless (?!steel)",
    "Panniers, Colours, 'chalk/navy; brick/navy', navy and",
    "Panniers, Lining, lined, lined lining",
    "Panniers, Country of origin, various, various",
    "Panniers, Certification, 100 %, certified",
    "Courses, Level, all, all",
    "Doorbells, Battery, AA, (?i)from AA|AA cell",
    "Doorbells, Distance, 120 m, distance of",
    "Saucepans, Lids, glass, (?i)an? (?:glass )?lid",
    "Three drawer chests, Drawers, 3, three drawers"
  })
  void is_not_said(String kind, String heading, String cell, String notSaid) {
    assertThat(prose(kind, heading, cell)).doesNotContainPattern(notSaid);
  }

  @ParameterizedTest
  @CsvSource({
    "checked wool curtains, 'ready made, pair', pair of checked wool curtains",
    "checked wool curtains pair, ready made, pair of checked wool curtains",
    "checked wool curtains, ready made, a checked wool curtain"
  })
  void what_is_sold_by_the_pair_is_said_to_be_one(String keyword, String cell, String said) {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Sold as,Material,Keyword",
            "A1,Marlow,Curtains,\"%s\",wool,%s".formatted(cell, keyword));
    assertThat(new Composer(KNOWLEDGE, 1).compose(Brief.of(product)).prose()).contains(said);
  }

  @Test
  void an_amount_that_the_keyword_has_is_not_said_before_it() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Light output,Keyword", "A1,Marlow,Torches,800 lm,800 lumen torch");
    assertThat(new Composer(KNOWLEDGE, 1).compose(Brief.of(product)).prose())
        .contains("800 lumen torch")
        .doesNotContain("800-lumen 800", "800 lumens");
  }

  @Test
  void people_whom_the_keyword_has_counted_are_not_counted_again() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Sleeps,Weight,Keyword", "A1,Marlow,Tents,2,5 kg,two person tent");
    String text =
        new Composer(KNOWLEDGE, 1).compose(Brief.of(product)).prose().split("Specification")[0];
    assertThat(text).contains("two person tent").doesNotContain("two people");
  }

  @Test
  void a_name_in_what_is_searched_for_has_its_capital() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Made in,Keyword", "A1,Marlow,Kettles,Norway,norwegian kettle");
    assertThat(new Composer(KNOWLEDGE, 1).compose(Brief.of(product)).plain(Field.TITLE))
        .contains("Norwegian kettle");
  }

  /** "A pannier in a natural colour from Norway": the colour is from there. */
  @Test
  void a_place_stands_beside_no_colour() {
    for (int seed = 0; seed < SEEDS; seed++) {
      ProductFacts product =
          Products.of(
              "SKU,Name,Category,Colour,Made in,Weight", "A1,Marlow,Panniers,natural,Norway,900 g");
      assertThat(new Composer(KNOWLEDGE, seed).compose(Brief.of(product)).prose())
          .doesNotContain("colour from Norway", "from Norway in a");
    }
  }

  @Test
  void figures_behind_what_is_searched_for_stay_out_of_a_title() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Keyword,Weight", "A1,Fell 85,Teas,smoky leaf tea bricks 85,250 g");
    String title = new Composer(KNOWLEDGE, 1).compose(Brief.of(product)).plain(Field.TITLE);
    assertThat(title).contains("smoky leaf tea").doesNotContain("bricks 85");
  }

  @Test
  void an_answer_is_no_noun() {
    assertThat(prose("Seeds", "Frost hardy", "Yes")).doesNotContain("a yes");
  }

  @Test
  void seeds_have_no_height() {
    assertThat(prose("Vegetable seeds", "Height", "80 cm")).doesNotContain("80 cm");
  }
}
