package rhetor.core.say.en;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;

/** Finds words that say again what stands in a text already: "it lasts 60 hours, so it lasts". */
public final class Echo {
  private static final Pattern PARTS = Pattern.compile("[ " + Framing.ITEM + "-]");

  /** "Spain", "Spanish": what begins with a capital and goes on without one. */
  private static final Pattern NAME = Pattern.compile("(?<!\\p{L})\\p{Lu}\\p{Ll}{3,}(?!\\p{L})");

  private static final int STEM = 6;
  private static final Set<String> PLAIN =
      Set.of("with", "from", "made", "litre", "metre", "hour", "page", "lumen");

  private static final Memo<List<String>> TELLING = new Memo<>(Echo::telling);
  private static final Memo<Set<String>> STEMS =
      new Memo<>(
          text ->
              Words.of(text).stream()
                  .map(w -> English.stem(w.text()))
                  .collect(Collectors.toUnmodifiableSet()));

  private Echo() {}

  /** Whether a word of the phrase that carries meaning stands in the other text already. */
  public static boolean overlaps(String phrase, String text) {
    String lower = text.toLowerCase(Locale.ROOT);
    for (String word : TELLING.of(phrase)) {
      if (Subject.hasWord(lower, word)
          || sharesStem(word, lower)
          || STEMS.of(lower).contains(English.stem(word))) {
        return true;
      }
    }
    return namesPlaceOf(phrase, text);
  }

  /** "From Spain" says nothing new of a Spanish ring. */
  private static boolean namesPlaceOf(String phrase, String text) {
    Matcher name = NAME.matcher(phrase);
    while (name.find()) {
      String place = name.group().toLowerCase(Locale.ROOT);
      boolean isSaid =
          NAME.matcher(text)
              .results()
              .map(MatchResult::group)
              .anyMatch(w -> Lexicon.shipped().pertaining(w).contains(place));
      if (isSaid) {
        return true;
      }
    }
    return false;
  }

  /** The words of a phrase that say something, in lower case. */
  private static List<String> telling(String phrase) {
    return PARTS
        .splitAsStream(phrase.toLowerCase(Locale.ROOT))
        .filter(w -> w.length() > 3 || w.length() == 3 && Character.isLetter(w.charAt(1)))
        .filter(w -> !PLAIN.contains(w))
        .toList();
  }

  /** "Commuting" says nothing new after "commuter". */
  private static boolean sharesStem(String word, String text) {
    if (word.length() <= STEM) {
      return false;
    }
    int at = text.indexOf(word.substring(0, STEM));
    return at >= 0 && (at == 0 || !Character.isLetter(text.charAt(at - 1)));
  }
}
