package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;

/** What a product is called whose row says something else than its sheet, and its bare numbers. */
class OtherThingTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @TempDir Path folder;

  private List<ProductFacts> products(String title, String csv) throws Exception {
    Sheet sheet = Sheet.open(Files.writeString(folder.resolve(title + ".csv"), csv));
    List<SheetRow> rows = new ArrayList<>();
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    Reading reading =
        new ReadingProposer(KNOWLEDGE)
            .propose(sheet.layout().headings(), rows, HeadingAnswers.NONE, title);
    FactReader reader = new FactReader(title, reading, KNOWLEDGE);
    return rows.stream()
        .map(reader::read)
        .map(FactReader.Outcome.Read.class::cast)
        .map(FactReader.Outcome.Read::product)
        .toList();
  }

  private List<String> kinds(String title, String csv) throws Exception {
    return products(title, csv).stream().map(ProductFacts::kindNoun).toList();
  }

  @Test
  void what_makes_the_others_one_of_a_kind_is_missing_in_a_row_that_says_something_else()
      throws Exception {
    assertThat(
            kinds(
                "wine glasses",
                """
                SKU,Name,Drink,Height
                G-1,Arden,wine,21 cm
                G-2,Bourne,wine,23 cm
                G-3,Corve,stout,15 cm
                """))
        .containsExactly("wine glass", "wine glass", "glass");
  }

  @Test
  void a_list_that_has_what_makes_the_others_one_of_a_kind_is_of_them() throws Exception {
    assertThat(
            kinds(
                "wine glasses",
                """
                SKU,Name,Drink,Height
                G-1,Arden,wine,21 cm
                G-2,Bourne,"wine, cider",23 cm
                G-3,Corve,"stout, ale",15 cm
                """))
        .containsExactly("wine glass", "wine glass", "glass");
  }

  @Test
  void a_row_that_names_another_thing_is_that_thing_and_one_that_names_none_is_none()
      throws Exception {
    assertThat(
            kinds(
                "umbrellas",
                """
                SKU,Name,Sort of thing,Length
                U-1,Squall,umbrella,90 cm
                U-2,Drizzle,folding umbrella,58 cm
                U-3,Mizzle,poncho,110 cm
                U-4,Scud,quonk,20 cm
                """))
        .containsExactly("umbrella", "folding umbrella", "poncho", "");
  }

  @Test
  void a_name_that_ends_in_a_kind_of_the_thing_says_which() throws Exception {
    assertThat(
            kinds(
                "knives",
                """
                SKU,Knife,Steel,Length
                K-1,Arden,carbon steel,21 cm
                K-2,Bourne Bread Knife,carbon steel,33 cm
                K-3,Corve Wolf Knife,carbon steel,25 cm
                """))
        .containsExactly("knife", "bread knife", "knife");
  }

  @Test
  void a_name_that_ends_in_another_class_of_the_family_is_that() throws Exception {
    assertThat(
            kinds(
                "rings",
                """
                SKU,Title,Metal,Width mm
                R-1,Arden,gold,3
                R-2,Bourne Hoops,gold,2
                R-3,Corve Cabin,silver,2
                R-4,Dene,silver,4
                R-5,Eskine,silver,5
                """))
        .containsExactly("ring", "hoops", "ring", "ring", "ring");
  }

  @Test
  void a_shops_department_is_no_thing() throws Exception {
    assertThat(
            kinds(
                "",
                """
                SKU,Name,Category,Weight
                D-1,Arle,Home > Laundry,2 kg
                D-2,Bray,Home > Kitchen,3 kg
                D-3,Cole,Home > Kettles,1 kg
                """))
        .containsExactly("", "", "kettle");
  }

  @ParameterizedTest
  @CsvSource({
    // Heading, three cells, and what the second becomes.
    "Warranty,10 y,5,2 y,5 yr",
    "Cable length,150 cm,180,120 cm,180 cm",
    "Burn time,40 h,45,30 h,45 h"
  })
  void a_bare_number_is_in_the_unit_of_the_others(
      String heading, String one, String bare, String other, String read) throws Exception {
    Value value = second(heading, one, bare, other);
    assertThat(value)
        .isInstanceOfSatisfying(
            Value.Quantity.class,
            q -> assertThat(q.amount().toPlainString() + " " + q.unit()).isEqualTo(read));
  }

  @ParameterizedTest
  @CsvSource({
    // Kilograms among grams.
    "Weight,940 g,1.2,1120 g",
    // Of two units nobody knows which.
    "Weight,940 g,750,1.1 kg"
  })
  void a_bare_number_that_may_be_in_another_unit_stays_as_it_stands(
      String heading, String one, String bare, String other) throws Exception {
    assertThat(second(heading, one, bare, other)).isEqualTo(new Value.Words(bare));
  }

  private Value second(String heading, String one, String bare, String other) throws Exception {
    return products(
            "candles",
            "SKU,Name,%s\nC-1,Arle,%s\nC-2,Bray,%s\nC-3,Cole,%s\n"
                .formatted(heading, one, bare, other))
        .get(1)
        .facts()
        .getLast()
        .value();
  }

  /** Nothing runs for years on one charge: that is another property. */
  @Test
  void an_amount_that_no_such_thing_has_is_of_something_else() throws Exception {
    List<ProductFacts> products =
        products(
            "sensors",
            """
            SKU,Name,Battery life,Weight
            S-1,Arle,10 years,40 g
            S-2,Bray,5 years,50 g
            S-3,Cole,7 years,45 g
            """);
    assertThat(products).noneMatch(p -> p.fact("runtime").isPresent());
    assertThat(products.getFirst().facts())
        .anyMatch(f -> f.label().equals("Battery life") && f.concept().isEmpty());
  }

  @Test
  void a_slip_of_the_keyboard_is_listed_and_no_weight() throws Exception {
    List<ProductFacts> products =
        products(
            "kettles",
            """
            SKU,Name,Weight kg
            K-1,Arle,1.1
            K-2,Bray,1.3
            K-3,Cole,1300000
            """);
    assertThat(products.getLast().fact("weight").orElseThrow().value())
        .isEqualTo(new Value.Words("1300000"));
  }

  @Test
  void a_diameter_keeps_its_sign() throws Exception {
    List<ProductFacts> products =
        products(
            "bowls",
            """
            SKU,Name,Dimensions mm
            B-1,Arle,200 x 200 x 60
            B-2,Bray,Ø 180 x 70
            B-3,Cole,220 x 220 x 65
            """);
    assertThat(products.get(1).facts().getLast().value()).isEqualTo(new Value.Words("Ø 180 x 70"));
  }
}
