package rhetor.core.support;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Where the clauses of a sentence begin and end, as far as product texts need it. */
final class Clauses {
  private static final Pattern END =
      Pattern.compile("[,;:.!?–—]|\\b(?:and|but|so|while|which|that|than)\\b");

  private Clauses() {}

  /** The clause that a place in a sentence is in. */
  static String at(String sentence, int at) {
    return sentence.substring(start(sentence, at), end(sentence, at));
  }

  static int start(String sentence, int at) {
    Matcher m = END.matcher(sentence);
    int from = 0;
    while (m.find() && m.end() <= at) {
      if (!isInNumber(sentence, m.start())) {
        from = m.end();
      }
    }
    return from;
  }

  static int end(String sentence, int at) {
    Matcher m = END.matcher(sentence);
    int from = at;
    while (m.find(from)) {
      if (!isInNumber(sentence, m.start())) {
        return m.start();
      }
      from = m.end();
    }
    return sentence.length();
  }

  private static boolean isInNumber(String text, int at) {
    return at > 0
        && at + 1 < text.length()
        && Character.isDigit(text.charAt(at - 1))
        && Character.isDigit(text.charAt(at + 1));
  }
}
