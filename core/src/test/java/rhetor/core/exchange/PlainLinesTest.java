package rhetor.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;

/** A description in a cell of a table, and what an edited cell makes of it. */
class PlainLinesTest {
  private static final List<Block> BEFORE =
      Html.parse(
          "<p>A pan of iron. It is heavy.</p><h3>Care</h3><ul><li>Rub it with oil</li><li>Keep it dry</li></ul>");
  private static final String CELL =
      "A pan of iron. It is heavy.\nCare\nRub it with oil\nKeep it dry";

  private static String edited(String text) {
    return Html.of(PlainLines.blocks(BEFORE, Field.DESCRIPTION, text)).replace("\n", "");
  }

  @Test
  void a_cell_has_a_line_for_each_paragraph_heading_and_entry_and_gives_the_same_blocks_back() {
    Draft draft = new Draft(Map.of(Field.DESCRIPTION, BEFORE));
    assertThat(PlainLines.of(draft, Field.DESCRIPTION)).isEqualTo(CELL);
    assertThat(PlainLines.blocks(BEFORE, Field.DESCRIPTION, CELL)).isEqualTo(BEFORE);
  }

  @Test
  void an_edited_line_stays_what_it_was() {
    assertThat(edited("A pan of cast iron.\nHow to care for it\nRub it with oil\nKeep it dry"))
        .isEqualTo(
            "<p>A pan of cast iron.</p><h3>How to care for it</h3><ul><li>Rub it with oil</li><li>Keep it dry</li></ul>");
  }

  @Test
  void an_added_line_goes_on_with_the_list_or_is_a_paragraph() {
    assertThat(edited(CELL + "\nHeat it slowly")).contains("<li>Heat it slowly</li></ul>");
    assertThat(edited("It holds its heat.\n" + CELL))
        .startsWith("<p>It holds its heat.</p><p>A pan");
  }

  @Test
  void lines_may_be_taken_out_and_blank_ones_say_nothing() {
    assertThat(edited("A pan of iron. It is heavy.\n\n  \nKeep it dry"))
        .isEqualTo("<p>A pan of iron. It is heavy.</p><ul><li>Keep it dry</li></ul>");
    assertThat(edited("")).isEmpty();
  }

  @Test
  void markup_that_somebody_pastes_is_text() {
    assertThat(edited("<script>alert(1)</script>"))
        .isEqualTo("<p>&lt;script&gt;alert(1)&lt;/script&gt;</p>");
  }

  @Test
  void fields_of_one_line_are_read_as_they_always_are() {
    assertThat(PlainLines.blocks(List.of(), Field.TITLE, " Iron pan "))
        .isEqualTo(Html.parse(Field.TITLE, " Iron pan "));
  }
}
