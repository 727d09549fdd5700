package rhetor.core.knowledge;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/** Finds the terms of a list in a text, at each place the longest. */
public final class TermIndex {
  private record Name(List<String> words, Term term) {}

  private final Map<String, List<Name>> byFirstWord = new HashMap<>();

  /**
   * Where a term stands in a text.
   *
   * @param term the term
   * @param start where it starts
   * @param end where it ends
   */
  public record Place(Term term, int start, int end) {}

  /**
   * An index of a list's names in all languages, without some that mean other things more often.
   */
  public TermIndex(Knowledge knowledge, String type, Set<String> without) {
    knowledge
        .termsByName(type)
        .forEach(
            (name, term) -> {
              if (!without.contains(name)) {
                List<String> words =
                    Words.of(name.toLowerCase(Locale.ROOT)).stream().map(Word::text).toList();
                if (!words.isEmpty()) {
                  byFirstWord
                      .computeIfAbsent(words.getFirst(), w -> new ArrayList<>())
                      .add(new Name(words, term));
                }
              }
            });
    byFirstWord.values().forEach(names -> names.sort((a, b) -> b.words.size() - a.words.size()));
  }

  /** The words in lower case with which terms start. */
  public Set<String> firstWords() {
    return Collections.unmodifiableSet(byFirstWord.keySet());
  }

  /** The terms in a text's words, in order; none overlaps another. */
  public Collection<Place> in(List<Word> words) {
    List<Place> places = new ArrayList<>();
    int i = 0;
    while (i < words.size()) {
      Name name = at(words, i);
      if (name == null) {
        i++;
      } else {
        int last = i + name.words.size() - 1;
        places.add(new Place(name.term, words.get(i).start(), words.get(last).end()));
        i = last + 1;
      }
    }
    return places;
  }

  private Name at(List<Word> words, int from) {
    for (Name name : byFirstWord.getOrDefault(words.get(from).text(), List.of())) {
      boolean all = from + name.words.size() <= words.size();
      for (int k = 1; all && k < name.words.size(); k++) {
        all = words.get(from + k).text().equals(name.words.get(k));
      }
      if (all) {
        return name;
      }
    }
    return null;
  }
}
