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
    "commuter pannier,A pannier for commuters,REWORDED",
    "waterproof commuter pannier,A pannier for commuters that is waterproof.,REWORDED",
    "bag for wet days,A wet day bag,REWORDED",
    "commuter pannier,A pannier. Commuters like it.,MISSING",
    "commuter pannier,A pannier that our shop has made for many years for commuters,MISSING",
    "commuter pannier,A pannier for riders,MISSING",
    "pan,A pannier,MISSING",
    "U-lock,The U-lock holds,WORD_FOR_WORD"
  })
  void a_keyword_stands_word_for_word_inflected_reworded_or_not_at_all(
      String keyword, String text, Form form) {
    KeywordMatch match = KeywordMatch.find(keyword, text);
    assertThat(match.form()).isEqualTo(form);
    assertThat(match.start() < 0).isEqualTo(form == Form.MISSING);
  }
}
