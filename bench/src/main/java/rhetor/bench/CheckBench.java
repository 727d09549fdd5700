package rhetor.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rhetor.core.check.Checker;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.say.Variety;
import rhetor.core.style.BannedWord;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.text.Draft;

/**
 * All checks but grammar on the texts of a product, against one plain scan of the same texts for as
 * many words as the house bans.
 */
final class CheckBench {
  private static final int BANNED = 200;
  private static final int WARM_UPS = 40;
  private static final int SCANS = 20;

  private CheckBench() {}

  static void run() throws IOException {
    List<ProductFacts> products = MadeUpRange.products();
    Knowledge knowledge = Knowledge.standard();
    List<BannedWord> banned = new ArrayList<>();
    for (int i = 0; i < BANNED; i++) {
      banned.add(new BannedWord("zorb" + (char) ('a' + i % 26) + (char) ('a' + i / 26) + "le", ""));
    }
    Style style = Style.standard().withBanned(banned);
    Composer composer =
        new Composer(knowledge, 1, new Variety(), RangeFigures.of(products, knowledge));
    List<Draft> drafts =
        products.stream().map(p -> composer.compose(Brief.of(p).under(style))).toList();
    Checker checker = new Checker(knowledge, style);
    int[] marks = new int[1];
    Bench.Work all =
        () -> {
          for (int i = 0; i < drafts.size(); i++) {
            ProductFacts product = products.get(i);
            marks[0] += checker.check(drafts.get(i), product, product.keyword()).marks().size();
          }
        };
    Set<String> words = new HashSet<>();
    banned.forEach(b -> words.add(b.word()));
    Bench.Work scan = () -> marks[0] += scan(drafts, words);
    Bench.compare("checks-" + drafts.size(), WARM_UPS, 15, all, SCANS, scan);
    double[] each = new double[drafts.size()];
    for (int i = 0; i < each.length; i++) {
      long start = System.nanoTime();
      marks[0] +=
          checker.check(drafts.get(i), products.get(i), products.get(i).keyword()).marks().size();
      each[i] = (System.nanoTime() - start) / 1e6;
    }
    Arrays.sort(each);
    System.out.printf(
        Locale.ROOT,
        "checks one-text-median-ms=%.3f p95-ms=%.3f%n",
        each[each.length / 2],
        each[(int) (each.length * 0.95)]);
  }

  /** Goes through all fields' words once and looks each up. */
  private static int scan(List<Draft> drafts, Set<String> words) {
    int found = 0;
    for (Draft draft : drafts) {
      for (Field field : Field.values()) {
        String text = draft.plain(field).toLowerCase(Locale.ROOT);
        int start = -1;
        for (int i = 0; i <= text.length(); i++) {
          boolean inWord = i < text.length() && Character.isLetter(text.charAt(i));
          if (inWord && start < 0) {
            start = i;
          } else if (!inWord && start >= 0) {
            found += words.contains(text.substring(start, i)) ? 1 : 0;
            start = -1;
          }
        }
      }
    }
    return found;
  }
}
