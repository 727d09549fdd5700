package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

class LikeTextsTest {
  private static final String[] WORDS = new String[3000];

  static {
    for (int i = 0; i < WORDS.length; i++) {
      WORDS[i] = "w" + Integer.toString(i * 7919, 36);
    }
  }

  private static String text(Random random, int words) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < words; i++) {
      text.append(WORDS[random.nextInt(WORDS.length)]).append(' ');
    }
    return text.toString();
  }

  @Test
  void finds_the_one_copy_among_thousands() {
    Random random = new Random(1);
    LikeTexts texts = new LikeTexts();
    for (int i = 1; i <= 5_000; i++) {
      texts.put(i, text(random, 60));
    }
    String copied = text(random, 60);
    texts.put(9_999, copied);
    LikeTexts.Nearest nearest = texts.nearest(copied, 1).orElseThrow();
    assertThat(nearest.id()).isEqualTo(9_999);
    assertThat(nearest.share()).isEqualTo(1);
    assertThat(texts.nearest(copied, 9_999)).as("not itself").isEmpty();
  }

  @Test
  void tells_about_how_much_two_texts_share() {
    Random random = new Random(2);
    String first = text(random, 50);
    String second = text(random, 50);
    LikeTexts texts = new LikeTexts();
    texts.put(1, first + second);
    double estimated = texts.nearest(first + text(random, 50), 0).orElseThrow().share();
    double exact = Checker.likeness(first + text(random, 50), first + second);
    assertThat(estimated).isBetween(exact - 0.2, exact + 0.2);
  }

  @Test
  void a_text_that_was_changed_or_removed_is_no_longer_found_as_it_was() {
    Random random = new Random(3);
    LikeTexts texts = new LikeTexts();
    String before = text(random, 40);
    texts.put(1, before);
    texts.put(1, text(random, 40));
    assertThat(texts.nearest(before, 0)).isEmpty();
    texts.put(2, before);
    texts.remove(2);
    assertThat(texts.nearest(before, 0)).isEmpty();
    assertThat(texts.size()).isEqualTo(1);
  }

  @Test
  void texts_too_short_for_a_run_are_like_nothing() {
    LikeTexts texts = new LikeTexts();
    texts.put(1, "only four words here");
    assertThat(texts.nearest("only four words here", 0)).isEmpty();
  }
}
