package rhetor.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import rhetor.core.check.GrammarCheck;
import rhetor.core.style.Spelling;

/** Finds grammar and spelling mistakes with LanguageTool in British English. */
final class Grammar {
  /** Texts of each voice that are checked: a paragraph takes about 50 ms. */
  private static final int OF_EACH = 107;

  /** Names of the made-up range, which no dictionary knows. */
  private static final List<String> NAMES =
      List.of(
          "Wendle",
          "Pellow",
          "Tollan",
          "Ashlode",
          "Tolvane",
          "Brightwick",
          "Kestering",
          "Lumley",
          "Marram",
          "Fennwick",
          "Oakhanger",
          "Heddle",
          "Burrell",
          "Cacaline",
          "Lathermoor",
          "Ledgerwell",
          "Houndsworth",
          "Fellside",
          "Wickham",
          "Aldersmith",
          "Gannet",
          "Sennick",
          "Hathering",
          "Harrowmere",
          "Ellery",
          "Ashcroft",
          "Varga",
          "Maud",
          "Tobin",
          "Ines",
          "Guji",
          "Huila",
          "Yirga",
          "Scree",
          "Bothy",
          "Byre",
          "Shieling",
          "Northgate",
          "Saltmarsh",
          "Tabula");

  private Grammar() {}

  /** Prints findings per 1,000 words, and which they are. */
  static void print(Map<String, List<String>> texts) {
    GrammarCheck checker = new GrammarCheck(Spelling.BRITISH);
    checker.learn(NAMES);
    GrammarCheck.OFF.forEach(
        off -> System.out.println("  off: " + off.rule() + ", because " + off.why()));
    Map<String, Integer> byRule = new TreeMap<>();
    Map<String, String> examples = new HashMap<>();
    long words = 0;
    long found = 0;
    for (Map.Entry<String, List<String>> entry : texts.entrySet()) {
      List<String> all = entry.getValue();
      int step = Math.max(1, all.size() / OF_EACH);
      for (int i = 0; i < all.size(); i += step) {
        String text = all.get(i);
        words += text.split("\\s+").length;
        for (GrammarCheck.Mistake match : checker.of(text, "")) {
          found++;
          String flagged = text.substring(match.start(), match.end());
          String id = match.rule() + (match.spelling() ? " " + flagged : "");
          byRule.merge(id, 1, Integer::sum);
          examples.putIfAbsent(
              id,
              entry.getKey()
                  + ": "
                  + text.substring(Math.max(0, match.start() - 30), match.start())
                  + "["
                  + flagged
                  + "]"
                  + text.substring(match.end(), Math.min(text.length(), match.end() + 30)));
        }
      }
    }
    System.out.printf(
        Locale.ROOT,
        "text grammar-per-1000-words=%.2f (%d words)%n",
        found * 1000.0 / words,
        words);
    List<String> lines = new ArrayList<>();
    byRule.forEach((id, n) -> lines.add("  " + n + " " + id + " … " + examples.get(id) + " …"));
    lines.forEach(System.out::println);
  }
}
