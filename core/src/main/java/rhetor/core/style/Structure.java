package rhetor.core.style;

import java.util.ArrayList;
import java.util.List;

/**
 * How descriptions are set out, whatever they say.
 *
 * @param specification whether they end with the facts as a list
 * @param paragraphSentences most sentences in a paragraph, 0 for as many as belong together
 * @param headingLevel level of their sub-headings where they go out as HTML, {@value #HIGHEST} to
 *     {@value #LOWEST}; the page's own heading is the first
 */
public record Structure(boolean specification, int paragraphSentences, int headingLevel) {
  static final int HIGHEST = 2;
  static final int LOWEST = 4;
  static final int MOST_SENTENCES = 12;

  /** A list of facts at the end, paragraphs as they come, headings of the third level. */
  public static final Structure USUAL = new Structure(true, 0, 3);

  /** Whether it can be obeyed. */
  boolean isPossible() {
    return paragraphSentences >= 0
        && paragraphSentences <= MOST_SENTENCES
        && headingLevel >= HIGHEST
        && headingLevel <= LOWEST;
  }

  /** Whether a paragraph of so many sentences may stand. */
  public boolean allows(int sentences) {
    return paragraphSentences == 0 || sentences <= paragraphSentences;
  }

  /**
   * A paragraph's sentences in as few even parts as may stand: seven of at most three are 3, 2, 2.
   */
  public <T> List<List<T>> parts(List<T> sentences) {
    if (allows(sentences.size())) {
      return List.of(sentences);
    }
    int number = (sentences.size() + paragraphSentences - 1) / paragraphSentences;
    List<List<T>> parts = new ArrayList<>(number);
    int from = 0;
    for (int left = number; left > 0; left--) {
      int size = (sentences.size() - from + left - 1) / left;
      parts.add(List.copyOf(sentences.subList(from, from + size)));
      from += size;
    }
    return parts;
  }

  /** What it asks for in words; empty for the usual. */
  String words() {
    List<String> words = new ArrayList<>();
    if (!specification) {
      words.add("no list of facts");
    }
    if (paragraphSentences > 0) {
      words.add("paragraphs of up to " + sentences(paragraphSentences));
    }
    if (headingLevel != USUAL.headingLevel) {
      words.add("headings of level " + headingLevel);
    }
    return String.join(", ", words);
  }

  /** A number of sentences in words. */
  public static String sentences(int number) {
    return number == 1 ? "one sentence" : number + " sentences";
  }
}
