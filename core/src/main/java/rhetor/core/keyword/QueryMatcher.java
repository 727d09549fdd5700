package rhetor.core.keyword;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Memo;

/**
 * Finds the products that a search query is about. A product's words weigh by where they stand, a
 * query's by how rare they are among the products (inverse document frequency, Spärck Jones 1972);
 * relevance is the share of the query's weight that the product's words bear. Not safe for several
 * threads.
 */
public final class QueryMatcher {
  /** Relevance below which a query is about something else. */
  public static final double LEAST = 0.6;

  /** A query that fits more things alike is about none of them but about their kind. */
  private static final int GENERAL = 3;

  private static final int MOST_MATCHES = 3;
  private static final double ALIKE = 0.02;
  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]+");

  /** Words that say nothing of what is searched for. */
  private static final Set<String> PLAIN =
      Set.of(
          "a", "an", "the", "for", "with", "in", "of", "to", "and", "or", "on", "by", "from", "my",
          "buy", "best", "cheap", "online", "shop", "uk", "sale", "price", "review", "reviews");

  private static final Memo<String> STEMS = new Memo<>(English::stem);

  private final List<Long> products = new ArrayList<>();
  private final Map<Long, Integer> numbers = new HashMap<>();

  /** The thing that each product is: those of one name are variants of it. */
  private final List<Integer> things = new ArrayList<>();

  private final Map<String, Integer> names = new HashMap<>();
  private final Map<String, Postings> postings = new HashMap<>();
  private float[] score = new float[0];

  /** The products that have a word, with its weight in each. */
  private static final class Postings {
    private int[] products = new int[2];
    private float[] weights = new float[2];
    private int size;

    void add(int product, float weight) {
      if (size > 0 && products[size - 1] == product) {
        weights[size - 1] = Math.max(weights[size - 1], weight);
        return;
      }
      if (size == products.length) {
        products = Arrays.copyOf(products, size * 2);
        weights = Arrays.copyOf(weights, size * 2);
      }
      products[size] = product;
      weights[size++] = weight;
    }
  }

  /** Adds a product with its name; those that share a name are variants of one thing. */
  public void add(long product, String name) {
    numbers.computeIfAbsent(
        product,
        p -> {
          products.add(p);
          things.add(names.computeIfAbsent(name.toLowerCase(Locale.ROOT), n -> names.size()));
          return products.size() - 1;
        });
    add(product, name, 1);
  }

  /**
   * Adds words of a product that has been added; all of one product's before another's.
   *
   * @param weight how much they tell of what it is, 0 to 1
   */
  public void add(long product, String words, double weight) {
    int number = numbers.get(product);
    for (String stem : stems(words)) {
      postings.computeIfAbsent(stem, s -> new Postings()).add(number, (float) weight);
    }
  }

  /** The stems of a query's or a product's telling words. */
  static Set<String> stems(String words) {
    Set<String> stems = new LinkedHashSet<>();
    Matcher m = WORD.matcher(words.toLowerCase(Locale.ROOT));
    while (m.find()) {
      if (!PLAIN.contains(m.group())) {
        stems.add(STEMS.of(m.group()));
      }
    }
    return stems;
  }

  /**
   * A product that a query is about.
   *
   * @param relevance {@link #LEAST} to 1
   */
  public record Match(long product, double relevance) {}

  /**
   * What a query is about.
   *
   * @param general whether it fits several things so well that it is about their kind
   */
  public record Matches(List<Match> best, boolean general) {}

  /** The products that a query is about, three at most, the most relevant first. */
  public Matches match(String query) {
    if (score.length < products.size()) {
      score = new float[products.size()];
    }
    double all = 0;
    List<Postings> found = new ArrayList<>();
    List<Double> weights = new ArrayList<>();
    for (String stem : stems(query)) {
      Postings of = postings.get(stem);
      double rarity = Math.log(1 + products.size() / (of == null ? 1.0 : of.size));
      all += rarity;
      if (of != null) {
        found.add(of);
        weights.add(rarity);
      }
    }
    if (found.isEmpty()) {
      return new Matches(List.of(), false);
    }
    for (int k = 0; k < found.size(); k++) {
      Postings of = found.get(k);
      float weight = (float) (weights.get(k) / all);
      for (int i = 0; i < of.size; i++) {
        score[of.products[i]] += weight * of.weights[i];
      }
    }
    return best(found);
  }

  /** Collects the best scores and leaves all of them zero. */
  private Matches best(List<Postings> found) {
    int[] top = new int[MOST_MATCHES];
    float[] scores = new float[MOST_MATCHES];
    Set<Integer> alike = new HashSet<>();
    float most = 0;
    for (Postings of : found) {
      for (int i = 0; i < of.size; i++) {
        most = Math.max(most, score[of.products[i]]);
      }
    }
    for (Postings of : found) {
      for (int i = 0; i < of.size; i++) {
        int product = of.products[i];
        float s = score[product];
        score[product] = 0;
        if (s < LEAST) {
          continue;
        }
        if (s >= most - ALIKE && alike.size() <= GENERAL) {
          alike.add(things.get(product));
        }
        int place = MOST_MATCHES;
        while (place > 0 && s > scores[place - 1]) {
          place--;
        }
        for (int k = MOST_MATCHES - 1; k > place; k--) {
          scores[k] = scores[k - 1];
          top[k] = top[k - 1];
        }
        if (place < MOST_MATCHES) {
          scores[place] = s;
          top[place] = product;
        }
      }
    }
    List<Match> best = new ArrayList<>();
    for (int k = 0; k < MOST_MATCHES && scores[k] > 0; k++) {
      best.add(new Match(products.get(top[k]), Math.min(1, scores[k])));
    }
    return new Matches(best, alike.size() > GENERAL);
  }
}
