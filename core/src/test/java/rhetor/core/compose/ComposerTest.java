package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.check.Checker;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Words;
import rhetor.core.plan.RangeFigures;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

class ComposerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static Draft write(ProductFacts product) {
    return new Composer(KNOWLEDGE, 7).compose(Brief.of(product));
  }

  /**
   * What a judge that is fitted on what people said of others' sentences holds against a field's
   * prose.
   */
  static List<Assertion> held(Judge judge, Draft draft, Field field) {
    return draft.blocks(field).stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .flatMap(b -> b.sentences().stream())
        .flatMap(s -> judge.held(s.text(), Words.of(s.text())).stream())
        .filter(Assertion::isHeld)
        .toList();
  }

  private static String prose(Draft draft) {
    StringBuilder text = new StringBuilder();
    draft.blocks(Field.DESCRIPTION).stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .forEach(b -> b.sentences().forEach(s -> text.append(s.text()).append(' ')));
    return text.toString();
  }

  /** Texts of products that differ in SKU, name and weight, written one after another. */
  private static List<String> texts(int number, String voice, String headings, String cells) {
    Composer composer = new Composer(KNOWLEDGE, 5);
    List<String> texts = new ArrayList<>();
    for (int i = 0; i < number; i++) {
      ProductFacts product =
          Products.of(
              "SKU,Name,Weight," + headings, "P%d,Fog %d,%d g,%s".formatted(i, i, 200 + i, cells));
      texts.add(prose(composer.compose(Brief.of(product).in(Voices.find(voice).orElseThrow()))));
    }
    return texts;
  }

  @Nested
  class WhateverTheTrade {
    static Stream<Path> sheets() {
      return Stream.concat(
          Products.strangeSheets().stream(),
          Stream.of("tolvane-luggage.csv", "kestering-locks.csv")
              .map(f -> Path.of("../demo/sheets", f)));
    }

    @ParameterizedTest
    @MethodSource("sheets")
    void no_text_states_what_no_fact_supports(Path sheet) {
      Composer composer = new Composer(KNOWLEDGE, 3);
      for (ProductFacts product : Products.of(sheet)) {
        Judge judge = new Judge(product, KNOWLEDGE);
        Draft draft = composer.compose(Brief.of(product));
        for (Field field : Field.values()) {
          assertThat(held(judge, draft, field))
              .as("%s of %s: %s", field, product.sku(), draft.plain(field))
              .isEmpty();
        }
      }
    }

    @ParameterizedTest
    @MethodSource("sheets")
    void every_sentence_rests_on_facts_that_the_product_has(Path sheet) {
      Composer composer = new Composer(KNOWLEDGE, 3);
      for (ProductFacts product : Products.of(sheet)) {
        Set<String> facts = new HashSet<>();
        product.facts().forEach(f -> facts.add(f.id()));
        Draft draft = composer.compose(Brief.of(product));
        for (Field field : Field.values()) {
          for (Block block : draft.blocks(field)) {
            for (Sentence sentence : block.sentences()) {
              assertThat(block.kind() == Block.Kind.HEADING || !sentence.support().isEmpty())
                  .as("%s: %s", product.sku(), sentence.text())
                  .isTrue();
              sentence.support().stream()
                  .filter(s -> s.kind() == Support.Kind.FACT)
                  .forEach(s -> assertThat(facts).contains(s.id()));
            }
          }
        }
      }
    }

    @ParameterizedTest
    @MethodSource("sheets")
    void all_fields_keep_their_limits_and_read_as_sentences(Path sheet) {
      Composer composer = new Composer(KNOWLEDGE, 3);
      for (ProductFacts product : Products.of(sheet)) {
        Draft draft = composer.compose(Brief.of(product));
        for (Field field : Field.values()) {
          String text = draft.plain(field);
          assertThat(text.length())
              .as("%s of %s", field, product.sku())
              .isLessThanOrEqualTo(field.most());
          assertThat(text)
              .as("%s of %s", field, product.sku())
              .doesNotContain("  ", "{", "}", "null", "a(n)", "~", "\u0001", "..", " ,", "&nbsp;")
              .doesNotContainPattern("\\b(\\w{3,}) \\1\\b")
              .doesNotContainPattern("\\ba [aeio]\\w+ ");
        }
        for (String sentence : prose(draft).split("(?<=[.!?]) (?=\\p{Lu})")) {
          assertThat(sentence.strip()).as(product.sku()).matches("(?s)|[\\p{Lu}\\d'‘−].*[.!?]");
        }
      }
    }
  }

  @Nested
  class ARollPannier {
    private final ProductFacts product =
        Products.of(
            "SKU,Name,Category,Brand,Material,Capacity,Weight,Closure,Mounting,IP rating,Colour,Keyword",
            "TV1,Roll Pannier 20,Panniers,Tolvane,recycled polyester,20 l,940 g,roll-top,hooks for rails from 8 to 11 mm,IPX6,moss green,waterproof commuter pannier");
    private final Draft draft = write(product);

    @Test
    void has_the_keyword_word_for_word_in_title_opening_and_meta_texts() {
      for (Field field : List.of(Field.TITLE, Field.META_TITLE, Field.META_DESCRIPTION)) {
        assertThat(draft.plain(field)).as(field.label()).contains("waterproof commuter pannier");
      }
      assertThat(draft.sentences(Field.DESCRIPTION).getFirst().text())
          .contains("waterproof commuter pannier");
    }

    @Test
    void is_not_called_splash_proof_where_its_keyword_says_waterproof() {
      for (int seed = 0; seed < 40; seed++) {
        Draft other =
            new Composer(KNOWLEDGE, seed, Variety.ofFew(), new RangeFigures(KNOWLEDGE))
                .compose(Brief.of(product));
        assertThat(other.plain(Field.SHORT_DESCRIPTION) + other.prose())
            .doesNotContain("splash-proof waterproof");
      }
    }

    @Test
    void one_thing_is_not_there_together_with_several() {
      ProductFacts sized =
          Products.of(
              "SKU,Name,Category,Brand,Pockets,Reflective details,Weight",
              "TV3,Long Saddle Bag 14,Saddle bags,Tolvane,1,yes,430 g");
      for (Voice voice : Voices.all()) {
        for (int seed = 0; seed < 20; seed++) {
          assertThat(new Composer(KNOWLEDGE, seed).compose(Brief.of(sized).in(voice)).prose())
              .doesNotContain("There is one pocket and ");
        }
      }
    }

    @Test
    void measures_do_not_follow_on_what_is_done_to_it() {
      ProductFacts sized =
          Products.of(
              "SKU,Name,Category,Brand,Dimensions,Colour,Mounting,Weight",
              "TV2,Short Handlebar Bag 3,Handlebar bags,Tolvane,22 x 13 x 11 cm,slate grey,two straps,290 g");
      for (Voice voice : Voices.all()) {
        for (int seed = 0; seed < 20; seed++) {
          Draft other = new Composer(KNOWLEDGE, seed).compose(Brief.of(sized).in(voice));
          assertThat(other.plain(Field.SHORT_DESCRIPTION) + other.prose())
              .doesNotContainPattern("(?:offered|held|made|closed)[^.,;]* and 22 × 13 × 11 cm");
        }
      }
    }

    @Test
    void says_each_fact_once_in_prose_and_lists_it_in_the_specification() {
      assertThat(prose(draft))
          .containsOnlyOnce("940 g")
          .containsOnlyOnce("IPX6")
          .containsOnlyOnce("recycled polyester");
      assertThat(draft.blocks(Field.DESCRIPTION).getLast().sentences())
          .extracting(Sentence::text)
          .contains("Weight: 940 g", "Capacity: 20 l", "Protection against water: IPX6");
    }

    @Test
    void groups_facts_instead_of_listing_them_sentence_by_sentence() {
      long sentences =
          draft.blocks(Field.DESCRIPTION).stream()
              .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
              .mapToLong(b -> b.sentences().size())
              .sum();
      assertThat(sentences).isLessThanOrEqualTo(5);
    }

    @Test
    void has_title_facts_only_and_tags_in_range() {
      assertThat(draft.plain(Field.TITLE)).startsWith("Tolvane Roll Pannier 20");
      assertThat(draft.sentences(Field.TAGS)).hasSizeBetween(3, 10);
      assertThat(draft.plain(Field.IMAGE_ALT)).isEqualTo("Tolvane Roll Pannier 20 in moss green");
    }

    @Test
    void is_written_the_same_way_again_with_the_same_seed_and_otherwise_with_another() {
      assertThat(write(product)).isEqualTo(draft);
      Set<String> openings = new HashSet<>();
      for (int seed = 0; seed < 12; seed++) {
        openings.add(
            new Composer(KNOWLEDGE, seed)
                .compose(Brief.of(product))
                .sentences(Field.DESCRIPTION)
                .getFirst()
                .text());
      }
      assertThat(openings).hasSizeGreaterThan(2);
    }

    @Test
    void rotates_openings_over_a_range() {
      Composer composer = new Composer(KNOWLEDGE, 1);
      Set<String> shapes = new HashSet<>();
      for (ProductFacts p : Products.of(Path.of("../demo/sheets/tolvane-luggage.csv"))) {
        String first = composer.compose(Brief.of(p)).sentences(Field.DESCRIPTION).getFirst().text();
        shapes.add(first.substring(0, 2));
      }
      assertThat(shapes).hasSizeGreaterThanOrEqualTo(3);
    }
  }

  @Test
  void a_keyword_that_no_fact_bears_out_is_marked_and_not_written() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Capacity,IP rating,Keyword",
            "A,Office Pannier,Panniers,16 l,IPX4,waterproof pannier");
    Draft draft = write(product);
    for (Field field : Field.values()) {
      assertThat(draft.plain(field)).doesNotContain("waterproof");
    }
    assertThat(new Checker(KNOWLEDGE).check(draft, product, product.keyword()).mustFix())
        .anySatisfy(m -> assertThat(m.check()).isEqualTo("keyword conflict"));
  }

  @Test
  void a_plural_keyword_is_bent_to_the_singular_in_the_text_and_kept_in_the_title() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Capacity,Material,Keyword",
            "A,Lane 22,Backpacks,22 l,nylon,cycling backpacks");
    Draft draft = write(product);
    assertThat(draft.plain(Field.TITLE)).contains("cycling backpacks");
    assertThat(prose(draft)).contains("cycling backpack").doesNotContain("cycling backpacks");
  }

  @Test
  void contradicted_facts_are_left_out_of_all_texts() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Weight,Colour,Description",
            "A,Lane 22,Backpacks,830 g,black,It weighs 1100 g.");
    Draft draft = write(product);
    for (Field field : Field.values()) {
      assertThat(draft.plain(field)).doesNotContain("830").doesNotContain("1,100");
    }
  }

  @Test
  void a_claim_is_made_only_where_the_fact_licenses_it() {
    String headings = "SKU,Name,Category,Capacity,IP rating";
    assertThat(
            write(Products.of(headings, "A,Lane 22,Backpacks,22 l,IPX6")).plain(Field.DESCRIPTION))
        .contains("waterproof");
    assertThat(
            write(Products.of(headings, "A,Lane 22,Backpacks,22 l,IPX4")).plain(Field.DESCRIPTION))
        .doesNotContain("waterproof");
  }

  @Test
  void things_sold_in_pairs_take_plural_verbs_and_no_article() {
    String text =
        prose(
            write(
                Products.of(
                    "SKU,Name,Category,Material,Weight",
                    "A,Sleet Gloves,Gloves,merino wool,95 g")));
    assertThat(text)
        .containsIgnoringCase("gloves")
        .doesNotContain(" a gloves", "Gloves is ", "It ", "weighs");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "A,Widget",
        "A,ÜBERBREITE TASCHE",
        "A,🚲 Bell 🚲",
        "A,مصباح دراجة",
        "A,<b>Lamp</b>",
        "A,Lamp\u202Etxt"
      })
  void a_product_with_nothing_but_a_name_gets_a_refusal_that_says_what_is_missing(String row) {
    ProductFacts product = Products.of("SKU,Name", row);
    Draft draft = write(product);
    assertThat(draft.plain(Field.TITLE)).isNotBlank().doesNotContain("<", "\u202E");
    assertThat(draft.plain(Field.DESCRIPTION)).isEmpty();
    assertThat(new Checker(KNOWLEDGE).check(draft, product, "").mustFix())
        .anySatisfy(m -> assertThat(m.why()).contains("Description", "add facts"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Bureau|Table lamps|Material|oak|oak table lamp|oak oak",
        "Roll|Panniers|Colour|black|black pannier|in black",
        "Quarto|Notebooks|Ruling|dot|dot notebook|dot ruling",
        "Beck|Jumpers|Neckline|v-neck||neck neck",
        "Camber|Tents|Season rating|three-season||season season",
        "Drove|Socks|Construction|flatlock seams||seams construction",
        "Estate|Chocolate|Vegan|yes||Vegan, Estate"
      })
  void nothing_is_said_twice(
      String name, String category, String heading, String cell, String keyword, String twice) {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Brand,Weight,Keyword," + heading,
            "A-1,%s,%s,Marram,940 g,%s,%s"
                .formatted(name, category, keyword == null ? "" : keyword, cell));
    for (int seed = 0; seed < 8; seed++) {
      Draft draft = new Composer(KNOWLEDGE, seed).compose(Brief.of(product));
      assertThat(prose(draft)).doesNotContain(twice);
    }
  }

  @Test
  void products_of_a_range_open_in_many_ways() {
    Composer composer = new Composer(KNOWLEDGE, 7);
    java.util.Set<String> openings = new java.util.HashSet<>();
    for (int i = 0; i < 12; i++) {
      String text =
          prose(
              composer.compose(
                  Brief.of(
                      Products.of(
                          "SKU,Name,Category,Brand,Material,Finish,Max load,Dimensions",
                          "A-%d,Vestry,Chairs,Marram,ash,oiled,120 kg,45 x 48 x 80 cm"
                              .formatted(i)))));
      openings.add(text.substring(0, text.indexOf('.')));
    }
    assertThat(openings).hasSizeGreaterThanOrEqualTo(4);
  }

  @Test
  void hooks_for_rails_are_things_that_it_mounts_with() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Mount,Weight",
            "A,Roll,Panniers,hooks for rails from 8 to 16 mm,940 g");
    for (int seed = 0; seed < 6; seed++) {
      assertThat(prose(new Composer(KNOWLEDGE, seed).compose(Brief.of(product))))
          .containsIgnoringCase("hooks for rails")
          .doesNotContain("The mounting is");
    }
  }

  @Test
  void people_are_counted_in_words_and_a_pack_of_one_is_not_mentioned() {
    assertThat(
            prose(
                write(
                    Products.of(
                        "SKU,Name,Category,Sleeps,Bedrooms", "A,Weir House,Holiday cottages,4,2"))))
        .contains("four people", "two bedrooms");
    assertThat(
            prose(
                write(
                    Products.of("SKU,Name,Category,Pieces,Weight", "A,Vice,Screwdrivers,1,95 g"))))
        .doesNotContain("pack of 1");
  }

  @Test
  void eighty_facts_and_long_cells_still_fit() {
    StringBuilder headings = new StringBuilder("SKU,Name,Category");
    StringBuilder cells = new StringBuilder("A,Lane 22,Backpacks");
    for (int i = 0; i < 80; i++) {
      headings.append(",Detail ").append((char) ('a' + i % 26)).append(i);
      cells.append(i % 9 == 0 ? ",\"" + "word ".repeat(400) + "\"" : ",value" + i);
    }
    Draft draft = write(Products.of(headings.toString(), cells.toString()));
    assertThat(draft.plain(Field.DESCRIPTION).length())
        .isLessThanOrEqualTo(Field.DESCRIPTION.most());
  }

  @Test
  void a_course_is_told_as_a_course() {
    String text =
        prose(
            write(
                Products.of(
                    "SKU,Name,Type,Duration,Level,Max group size,Venue,What's included",
                    "CL,First Ropes,Climbing courses,2 days,Beginner,6,Sennick Quarry,\"harness, helmet, climbing shoes\"")));
    assertThat(text)
        .contains(
            "climbing course",
            "beginner",
            "up to six people",
            "Sennick Quarry",
            "harness",
            "helmet",
            "climbing shoes")
        .containsPattern("two-day|of two days");
  }

  @Test
  void things_that_come_along_stand_in_turning_order_and_the_order_of_shares_is_kept() {
    List<String> texts =
        texts(
            9,
            "plain",
            "Type,Duration,What's included,Material",
            "Climbing courses,2 days,\"harness, helmet, rope\",\"wool, silk\"");
    assertThat(texts)
        .allSatisfy(t -> assertThat(t).contains("wool and silk").doesNotContain("silk and wool"));
    assertThat(
            texts.stream()
                .map(
                    t ->
                        Stream.of("harness", "helmet", "rope")
                            .min(Comparator.comparingInt(t::indexOf)))
                .distinct())
        .hasSizeGreaterThan(1);
  }

  @Test
  void washing_is_told_in_the_words_that_people_use_for_it() {
    assertThat(
            texts(
                8,
                "plain",
                "Type,Material,Dimensions,Care",
                "Towels,linen,70 x 140 cm,Machine wash at 60 °C"))
        .allSatisfy(t -> assertThat(t).contains("60 °C"))
        .anySatisfy(t -> assertThat(t).contains("in the machine at 60 °C"))
        .anySatisfy(t -> assertThat(t).containsIgnoringCase("machine-washable at 60 °C"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"plain", "warm", "lively", "expert", "playful", "refined"})
  void what_a_fact_is_good_for_does_not_echo_the_fact(String voice) {
    assertThat(texts(8, voice, "Type,Wax,Burn time,Diameter", "Candles,beeswax,60 h,8 cm"))
        .allSatisfy(
            t ->
                assertThat(t)
                    .doesNotContainPattern("lasts? 60 hours[^.]*lasts? many")
                    .doesNotContainPattern("(?i)\\b(?:washing|moving) it’s"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"plain", "refined"})
  void a_verb_is_not_said_twice_in_a_sentence_and_a_clamp_has_a_size(String voice) {
    for (String text :
        texts(
            12,
            voice,
            "Type,Sizes,Mount,Included",
            "Front lights,\"S, M\",clamp 22-35 mm,\"game board, 80 cards\"")) {
      assertThat(text.split("(?<=[.]) "))
          .noneMatch(s -> s.matches(".*comes? in at .*\\bcomes? in\\b.*"));
      assertThat(text).contains("a clamp of 22–35 mm").doesNotContain("clamp 22");
      assertThat(text).containsIgnoringCase("a game board");
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"plain", "warm", "refined"})
  void two_things_that_a_product_has_are_not_hung_on_one_another(String voice) {
    assertThat(
            texts(
                16,
                voice,
                "Type,Material,Closure,Weave,Thread count",
                "Bed linen,cotton,zip,plain,300"))
        .allSatisfy(t -> assertThat(t).doesNotContainPattern("has an? [a-z ]+ with an? "));
  }

  @ParameterizedTest
  @ValueSource(strings = {"plain", "playful"})
  void people_are_not_told_apart_by_what_a_house_has(String voice) {
    assertThat(texts(16, voice, "Type,Sleeps,Bedrooms,Bathrooms", "Holiday cottage,2 people,1,1"))
        .allSatisfy(t -> assertThat(t).doesNotContain("people with"));
  }

  @Test
  void figures_stand_now_before_the_noun_and_now_behind_it() {
    assertThat(
            texts(
                9,
                "plain",
                "Type,Brand,Net contents,Scent,Vegan",
                "Soap,Lathermoor,100 g,cedar,yes"))
        .anySatisfy(t -> assertThat(t).contains("100 g vegan soap"))
        .anySatisfy(t -> assertThat(t).contains("soap of 100 g"));
  }

  @Test
  void a_text_differs_from_what_its_supplier_wrote_even_where_that_reads_like_its_own() {
    String headings = "SKU,Name,Type,Brand,Material,Weight,Capacity,Closure,Description";
    String row = "P,Roll 20,Panniers,Tolvane,nylon,940 g,20 l,roll-top,\"%s\"";
    String own =
        new Composer(KNOWLEDGE, 3)
            .compose(Brief.of(Products.of(headings, row.formatted(""))))
            .prose();
    ProductFacts copied = Products.of(headings, row.formatted(own.replace("\"", "")));
    Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(copied));
    assertThat(Checker.likeness(own, copied.supplierText())).isGreaterThan(0.9);
    assertThat(Checker.likeness(draft.prose(), copied.supplierText())).isLessThan(0.3);
  }

  @Test
  void a_sheet_is_measured_and_no_format() {
    String text =
        prose(
            write(
                Products.of(
                    "SKU,Name,Type,Format,Pages,Binding",
                    "B,Small Roads,Books,21 x 14 cm,224,hardcover")));
    assertThat(text).contains("21 × 14 cm").doesNotContain("21 x 14");
  }

  @Test
  void what_a_fact_is_good_for_is_told_in_other_words_the_next_time() {
    Set<String> clauses = new HashSet<>();
    Composer composer = new Composer(KNOWLEDGE, 5);
    for (int i = 0; i < 12; i++) {
      Draft draft =
          composer.compose(
              Brief.of(
                      Products.of(
                          "SKU,Name,Type,Material,Colour,Weight,Fit",
                          "S%d,Quarry %d,Socks,merino wool,grey,%d g,slim".formatted(i, i, 60 + i)))
                  .in(Voices.find("warm").orElseThrow()));
      draft.sentences(Field.DESCRIPTION).stream()
          .filter(s -> s.support().stream().anyMatch(x -> x.kind() == Support.Kind.CLAIM))
          .map(s -> s.text().replaceFirst(".*(?:, so|, which means|that means) ", ""))
          .forEach(clauses::add);
    }
    assertThat(clauses).hasSizeGreaterThanOrEqualTo(4);
  }

  @Nested
  class ColumnsThatNoConceptKnows {
    @ParameterizedTest
    @CsvSource({
      "Sections,3+2 tips",
      "Rim,extra",
      "Reel seat,DPS",
      "Terroir,Guji",
      "Milk,'cow, raw, silage free'",
      "Saltwater,yes",
      "Joints,4 x M8 incl.",
      "Rinsing hint,cold water",
      "Ruling,squared 5 mm",
      "Chargeable,no"
    })
    void are_listed_as_they_stand_and_told_nowhere(String heading, String value) {
      Draft draft =
          write(
              Products.of(
                  "SKU,Name,Weight," + heading, "A,Harbour Fog Candle,220 g,\"" + value + "\""));
      assertThat(prose(draft)).doesNotContain(value, heading.toLowerCase(java.util.Locale.ROOT));
      assertThat(draft.plain(Field.DESCRIPTION)).contains(heading + ": " + value);
      for (Field field : List.of(Field.TAGS, Field.META_DESCRIPTION, Field.META_TITLE)) {
        assertThat(draft.plain(field)).doesNotContain(value);
      }
    }
  }

  @Test
  void figures_of_a_size_stand_before_what_a_thing_is_made_of() {
    assertThat(prose(write(Products.of("SKU,Name,Metal,Width", "A,Fen Band,sterling silver,3 mm"))))
        .doesNotContain("silver and 3 mm");
  }

  @Test
  void what_grows_is_the_plant_and_not_the_packet() {
    assertThat(
            prose(
                write(
                    Products.of(
                        "SKU,Name,Category,Plant height,Spacing,Days to maturity",
                        "A,Copper Drum,Vegetable seeds,30 cm,10 cm,60"))))
        .containsPattern("Plants of Copper Drum (?:reach|grow to|get) 30 cm")
        .containsPattern("mature (?:in|after) 60 days|take 60 days to mature")
        .doesNotContain("seeds reach", "seeds mature");
  }

  @Test
  void two_colours_of_one_thing_have_two_titles_for_search_results() {
    String headings = "SKU,Name,Category,Colour";
    String red = write(Products.of(headings, "A,Lane 22,Backpacks,red")).plain(Field.META_TITLE);
    String black =
        write(Products.of(headings, "B,Lane 22,Backpacks,black")).plain(Field.META_TITLE);
    assertThat(red).contains("red").isNotEqualTo(black);
  }

  @Test
  void a_mount_that_is_only_described_is_called_a_mount() {
    for (String mount : List.of("equatorial", "alt-azimuth")) {
      String text =
          prose(
              write(
                  Products.of(
                      "SKU,Name,Type,Mount,Aperture,Weight",
                      "T1,Harrier 9,Telescope," + mount + ",90 mm,6.8 kg")));
      assertThat(text).contains("an " + mount + " mount").doesNotContain("mounts with", "held by");
    }
    assertThat(
            prose(
                write(
                    Products.of(
                        "SKU,Name,Type,Mount,Capacity,Weight",
                        "P1,Lane 9,Panniers,hooks,9 l,600 g"))))
        .contains("hooks")
        .doesNotContain("hooks mount");
  }

  @ParameterizedTest
  @CsvSource({"Weight,260", "Weight,'68,4 (2 ctn)'", "Capacity,two of 4"})
  void what_is_not_of_a_facts_kind_is_not_told(String heading, String value) {
    assertThat(
            prose(
                write(
                    Products.of(
                        "SKU,Name,Colour," + heading, "A-1,Lane 22,red,\"" + value + "\""))))
        .doesNotContain(value);
  }

  @Test
  void a_length_of_days_is_how_long_a_course_lasts() {
    String text =
        prose(
            write(
                Products.of(
                    "Code,Course,Level,Length,Max people,Min age",
                    "CL1,Learn to Lead,Beginner,2 days,4,16")));
    assertThat(text).contains("two-day course").doesNotContain("long");
  }
}
