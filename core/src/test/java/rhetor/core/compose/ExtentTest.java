package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.style.Style;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/** Some of a product's texts, and shorter ones. */
class ExtentTest {
  private static final ProductFacts KETTLE =
      Products.of(
          "SKU,Name,Brand,Category,Material,Capacity,Weight,Colour,Warranty",
          "K1,Brim,Hollin,Kettles,enamelled steel,1.2 l,900 g,cream,2 years");

  private static Draft written(Extent extent) {
    return new Composer(Knowledge.standard(), 1).compose(Brief.of(KETTLE).to(extent));
  }

  private static Draft typed(Field field, String words) {
    return new Draft(
        Map.of(
            field,
            List.of(new Block(Block.Kind.PARAGRAPH, List.of(new Sentence(words, List.of()))))));
  }

  @Test
  void texts_are_no_longer_than_was_asked_for_and_no_sentence_is_cut() {
    assertThat(written(Extent.ALL).plain(Field.META_DESCRIPTION).length()).isGreaterThan(80);
    String meta =
        written(Extent.of(List.of(Field.META_DESCRIPTION), 80, 0)).plain(Field.META_DESCRIPTION);
    assertThat(meta).hasSizeLessThanOrEqualTo(80).endsWith(".");
    String description = written(Extent.of(List.of(), 0, 25)).plain(Field.DESCRIPTION);
    assertThat(Length.words(description)).isBetween(5, 25);
  }

  @Test
  void the_house_is_never_asked_for_more_than_it_has_said() {
    Style house = Style.standard().with(Field.TITLE, Length.ofCharacters(10, 60));
    assertThat(Extent.of(List.of(Field.TITLE), 200, 0).bound(house).length(Field.TITLE))
        .isEqualTo(Length.ofCharacters(10, 60));
    assertThat(Extent.of(List.of(Field.TITLE), 8, 0).bound(house).length(Field.TITLE))
        .isEqualTo(Length.ofCharacters(8, 8));
  }

  @Test
  void what_was_not_asked_for_stays_as_it_was() {
    Draft before = typed(Field.TITLE, "A title by hand");
    Draft all = Extent.of(List.of(Field.TAGS), 0, 0).over(before, written(Extent.ALL));
    assertThat(all.plain(Field.TITLE)).isEqualTo("A title by hand");
    assertThat(all.plain(Field.TAGS)).isEqualTo(written(Extent.ALL).plain(Field.TAGS));
    assertThat(all.plain(Field.DESCRIPTION)).isEmpty();
  }

  @Test
  void a_product_without_a_text_gets_all_of_it() {
    Draft written = written(Extent.ALL);
    assertThat(Extent.of(List.of(Field.TAGS), 0, 0).over(new Draft(Map.of()), written))
        .isEqualTo(written);
    assertThat(Extent.ALL.over(typed(Field.TITLE, "Old"), written)).isEqualTo(written);
  }

  @Test
  void less_than_nothing_is_no_length() {
    assertThatThrownBy(() -> new Extent(Set.of(), -1, 0))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
