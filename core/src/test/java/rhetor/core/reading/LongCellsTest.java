package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.sheet.SheetLimits;
import rhetor.core.sheet.SheetRow;

/** The longest cell that is taken costs little, whatever it is full of and however it is read. */
class LongCellsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  /** Reading in more than linear time takes minutes. */
  private static final Duration AT_ONCE = Duration.ofSeconds(10);

  /** What is read once from the disk, words and models, isn't the cell's time. */
  @BeforeAll
  static void reads_what_is_shipped() {
    List<String> headings = List.of("SKU", "Name", "Description");
    SheetRow row = new SheetRow(2, List.of("A", "Lamp", "It weighs 5 kg."), new BitSet());
    Reading reading = new ReadingProposer(KNOWLEDGE).propose(headings, List.of(row));
    assertThat(new FactReader("sheet", reading, KNOWLEDGE).read(row)).isNotNull();
  }

  private static String longest(String unit) {
    int most = SheetLimits.STANDARD.cellCharacters();
    return unit.repeat(most / unit.length());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "5 cm ",
        "5 cm wide ",
        "10 × 5 cm ",
        "10 x 5 x 3 cm size ",
        "e\u0301",
        "\u0301",
        "a\u0301\u0327\u0323",
        "1,1,1",
        "1 234 ",
        "9",
        "IP67 ",
        "made of wool ",
        "made of ",
        "up to ",
        "a: b, ",
        "Weight: 5 kg; ",
        "- item\n",
        "• ",
        "<li>",
        "<b>",
        "&amp;",
        "<p title='",
        "(",
        "\"",
        "\t",
        "\r",
        " ",
        "a ",
        ". ",
        "a, and ",
        "x",
        "max. ",
        "http://a.example/b.jpg ",
        "Aa ",
        "ÄÖ",
        "\uD83D\uDE00",
        "\uD83D",
        "\u200B",
        "-",
        "1-2 ",
        "1/2 ",
        "50% wool, "
      })
  void a_long_cell_is_read_at_once_whatever_its_column_means(String unit) {
    String cell = longest(unit);
    List<String> headings =
        List.of(
            "SKU",
            "Name",
            "Description",
            "Weight",
            "Dimensions",
            "Colour",
            "Other",
            "Image",
            "Category",
            "IP rating",
            "Waterproof",
            "Seats");
    SheetRow sample =
        new SheetRow(
            2,
            List.of(
                "A",
                "Lamp",
                "A lamp. It weighs 5 kg.",
                "5 kg",
                "5 x 3 cm",
                "red",
                "so",
                "a.jpg",
                "Lamps",
                "IP67",
                "yes",
                "4"),
            new BitSet());
    Reading reading = new ReadingProposer(KNOWLEDGE).propose(headings, List.of(sample));
    for (int column = 2; column < headings.size(); column++) {
      List<String> cells = new ArrayList<>(sample.cells());
      cells.set(column, cell);
      SheetRow row = new SheetRow(3, cells, new BitSet());
      assertTimeoutPreemptively(
          AT_ONCE,
          () -> assertThat(new FactReader("sheet", reading, KNOWLEDGE).read(row)).isNotNull(),
          headings.get(column));
    }
    SheetRow everywhere = new SheetRow(2, List.of("A", cell, cell, cell), new BitSet());
    assertTimeoutPreemptively(
        AT_ONCE,
        () ->
            assertThat(
                    new ReadingProposer(KNOWLEDGE)
                        .propose(List.of("SKU", "Name", cell, "x"), List.of(everywhere))
                        .columns())
                .hasSize(4));
    assertTimeoutPreemptively(
        AT_ONCE,
        () ->
            assertThat(new TextReader(KNOWLEDGE).read("A", "Lamp", cell, "pasted").name())
                .isEqualTo("Lamp"));
  }
}
