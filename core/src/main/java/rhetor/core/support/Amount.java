package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;

/**
 * A number in a text with what it counts or measures.
 *
 * @param value as it is written: 0.8 for "four fifths"
 * @param unit the unit behind it, if there is one
 * @param isWord whether it is written in words
 * @param start where it starts in the text
 * @param end where it and its unit end
 */
record Amount(double value, Optional<Unit> unit, boolean isWord, int start, int end) {
  private static final Map<String, Double> WORDS = new HashMap<>();
  private static final Map<String, Double> PARTS =
      Map.of(
          "half",
          2.0,
          "halves",
          2.0,
          "third",
          3.0,
          "thirds",
          3.0,
          "quarter",
          4.0,
          "quarters",
          4.0,
          "fifth",
          5.0,
          "fifths",
          5.0,
          "tenths",
          10.0,
          "tenth",
          10.0);

  static {
    String[] ones =
        "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen"
            .split(" ");
    for (int i = 0; i < ones.length; i++) {
      WORDS.put(ones[i], (double) i);
    }
    String[] tens = "twenty thirty forty fifty sixty seventy eighty ninety".split(" ");
    for (int i = 0; i < tens.length; i++) {
      WORDS.put(tens[i], 20.0 + 10 * i);
      for (int k = 1; k < 10; k++) {
        WORDS.put(tens[i] + "-" + ones[k], 20.0 + 10 * i + k);
      }
    }
    WORDS.put("dozen", 12.0);
    WORDS.put("hundred", 100.0);
    WORDS.put("thousand", 1000.0);
  }

  private static final Pattern TOKEN =
      Pattern.compile(
          "(?<f>(?<![\\p{L}\\d.,/])(?:\\d+ )?\\d+/\\d+(?= ?(?:[\"″”]|in\\b|inch)))|(?<n>(?:(?<![\\p{L}\\d.,])|(?<=\\d[x×]))(?:\\d{1,3}(?:[, ]\\d{3})+(?:\\.\\d+)?(?!\\d)|\\d+(?:[.,]\\d+)?))|(?<w>\\p{L}+(?:-\\p{L}+)*)");

  /** What stands between the sides of a thing. */
  private static final Pattern SIDES = Pattern.compile(" by | ?[x×] ?");

  /** "Half an hour", "three quarters of a litre". */
  private static final Pattern PART_OF_ONE =
      Pattern.compile(
          "(?i)\\b(?:(?<half>half)|(?<count>an?|one|two|three|four) (?<part>third|quarter|fifth)s? of) an? (?<u>\\p{L}+)");

  /** "1 hour and 40 minutes", "1h40". */
  private static final Pattern HOURS_AND_MINUTES =
      Pattern.compile(
          "(?i)(?<![\\p{L}\\d.,])(?<h>\\d{1,3}) ?(?:h|hrs?|hours?)(?: and)? ?(?<min>[0-5]?\\d)(?: ?(?:m|mins?|minutes))?(?![\\p{L}\\d])");

  /** "An hour and a half", "four and a half hours". */
  private static final Pattern AND_A_HALF =
      Pattern.compile(
          "(?i)\\b(?:an? (?<one>\\p{L}+)|(?<n>\\p{L}+(?:-\\p{L}+)?|\\d+)) and a half(?: (?<many>\\p{L}+))?");

  /** "In an hour", "lasts a week", but not "twice a week". */
  private static final Pattern A_TIME =
      Pattern.compile(
          "(?i)\\b(?:in|within|for|lasts?|takes?|only|just|under|over|about) (?<a>an?) (?<u>hour|week|month)\\b(?! (?:and|or)\\b)");

  private static final String ONE_OF = "one-";

  private static final Pattern A_PART = Pattern.compile("(?i)\\b(?:an?|one) $");

  /** "Fluid ounces". */
  private static final Pattern TWO_WORDS = Pattern.compile("[ -]?(?<u>\\p{L}+ \\p{L}+)");

  /** "Litres a minute", "times per minute". */
  private static final Pattern RATE =
      Pattern.compile("[ -]?(?<what>\\p{L}+) (?:an?|per) (?<time>\\p{L}+)");

  /** What may stand between a number and its unit. */
  private static final Pattern UNIT =
      Pattern.compile("[ -]?(?<u>[\\p{L}°%²³µΩ\"″£€$]+(?:/[\\p{L}²³]+)?)");

  /** Of the longest text whose numbers are remembered, in characters. */
  private static final int LONGEST = 800;

  /** The numbers of sentences that come again: lists of facts, and texts that are typed. */
  private record Remembered(Memo<List<Amount>> texts) {
    static Remembered of(Knowledge knowledge) {
      return new Remembered(new Memo<>(text -> find(text, knowledge), LONGEST));
    }
  }

  /**
   * The numbers of a text in order. "One" is more often somebody than a number, and is left out.
   */
  static List<Amount> in(String text, Knowledge knowledge) {
    return mayHaveAny(text)
        ? knowledge.index(Remembered.class, Remembered::of).texts.of(text)
        : List.of();
  }

  private static List<Amount> find(String text, Knowledge knowledge) {
    List<Amount> all = new ArrayList<>();
    List<Amount> parts = fractions(text, knowledge);
    Matcher m = TOKEN.matcher(text);
    while (m.find()) {
      int at = m.start();
      if (parts.stream().anyMatch(p -> at >= p.start && at < p.end)) {
        parts.stream().filter(p -> p.start == at).forEach(all::add);
        continue;
      }
      if (m.group("f") != null) {
        all.add(withUnit(fraction(m.group("f")), false, m.start(), m.end(), text, knowledge));
        continue;
      }
      if (m.group("n") != null) {
        all.add(digits(m, text, knowledge));
        continue;
      }
      String word = m.group("w").toLowerCase(Locale.ROOT);
      if (PARTS.containsKey(word)
          && A_PART.matcher(text.substring(0, m.start())).find()
          && text.startsWith(" of ", m.end())) {
        all.add(new Amount(1 / PARTS.get(word), Optional.empty(), true, m.start(), m.end()));
        continue;
      }
      Amount last = all.isEmpty() ? null : all.getLast();
      if (last != null && last.end > m.start()) {
        // Its unit.
        continue;
      }
      boolean follows =
          last != null
              && text.substring(last.end, m.start()).matches("[ -]")
              && last.unit.isEmpty();
      if (follows && PARTS.containsKey(word) && last.isWord) {
        all.set(
            all.size() - 1,
            new Amount(last.value / PARTS.get(word), Optional.empty(), true, last.start, m.end()));
      } else if (follows && last.isWord && (word.equals("hundred") || word.equals("thousand"))) {
        all.set(
            all.size() - 1,
            withUnit(last.value * WORDS.get(word), true, last.start, m.end(), text, knowledge));
      } else if (WORDS.containsKey(word) && !word.equals("one")) {
        all.add(withUnit(WORDS.get(word), true, m.start(), m.end(), text, knowledge));
      } else {
        String first = word.contains("-") ? first(word) : "";
        if (isOneOf(word, knowledge) || WORDS.containsKey(first) && !first.equals("one")) {
          // "Two-year", "three-layer".
          all.add(
              withUnit(
                  WORDS.get(first), true, m.start(), m.start() + first.length(), text, knowledge));
        }
      }
    }
    for (int i = all.size() - 2; i >= 0; i--) {
      Amount one = all.get(i);
      Amount next = all.get(i + 1);
      boolean isSide = SIDES.matcher(text.substring(one.end, next.start)).matches();
      if (isSide && one.unit.isEmpty() && next.unit.isPresent()) {
        // "183 by 122 cm" are centimetres both, and so are all of "70 x 32 x 16 mm".
        all.set(i, new Amount(one.value, next.unit, one.isWord, one.start, one.end));
      }
    }
    return List.copyOf(all);
  }

  /** Spares most texts the expressions: a digit, or a word for a number. */
  private static boolean mayHaveAny(String text) {
    if (mayHaveTime(text)) {
      return true;
    }
    for (int i = 0; i < text.length(); i++) {
      if (Character.isDigit(text.charAt(i))) {
        return true;
      }
    }
    for (Words.Word word : Words.of(text)) {
      if (isNumber(word.text())
          || word.text().startsWith(ONE_OF)
          || PARTS.containsKey(first(word.text()))) {
        return true;
      }
    }
    return false;
  }

  private static boolean mayHaveTime(String text) {
    return text.contains(" an hour") || text.contains(" a week") || text.contains(" a month");
  }

  /** Whether a word, or the first of a compound, is a number: "two", "two-year". */
  static boolean isNumber(String word) {
    String first = first(word);
    return WORDS.containsKey(first) && !first.equals("one");
  }

  /** "One-year", "one-litre", but not "one-off". */
  static boolean isOneOf(String word, Knowledge knowledge) {
    return word.startsWith(ONE_OF) && unit(word.substring(ONE_OF.length()), knowledge).isPresent();
  }

  private static String first(String word) {
    int hyphen = word.indexOf('-');
    return hyphen < 0 ? word : word.substring(0, hyphen);
  }

  /** Parts of a unit, and numbers with a half; of what isn't measured nothing is said. */
  private static List<Amount> fractions(String text, Knowledge knowledge) {
    List<Amount> all = new ArrayList<>();
    Matcher time = A_TIME.matcher(text);
    while (mayHaveTime(text) && time.find()) {
      all.add(
          new Amount(1, unit(time.group("u"), knowledge), true, time.start("a"), time.end("u")));
    }
    Matcher hours = HOURS_AND_MINUTES.matcher(text);
    while (mayHaveHours(text) && hours.find()) {
      double minutes =
          60 * Double.parseDouble(hours.group("h")) + Double.parseDouble(hours.group("min"));
      all.add(new Amount(minutes, unit("min", knowledge), false, hours.start(), hours.end()));
    }
    if (text.contains(" and a half")) {
      Matcher half = AND_A_HALF.matcher(text);
      while (half.find()) {
        andAHalf(half, knowledge).ifPresent(all::add);
      }
    }
    boolean hasPart = PARTS.keySet().stream().anyMatch(text::contains) || text.contains("Half");
    Matcher m = PART_OF_ONE.matcher(text);
    while (hasPart && m.find()) {
      Optional<Unit> unit = unit(m.group("u"), knowledge);
      if (unit.isPresent()) {
        double value =
            m.group("half") != null
                ? 1 / PARTS.get("half")
                : WORDS.getOrDefault(m.group("count").toLowerCase(Locale.ROOT), 1.0)
                    / PARTS.get(m.group("part").toLowerCase(Locale.ROOT));
        all.add(new Amount(value, unit, true, m.start(), m.end()));
      }
    }
    return all;
  }

  /** Spares most texts the expression: a digit, and an "h" behind it or behind a space. */
  private static boolean mayHaveHours(String text) {
    for (int i = 1; i < text.length(); i++) {
      char before = text.charAt(i - 1);
      if ((text.charAt(i) | ' ') == 'h' && (before == ' ' || Character.isDigit(before))) {
        return true;
      }
    }
    return false;
  }

  private static Optional<Amount> andAHalf(Matcher m, Knowledge knowledge) {
    if (m.group("one") != null) {
      Optional<Unit> unit = unit(m.group("one"), knowledge);
      int end = m.group("many") == null ? m.end() : m.start("many") - 1;
      return unit.map(u -> new Amount(1 + 1 / PARTS.get("half"), unit, true, m.start(), end));
    }
    String number = m.group("n").toLowerCase(Locale.ROOT);
    if (!WORDS.containsKey(number) && !Character.isDigit(number.charAt(0))) {
      return Optional.empty();
    }
    double value = WORDS.containsKey(number) ? WORDS.get(number) : Double.parseDouble(number);
    Optional<Unit> unit =
        m.group("many") == null ? Optional.empty() : unit(m.group("many"), knowledge);
    int end = m.group("many") == null || unit.isPresent() ? m.end() : m.start("many") - 1;
    return Optional.of(new Amount(value + 1 / PARTS.get("half"), unit, true, m.start(), end));
  }

  /** "1 1/4" is one and a quarter. */
  private static double fraction(String written) {
    double value = 0;
    for (String part : written.split(" ")) {
      String[] of = part.split("/");
      value +=
          of.length == 1
              ? Double.parseDouble(part)
              : Double.parseDouble(of[0]) / Math.max(1, Double.parseDouble(of[1]));
    }
    return value;
  }

  private static Amount digits(Matcher m, String text, Knowledge knowledge) {
    String written = m.group("n");
    boolean isGrouped = written.matches("\\d{1,3}(?:[, ]\\d{3})+(?:\\.\\d+)?");
    String plain = isGrouped ? written.replaceAll("[, ]", "") : written.replace(',', '.');
    return withUnit(Double.parseDouble(plain), false, m.start(), m.end(), text, knowledge);
  }

  private static Amount withUnit(
      double value, boolean isWord, int start, int end, String text, Knowledge knowledge) {
    Matcher rate = RATE.matcher(text).region(end, text.length());
    Optional<Unit> perTime =
        rate.lookingAt()
            ? unit(rate.group("what") + " per " + rate.group("time"), knowledge)
            : Optional.empty();
    if (perTime.isPresent()) {
      return new Amount(value, perTime, isWord, start, rate.end());
    }
    Matcher two = TWO_WORDS.matcher(text).region(end, text.length());
    Optional<Unit> inTwo = two.lookingAt() ? unit(two.group("u"), knowledge) : Optional.empty();
    if (inTwo.isPresent()) {
      return new Amount(value, inTwo, isWord, start, two.end());
    }
    Matcher u = UNIT.matcher(text).region(end, text.length());
    if (u.lookingAt()) {
      String written = u.group("u");
      Optional<Unit> unit = unit(written, knowledge);
      // "22 in the box" is no length.
      boolean isPreposition =
          written.equals("in") && text.substring(u.end()).matches("(?s) \\p{L}.*");
      boolean isShared = text.startsWith(" per ", u.end());
      if (unit.isPresent() && !isPreposition && (isShared || unit.get().id().equals("°"))) {
        // Grams of what is measured otherwise, degrees of nobody says what.
        return new Amount(value, Optional.empty(), isWord, start, u.end());
      }
      if (unit.isPresent() && !isPreposition) {
        return new Amount(value, unit, isWord, start, u.end());
      }
    }
    return new Amount(value, Optional.empty(), isWord, start, end);
  }

  private static Optional<Unit> unit(String written, Knowledge knowledge) {
    Optional<Unit> exact = knowledge.unitWritten(written);
    if (exact.isPresent() && (written.length() > 1 || "gmlWVhLs%°\"″".contains(written))) {
      return exact;
    }
    return Optional.empty();
  }

  String dimension() {
    return unit.map(Unit::dimension).orElse("");
  }

  /** The value in its dimension's base unit. */
  double base() {
    return unit.map(u -> value * u.factor().doubleValue()).orElse(value);
  }
}
