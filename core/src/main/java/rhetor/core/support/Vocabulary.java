package rhetor.core.support;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.reading.NumberStyle;

/**
 * What a piece of text lets another text say: the stems of its words, its numbers and ratings.
 *
 * @param measures its numbers that have something like a unit behind them
 */
record Vocabulary(
    Set<String> stems, Set<Double> numbers, Set<String> ratings, List<Measured> measures) {

  /** The groups of {@link #NUMBER}; by number, which is found faster than a name. */
  static final int AMOUNT = 1;

  static final int UNIT = 2;

  /** A number as it is printed, with what may be its unit. */
  static final Pattern NUMBER =
      Pattern.compile(
          "(?<![\\p{L}\\d.,])(\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?:[ -]?([a-zA-Z°%²]+(?:/[a-z]+| per hour)?))?");

  static final Pattern RATING = Pattern.compile("\\bIP[0-6X]\\d\\b");

  static final Map<String, Double> NUMBER_WORDS =
      Map.ofEntries(
          Map.entry("two", 2.0),
          Map.entry("three", 3.0),
          Map.entry("four", 4.0),
          Map.entry("five", 5.0),
          Map.entry("six", 6.0),
          Map.entry("seven", 7.0),
          Map.entry("eight", 8.0),
          Map.entry("nine", 9.0),
          Map.entry("ten", 10.0),
          Map.entry("eleven", 11.0),
          Map.entry("twelve", 12.0),
          Map.entry("dozen", 12.0),
          Map.entry("twenty", 20.0));

  private static final Pattern DIGITS = Pattern.compile("\\d+(?:[.,]\\d+)*");

  /** Cells, headings and names come again with every product of a range. */
  private static final Memo<Vocabulary> KNOWN = new Memo<>(t -> of(List.of(t)));

  /** A number and the words behind it that may be a unit. */
  record Measured(double number, String unit) {}

  static Vocabulary of(String text) {
    return KNOWN.of(text);
  }

  /** The vocabulary of several texts together. */
  static Vocabulary of(Iterable<String> texts) {
    Set<String> stems = new HashSet<>();
    Set<Double> numbers = new HashSet<>();
    Set<String> ratings = new HashSet<>();
    List<Measured> measures = new ArrayList<>();
    for (String text : texts) {
      for (Word word : Words.of(text)) {
        add(word.text(), stems, numbers);
        if (word.text().indexOf('-') > 0) {
          Arrays.stream(word.text().split("-")).forEach(p -> add(p, stems, numbers));
        }
      }
      if (hasDigit(text)) {
        addNumbers(text, numbers, ratings, measures);
      }
    }
    return new Vocabulary(stems, numbers, ratings, measures);
  }

  private static void add(String word, Set<String> stems, Set<Double> numbers) {
    stems.add(English.stem(word));
    Double number = NUMBER_WORDS.get(word);
    if (number != null) {
      numbers.add(number);
    }
  }

  private static void addNumbers(
      String text, Set<Double> numbers, Set<String> ratings, List<Measured> measures) {
    Matcher rating = RATING.matcher(text);
    while (rating.find()) {
      ratings.add(rating.group());
    }
    Matcher measured = NUMBER.matcher(text);
    while (measured.find()) {
      String unit = measured.group(UNIT);
      if (unit != null) {
        double n = Double.parseDouble(measured.group(AMOUNT).replace(",", ""));
        measures.add(new Measured(n, unit));
      }
    }
    Matcher digits = DIGITS.matcher(text);
    while (digits.find()) {
      for (NumberStyle style : NumberStyle.values()) {
        style.parse(digits.group()).ifPresent(n -> numbers.add(n.doubleValue()));
      }
    }
  }

  static boolean hasDigit(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (Character.isDigit(text.charAt(i))) {
        return true;
      }
    }
    return false;
  }
}
