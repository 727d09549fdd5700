package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Nearness;

/**
 * Finds the noun for what all products of an English sheet are, where several places say the same:
 * the heading over the names, the names' last words, the keywords, the suppliers' texts. Sheets of
 * one trade seldom have a column that says so.
 */
final class ThingOfSheet {
  // What each place is worth; a noun is taken from ENOUGH on.
  private static final double HEADING = 1;
  private static final double HEADING_PERHAPS = 0.5;
  private static final double KEYWORDS = 1.5;
  private static final double NAMES = 1.5;
  private static final double TEXTS = 0.8;
  private static final double ENOUGH = 0.9;

  /** One word in this many products is chance. */
  private static final double LEAST_SHARE = 0.34;

  private static final double HALF = 0.5;

  /** A noun for so many kinds of things says too little: "machine", "instrument", "food". */
  private static final int MOST_KINDS = 150;

  private static final int FEW = 3;
  private static final int SHORTEST = 3;

  private static final Pattern SEVERAL = Pattern.compile(".*\\b(?:and|und|et|y|for|für|pour)\\b.*");

  private static final int LONGEST_THING = 3;

  private static final Pattern NOT_A_WORD = Pattern.compile("[^\\p{L}'-]+");

  /** So many nouns are proposed where nothing says what the products are. */
  private static final int PROPOSED = 5;

  private static final int SHORT = 30;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final KindFinder kinds;
  private final Nearness nearness;

  ThingOfSheet(Knowledge knowledge, HeadingNames names, KindFinder kinds, Nearness nearness) {
    this.knowledge = knowledge;
    this.names = names;
    this.kinds = kinds;
    this.nearness = nearness;
  }

  /** All nouns for things that are known. */
  static Set<String> nouns(Knowledge knowledge) {
    Set<String> nouns = new TreeSet<>(knowledge.things());
    for (ProductClass of : knowledge.classes()) {
      if (!of.names().isEmpty()) {
        nouns.add(of.noun());
      }
    }
    return nouns;
  }

  /**
   * Nouns for things that mean about what the headings and the first cells are about, the nearest
   * first: frets and strings are a guitar's.
   */
  List<String> like(SheetColumns sheet) {
    List<String> all = List.copyOf(nouns(knowledge));
    Optional<float[]> headings =
        nearness.of(
            sheet.columns().stream()
                .map(c -> c.heading().label())
                .collect(Collectors.joining(", ")));
    Optional<float[]> cells =
        nearness.of(
            sheet.columns().stream()
                .flatMap(c -> c.cells().values().stream().limit(1))
                .filter(v -> v.length() < SHORT)
                .collect(Collectors.joining(", ")));
    List<float[]> vectors = nearness.ofAll(all);
    if (headings.isEmpty() || cells.isEmpty() || vectors.isEmpty()) {
      return List.of();
    }
    Map<String, Double> near = new HashMap<>();
    for (int i = 0; i < all.size(); i++) {
      near.put(
          all.get(i),
          Nearness.cosine(headings.get(), vectors.get(i))
              + Nearness.cosine(cells.get(), vectors.get(i)));
    }
    return all.stream().sorted(Comparator.comparing(near::get).reversed()).limit(PROPOSED).toList();
  }

  /**
   * The noun for one of the products; on sheets that aren't English it is found only if the heading
   * over the names is a known one.
   *
   * @param columns how each of the sheet's columns is read
   */
  Optional<String> find(SheetColumns sheet, List<ColumnReading> columns) {
    if (!sheet.language().equals("en")) {
      return sheet.columns().stream()
          .filter(c -> columns.get(c.index()).meaning().role() == Meaning.Role.NAME)
          .findFirst()
          .flatMap(c -> kinds.called(c.heading().name()));
    }
    Map<String, Double> scores = new HashMap<>();
    Set<String> parts = new HashSet<>();
    for (SheetColumn column : sheet.columns()) {
      Cells cells = column.cells();
      switch (columns.get(column.index()).meaning().role()) {
        case NAME -> {
          heading(column).ifPresent(noun -> heading(noun, sheet, scores));
          // "Lane 20" and "Lane 22" are two of a series that is called Lane.
          heads(cells, 2, NAMES, scores);
        }
        case KEYWORD -> heads(cells, 1, KEYWORDS, scores);
        case PROSE -> texts(cells, scores);
        case CONCEPT, EXTRA -> parts.addAll(nouns(column.raw()));
        default -> {}
      }
    }
    // A column of its own tells of a part or a property: "Handle", "Frame colour".
    scores.keySet().removeIf(parts::contains);
    return scores.entrySet().stream()
        .filter(e -> e.getValue() >= ENOUGH)
        .max(
            Map.Entry.<String, Double>comparingByValue()
                .thenComparing(e -> e.getKey().length())
                .thenComparing(Map.Entry::getKey))
        .map(Map.Entry::getKey)
        // What the columns call a rug is a horse rug on a sheet of horse rugs.
        .map(noun -> sheet.titled().endsWith(" " + noun) ? sheet.titled() : noun);
  }

  /**
   * The noun for the only thing that a title names: "Ladders 2026" is of ladders, "lamps and
   * shades" and "candle accessories" are of several.
   */
  Optional<String> ofTitle(String title) {
    String words =
        String.join(" ", NOT_A_WORD.splitAsStream(title.toLowerCase(Locale.ROOT)).toList())
            .replaceAll("[-']", " ");
    if (SEVERAL.matcher(words).matches()
        || Arrays.stream(words.split(" ")).anyMatch(KindFinder::isGrouping)) {
      return Optional.empty();
    }
    List<String> found = new ArrayList<>();
    String[] each = words.split(" ");
    for (int end = each.length; end > 0; ) {
      int length = 0;
      for (int count = Math.min(end, LONGEST_THING); count > 0 && length == 0; count--) {
        String phrase = String.join(" ", Arrays.copyOfRange(each, end - count, end));
        Optional<String> noun = known(phrase);
        if (noun.isPresent()) {
          found.add(noun.get());
          length = count;
        }
      }
      // Of "coffee scoops" nobody may know the scoops, but they are no coffee.
      if (length == 0 && found.isEmpty() && isUnknownThings(each[end - 1])) {
        return Optional.empty();
      }
      end -= Math.max(1, length);
    }
    return found.stream().distinct().count() == 1
        ? Optional.of(found.getFirst())
        : Optional.empty();
  }

  private static boolean isUnknownThings(String word) {
    String one = English.singular(word);
    return English.isPlural(word) && (Lexicon.shipped().isGoods(one) || English.isDoer(one));
  }

  private Optional<String> known(String phrase) {
    String one =
        English.isPlural(phrase) && !English.isPluralOnly(phrase)
            ? English.singular(phrase)
            : phrase;
    // "Glasses" may be worn, "wine glasses" are several.
    String each = English.singular(phrase);
    Optional<String> noun =
        knowledge.things().contains(one)
            ? Optional.of(one)
            : kinds.called(phrase).or(() -> Optional.of(each).filter(knowledge.things()::contains));
    // A file that is called "aquarium" is about what belongs to one, "aquariums" are in the other.
    return noun.filter(n -> !n.equals(phrase) || !English.isCountable(n) || English.isMass(n));
  }

  /**
   * A noun over the names that means a thing in few of its senses is one if nothing known comes
   * nearer to the whole sheet, or is the last part of what comes nearest: "Game" over players and
   * minutes of board games.
   */
  private void heading(String noun, SheetColumns sheet, Map<String, Double> scores) {
    boolean isThing = goods(noun) >= HALF || kinds.called(noun).isPresent();
    scores.merge(noun, isThing ? HEADING : HEADING_PERHAPS, Double::sum);
    if (!isThing) {
      like(sheet).stream()
          .findFirst()
          .filter(near -> near.endsWith(noun))
          .ifPresent(near -> scores.merge(near, HEADING, Double::sum));
    }
  }

  /** The noun for a thing that a heading is, one of it; empty if it is none or says a role. */
  Optional<String> heading(SheetColumn column) {
    String heading = column.heading().name();
    // A "shade name" is a name, and neither a shade nor a thing.
    boolean saysRole = names.isRole(heading) || names.isRole(English.lastWord(heading));
    return heading.contains("/") || saysRole ? Optional.empty() : thing(heading);
  }

  /** What phrases end in that differ by more than numbers, and have so many words at least. */
  private void heads(Cells cells, int least, double worth, Map<String, Double> scores) {
    Map<String, Integer> counts = new HashMap<>();
    List<List<String>> distinct =
        cells.values().stream()
            .map(KindFinder::head)
            .map(h -> NOT_A_WORD.splitAsStream(h).filter(w -> w.length() >= SHORTEST).toList())
            .distinct()
            .toList();
    if (distinct.size() < FEW) {
      return;
    }
    for (List<String> words : distinct) {
      if (words.size() < least) {
        continue;
      }
      String last = words.getLast();
      Set<String> found = new HashSet<>();
      thing(last).ifPresent(found::add);
      if (words.size() > 1) {
        thing(words.get(words.size() - 2) + " " + last).ifPresent(found::add);
      }
      found.forEach(noun -> counts.merge(noun, 1, Integer::sum));
    }
    add(counts, distinct.size(), worth, scores);
  }

  /** Nouns that many of the texts have. */
  private void texts(Cells cells, Map<String, Double> scores) {
    Map<String, Integer> counts = new HashMap<>();
    List<String> distinct = cells.values().stream().distinct().toList();
    if (distinct.size() < FEW) {
      return;
    }
    // What can't be counted is a part or a substance as a rule: "duck fat 4 %".
    distinct.forEach(
        text ->
            nouns(text).stream()
                .filter(noun -> English.isCountable(noun) && !English.isMass(noun))
                .forEach(noun -> counts.merge(noun, 1, Integer::sum)));
    add(counts, distinct.size(), TEXTS, scores);
  }

  private static void add(
      Map<String, Integer> counts, int of, double worth, Map<String, Double> scores) {
    counts.forEach(
        (noun, count) -> {
          double share = (double) count / of;
          if (count > 1 && share >= LEAST_SHARE) {
            scores.merge(noun, worth * share, Double::sum);
          }
        });
  }

  /** The nouns for things in a text, each as one of them. */
  private Set<String> nouns(String text) {
    List<String> words =
        NOT_A_WORD
            .splitAsStream(text.toLowerCase(Locale.ROOT))
            .filter(w -> w.length() >= SHORTEST)
            .toList();
    List<String> all = new ArrayList<>(words);
    for (int i = 1; i < words.size(); i++) {
      all.add(words.get(i - 1) + " " + words.get(i));
    }
    return all.stream().flatMap(w -> thing(w).stream()).collect(Collectors.toSet());
  }

  /** A noun for something that can be sold, as one of it; nothing for other words. */
  private Optional<String> thing(String word) {
    boolean isSeveral = English.isPlural(word) && !English.isPluralOnly(word);
    String one = isSeveral ? English.singular(word) : word;
    boolean isKnown = knowledge.things().contains(one);
    if (KindFinder.isGrouping(word)
        || !isKnown && (goods(word) == 0 || Lexicon.shipped().kinds(word) > MOST_KINDS)) {
      return Optional.empty();
    }
    return Optional.of(one);
  }

  /** The share of a noun's senses that are sold; 1 for what does something: a milk frother. */
  static double goods(String noun) {
    String last = English.lastWord(noun);
    boolean isUnheard = noun.indexOf(' ') > 0 && Lexicon.shipped().senses(last) == 0;
    return isUnheard && English.isDoer(last) ? 1 : Lexicon.shipped().goods(noun);
  }
}
