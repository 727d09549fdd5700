package rhetor.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tells voices apart by how texts sound. Learns on every other product which small words, signs and
 * beginnings of sentences each voice uses (naive Bayes), and guesses the voice of the others. What
 * the texts are about is the same for all voices, so it gives nothing away.
 */
final class VoiceGuess {
  private static final Pattern TOKEN = Pattern.compile("[\\p{L}’']+|[;:?–]");

  private static final double COMMON = 0.02;

  private VoiceGuess() {}

  /** Prints the share of texts that are given to the right voice, and which are taken for which. */
  static void print(Map<String, List<String>> texts) {
    Map<String, Map<String, Double>> learnt = new LinkedHashMap<>();
    Map<String, Integer> counts = new HashMap<>();
    texts.forEach(
        (voice, list) ->
            list.forEach(
                t -> new HashSet<>(signs(t)).forEach(s -> counts.merge(s, 1, Integer::sum))));
    int texted = texts.values().stream().mapToInt(List::size).sum();
    Set<String> all = new HashSet<>(counts.keySet());
    // Rare words are what the texts are about.
    all.removeIf(s -> counts.get(s) < COMMON * texted);
    texts.forEach((voice, list) -> learnt.put(voice, learn(list, all)));
    long right = 0;
    long guessed = 0;
    List<String> lines = new ArrayList<>();
    for (Map.Entry<String, List<String>> entry : texts.entrySet()) {
      Map<String, Integer> taken = new LinkedHashMap<>();
      for (int i = 1; i < entry.getValue().size(); i += 2) {
        String text = entry.getValue().get(i);
        String best =
            learnt.entrySet().stream()
                .max(Comparator.comparingDouble(v -> likelihood(text, v.getValue())))
                .orElseThrow()
                .getKey();
        taken.merge(best, 1, Integer::sum);
        guessed++;
        right += entry.getKey().equals(best) ? 1 : 0;
      }
      lines.add("  " + entry.getKey() + " taken for " + taken);
    }
    System.out.printf(
        Locale.ROOT,
        "text voices-told-apart=%.3f (chance %.3f)%n",
        right / (double) guessed,
        1.0 / texts.size());
    lines.forEach(System.out::println);
  }

  private static double likelihood(String text, Map<String, Double> likely) {
    return signs(text).stream().mapToDouble(s -> likely.getOrDefault(s, 0.0)).sum();
  }

  /** For each sign the logarithm of its share of all signs of the voice's texts. */
  private static Map<String, Double> learn(List<String> texts, Set<String> all) {
    Map<String, Integer> seen = new HashMap<>();
    int n = 0;
    for (int i = 0; i < texts.size(); i += 2) {
      for (String sign : signs(texts.get(i))) {
        if (all.contains(sign)) {
          seen.merge(sign, 1, Integer::sum);
          n++;
        }
      }
    }
    Map<String, Double> likely = new HashMap<>();
    for (String sign : all) {
      likely.put(sign, Math.log((seen.getOrDefault(sign, 0) + 0.5) / (n + 0.5 * all.size())));
    }
    return likely;
  }

  /** Words and signs of a text, the first word of each sentence marked, and how long it runs. */
  private static List<String> signs(String text) {
    List<String> signs = new ArrayList<>();
    String[] sentences = text.split("(?<=[.!?])\\s+");
    for (String sentence : sentences) {
      Matcher m = TOKEN.matcher(sentence);
      boolean first = true;
      while (m.find()) {
        signs.add((first ? "^" : "") + m.group().toLowerCase(Locale.ROOT));
        first = false;
      }
    }
    signs.add("#" + text.split("\\s+").length / sentences.length / 3);
    return signs;
  }
}
