package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.PageFacts;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.Voices;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;
import rhetor.core.text.Draft;

/** What a page that shows several products says of them, read as a shopper would read it. */
class PagesTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final int SEEDS = 6;

  private static final String KETTLES =
      """
      SKU,Name,Brand,Category,Material,Capacity,Weight,Colour,Maximum load,Warranty
      K1,Brim,Hollin,Kettles,enamelled steel,1.2 l,900 g,cream,10 kg,2 years
      K2,Spout,Hollin,Kettles,copper,1.7 l,1.1 kg,copper,12 kg,2 years
      K3,Whistle,Tarn,Kettles,stainless steel,2 l,780 g,cream,15 kg,2 years
      """;

  @TempDir Path folder;

  private ProductFacts page(String name, String sheet) {
    try {
      Path file = Files.writeString(folder.resolve("page.csv"), sheet);
      return new PageFacts(KNOWLEDGE).of("category/page", name, Products.of(file));
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  private static List<Draft> drafts(ProductFacts page) {
    return IntStream.range(0, SEEDS)
        .mapToObj(seed -> new Composer(KNOWLEDGE, seed).compose(Brief.of(page)))
        .toList();
  }

  private static String prose(ProductFacts page) {
    return String.join("\n", drafts(page).stream().map(d -> d.plain(Field.DESCRIPTION)).toList());
  }

  @Test
  void says_how_many_there_are_and_how_they_differ() {
    for (Draft draft : drafts(page("Kettles", KETTLES))) {
      assertThat(draft.plain(Field.TITLE)).isEqualTo("Kettles");
      assertThat(draft.plain(Field.META_TITLE)).isEqualTo("Kettles: three to choose from");
      assertThat(draft.plain(Field.DESCRIPTION))
          .contains("three kettles by Hollin and Tarn")
          .contains("1.2 to 2 litres")
          .contains("enamelled steel, copper or stainless steel")
          .contains("cream and copper")
          .contains("two-year warranty")
          .doesNotContain("up to 10 to 15");
    }
  }

  @Test
  void names_the_one_that_has_the_most_or_weighs_the_least() {
    assertThat(prose(page("Kettles", KETTLES)))
        .contains("Whistle weighs 780 g, less than any other here.")
        .containsPattern("Whistle (?:holds|takes|has room for) 2 litres, more than any other here");
  }

  @Test
  void nothing_that_it_says_must_be_fixed() {
    ProductFacts page = page("Kettles", KETTLES);
    for (Draft draft : drafts(page)) {
      Audit audit = new Checker(KNOWLEDGE, Style.standard()).check(draft, page, "");
      assertThat(audit.marks()).noneMatch(m -> m.weight() == Mark.Weight.MUST_FIX);
    }
  }

  /** Sentences of a person, none of them Rhetor's. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "All three kettles hold 1.7 litres.",
        "Choose from five kettles.",
        "Every one of them is made of glass.",
        "They weigh from 300 g.",
        "All of them come with a five-year warranty."
      })
  void what_isnt_so_of_them_is_held(String lie) {
    assertThat(new Judge(page("Kettles", KETTLES), KNOWLEDGE).judge(lie))
        .anyMatch(Assertion::isHeld);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Two makers, three kettles.",
        "They hold between 1.2 and 2 litres.",
        "Whistle weighs least: 780 g.",
        "Each has a warranty of two years."
      })
  void what_is_so_of_them_is_let_be(String truth) {
    assertThat(new Judge(page("Kettles", KETTLES), KNOWLEDGE).judge(truth))
        .noneMatch(Assertion::isHeld);
  }

  /** A blend has all of its stuffs, and where of one nobody knows it, nothing is said of all. */
  @Test
  void guesses_at_nothing() {
    String scarves =
        prose(
            page(
                "Scarves",
                """
                SKU,Name,Category,Material,Weight,Colour
                S1,Gale,Scarves,"wool, silk",120 g,grey
                S2,Drift,Scarves,cotton,,"rust, sand"
                """));
    assertThat(scarves)
        .contains("two scarves")
        .contains("grey, rust and sand")
        .doesNotContain("wool", "cotton", "weigh");
  }

  @Test
  void doesnt_part_what_goes_together() {
    String racks =
        prose(
            page(
                "Panniers",
                """
                SKU,Name,Brand,Category,Mounting
                P1,Gale,Orrin,Panniers,hooks for 8-11 mm rails
                P2,Drift,Orrin,Panniers,hooks for 8-16 mm rails
                """));
    assertThat(racks).contains("two panniers").doesNotContain("11 or");
  }

  @Test
  void nobody_counts_boots_or_bed_linen() {
    String boots =
        prose(
            page(
                "Boots",
                """
                SKU,Name,Brand,Category,Closure
                B1,Fell,Orrin,Boots,laces
                B2,Moor,Orrin,Boots,zip
                """));
    assertThat(boots).doesNotContainPattern("(?i)two boots|2 boots").contains("laces or a zip");
    String linen =
        prose(
            page(
                "Bed linen",
                """
                SKU,Name,Brand,Category,Material
                L1,Dune,Heath,Bed linen,linen
                L2,Reed,Heath,Bed linen,cotton
                """));
    assertThat(linen).doesNotContain("linens").contains("made").doesNotContain("They");
  }

  @Test
  void counts_day_rides_and_no_days() {
    ProductFacts rides =
        page(
            "Day rides",
            """
            SKU,Name,Category,Distance,Duration
            R1,Coast,Day ride,38 km,4 h
            R2,Vale,Day ride,75 km,8 h
            """);
    for (Draft draft : drafts(rides)) {
      assertThat(new Checker(KNOWLEDGE, Style.standard()).check(draft, rides, "").marks())
          .noneMatch(m -> m.weight() == Mark.Weight.MUST_FIX);
    }
    assertThat(new Judge(rides, KNOWLEDGE).judge("Each is a 2 day ride."))
        .anyMatch(Assertion::isHeld);
  }

  @Test
  void says_of_several_kinds_what_they_are() {
    assertThat(
            prose(
                page(
                    "For the table",
                    """
                    SKU,Name,Brand,Category
                    T1,Brim,Hollin,Kettles
                    T2,Sill,Hollin,Mugs
                    T3,Ledge,Hollin,Mugs
                    """)))
        .contains("three products by Hollin: mugs and kettles");
  }

  /** What a person says of a page is so of each, and one kettle is no two. */
  @Test
  void one_is_spoken_of_as_one() {
    ProductFacts page = page("Kettles", "SKU,Name,Brand,Category\nK1,Brim,Hollin,Kettles\n");
    List<Fact> facts = new ArrayList<>(page.facts());
    facts.add(
        new Fact(
            "material",
            "material",
            "Material",
            new Value.Terms(List.of("copper")),
            List.of(new Source("", 0, "typed", "copper")),
            false));
    ProductFacts typed =
        new ProductFacts(
            page.sku(),
            page.name(),
            page.productClass(),
            page.kindNoun(),
            facts,
            List.of(),
            "",
            "",
            List.of());
    assertThat(prose(typed))
        .contains("a kettle by Hollin")
        .containsPattern("It is made (?:of|from) copper")
        .doesNotContainPattern("(?i)both|they|kettles");
  }

  @Test
  void counts_in_order() {
    String shelves =
        prose(
            page(
                "Shelves",
                """
                SKU,Name,Category,Mount
                A1,Gale,Shelves,three brackets
                A2,Drift,Shelves,two brackets
                """));
    assertThat(shelves).contains("two or three brackets");
  }

  @Test
  void says_nothing_where_nothing_is_known() {
    for (Draft draft :
        drafts(page("Kettles", "SKU,Name,Category\nK1,Brim,Kettles\nK2,Spout,Kettles\n"))) {
      assertThat(draft.plain(Field.TITLE)).isEqualTo("Kettles");
      assertThat(draft.plain(Field.DESCRIPTION)).isEmpty();
      assertThat(draft.plain(Field.SHORT_DESCRIPTION)).isEmpty();
    }
  }

  /** "It holds 1.2 to 2 litres" is true of none of them. */
  @Test
  void isnt_rewritten_as_if_it_were_one_product() {
    ProductFacts page = page("Kettles", KETTLES);
    Draft draft = drafts(page).getFirst();
    Rewriter rewriter = new Rewriter(KNOWLEDGE, 1);
    Rewriter.Order longer = new Rewriter.Order(Rewriter.Way.LONGER, Voices.plain(), 0);
    assertThatThrownBy(
            () ->
                rewriter.rewrite(
                    draft.blocks(Field.DESCRIPTION), Field.DESCRIPTION, Set.of(), page, "", longer))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("several products");
  }

  @Test
  void a_page_of_nothing_is_none() {
    assertThatThrownBy(() -> new PageFacts(KNOWLEDGE).of("category/page", "Bare", List.of()))
        .hasMessageContaining("Bare");
  }
}
