package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StructureTest {
  @ParameterizedTest
  @CsvSource({"7,3,3 2 2", "6,3,3 3", "4,3,2 2", "3,3,3", "5,0,5", "4,1,1 1 1 1", "1,2,1"})
  void long_paragraphs_are_parted_evenly(int sentences, int most, String sizes) {
    List<Integer> all = IntStream.range(0, sentences).boxed().toList();
    List<List<Integer>> parts = new Structure(true, most, 3).parts(all);
    assertThat(parts.stream().flatMap(List::stream)).containsExactlyElementsOf(all);
    assertThat(String.join(" ", parts.stream().map(p -> String.valueOf(p.size())).toList()))
        .isEqualTo(sizes);
  }

  @ParameterizedTest
  @CsvSource({"0,3,true", "12,4,true", "13,3,false", "-1,3,false", "0,1,false", "0,5,false"})
  void what_cannot_be_set_out_is_refused(int most, int level, boolean possible) {
    Style style = Style.standard().with(p -> p.structure = new Structure(true, most, level));
    assertThat(StyleProblem.of(style).isEmpty()).isEqualTo(possible);
  }
}
