package rhetor.core.support;

import java.util.HashSet;
import java.util.Set;
import rhetor.core.language.English;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/** The stems of a text's words, of words with hyphens also those of their parts. */
final class Stems {
  private static final int LONGEST = 400;

  /** Headings, cells and sentences come again. */
  private static final Memo<Set<String>> OF = new Memo<Set<String>>(Stems::find, LONGEST);

  private Stems() {}

  static Set<String> of(String text) {
    return OF.of(text);
  }

  private static Set<String> find(String text) {
    Set<String> stems = new HashSet<>();
    for (Word word : Words.of(text)) {
      stems.add(English.stem(word.text()));
      if (word.text().indexOf('-') > 0) {
        for (String part : word.text().split("-")) {
          stems.add(English.stem(part));
        }
      }
    }
    return Set.copyOf(stems);
  }
}
