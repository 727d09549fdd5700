package rhetor.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.keyword.PhraseHarvest.Phrase;

class PhraseHarvestTest {
  private static List<Phrase> phrases(String... texts) {
    PhraseHarvest harvest = new PhraseHarvest();
    for (String text : texts) {
      harvest.add(text);
    }
    return harvest.phrases();
  }

  @Test
  void phrases_are_adjectives_and_nouns_in_a_row_that_end_in_a_noun() {
    assertThat(PhraseHarvest.phrases("The waterproof pannier closes with a roll-top closure."))
        .containsExactlyInAnyOrder("waterproof pannier", "roll-top closure");
    assertThat(PhraseHarvest.phrases("It is red, and the bag: light")).isEmpty();
    assertThat(PhraseHarvest.phrases("two straps, five years")).isEmpty();
  }

  @Test
  void what_two_texts_have_counts_once_a_text() {
    List<Phrase> phrases =
        phrases(
            "A steel bottle. A steel bottle!", "This steel bottle holds water.", "A copper kettle");
    assertThat(phrases).extracting(Phrase::words).containsExactly("steel bottle");
    assertThat(phrases.getFirst().texts()).isEqualTo(2);
    assertThat(phrases.getFirst().score()).isEqualTo(2);
  }

  @Test
  void a_phrase_that_is_only_heard_inside_a_longer_one_gives_way_to_it() {
    List<Phrase> phrases =
        phrases(
            "a waterproof handlebar bag",
            "the waterproof handlebar bag",
            "one waterproof handlebar bag",
            "a handlebar bag");
    assertThat(phrases.getFirst().words()).isEqualTo("waterproof handlebar bag");
    assertThat(phrases)
        .filteredOn(p -> p.words().equals("handlebar bag"))
        .singleElement()
        // Four texts, less the three of the longer one (log2 of two words is 1).
        .satisfies(p -> assertThat(p.score()).isEqualTo(1));
    assertThat(phrases).extracting(Phrase::words).doesNotContain("waterproof handlebar");
  }

  @Test
  void no_more_than_so_many_texts_are_looked_at() {
    PhraseHarvest harvest = new PhraseHarvest();
    for (int i = 0; i < PhraseHarvest.MOST_TEXTS + 5; i++) {
      harvest.add("a steel bottle");
    }
    assertThat(harvest.phrases().getFirst().texts()).isEqualTo(PhraseHarvest.MOST_TEXTS);
  }
}
