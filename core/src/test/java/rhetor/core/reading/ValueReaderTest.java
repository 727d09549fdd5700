package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

class ValueReaderTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final ValueReader point = new ValueReader(KNOWLEDGE, NumberStyle.POINT);
  private final ValueReader comma = new ValueReader(KNOWLEDGE, NumberStyle.COMMA);

  private static Concept concept(String id) {
    return KNOWLEDGE.concept(id).orElseThrow();
  }

  private static Value quantity(String amount, String unit, String qualifier) {
    return new Value.Quantity(new BigDecimal(amount), unit, qualifier);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2,5 kg|2.5|kg",
        "1.200 g|1200|g",
        "0,94 kg|0.94|kg",
        "940g|940|g",
        "1.234,5 g|1234.5|g"
      })
  void quantities_with_decimal_commas(String cell, String amount, String unit) {
    assertThat(comma.read(cell, concept("weight"), "")).isEqualTo(quantity(amount, unit, ""));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '#',
      value = {
        "90 x 200; 140x200#90 × 200 cm;140 × 200 cm",
        "60x40 mm / 80x60 mm#60 × 40 mm;80 × 60 mm",
        "31,5x12x4, 40x12x4#31.5 × 12 × 4 cm;40 × 12 × 4 cm"
      })
  void several_sizes_of_one_thing_each_have_the_headings_unit(String cell, String sizes) {
    assertThat(comma.read(cell, concept("dimensions"), "cm"))
        .isEqualTo(new Value.Terms(List.of(sizes.split(";"))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '#',
      value = {
        "31 long#31 cm long",
        "Height 12.5 mm, Ø 40 mm#12.5 mm high;40 mm in diameter",
        "2 m long and 6 cm thick#2 m long;6 cm thick"
      })
  void sides_that_are_called_by_their_names_stay_so(String cell, String sides) {
    assertThat(point.read(cell, concept("dimensions"), "cm"))
        .isEqualTo(new Value.Terms(List.of(sides.split(";"))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '#',
      value = {
        "hooks, a rail and a bag#hooks;a rail;a bag",
        "hooks, a rail#hooks;a rail",
        "cups, salt and pepper#cups;salt and pepper",
        "bags and straps, hooks and rails#bags and straps;hooks and rails"
      })
  void the_last_two_of_a_list_are_two(String cell, String items) {
    assertThat(point.read(cell, concept("included"), ""))
        .isEqualTo(new Value.Terms(List.of(items.split(";"))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '#',
      value = {
        "maple lid, cork stopper#maple lid;cork stopper",
        "maple lid, cork#maple lid, cork",
      })
  void parts_each_with_its_stuff_are_a_list_and_parts_beside_stuffs_are_none(
      String cell, String items) {
    Value read = point.read(cell, concept("material"), "");
    assertThat(read)
        .isEqualTo(
            items.contains(";")
                ? new Value.Terms(List.of(items.split(";")))
                : new Value.Words(items));
  }

  @ParameterizedTest
  @ValueSource(strings = {"90 x 200; folded", "90x200 / 90x200x20", "2 x 90 x 200 / 210"})
  void sizes_of_unlike_things_are_one_value(String cell) {
    assertThat(comma.read(cell, concept("dimensions"), "cm")).isEqualTo(new Value.Words(cell));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "2.5 kg|2.5|kg|''",
        "1,200 g|1200|g|''",
        "approx. 3 lbs|3|lb|about",
        "max 400 g|400|g|up to",
        "up to 2 kg|2|kg|up to",
        "500 g min.|500|g|at least"
      })
  void quantities_with_decimal_points(String cell, String amount, String unit, String qualifier) {
    assertThat(point.read(cell, concept("weight"), ""))
        .isEqualTo(quantity(amount, unit, qualifier));
  }

  @Test
  void the_headings_unit_counts_when_the_cell_has_none_and_not_when_it_has() {
    assertThat(point.read("940", concept("weight"), "g")).isEqualTo(quantity("940", "g", ""));
    assertThat(point.read("0.94 kg", concept("weight"), "g")).isEqualTo(quantity("0.94", "kg", ""));
  }

  @Test
  void a_quantity_of_another_dimension_stays_words() {
    assertThat(point.read("20 l", concept("weight"), "")).isEqualTo(new Value.Words("20 l"));
  }

  @Test
  void ranges_sides_ratings_and_yes_or_no() {
    assertThat(point.read("-5 to 40 °C", concept("temperature"), ""))
        .isEqualTo(new Value.Range(new BigDecimal("-5"), new BigDecimal("40"), "°C"));
    assertThat(comma.read("30x20x12 cm", concept("dimensions"), ""))
        .isEqualTo(
            new Value.Sides(
                List.of(new BigDecimal("30"), new BigDecimal("20"), new BigDecimal("12")), "cm"));
    assertThat(point.read("102 x 203 mm", concept("inner_size"), ""))
        .isEqualTo(new Value.Sides(List.of(new BigDecimal("102"), new BigDecimal("203")), "mm"));
    assertThat(point.read("IP X6", concept("water_rating"), ""))
        .isEqualTo(new Value.Rating("IPX6"));
    assertThat(comma.read("ja", concept("reflective"), "")).isEqualTo(new Value.YesNo(true));
  }

  @ParameterizedTest
  @CsvSource({"No,false", "N,false", "Y,true", "✓,true", "nein,false"})
  void answers_in_a_column_that_nobody_knows_are_yes_and_no(String cell, boolean yes) {
    assertThat(point.readAny(cell, false)).isEqualTo(new Value.YesNo(yes));
  }

  /** What isn't understood is neither cut up nor converted, to the last character. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "cow, raw, silage free",
        "10 h / 2 Ah",
        "1/2\" female",
        "000",
        "2,4 kg",
        "no (beeswax)",
        "x",
        "si",
        "85 % natural; 15 % synth."
      })
  void what_is_not_understood_stays_as_it_stands(String cell) {
    assertThat(point.readAny(cell, false)).isEqualTo(new Value.Words(cell));
  }

  @ParameterizedTest
  @ValueSource(strings = {"flex 3/8\" x 375 mm", "click-clack 1 1/4\"", "56/62"})
  void fractions_are_not_cut_in_two(String cell) {
    assertThat(point.read(cell, concept("features"), ""))
        .isIn(new Value.Terms(List.of(cell)), new Value.Words(cell));
  }

  @ParameterizedTest
  @ValueSource(strings = {"crook, cherry wood", "brass / lanyard", "tab; oak"})
  void parts_of_unlike_kinds_are_one_value(String cell) {
    assertThat(point.read(cell, concept("material"), "")).isEqualTo(new Value.Words(cell));
  }

  @Test
  void the_same_letter_is_a_month_where_time_is_meant_and_a_metre_elsewhere() {
    assertThat(point.read("24 m", concept("warranty"), "")).isEqualTo(quantity("24", "mth", ""));
    assertThat(point.read("2 m", concept("length"), "")).isEqualTo(quantity("2", "m", ""));
    assertThat(comma.read("3 J.", concept("warranty"), "")).isEqualTo(quantity("3", "yr", ""));
  }

  @Test
  void terms_are_translated_and_put_in_order() {
    assertThat(comma.read("moosgrün", concept("colour"), ""))
        .isEqualTo(new Value.Terms(List.of("moss green")));
    assertThat(comma.read("Polyester recycelt", concept("material"), ""))
        .isEqualTo(new Value.Terms(List.of("recycled polyester")));
    assertThat(point.read("polyester, recycled", concept("material"), ""))
        .isEqualTo(new Value.Terms(List.of("recycled polyester")));
    assertThat(point.read("S/M/L", concept("size"), ""))
        .isEqualTo(new Value.Terms(List.of("S", "M", "L")));
  }

  @Test
  void the_way_of_writing_numbers_is_found_from_the_cells() {
    NumberStyle.Evidence german = new NumberStyle.Evidence();
    List.of("1,5 kg", "0,94", "1.200 lm").forEach(german::add);
    assertThat(german.decide()).isEqualTo(NumberStyle.COMMA);
    NumberStyle.Evidence english = new NumberStyle.Evidence();
    List.of("1.5 kg", "1,200 lm", "3.75").forEach(english::add);
    assertThat(english.decide()).isEqualTo(NumberStyle.POINT);
  }

  @Test
  void a_number_below_one_is_never_grouped_thousands() {
    assertThat(NumberStyle.COMMA.parse("0.750")).contains(new BigDecimal("0.750"));
  }
}
