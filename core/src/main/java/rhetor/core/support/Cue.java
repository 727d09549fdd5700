package rhetor.core.support;

import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * An expression that is looked for only where one of some words stands: most sentences have none.
 */
record Cue(Pattern pattern, Set<String> words) {
  Cue(String expression, String... words) {
    this(Pattern.compile(expression), Set.of(words));
  }

  /**
   * Where a sentence has it.
   *
   * @param spoken its words, or those of them that are of any cue
   */
  List<MatchResult> in(String sentence, Set<String> spoken) {
    return Collections.disjoint(words, spoken)
        ? List.of()
        : pattern.matcher(sentence).results().toList();
  }

  /** The words of several cues. */
  static Set<String> wordsOf(Cue... cues) {
    Set<String> all = new HashSet<>();
    for (Cue cue : cues) {
      all.addAll(cue.words);
    }
    return Set.copyOf(all);
  }

  /** Those of a sentence's words that are of some cues. */
  static Set<String> among(Set<String> words, Set<String> spoken) {
    Set<String> some = new HashSet<>();
    for (String word : spoken) {
      if (words.contains(word)) {
        some.add(word);
      }
    }
    return some;
  }
}
