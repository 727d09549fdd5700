package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Words put in the place of others, as a careful hand would. */
class SubstitutionTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "satchel|school bag|The satchel is a satchel for all days.|The school bag is a school bag for all days.",
        "satchel|oilcloth bag|A satchel weighs little.|An oilcloth bag weighs little.",
        "oilcloth|canvas|It is an oilcloth bag.|It is a canvas bag.",
        "satchel|bag|Satchels are no satchelry.|Satchels are no satchelry.",
        "satchel|bag|The Fell Satchel 3 is a satchel.|The Fell Satchel 3 is a bag.",
        "fell satchel 3|Ness|The Fell Satchel 3 is a satchel.|The Ness is a satchel.",
        "very|''|It is very light.|It is light.",
        "indeed|''|It is light, indeed.|It is light.",
        "clearly|''|Clearly it is light.|It is light.",
        "light|quick|Light it is, and LIGHT it stays.|Quick it is, and Quick it stays.",
        "Tarnhow|Tarn How|TARNHOW and Tarnhow.|Tarn How and Tarn How.",
        "a.b|c|An aXb and an a.b here.|An aXb and a c here."
      })
  void in_a_sentence(String words, String instead, String sentence, String changed) {
    assertThat(new Substitution(words, instead).in(sentence, "Fell Satchel 3")).isEqualTo(changed);
  }

  @Test
  void nothing_is_looked_for_by_nobody() {
    assertThatThrownBy(() -> new Substitution("  ", "x"))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void in_a_draft_all_fields_change_and_what_sentences_rest_on_stays() {
    Sentence title = new Sentence("Fell satchel", List.of(Support.fact("name")));
    Sentence other = new Sentence("It weighs 90 g.", List.of(Support.fact("weight")));
    Sentence only = new Sentence("Satchel.", List.of());
    Draft draft =
        new Draft(
            Map.of(
                Field.TITLE,
                List.of(new Block(Block.Kind.PARAGRAPH, List.of(title))),
                Field.DESCRIPTION,
                List.of(
                    new Block(Block.Kind.PARAGRAPH, List.of(only)),
                    new Block(Block.Kind.PARAGRAPH, List.of(other)))));
    Draft bags = new Substitution("satchel", "bag").in(draft, "Fell 3");
    assertThat(bags.sentences(Field.TITLE))
        .containsExactly(new Sentence("Fell bag", title.support()));
    assertThat(bags.sentences(Field.DESCRIPTION))
        .containsExactly(new Sentence("Bag.", List.of()), other);
    // A sentence of which nothing is left goes, and its paragraph with it.
    Draft none = new Substitution("satchel", "").in(draft, "Fell 3");
    assertThat(none.blocks(Field.DESCRIPTION)).hasSize(1);
    assertThat(new Substitution("duffel", "bag").in(draft, "Fell 3")).isEqualTo(draft);
  }
}
