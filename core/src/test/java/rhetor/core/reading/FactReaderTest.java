package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;
import rhetor.core.sheet.SheetRow;

class FactReaderTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @SafeVarargs
  @SuppressWarnings("varargs")
  private static Reading propose(List<String> headings, List<String>... rows) {
    return new ReadingProposer(KNOWLEDGE)
        .propose(headings, java.util.Arrays.stream(rows).map(FactReaderTest::row).toList());
  }

  private static SheetRow row(List<String> cells) {
    return new SheetRow(2, cells, new BitSet());
  }

  @SafeVarargs
  @SuppressWarnings("varargs")
  private static FactReader.Outcome read(List<String> headings, List<String>... rows) {
    return new FactReader("sheet.csv", propose(headings, rows), KNOWLEDGE).read(row(rows[0]));
  }

  private static ProductFacts product(List<String> headings, List<String> row) {
    FactReader.Outcome outcome = read(headings, row);
    assertThat(outcome).isInstanceOf(FactReader.Outcome.Read.class);
    return ((FactReader.Outcome.Read) outcome).product();
  }

  private static List<String> meanings(Reading reading) {
    return reading.columns().stream().map(c -> c.meaning().code()).toList();
  }

  @Test
  void headings_of_several_languages_are_understood_with_their_units() {
    Reading german =
        propose(
            List.of(
                "Artikelnr.",
                "Bezeichnung",
                "Gewicht (kg)",
                "Obermaterial",
                "Volumen (l)",
                "EK",
                "Beschreibung"),
            List.of("A1", "Tasche", "1,5", "Nylon", "20", "3,50", "Eine Tasche für jeden Tag."));
    assertThat(meanings(german))
        .containsExactly("sku", "name", "weight", "material", "capacity", "keep", "prose");
    assertThat(german.columns().get(2).unit()).isEqualTo("kg");
    assertThat(german.language()).isEqualTo("de");
    assertThat(german.numbers()).isEqualTo(NumberStyle.COMMA);
    Reading english =
        propose(
            List.of("item_no", "Product Title", "weight_g", "pageCount", "Hook Size", "RRP"),
            List.of("A1", "Notebook", "100", "12", "6", "£3"));
    assertThat(meanings(english))
        .containsExactly("sku", "name", "weight", "pages", "extra", "keep");
  }

  @Test
  void codes_prices_and_addresses_are_found_by_their_values() {
    Reading reading =
        propose(
            List.of("Aa", "Bb", "Cc", "Dd", "Ee"),
            List.of("X-1", "Oak stool", "£12.50", "4006381333931", "a.png"),
            List.of("X-2", "Oak bench", "£19.00", "4006381333931", "b.png"));
    assertThat(meanings(reading)).containsExactly("sku", "name", "keep", "keep", "picture");
    assertThat(reading.columns().get(3).reason()).contains("check digits");
  }

  @Test
  void a_sheet_without_key_and_name_can_not_be_used_and_says_so() {
    Reading reading =
        propose(List.of("Weight", "Colour"), List.of("3 kg", "red"), List.of("3 kg", "red"));
    assertThat(reading.obstacle())
        .hasValueSatisfying(
            o -> assertThat(o).contains("No column is the SKU and none is the name"));
    assertThatThrownBy(() -> new FactReader("s", reading, KNOWLEDGE))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void every_fact_shows_the_cell_it_comes_from() {
    ProductFacts product =
        product(List.of("SKU", "Name", "Weight (g)"), List.of("A1", "Roll pannier", "940"));
    Fact weight = product.fact("weight").orElseThrow();
    assertThat(weight.source()).isEqualTo(new Source("sheet.csv", 2, "Weight (g)", "940"));
  }

  @Test
  void unknown_columns_become_facts_under_their_own_heading() {
    ProductFacts product =
        product(List.of("SKU", "Name", "Hook size"), List.of("A1", "Spoon", "6"));
    assertThat(product.facts())
        .anySatisfy(
            f -> {
              assertThat(f.label()).isEqualTo("Hook size");
              assertThat(f.value()).isEqualTo(new Value.Words("6"));
            });
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "-", "n/a", "k.A.", "tbc", "NULL", "#REF!"})
  void cells_that_say_nothing_make_no_fact(String cell) {
    assertThat(
            product(List.of("SKU", "Name", "Weight"), List.of("A1", "Lamp", cell)).fact("weight"))
        .isEmpty();
  }

  @Test
  void prose_is_mined_for_measures_ratings_materials_and_lists() {
    ProductFacts product =
        product(
            List.of("SKU", "Name", "Description"),
            List.of(
                "A1",
                "Bag",
                "<p>It weighs just 1.4 kg and holds 20 litres. Rated IPX5. Made from recycled polyester.</p><ul><li>two inner pockets</li><li>padded base</li></ul>"));
    assertThat(product.fact("weight").orElseThrow().value())
        .isEqualTo(new Value.Quantity(new java.math.BigDecimal("1.4"), "kg", ""));
    assertThat(product.fact("capacity")).isPresent();
    assertThat(product.fact("water_rating").orElseThrow().value())
        .isEqualTo(new Value.Rating("IPX5"));
    assertThat(product.fact("material").orElseThrow().value())
        .isEqualTo(new Value.Terms(List.of("recycled polyester")));
    assertThat(product.fact("features").orElseThrow().value())
        .isEqualTo(new Value.Terms(List.of("two inner pockets", "padded base")));
    assertThat(product.fact("weight").orElseThrow().source().raw()).contains("weighs just 1.4 kg");
  }

  @Test
  void agreeing_cells_make_one_fact_with_two_sources_whatever_their_units() {
    ProductFacts product =
        product(
            List.of("SKU", "Name", "Weight", "Description"),
            List.of("A1", "Bag", "1400 g", "Weighs 1.4 kg."));
    assertThat(product.fact("weight").orElseThrow().sources()).hasSize(2);
    assertThat(product.contradictions()).isEmpty();
  }

  @Test
  void contradicting_cells_make_no_fact_and_are_shown_with_both_sources() {
    ProductFacts product =
        product(
            List.of("SKU", "Name", "Weight", "Description"),
            List.of("A1", "Bag", "940 g", "It weighs 1.1 kg."));
    assertThat(product.fact("weight")).isEmpty();
    assertThat(product.contradictions())
        .singleElement()
        .satisfies(
            c ->
                assertThat(c.sources())
                    .extracting(Source::column)
                    .containsExactly("Weight", "Description"));
  }

  @Test
  void scripts_and_markup_in_cells_vanish_with_their_contents() {
    ProductFacts product =
        product(
            List.of("SKU", "Name", "Finish"),
            List.of("A1", "Lamp <b>One</b><script>alert(1)</script>", "matt&nbsp;black\u0007"));
    assertThat(product.name()).isEqualTo("Lamp One");
    assertThat(product.fact("finish").orElseThrow().value())
        .isEqualTo(new Value.Words("matt black"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "ROLL PANNIER 20|Roll Pannier 20",
        "Tolvane Roll Pannier|Roll Pannier",
        "Lamp!!! (A1)|Lamp",
        "Roll pannier for commuters with plenty of space, moss green, 20 l, recycled polyester|Roll pannier for commuters with plenty of space"
      })
  void names_are_tidied(String raw, String name) {
    assertThat(product(List.of("SKU", "Name", "Brand"), List.of("A1", raw, "Tolvane")).name())
        .isEqualTo(name);
  }

  @ParameterizedTest
  @CsvSource({"'',Lamp,no-sku", "A1,'',no-name", "A1,12345,no-name", "'1.2E+12',Lamp,mangled-sku"})
  void rows_without_key_or_name_are_rejected_with_the_column(String sku, String name, String code) {
    FactReader.Outcome outcome =
        new FactReader("s", propose(List.of("SKU", "Name"), List.of("B", "Lamp")), KNOWLEDGE)
            .read(row(List.of(sku, name)));
    assertThat(outcome)
        .isInstanceOfSatisfying(
            FactReader.Outcome.Rejected.class,
            r -> {
              assertThat(r.problem().code()).isEqualTo(code);
              assertThat(r.problem().where()).startsWith("row 2, column");
            });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Roll Pannier 20|Packtaschen|pannier|pannier",
        "Bastion 14|U-locks|u_lock|U-lock",
        "First Ropes|Climbing courses|course|climbing course",
        "Amber Lantern|Vegetable seeds|seeds|vegetable seeds",
        "Tideline 60|Aquatics > Filters > Canister filters||canister filter",
        "Scraper|Accessories||",
        "Gold|Tea|tea|tea",
        "Hearth|Teapots|kettle|teapot",
        "Learn to Lead|Courses|course|course",
        "Tripod Stool|Chairs|chair|stool",
        "Roll Pannier 20|Bags|pannier|pannier",
        "Scullery|Stools|chair|stool"
      })
  void what_a_thing_is_comes_from_category_and_name(
      String name, String category, String productClass, String noun) {
    ProductFacts product =
        product(List.of("SKU", "Name", "Category"), List.of("A1", name, category));
    assertThat(product.productClass()).isEqualTo(productClass == null ? "" : productClass);
    assertThat(product.kindNoun()).isEqualTo(noun == null ? "" : noun);
  }

  @Test
  void words_of_another_language_are_marked_so_that_prose_leaves_them_out() {
    ProductFacts product =
        product(
            List.of("Artikelnr.", "Bezeichnung", "Gewicht", "Farbe", "Pflege"),
            List.of("A1", "Roll Pannier", "940 g", "moosgrün", "feucht abwischen"));
    assertThat(product.fact("care").orElseThrow().foreign()).isTrue();
    assertThat(product.fact("colour").orElseThrow().foreign()).isFalse();
  }

  @Test
  void a_heading_with_max_bounds_the_number() {
    Value value =
        product(
                List.of("SKU", "Name", "Category", "Max group size"),
                List.of("A1", "Ropes", "Courses", "6"))
            .fact("group_size")
            .orElseThrow()
            .value();
    assertThat(value).isEqualTo(new Value.Quantity(new java.math.BigDecimal("6"), "", "up to"));
  }

  @Test
  void the_check_digit_decides_what_is_a_gtin() {
    assertThat(Cells.isGtin("4006381333931")).isTrue();
    assertThat(Cells.isGtin("4006381333932")).isFalse();
    assertThat(Cells.isGtin("96385074")).isTrue();
  }

  @Test
  void sentences_that_stand_in_most_rows_are_left_out_of_the_prose_unless_they_tell_something() {
    List<List<String>> rows = new java.util.ArrayList<>();
    for (int i = 0; i < 8; i++) {
      rows.add(
          List.of(
              "A-" + i,
              "Lamp " + i,
              "<p>Shines " + i + " ways. Quality you can trust!</p><p>It weighs 420 g.</p>"));
    }
    Reading reading =
        new ReadingProposer(KNOWLEDGE)
            .propose(
                List.of("SKU", "Name", "Description"), rows.stream().map(r -> row(r)).toList());
    assertThat(reading.boilerplate()).containsExactly("Quality you can trust!");
    ProductFacts product =
        ((FactReader.Outcome.Read)
                new FactReader("s", reading, KNOWLEDGE).read(row(rows.getFirst())))
            .product();
    assertThat(product.supplierText()).isEqualTo("Shines 0 ways.\nIt weighs 420 g.");
    assertThat(product.fact("weight")).isPresent();
  }

  @Test
  void codes_that_have_lost_their_leading_zeros_are_said() {
    Reading reading =
        propose(
            List.of("SKU", "Name"),
            List.of("10482", "Lamp"),
            List.of("10483", "Lock"),
            List.of("483", "Pump"));
    assertThat(reading.columns().getFirst().reason())
        .contains("1 of the first codes", "leading zeros");
    assertThat(
            propose(List.of("SKU", "Name"), List.of("10482", "Lamp"), List.of("10483", "Lock"))
                .columns()
                .getFirst()
                .reason())
        .doesNotContain("zeros");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "A classic. Details: Brand: Heddle, Material: merino wool, Colour: rust, Tog count: 4.",
        "Brand: Heddle; Material: merino wool; Colour: rust; Tog count: 4",
        "You will love it! Material: merino wool, Colour: rust. Order now!"
      })
  void a_table_that_was_pasted_into_the_prose_gives_facts_and_no_features(String prose) {
    ProductFacts product =
        product(
            List.of("SKU", "Name", "Category", "Description"),
            List.of("J-1", "Fell", "Jumpers", prose));
    assertThat(product.fact("material").orElseThrow().value())
        .isEqualTo(new Value.Terms(List.of("merino wool")));
    assertThat(product.fact("colour").orElseThrow().value())
        .isEqualTo(new Value.Terms(List.of("rust")));
    assertThat(product.fact("features")).isEmpty();
    assertThat(product.facts()).noneMatch(f -> f.value().toString().contains("Heddle"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Tower|quiet tower fan|fan",
        "Globe|globe pendant lamp with dimmer|pendant lamp",
        "Castle|castle bunk bed|bunk bed",
        "Tambourine|tambourine for children|tambourine",
        "Castle|slate cheese plinth|castle",
      })
  void a_shelf_in_words_of_no_known_thing_counts_less_than_what_people_look_for(
      String shelf, String keyword, String kind) {
    assertThat(
            Products.of("SKU,Name,Category,Primary keyword", "A-1,Ollan," + shelf + "," + keyword)
                .kindNoun())
        .isEqualTo(kind == null ? "" : kind);
  }

  @Test
  void a_cell_that_cannot_be_read_stands_under_the_heading_that_has_its_unit() {
    ProductFacts product =
        product(
            List.of("SKU", "Name", "Weight g", "Width cm"),
            List.of("A-1", "Fell bag", "900 / 950 wet", "30"));
    assertThat(product.fact("weight").orElseThrow().label()).isEqualTo("Weight g");
    assertThat(product.fact("width").orElseThrow().label()).isEqualTo("Width");
  }

  /** Four of five are mats; the fifth is sought, and filed, as something else. */
  @Test
  void a_row_that_is_sought_as_another_thing_than_its_sheet_is_that_thing_if_a_cell_says_so() {
    List<String> headings = List.of("SKU", "Name", "Maker", "Sort", "Search term");
    List<List<String>> rows =
        List.of(
            List.of("A-1", "Fell", "Ollan", "4 mm", "cork yoga mat"),
            List.of("A-2", "Tarn", "Ollan", "6 mm", "thick yoga mat"),
            List.of("A-3", "Scar", "Ollan", "travel", "folding yoga mat"),
            List.of("A-4", "Beck", "Ollan", "dumbbell", "vinyl dumbbell pair purple"),
            List.of("A-5", "Gill", "Ollan", "strap", "vinyl dumbbell pair green"));
    List<SheetRow> all = rows.stream().map(FactReaderTest::row).toList();
    Reading reading =
        new ReadingProposer(KNOWLEDGE).propose(headings, all, HeadingAnswers.NONE, "yoga mats");
    FactReader reader = new FactReader("yoga mats", reading, KNOWLEDGE);
    assertThat(all.stream().map(reader::read).map(FactReaderTest::kind))
        .containsExactly("yoga mat", "yoga mat", "yoga mat", "dumbbell", "");
  }

  /** "Travel tent" is short for a heater of tents, which is what people look for. */
  @Test
  void a_category_that_is_short_for_what_it_goes_with_makes_no_other_thing_of_it() {
    List<String> headings = List.of("SKU", "Name", "Category", "Sort", "Keyword");
    List<List<String>> rows =
        List.of(
            List.of("H-1", "Ember", "patio heater", "standing", "gas patio heater"),
            List.of("H-2", "Kindle", "travel tent", "hanging", "small tent heater"),
            List.of("H-3", "Ingle", "parasol", "tilting", "parasol with lights"),
            List.of("H-4", "Cinder", "heater", "wood stove", "small wood stove garden"),
            List.of("H-5", "Gleed", "corner gusset", "wall 2", "frost guard corner"));
    List<SheetRow> all = rows.stream().map(FactReaderTest::row).toList();
    Reading reading =
        new ReadingProposer(KNOWLEDGE)
            .propose(headings, all, HeadingAnswers.NONE, "")
            .withThing("heater");
    FactReader reader = new FactReader("heaters", reading, KNOWLEDGE);
    assertThat(all.stream().map(reader::read).map(FactReaderTest::kind))
        .containsExactly("patio heater", "heater", "parasol", "wood stove", "");
  }

  private static String kind(FactReader.Outcome outcome) {
    return ((FactReader.Outcome.Read) outcome).product().kindNoun();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "18 x 12 x 9 cm, 1.4 l|18 × 12 × 9 cm|1.4",
        "height 31 cm, dia. 9 cm; 750 ml|31 cm high, 9 cm in diameter|750",
        "18 x 12 x 9 cm|18 × 12 × 9 cm|",
        "18 cm, oval|18 cm, oval|"
      })
  void a_size_and_a_volume_in_one_cell_are_two_facts(String cell, String size, String volume) {
    FactReader.Outcome outcome =
        read(
            List.of("SKU", "Name", "Dimensions"),
            List.of("JG-1", "Lune Jug", cell),
            List.of("JG-2", "Sol Jug", "20 x 12 x 9 cm"),
            List.of("JG-3", "Ray Jug", "22 x 14 x 9 cm"));
    ProductFacts product = ((FactReader.Outcome.Read) outcome).product();
    assertThat(new ValueText(KNOWLEDGE).spec(product.fact("dimensions").orElseThrow().value()))
        .as("as %s", product.facts())
        .isEqualTo(size);
    assertThat(product.fact("capacity").map(Fact::value))
        .isEqualTo(
            Optional.ofNullable(volume)
                .map(
                    v ->
                        new Value.Quantity(
                            new BigDecimal(v), cell.endsWith("ml") ? "ml" : "l", "")));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Body|walnut ply|elm, waxed|extra",
        "Body|A tray that was made for slow Sunday mornings and long talks.|It holds two cups and a pot, and it never minds a spill.|prose"
      })
  void a_heading_of_many_meanings_is_a_text_only_where_cells_read_so(
      String heading, String first, String second, String meaning) {
    Reading reading =
        propose(
            List.of("SKU", "Name", heading),
            List.of("TR-1", "Ember Tray", first),
            List.of("TR-2", "Sallow Tray", second));
    assertThat(reading.columns().get(2).meaning().code()).isEqualTo(meaning);
  }
}
