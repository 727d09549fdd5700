package rhetor.core.support;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rhetor.core.language.English;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Words that state nothing of a product, and words that state what a shop is held to, by kind. */
final class JudgeWords {
  private static final class Shipped {
    static final JudgeWords WORDS = read();

    private static JudgeWords read() {
      try (InputStream in = JudgeWords.class.getResourceAsStream("/judge/words.yaml")) {
        return new JudgeWords(
            YAMLMapper.builder()
                .build()
                .readValue(in, new TypeReference<Map<String, List<String>>>() {}));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private static final String MEASURES = "measures-";
  private static final String ING = "ing";

  private final Map<String, Set<String>> lists = new HashMap<>();

  private JudgeWords(Map<String, List<String>> all) {
    all.forEach((kind, words) -> lists.put(kind, new HashSet<>(words)));
  }

  static JudgeWords shipped() {
    return Shipped.WORDS;
  }

  /** Whether a word says what an amount of a dimension is: "weigh" of a mass. */
  boolean isMeasure(String word) {
    return lists.entrySet().stream()
        .anyMatch(e -> e.getKey().startsWith(MEASURES) && e.getValue().contains(word));
  }

  /** Words that say as much of an amount: "weight" for "weigh". Lengths are all different. */
  Set<String> measuresLike(String word) {
    for (Map.Entry<String, Set<String>> each : lists.entrySet()) {
      boolean isMeasure = each.getKey().startsWith(MEASURES) && !each.getKey().endsWith("length");
      if (isMeasure && each.getValue().contains(word)) {
        return each.getValue();
      }
    }
    return Set.of();
  }

  /** Words for what an amount of a dimension may be. */
  Set<String> measures(String dimension) {
    return lists.getOrDefault(MEASURES + dimension.replace(' ', '-'), Set.of());
  }

  /** Whether a word states nothing by itself, or is a form of one that doesn't: "running". */
  boolean isHarmless(String word) {
    return is("harmless", word) || word.endsWith(ING) && isHarmlessDoing(word);
  }

  private boolean isHarmlessDoing(String word) {
    String root = word.substring(0, word.length() - ING.length());
    int last = root.length() - 1;
    boolean isDoubled = last > 1 && root.charAt(last) == root.charAt(last - 1);
    return last > 0
        && (is("harmless", root)
            || is("harmless", root + "e")
            || isDoubled && is("harmless", root.substring(0, last)));
  }

  /** Whether a word only joins others. */
  boolean isFunction(String word) {
    return lists.get("function").contains(word);
  }

  /** The lists of words for how much there is that have one of some words. */
  Set<String> degrees(Set<String> words) {
    Set<String> found = new HashSet<>();
    for (String degree : List.of("degree-low", "degree-medium", "degree-high")) {
      if (!Collections.disjoint(lists.get(degree), words)) {
        found.add(degree);
      }
    }
    return found;
  }

  /** Whether a word, or its stem, is in a list. */
  boolean is(String list, String word) {
    Set<String> words = lists.get(list);
    String typed = word.indexOf('’') < 0 ? word : word.replace('’', '\'');
    return words.contains(typed) || words.contains(English.stem(typed));
  }

  /** The words and runs of words of a list. */
  Set<String> of(String list) {
    return lists.get(list);
  }
}
