package rhetor.bench;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Tells voices apart by how texts sound, not by what they say: sentence lengths, signs, whom they
 * address. Learns on half of the texts and guesses the other half by the nearest mean.
 */
final class VoiceGuess {
  private static final List<Pattern> SIGNS =
      List.of(
          Pattern.compile("[;]"),
          Pattern.compile(" [–—] |:"),
          Pattern.compile("\\?"),
          Pattern.compile("(?i)\\byou(?:r|’ll|’re)?\\b"),
          Pattern.compile("’(?:s|re|ll|t) "),
          Pattern.compile(", which |, whereby |, so that |\\b[Aa]s it "),
          Pattern.compile("(?i)because|since|hence|as a result"),
          Pattern.compile("(?<=^|[.!?] )(?:Made|Fashioned|With|At|Weighing|Measuring|Of|From) "),
          Pattern.compile("(?:^|[.!?] )(?:A|An|Two|Three)\\b[^.!?]{0,60}[.:]"));

  private VoiceGuess() {}

  /** Share of the texts that are given to the right voice. */
  static double share(Map<String, List<String>> texts) {
    Map<String, double[]> means = new LinkedHashMap<>();
    double[] spread = spread(texts);
    texts.forEach((voice, all) -> means.put(voice, mean(all, 0)));
    long right = 0;
    long guessed = 0;
    for (Map.Entry<String, List<String>> entry : texts.entrySet()) {
      for (int i = 1; i < entry.getValue().size(); i += 2) {
        double[] f = features(entry.getValue().get(i));
        String best =
            means.entrySet().stream()
                .min(java.util.Comparator.comparingDouble(m -> distance(f, m.getValue(), spread)))
                .orElseThrow()
                .getKey();
        guessed++;
        right += best.equals(entry.getKey()) ? 1 : 0;
      }
    }
    return right / (double) guessed;
  }

  private static double[] mean(List<String> texts, int from) {
    double[] sum = new double[SIGNS.size() + 2];
    int n = 0;
    for (int i = from; i < texts.size(); i += 2) {
      double[] f = features(texts.get(i));
      for (int k = 0; k < f.length; k++) {
        sum[k] += f[k];
      }
      n++;
    }
    int all = n;
    return Arrays.stream(sum).map(s -> s / all).toArray();
  }

  private static double[] spread(Map<String, List<String>> texts) {
    List<double[]> all =
        texts.values().stream().flatMap(List::stream).map(VoiceGuess::features).toList();
    double[] spread = new double[SIGNS.size() + 2];
    for (int k = 0; k < spread.length; k++) {
      int at = k;
      double mean = all.stream().mapToDouble(f -> f[at]).average().orElse(0);
      double variance =
          all.stream().mapToDouble(f -> (f[at] - mean) * (f[at] - mean)).average().orElse(0);
      spread[k] = Math.max(1e-6, Math.sqrt(variance));
    }
    return spread;
  }

  private static double distance(double[] a, double[] b, double[] spread) {
    double sum = 0;
    for (int k = 0; k < a.length; k++) {
      double d = (a[k] - b[k]) / spread[k];
      sum += d * d;
    }
    return sum;
  }

  private static double[] features(String text) {
    String[] sentences = text.split("(?<=[.!?])\\s+");
    double words = text.split("\\s+").length;
    double[] f = new double[SIGNS.size() + 2];
    f[0] = words / sentences.length;
    f[1] = Arrays.stream(sentences).mapToDouble(s -> s.split("\\s+").length).min().orElse(0);
    for (int k = 0; k < SIGNS.size(); k++) {
      Matcher m = SIGNS.get(k).matcher(text);
      int n = 0;
      while (m.find()) {
        n++;
      }
      f[k + 2] = n / (double) sentences.length;
    }
    return f;
  }
}
