package rhetor.core.support;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.Memo;
import rhetor.core.language.Words.Word;

/** Where the clauses of a sentence begin and end, as far as product texts need it. */
final class Clauses {
  private static final Pattern END =
      Pattern.compile(
          "[,;:.!?–—]|\\b(?:and|but|so|while|which|that|than|when|if|because|unless)\\b");

  private static final int LONGEST = 800;

  /** A sentence is asked for each of its words. */
  private static final Memo<List<int[]>> ENDS = new Memo<>(Clauses::find, LONGEST);

  private Clauses() {}

  /** The clause that a place in a sentence is in. */
  static String at(String sentence, int at) {
    return sentence.substring(start(sentence, at), end(sentence, at));
  }

  static int start(String sentence, int at) {
    int from = 0;
    for (int[] end : ENDS.of(sentence)) {
      if (end[1] > at) {
        break;
      }
      from = end[1];
    }
    return from;
  }

  static int end(String sentence, int at) {
    for (int[] end : ENDS.of(sentence)) {
      if (end[0] >= at) {
        return end[0];
      }
    }
    return sentence.length();
  }

  /** Whether nothing but spaces and words stands between two words. */
  static boolean areJoined(String sentence, Word first, Word second) {
    return sentence
        .substring(first.end(), second.start())
        .chars()
        .allMatch(c -> c == ' ' || Character.isLetter(c));
  }

  /** Where clauses end and the next ones begin. */
  private static List<int[]> find(String sentence) {
    List<int[]> ends = new ArrayList<>();
    Matcher m = END.matcher(sentence);
    while (m.find()) {
      if (!isInNumber(sentence, m.start())) {
        ends.add(new int[] {m.start(), m.end()});
      }
    }
    return ends;
  }

  private static boolean isInNumber(String text, int at) {
    return at > 0
        && at + 1 < text.length()
        && Character.isDigit(text.charAt(at - 1))
        && Character.isDigit(text.charAt(at + 1));
  }
}
