package rhetor.core.style;

import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/**
 * How texts sound, in figures that can be compared.
 *
 * @param sentences how many sentences were measured
 * @param sentenceWords mean words of a sentence
 * @param spread standard deviation of that
 * @param address words such as "you" and "your" in a hundred
 * @param contractions share of the places where a verb could be contracted in which it is, 0 to 1
 * @param exclamations sentences of a hundred that end with an exclamation mark
 * @param questions sentences of a hundred that end with a question mark
 * @param adjectives share of words that are adjectives, 0 to 1
 * @param readingEase Flesch's reading ease: 206.835 - 1.015 words per sentence - 84.6 syllables per
 *     word (Flesch, 1948); 0 is hard, 100 easy
 * @param formality the F-score of Heylighen and Dewaele (2002): nouns, adjectives, prepositions and
 *     articles less pronouns, verbs, adverbs and interjections, in a hundred words, plus 100,
 *     halved
 * @param openings how sentences begin most often, in two words, the most frequent first
 */
public record VoiceMeasure(
    int sentences,
    double sentenceWords,
    double spread,
    double address,
    double contractions,
    double exclamations,
    double questions,
    double adjectives,
    double readingEase,
    double formality,
    List<String> openings) {

  /** Fewest sentences from which a voice can be told. */
  public static final int FEWEST = 5;

  private static final int OPENINGS = 3;

  private static final Pattern SENTENCE_END = Pattern.compile("(?<=[.!?…])[\"”’)]*\\s+|\\n+");
  private static final Pattern WRITTEN_OUT =
      Pattern.compile(
          "(?i)\\b(?:it|that|there|here|he|she) is\\b|\\b(?:you|they|we) (?:are|will|have)\\b|\\b(?:do|does|did|is|are|can|could|will|would|should|has|have|had)(?: not|not)\\b|\\bI am\\b");
  private static final Set<String> ADDRESS =
      Set.of("you", "your", "yours", "yourself", "yourselves");
  private static final Set<String> ARTICLES = Set.of("a", "an", "the");
  private static final Pattern VOWELS = Pattern.compile("[aeiouy]+");

  /** What two texts may well differ by in each figure without sounding otherwise. */
  private static final double[] SCALES = {5, 4, 1.5, 0.5, 8, 8, 0.06, 15, 8};

  /** What each figure says, with its own value and the other's. */
  private static final List<String> NAMES =
      List.of(
          "%.1f words a sentence against %.1f",
          "sentence lengths that vary by %.1f words against %.1f",
          "the reader addressed %.1f times in 100 words against %.1f",
          "verbs contracted in %.1f of the places where they could be against %.1f",
          "%.0f of 100 sentences exclaiming against %.0f",
          "%.0f of 100 sentences asking against %.0f",
          "%.2f of the words adjectives against %.2f",
          "a reading ease of %.0f against %.0f",
          "a formality of %.0f against %.0f");

  /** What texts sound like together; a figure of nothing is 0. */
  public static VoiceMeasure of(List<String> texts) {
    List<String> sentences =
        texts.stream()
            .flatMap(t -> Arrays.stream(SENTENCE_END.split(t.strip())))
            .map(String::strip)
            .filter(s -> Length.words(s) > 0)
            .toList();
    double[] lengths = sentences.stream().mapToDouble(Length::words).toArray();
    double mean = Arrays.stream(lengths).average().orElse(0);
    double variance = Arrays.stream(lengths).map(l -> (l - mean) * (l - mean)).average().orElse(0);
    List<Word> words = sentences.stream().flatMap(s -> Words.of(s).stream()).toList();
    double all = Math.max(1, words.size());
    String text = String.join(" ", sentences);
    double contracted = count(English.CONTRACTED, text);
    double contractible = contracted + count(WRITTEN_OUT, text);
    double syllables = words.stream().mapToInt(w -> syllables(w.text())).sum();
    double[] classes = classes(words);
    return new VoiceMeasure(
        sentences.size(),
        mean,
        Math.sqrt(variance),
        100 * words.stream().filter(w -> ADDRESS.contains(w.text())).count() / all,
        contractible == 0 ? 0 : contracted / contractible,
        share(sentences, "!"),
        share(sentences, "?"),
        classes[0] / all,
        words.isEmpty() ? 0 : 206.835 - 1.015 * mean - 84.6 * syllables / all,
        (100 * classes[1] / all + 100) / 2,
        openings(sentences));
  }

  private static double count(Pattern pattern, String text) {
    Matcher m = pattern.matcher(text);
    int n = 0;
    while (m.find()) {
      n++;
    }
    return n;
  }

  private static double share(List<String> sentences, String end) {
    return sentences.isEmpty()
        ? 0
        : 100.0 * sentences.stream().filter(s -> s.endsWith(end)).count() / sentences.size();
  }

  /** Groups of vowels, of which a silent e at the end is none. */
  private static int syllables(String word) {
    String sounded =
        word.length() > 3 && word.endsWith("e") ? word.substring(0, word.length() - 1) : word;
    return Math.max(1, (int) count(VOWELS, sounded));
  }

  /**
   * How many of the words are adjectives, and formal classes less informal ones. A word that may be
   * several things counts for each in part.
   */
  private static double[] classes(List<Word> words) {
    double adjectives = 0;
    double formal = 0;
    for (Word word : words) {
      if (ARTICLES.contains(word.text())) {
        formal++;
        continue;
      }
      Set<String> tags = English.tags(word.text());
      for (String tag : tags) {
        double part = 1.0 / tags.size();
        adjectives += tag.startsWith("JJ") ? part : 0;
        formal +=
            tag.startsWith("NN") || tag.startsWith("JJ") || tag.equals("IN") || tag.equals("TO")
                ? part
                : tag.startsWith("PRP")
                        || tag.startsWith("VB")
                        || tag.startsWith("RB")
                        || tag.equals("UH")
                    ? -part
                    : 0;
      }
    }
    return new double[] {adjectives, formal};
  }

  private static List<String> openings(List<String> sentences) {
    Map<String, Integer> count = new LinkedHashMap<>();
    for (String sentence : sentences) {
      List<Word> words = Words.of(sentence);
      if (words.size() > 2) {
        count.merge(words.get(0).text() + " " + words.get(1).text(), 1, Integer::sum);
      }
    }
    return count.entrySet().stream()
        .filter(e -> e.getValue() > 1)
        .sorted(Map.Entry.comparingByValue(Comparator.reverseOrder()))
        .limit(OPENINGS)
        .map(e -> e.getKey().toLowerCase(Locale.ROOT) + " …")
        .toList();
  }

  /** Whether there is enough to tell a voice from. */
  public boolean suffices() {
    return sentences >= FEWEST;
  }

  private double[] figures() {
    return new double[] {
      sentenceWords,
      spread,
      address,
      contractions,
      exclamations,
      questions,
      adjectives,
      readingEase,
      formality
    };
  }

  /** How far apart two voices are: about 1 is as far as two texts of one house may well be. */
  public double distance(VoiceMeasure other) {
    double[] mine = figures();
    double[] theirs = other.figures();
    double sum = 0;
    for (int i = 0; i < mine.length; i++) {
      double d = (mine[i] - theirs[i]) / SCALES[i];
      sum += d * d;
    }
    return Math.sqrt(sum / mine.length);
  }

  /** Nothing measured. */
  public static final VoiceMeasure NONE = of(List.of());

  /** In which figure another voice is farthest from this one, in words. */
  public String farthest(VoiceMeasure other) {
    double[] mine = figures();
    double[] theirs = other.figures();
    int far = 0;
    for (int i = 1; i < mine.length; i++) {
      if (Math.abs(mine[i] - theirs[i]) / SCALES[i]
          > Math.abs(mine[far] - theirs[far]) / SCALES[far]) {
        far = i;
      }
    }
    return NAMES.get(far).formatted(mine[far], theirs[far]);
  }

  /** Pasted texts, parted by empty lines. */
  public static List<String> parts(String pasted) {
    return Stream.of(pasted.split("\\n\\s*\\n"))
        .map(String::strip)
        .filter(t -> !t.isEmpty())
        .toList();
  }
}
