package rhetor.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.text.Block;
import rhetor.core.text.Sentence;

class HtmlTest {
  @Test
  void blocks_go_out_as_semantic_html_and_come_back_the_same() {
    List<Block> blocks =
        Html.parse(
            "<p>One &amp; two. Three.</p><h3>Facts</h3><ul><li>Weight: 3 kg</li><li>a &lt; b</li></ul>");
    assertThat(Html.parse(Html.of(blocks))).isEqualTo(blocks);
    assertThat(Html.of(blocks))
        .isEqualTo(
            "<p>One &amp; two. Three.</p>\n<h3>Facts</h3>\n<ul><li>Weight: 3 kg</li><li>a &lt; b</li></ul>");
    assertThat(blocks.getFirst().sentences())
        .extracting(Sentence::text)
        .containsExactly("One & two.", "Three.");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<p>Hi<script>alert(1)</script></p>",
        "<p onclick='x()'>Hi</p>",
        "<p><img src=x onerror=alert(1)>Hi</p>",
        "<p><a href='javascript:x'>Hi</a></p>",
        "<style>p{}</style><p>Hi</p>",
        "<iframe src=x></iframe>Hi",
        "<svg><script>1</script></svg><p>Hi"
      })
  void scripts_attributes_and_foreign_elements_never_come_in(String html) {
    assertThat(Html.of(Html.parse(html))).isEqualTo("<p>Hi</p>");
  }

  @Test
  void a_page_level_heading_becomes_a_sub_heading() {
    assertThat(Html.of(Html.parse("<h1>Big</h1>text"))).isEqualTo("<h3>Big</h3>\n<p>text</p>");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It is washed. 60 % of it is cotton.|2",
        "A card by M. Oxley. It is blank.|2",
        "Drawn by J. R. Vale in Tarn. It folds.|2",
        "Rich in vitamin C. It is sweet.|2",
        "It is approx. 30 cm long.|1",
        "Size no. 5 fits most.|1",
        "It weighs 3.5 kg.|1",
        "Up to 85 %. 15 % is down.|2"
      })
  void typed_text_is_cut_into_its_sentences(String text, int sentences) {
    assertThat(Html.sentences(text)).hasSize(sentences);
  }
}
