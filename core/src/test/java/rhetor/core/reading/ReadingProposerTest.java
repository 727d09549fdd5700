package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.sheet.SheetRow;

/** What columns are taken for, and when a person is asked. */
class ReadingProposerTest {
  private final ReadingProposer proposer = new ReadingProposer(Knowledge.standard());

  /** A column beside a key and a name. */
  private ColumnReading column(String heading, String... cells) {
    List<SheetRow> rows =
        IntStream.range(0, cells.length)
            .mapToObj(
                i ->
                    new SheetRow(
                        i + 2,
                        List.of("A-" + i, "Thing " + "abc".charAt(i % 3), cells[i]),
                        new BitSet()))
            .toList();
    return proposer.propose(List.of("SKU", "Name", heading), rows).columns().get(2);
  }

  private static List<String> choices(ColumnReading column) {
    return column.choices().stream().map(Meaning::code).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "Poids,weight",
    "Peso neto,weight",
    "Gewicht,weight",
    "Matière,material",
    "Kleur,colour",
    "Fermeture,closure",
    "Afmetingen,dimensions",
    "Autonomía,runtime",
    "Lieferumfang,included",
    "Épaisseur,thickness",
    "Prix,keep",
    "Foto,picture",
    "Beschrijving,prose"
  })
  void headings_in_five_languages_say_what_a_column_is(String heading, String meaning) {
    ColumnReading column = column(heading);
    assertThat(column.meaning().code()).isEqualTo(meaning);
    assertThat(column.asks()).isFalse();
  }

  @ParameterizedTest
  @CsvSource({"Wieght,weight,3 kg", "Materail,material,steel", "Colur,colour,red"})
  void a_misspelt_heading_is_proposed_and_asked_about(String heading, String meaning, String cell) {
    ColumnReading column = column(heading, cell);
    assertThat(column.meaning()).isEqualTo(Meaning.EXTRA);
    assertThat(choices(column)).containsExactly(meaning, "extra");
    assertThat(column.reason()).contains("nearly");
  }

  @Test
  void an_abbreviated_heading_is_read_where_the_cells_bear_it_out() {
    assertThat(column("Cap.", "large").meaning()).isEqualTo(Meaning.EXTRA);
    assertThat(column("Cap.", "3 l").meaning().code()).isEqualTo("capacity");
    assertThat(column("Cap.", "3 l").reason()).contains("short for \"capacity\"");
  }

  @Test
  void most_of_a_word_and_a_full_stop_is_read_where_the_cells_answer_it() {
    assertThat(column("Dishw.", "yes", "no", "yes").meaning().code()).isEqualTo("dishwasher");
    assertThat(column("Dishw.", "top", "rack", "top").meaning()).isEqualTo(Meaning.EXTRA);
  }

  /** "Veg." may be short for vegan, vegetarian, vegetables, and for what nobody here knows. */
  @ParameterizedTest
  @CsvSource({"Veg.,yes", "Dis.,yes", "Cert.,EN 71", "Ingr.,salt"})
  void what_a_full_stop_cuts_off_early_is_never_read(String heading, String cell) {
    ColumnReading column = column(heading, cell, cell, cell);
    assertThat(column.meaning().role()).isNotEqualTo(Meaning.Role.CONCEPT);
  }

  @Test
  void words_that_only_look_alike_are_left_apart() {
    assertThat(column("Weighting scheme", "equal").meaning()).isEqualTo(Meaning.EXTRA);
    assertThat(column("Heat", "120 °C").meaning()).isEqualTo(Meaning.EXTRA);
  }

  @Test
  void amounts_without_a_unit_are_asked_about_and_never_guessed() {
    ColumnReading weight = column("Weight", "940", "1120");
    assertThat(weight.meaning().code()).isEqualTo("weight");
    assertThat(weight.unit()).isEmpty();
    assertThat(weight.units()).contains("g", "kg", "lb");
    assertThat(column("Dimensions", "30 x 20 x 12").units()).contains("mm", "cm");
    assertThat(column("Weight (g)", "940").asks()).isFalse();
    assertThat(column("Weight", "940 g", "1120 g").asks()).isFalse();
    assertThat(column("Weight", "940 g", "1.12").units())
        .as("one of two has none, and it is no gram")
        .contains("g");
    assertThat(column("Weight", "940 g", "1120").unit())
        .as("the others are in grams")
        .isEqualTo("g");
    assertThat(column("Weight", "4.2 kg", "7.1", "600 g").units())
        .as("the others are in two")
        .containsExactly("g", "kg");
    assertThat(column("Lumens", "400").asks()).as("lumens are lumens").isFalse();
  }

  @Test
  void a_heading_of_several_meanings_is_decided_by_the_unit_or_asked_about() {
    assertThat(column("Length", "3 days").meaning().code()).isEqualTo("duration");
    assertThat(column("Length", "120 cm").meaning().code()).isEqualTo("length");
    ColumnReading column = column("Length", "3", "4");
    assertThat(column.meaning()).isEqualTo(Meaning.EXTRA);
    assertThat(choices(column)).startsWith("length");
  }

  @Test
  void a_heading_that_the_cells_contradict_is_asked_about() {
    ColumnReading column = column("Weight", "20 l", "25 l");
    assertThat(column.meaning()).isEqualTo(Meaning.EXTRA);
    assertThat(choices(column)).containsExactly("weight", "extra");
    assertThat(column.reason()).contains("measured in something else");
  }

  @Test
  void under_a_heading_that_says_nothing_the_cells_speak() {
    assertThat(choices(column("Column 3", "moss green", "black", "red")))
        .containsExactly("colour", "keep", "extra");
    assertThat(choices(column("Value 2", "recycled polyester", "steel")).getFirst())
        .isEqualTo("material");
    assertThat(choices(column("Attr", "IPX6", "IP67")).getFirst()).isEqualTo("water_rating");
    assertThat(choices(column("Field 4", "30 x 20 cm", "40 x 20 cm")).getFirst())
        .isEqualTo("dimensions");
    ColumnReading amounts = column("Wert 7", "940 g", "1120 g");
    assertThat(amounts.meaning()).as("kept out of the texts").isEqualTo(Meaning.KEEP);
    assertThat(choices(amounts)).startsWith("keep", "weight").endsWith("extra");
    ColumnReading nothing = column("Info 2", "A7", "B9");
    assertThat(choices(nothing)).containsExactly("keep", "extra");
    assertThat(nothing.reason()).contains("Neither the heading nor the cells");
  }

  @Test
  void cells_that_name_kinds_of_things_are_taken_for_the_category() {
    ColumnReading column =
        column("Shelf", "Panniers", "Panniers", "Backpacks", "Backpacks", "Panniers", "Lamps");
    assertThat(choices(column)).startsWith("category", "extra");
    assertThat(column("Shelf", "R1", "R2", "R1", "R2").meaning()).isEqualTo(Meaning.EXTRA);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "https://pictures.example/a.jpg",
        "kl-2001.png",
        "https://pictures.example/img?id=7&f=a.webp"
      })
  void addresses_and_file_names_of_pictures_are_pictures(String cell) {
    assertThat(column("Link to it", cell).meaning()).isEqualTo(Meaning.PICTURE);
  }

  @Test
  void other_addresses_prices_and_gtins_are_kept_and_never_written_about() {
    assertThat(column("Data sheet", "https://maker.example/a.pdf").meaning())
        .isEqualTo(Meaning.KEEP);
    assertThat(column("Net", "£ 12.50").meaning()).isEqualTo(Meaning.KEEP);
    assertThat(column("Nr", "4006381333931").meaning()).isEqualTo(Meaning.KEEP);
  }

  private Reading read(String sheet) {
    List<List<String>> table =
        sheet
            .lines()
            .map(l -> List.of(l.split("\\|", -1)).stream().map(String::strip).toList())
            .toList();
    return proposer.propose(
        table.getFirst(),
        IntStream.range(1, table.size())
            .mapToObj(i -> new SheetRow(i + 1, table.get(i), new BitSet()))
            .toList());
  }

  private static String heading(Reading reading, Meaning.Role role) {
    return reading.column(role) < 0 ? "" : reading.columns().get(reading.column(role)).heading();
  }

  /** The column that names the product, not any column that has words. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '=',
      value = {
        "'Item no | Item | Shade | Wattage\n881 | Low Tide Lamp | brass, opal glass | 40\n882 | Low Tide Wall | brass | 25\n883 | Mole | linen shade, E27 socket | 60'=Item no=Item",
        "'Quality | Ref. | Pile material | Construction\nFjell | R100 | wool, undyed | hand knotted\nMalla | R200 | jute | flat woven\nÅsen | R300 | wool 80 %, nylon | hand tufted'=Ref.=Quality",
        "'Title | Code | Binding\nThe Salt Road | 9-01 | cloth\nBees in Winter | 9-02 | paper\nA Field Guide to Fog | 9-03 | cloth'=Code=Title",
        "'EAN | Our code | Tea | Garden | Leaf\n4006381333931 | T1 | Misty Second Flush | Harnoa | whole\n4006381333948 | T2 | Breakfast No. 4 | Harnoa | broken\n4006381333955 | T3 | Smoke Over Pines | Luopan | whole'=Our code=Tea"
      })
  void the_code_and_the_name_are_found_by_what_their_cells_are_like(
      String sheet, String code, String name) {
    Reading reading = read(sheet.replace("\\n", "\n"));
    assertThat(heading(reading, Meaning.Role.SKU)).isEqualTo(code);
    assertThat(heading(reading, Meaning.Role.NAME)).isEqualTo(name);
  }

  /** Remarks, stock and money stay in the house, whatever the heading; a person is asked. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Our comment|sold badly in May",
        "Verk.-Marge %|38",
        "Landed cost|12.40",
        "Fourn. réf. interne|ZX 12",
        "Opmerkingen|wordt vervangen",
        "For us|ask Mira before you promise this",
        "Whereabouts|we keep them until the fair",
        "€ net|12"
      })
  void what_looks_private_is_kept_back(String heading, String cell) {
    ColumnReading column = column(heading, cell, cell, cell);
    assertThat(column.meaning()).isEqualTo(Meaning.KEEP);
    if (column.asks()) {
      assertThat(choices(column)).contains("keep", "extra");
    }
  }

  /** Behind prices stands what is for the house: its cartons, and what it says of its margins. */
  @Test
  void what_stands_behind_prices_and_may_be_the_trades_is_kept_back() {
    List<String> headings =
        List.of("SKU", "Name", "Colour", "Buying price", "RRP", "Pack", "Rmk", "Weight");
    List<SheetRow> rows =
        List.of(
            new SheetRow(
                2, List.of("B-1", "Arle", "red", "4.10", "9.90", "12", "", "2 kg"), new BitSet()),
            new SheetRow(
                3,
                List.of("B-2", "Bray", "blue", "5.20", "12.90", "6", "poor margin here", "3 kg"),
                new BitSet()),
            new SheetRow(
                4, List.of("B-3", "Cole", "red", "3.30", "7.90", "24", "", "1 kg"), new BitSet()));
    Reading reading = new ReadingProposer(Knowledge.standard()).propose(headings, rows);
    assertThat(reading.columns().subList(3, 7)).allMatch(c -> c.meaning().equals(Meaning.KEEP));
    assertThat(reading.columns().get(5).asks()).isTrue();
  }

  /**
   * A letter or a word at a heading's end is a unit if the cells say so, and none if they don't.
   */
  @ParameterizedTest
  @CsvSource({
    "Total h,height,12 cm,18 cm,cm",
    "Run time h,runtime,12,8 h,h",
    "Cap. cl,capacity,44,28 cl,cl",
    "g,weight,190,220 g,g"
  })
  void a_headings_unit_is_held_against_the_cells(
      String heading, String meaning, String cell, String other, String unit) {
    ColumnReading column = column(heading, cell, other, cell);
    assertThat(meaning).isIn(meanings(column));
    assertThat(column.unit()).isEqualTo(unit);
  }

  private static List<String> meanings(ColumnReading column) {
    return column.asks() ? choices(column) : List.of(column.meaning().code());
  }

  /** Codes of something, and what goes into cartons, are no shopper's business. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Dye code|114|207|330",
        "Permit no.|19.HD|20.HD|31.XK",
        "inner/outer|10/100|10/100|20/200",
        "pcs per ctn|12|6|12",
        "Page|low-tide-grey|beet-red|moth-brown"
      })
  void codes_of_something_and_packing_are_kept_back_and_asked_about(
      String heading, String first, String second, String third) {
    ColumnReading column = column(heading, first, second, third);
    assertThat(column.meaning()).isEqualTo(Meaning.KEEP);
    assertThat(column.asks()).isTrue();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // A row for each colour; for each colour and size; the same row twice; another thing.
        "Style;Name;Colour\\nG-7;Tarn;black\\nG-7;Tarn;rust\\nG-8;Fell;moss|G-7-black G-7-rust G-8-moss",
        "Style;Name;Colour;Size\\nG-7;Tarn;black;S\\nG-7;Tarn;black;M\\nG-7;Tarn;rust;S|G-7-black-s G-7-black-m G-7-rust-s",
        "Style;Name;Colour\\nG-7;Tarn;black\\nG-7;Tarn;black\\nG-8;Fell;moss|G-7 G-7 G-8",
        "Style;Name;Colour\\nG-7;Tarn;black\\nG-7;Cold Hands;rust\\nG-8;Fell;moss|G-7 G-7 G-8",
        "Style;Name;Colour\\nG-6;Tarn;black\\nG-7;Cold Hands;rust\\nG-8;Fell;moss|G-6 G-7 G-8"
      })
  void rows_of_one_code_that_differ_in_colour_or_size_are_products_of_their_own(
      String sheet, String skus) {
    List<List<String>> lines =
        sheet.replace("\\n", "\n").lines().map(l -> List.of(l.split(";"))).toList();
    List<SheetRow> rows =
        IntStream.range(1, lines.size())
            .mapToObj(i -> new SheetRow(i + 1, lines.get(i), new BitSet()))
            .toList();
    Reading reading = proposer.propose(lines.getFirst(), rows);
    FactReader reader = new FactReader("gloves.csv", reading, Knowledge.standard());
    assertThat(rows.stream().map(reader::read).map(o -> ((FactReader.Outcome.Read) o).product()))
        .extracting(p -> p.sku())
        .containsExactly(skus.split(" "));
  }

  @ParameterizedTest
  @ValueSource(strings = {"key words", "KW2", "Suchwort"})
  void a_keyword_in_two_words_or_a_second_one_is_one(String heading) {
    assertThat(column(heading, "coir doormat", "barrier mat", "hall runner").meaning().code())
        .isEqualTo("keyword");
  }

  /** Copy may say "not" and "your"; what speaks of suppliers and stock is a remark. */
  @Test
  void copy_is_a_suppliers_text_however_it_speaks_and_a_remark_is_not() {
    assertThat(
            column(
                    "Patter",
                    "Two slices, and no drama about it.",
                    "For bread that is not shy.",
                    "This is your morning, toasted.")
                .meaning()
                .code())
        .isEqualTo("prose");
    assertThat(
            column(
                    "Patter",
                    "Do not quote this before May.",
                    "We lost the supplier of the springs.",
                    "This is not in the price list.")
                .meaning())
        .isEqualTo(Meaning.KEEP);
  }

  @Test
  void long_lists_of_parts_are_no_text() {
    ColumnReading recipe =
        column(
            "Inside",
            "oat 42%, honey 18%, rapeseed oil 9%, almonds 8%, sunflower seeds 7%, cinnamon 0.4%",
            "oat 51%; date syrup 20%; coconut 12%; pumpkin seeds 6%; sea salt 0.3%; vanilla",
            "barley 38%, malt extract 14 %, hazelnuts 11%, cocoa 7%, butterfat 5%, salt 0.4%");
    assertThat(recipe.meaning()).isNotEqualTo(Meaning.PROSE);
  }

  @Test
  void words_that_stand_in_many_rows_are_no_second_code() {
    assertThat(column("Cat.", "Spring loaded", "Spring loaded", "Hand wound").meaning())
        .isNotEqualTo(Meaning.KEEP);
    assertThat(column("Cat.", "SL-204", "SL-204", "HW-118").meaning()).isEqualTo(Meaning.KEEP);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {"Facing|laminated steel, three layers", "Selvedge|left raw", "Nap|short"})
  void what_looks_like_a_fact_is_kept_under_its_own_heading(String heading, String cell) {
    assertThat(column(heading, cell, cell, cell).meaning()).isEqualTo(Meaning.EXTRA);
  }

  @Test
  void without_the_model_plain_headings_are_read_all_the_same() {
    Reading reading =
        new ReadingProposer(
                Knowledge.standard(),
                EvidenceWeights.shipped(),
                Nearness.NONE,
                HeadingMemory.shipped())
            .propose(
                List.of("SKU", "Name", "Weight", "Material", "Steep"),
                List.of(
                    new SheetRow(
                        2, List.of("A-1", "Heron", "3 kg", "oak", "2-3 min"), new BitSet()),
                    new SheetRow(
                        3, List.of("A-2", "Egret", "4 kg", "ash", "4 min"), new BitSet())));
    assertThat(reading.columns().stream().map(c -> c.meaning().code()))
        .containsExactly("sku", "name", "weight", "material", "extra");
  }

  @Test
  void hundreds_of_headings_that_say_nothing_are_kept_back() {
    List<String> headings = IntStream.rangeClosed(1, 300).mapToObj(i -> "A" + i).toList();
    List<SheetRow> rows =
        IntStream.range(0, 20)
            .mapToObj(
                r ->
                    new SheetRow(
                        r + 2,
                        IntStream.rangeClosed(1, 300).mapToObj(c -> "x" + r * c).toList(),
                        new BitSet()))
            .toList();
    Reading reading = proposer.propose(headings, rows);
    assertThat(reading.columns()).hasSize(300);
    assertThat(reading.columns().stream().map(c -> c.meaning().role()))
        .doesNotContain(Meaning.Role.CONCEPT, Meaning.Role.EXTRA);
  }

  @Test
  void a_heading_of_hundreds_of_characters_stays_whole() {
    String heading = "Weight of the thing as it leaves the works ".repeat(12);
    assertThat(column(heading, "3 kg").heading()).isEqualTo(heading);
  }

  @Test
  void what_a_thing_is_stands_over_names_that_are_made_up() {
    Reading reading =
        read("Code | Boat | Hull\nB1 | Skerry 514 | PE\nB2 | Cabin | PE\nB3 | Fulmar | carbon");
    assertThat(reading.thing()).isEqualTo("boat");
    assertThat(reading.areNamesMadeUp()).isTrue();
    assertThat(read("Code | Name\nB1 | Oak Table\nB2 | Ash Chair\nB3 | Fulmar").areNamesMadeUp())
        .isFalse();
  }

  @Test
  void what_all_products_are_is_found_where_several_places_say_it() {
    assertThat(
            read("Code | Title | Search term\nB1 | Fjord | birch canoe\nB2 | Vik | touring canoe for two\nB3 | Skjer | red canoe")
                .thing())
        .isEqualTo("canoe");
    assertThat(
            read("Code | Item\nS1 | Coach screw\nS2 | Roofing screw\nS3 | Chipboard screw").thing())
        .isEqualTo("screw");
    // A series is no thing, and "machine" says too little.
    assertThat(read("Code | Name\nP1 | Lane 20\nP2 | Lane 21\nP3 | Lane 22").thing()).isEmpty();
    assertThat(read("Code | Machine\nP1 | Rook\nP2 | Jay\nP3 | Daw").thing()).isEmpty();
  }

  @Test
  void what_was_said_of_a_heading_counts_until_the_cells_contradict_it() {
    HeadingAnswers said =
        new HeadingAnswers(
            List.of(new HeadingAnswers.Answer("Tuft", Meaning.parse("material"), "Fjell & Son")));
    List<String> headings = List.of("SKU", "Name", "TUFT:");
    ReadingProposer proposer = new ReadingProposer(Knowledge.standard());
    ColumnReading same =
        proposer
            .propose(
                headings,
                List.of(new SheetRow(2, List.of("A-1", "Rya", "lambswool"), new BitSet())),
                said,
                "")
            .columns()
            .get(2);
    assertThat(same.meaning().code()).isEqualTo("material");
    assertThat(same.asks()).isFalse();
    assertThat(same.reason()).contains("Fjell & Son");
    ColumnReading other =
        proposer
            .propose(
                headings,
                List.of(new SheetRow(2, List.of("A-1", "Rya", "12 mm"), new BitSet())),
                said,
                "")
            .columns()
            .get(2);
    assertThat(other.meaning()).isEqualTo(Meaning.EXTRA);
    assertThat(choices(other)).first().isEqualTo("material");
  }
}
