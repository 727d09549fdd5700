package rhetor.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.keyword.KeywordMatch.Form;

class KeywordMatchTest {
  @ParameterizedTest
  @CsvSource({
    "commuter pannier,A waterproof Commuter Pannier in moss,WORD_FOR_WORD",
    "commuter panniers,A commuter pannier,INFLECTED",
    "commuter pannier,Two commuter panniers,INFLECTED",
    "commuter pannier,A pannier for commuters,MISSING",
    "pan,A pannier,MISSING",
    "U-lock,The U-lock holds,WORD_FOR_WORD"
  })
  void a_keyword_stands_word_for_word_or_inflected_or_not_at_all(
      String keyword, String text, Form form) {
    assertThat(KeywordMatch.find(keyword, text).form()).isEqualTo(form);
  }
}
